import { readdirSync, readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { expectRoomForLongerText, plainTexts } from './otherLanguage.ts';
import { addresses, SCREENS } from './screens.ts';
import { expectAccessible, accessibleTest as test } from './yard.ts';

// Each only looks: they need not wait for each other.
test.describe.configure({ mode: 'parallel' });

/** The sentences of the core’s rules are not in the catalogue yet. */
const CORE = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
  .flatMap((file) => (file.endsWith('.ts') ? [readFileSync(`src/core/${file}`, 'utf8')] : []))
  .join('\n');
/** Columns of a file, names of places and months that the browser knows, and texts of the date field’s library. */
const MONTHS = Array.from({ length: 12 }, (_, month) =>
  new Date(2026, month).toLocaleString('en-GB', { month: 'long' }),
);
const NO_TEXTS = [
  ...MONTHS,
  'Selected Date',
  'yyyy',
  'time',
  'wind m',
  'rain mm',
  ...Intl.supportedValuesOf('timeZone').map((zone) => zone.replaceAll('_', ' ')),
];

/** Whether a text is data, or two pieces of it side by side. */
const isOf = (data: string, text: string): boolean =>
  data.includes(text) ||
  [...text.matchAll(/ /g)].some(
    ({ index }) => data.includes(text.slice(0, index)) && data.includes(text.slice(index + 1)),
  );

const LOOKS = [
  ['loft', 1280, 800],
  ['shed', 390, 844],
] as const;

/** At a desk in the light theme, then on a phone in the dark one. */
async function expectAccessibleAtBoth(page: Page): Promise<void> {
  for (const [theme, width, height] of LOOKS) {
    await page.setViewportSize({ width, height });
    await page.evaluate((name) => {
      document.documentElement.dataset.theme = name;
      // Colours that fade over are looked at once they are there.
      for (const fade of document.getAnimations()) if (fade instanceof CSSTransition) fade.finish();
    }, theme);
    await test.step(`${width} px, ${theme}`, () => expectAccessible(page));
  }
}

for (const name of SCREENS)
  test(`the screen "${name}" is accessible at both sizes in both themes, and has room for another language`, async ({
    page,
    foreign,
    request,
  }) => {
    await page.goto((await addresses(request))[name]);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    // The plan is looked at once it is there.
    if (name === 'plan')
      await expect(page.getByRole('heading', { name: 'Day by day' })).toBeVisible({ timeout: 300_000 });
    await expectAccessibleAtBoth(page);
    await test.step('another language', async () => {
      await foreign.page.goto((await addresses(request))[name]);
      await expect(foreign.page.getByRole('heading', { level: 1 })).toBeVisible();
      const plain = async () => {
        const data = [...foreign.received, ...NO_TEXTS, CORE].join('\n').toLowerCase();
        return (await plainTexts(foreign.page)).filter((text) => !isOf(data, text.toLowerCase()));
      };
      // What is being loaded is data before it is on the page.
      await expect.poll(plain).toEqual([]);
      await expectRoomForLongerText(foreign.page);
      expect(foreign.errors.splice(0)).toEqual([]);
    });
  });

test('the search is accessible', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Find anything' }).fill('bottom');
  await expect(page.getByRole('option').first()).toBeVisible();
  await expectAccessibleAtBoth(page);
});

test('on paper a page has the whole width, in portrait or landscape', async ({ page, request }) => {
  await page.goto((await addresses(request)).log);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  for (const width of [794, 1123]) {
    await page.setViewportSize({ width, height: 794 });
    expect((await page.locator('main').boundingBox())?.width).toBeGreaterThan(width - 40);
  }
  await expect(page.getByText(/Printed .* 20\d\d, \d\d:\d\d\.$/)).toBeVisible();
  await page.emulateMedia({ media: null });
});
