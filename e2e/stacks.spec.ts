import { expect, type Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { SHEETS } from '../demo/sheets.ts';
import type { AreaInput, BoardView } from '../src/contract/index.ts';
import { type Family, FILLERS, TEMPLATES } from '../src/core/system/index.ts';
import { cases } from '../test/cases.ts';
import { BY_HAND, expectAccessible, goWithin, stacksTest as test } from './yard.ts';

/**
 * Typical stacks and forbidden ones, walked as a user would (a third of them; all in `npm run soak -- screens`, and in the core's own tests);
 * schools, bands, and the work before a coat.
 */

const aThird = <T>(list: readonly T[]): T[] => list.filter((_, i) => i % cases(3, 1) === 0);

type Place = Partial<Pick<AreaInput, 'substrate' | 'service' | 'oldCoating' | 'highWear'>>;

const board = async (page: Page) => (await (await page.request.get('/api/v1/board')).json()) as BoardView;

/** A new area of 10 m² on the tender. */
async function newArea(page: Page, name: string, place: Place) {
  const boat = (await board(page)).boats.find((each) => each.name === 'Grey Phalarope');
  if (!boat) throw new Error('the demo has no tender');
  const area: AreaInput = {
    id: uuidv7(),
    boatId: boat.id,
    name,
    zone: 'other',
    side: 'both',
    substrate: 'grp',
    service: 'daylight',
    surroundings: { kind: 'shed' },
    oldCoating: null,
    highWear: false,
    part: null,
    measures: [{ shape: { kind: 'rectangle', lengthM: 5, widthM: 2 }, count: 1, opening: false }],
    spread: 0.05,
    estimates: [],
    chosenWay: null,
    note: '',
    ...place,
  };
  const answer = await page.request.post('/api/v1/areas', { data: area, headers: BY_HAND });
  expect(answer.status()).toBe(201);
  return { systems: `/boats/${boat.id}/systems/${area.id}`, bench: `/bench/${area.id}` };
}

const productOf = (family: Family): string => {
  const found = Object.entries(SHEETS).find(([, sheet]) => sheet.family === family);
  if (!found) throw new Error(`the demo has no ${family}`);
  return found[0];
};
async function addCoats(page: Page, families: readonly Family[]) {
  for (const family of families) {
    await page.getByLabel('Next product').selectOption({ label: productOf(family) });
    await page.getByRole('button', { name: 'Add step' }).click();
  }
}
/** The system of another area, and it stands there before anything is pressed. */
async function openArea(page: Page, systems: string, name: string) {
  await goWithin(page, systems);
  const areas = page.getByRole('navigation', { name: 'Areas' });
  await expect(areas.locator('[aria-current="page"]')).toContainText(name);
}
const asksWhy = (page: Page) => page.getByLabel(/Reason to apply anyway/);

test('a typical stack from its template: drawn, saved, and no false alarm', async ({ page }) => {
  test.slow();
  await page.goto('/rules');
  for (const { name, substrates, services, steps } of aThird(TEMPLATES)) {
    const [substrate, service] = [substrates[0], services[0]] as [
      AreaInput['substrate'],
      AreaInput['service'],
    ];
    const { systems } = await newArea(page, name, { substrate, service });
    await openArea(page, systems, name);
    // A filler goes on the share that is to be filled: nothing is taken before it is told.
    const take = page.getByRole('button', { name: `Use template ${name}` });
    if (steps.some(({ family }) => FILLERS.includes(family))) {
      await expect(take).toBeDisabled();
      await page.getByLabel('Share to be filled').fill('20');
      await page.keyboard.press('Enter');
    }
    await take.click();
    const section = page.getByRole('img', { name: /Section through the system/ });
    await expect(section).toBeVisible();
    await expect(page.getByRole('group', { name: /^\d+\. / })).toHaveCount(steps.length);
    await expect(asksWhy(page)).toHaveCount(0);
    await expect(section).not.toHaveAccessibleName(/no bond/);
  }
});

/** The handbook's table of what is never applied, in the trade's words. */
const FORBIDDEN: readonly [what: string, place: Place, families: Family[], reason: RegExp][] = [
  [
    'two-pack over one-pack',
    { service: 'daylight' },
    ['one-pack-primer', 'two-pack-polyurethane'],
    /lifts and wrinkles the one-pack/,
  ],
  [
    'epoxy as the last coat in daylight',
    { service: 'daylight' },
    ['epoxy-primer'],
    /Epoxy chalks in sunlight/,
  ],
  [
    'polyurethane under water',
    { service: 'immersed' },
    ['epoxy-barrier', 'two-pack-polyurethane'],
    /blister and foul under water/,
  ],
  [
    'antifouling on bare steel',
    { service: 'immersed', substrate: 'steel' },
    ['hard-antifouling'],
    /primer or barrier first/,
  ],
  [
    'copper on aluminium',
    { service: 'immersed', substrate: 'aluminium' },
    ['epoxy-primer', 'epoxy-barrier', 'ablative-antifouling'],
    /Copper corrodes aluminium/,
  ],
  [
    'hard over ablative',
    { service: 'immersed', oldCoating: 'ablative-antifouling' },
    ['hard-antifouling'],
    /wears away under the hard one/,
  ],
  [
    'polyester filler over epoxy',
    { service: 'daylight' },
    ['epoxy-primer', 'polyester-filler', 'epoxy-primer', 'two-pack-polyurethane'],
    /Polyester doesn’t cure on epoxy/,
  ],
  [
    'polyester filler under water',
    { service: 'immersed' },
    ['polyester-filler', 'epoxy-barrier', 'ablative-antifouling'],
    /absorbs water/,
  ],
  [
    'filler on bare blasted steel',
    { service: 'immersed', substrate: 'steel' },
    ['epoxy-filler', 'epoxy-primer', 'epoxy-barrier', 'ablative-antifouling'],
    /traps moisture against the steel/,
  ],
  [
    'zinc primer beside anodes',
    { service: 'immersed', substrate: 'steel' },
    ['zinc-epoxy-primer', 'epoxy-primer', 'ablative-antifouling'],
    /Use it only under a full barrier/,
  ],
];

test('a forbidden stack: the right reason, and the nearest workable one taken and saved', async ({
  page,
}) => {
  test.slow();
  await page.goto('/rules');
  for (const [what, place, families, reason] of aThird(FORBIDDEN)) {
    const { systems } = await newArea(page, what, place);
    await openArea(page, systems, what);
    await addCoats(page, families);
    await expect(page.getByText(reason).first(), what).toBeVisible();
    await page.getByRole('button', { name: 'Save system' }).click();
    await expect(page.getByText(/^Not allowed: /).first(), what).toBeVisible();
    await page.getByRole('button', { name: 'Use this system', exact: true }).click();
    await expect(asksWhy(page), what).toHaveCount(0);
    await page.getByRole('button', { name: 'Save system' }).click();
    await expect(page.getByText('Saved.'), what).toBeVisible();
  }
});

test('schools are switched on the stack, and each other way can be set beside it', async ({ page }) => {
  const { systems } = await newArea(page, 'Coaming', { substrate: 'timber', service: 'daylight' });
  await page.goto(systems);
  await page.getByRole('button', { name: 'Use template Topsides, two-pack' }).click();
  await page.locator('summary', { hasText: 'Choice of method' }).click();
  const way = (name: string) => page.getByRole('button', { name, exact: true });
  await expect(way('two-pack')).toHaveAttribute('aria-pressed', 'true');
  await expect(way('cure and sand')).toHaveAttribute('aria-pressed', 'true');
  await way('one-pack').click();
  await way('overcoat while tacky').click();
  await way('bottom up').click();
  await way('every defect removed').click();
  await expect(page.getByRole('group', { name: /2\. Samphire/ })).toContainText('one-pack enamel');
  await expect(page.getByText(/Tasks before this step.*check in low-angle light/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save system' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goto(`${systems}/compare`);
  await page.getByLabel('Second system').selectOption({ label: 'Coaming with: cure and sand' });
  await expect(page.getByRole('row', { name: /^Sanding/ })).toContainText(/1\.0 h.*6\.0 h/);
  await expect(page.getByText(/a flat finish/)).toBeVisible();
});

test('a band takes its own litres, and the coldest night is judged', async ({ page }) => {
  const { systems, bench } = await newArea(page, 'Forefoot', { service: 'immersed' });
  await page.goto(systems);
  await addCoats(page, ['epoxy-barrier']);
  await page.getByLabel('Coats', { exact: true }).fill('1');
  await page.locator('summary', { hasText: 'Coverage' }).click();
  await page.getByLabel('Band name (if only part of the area)').fill('leading edge');
  await page.getByLabel('Band area').fill('1.5');
  await page.getByLabel('Coldest the surface will be').fill('-4');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/stops curing below .* °C, and -4 °C is expected/)).toBeVisible();
  await page.getByRole('button', { name: 'Save system' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goto(bench);
  await expect(page.getByText('only on the leading edge')).toBeVisible();
  await expect(page.getByLabel('Area covered')).toHaveValue('1.5');
});

test('work before a coat: preparation made into tasks, ticked, a wait that runs, faults that stay', async ({
  page,
}) => {
  const { systems, bench } = await newArea(page, 'Sump', { service: 'bilge', substrate: 'grp' });
  await page.goto(systems);
  await addCoats(page, ['bilge-epoxy']);
  await page.locator('summary', { hasText: 'Preparation' }).click();
  await page.getByRole('button', { name: /^Add as tasks before/ }).click();
  await expect(page.getByText(/Tasks before this step.*wait 24 h/)).toBeVisible();
  await page.getByRole('button', { name: 'Save system' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goto(bench);
  const work = page.getByRole('region', { name: /Before this coat/ });
  const tasks = work.getByRole('listitem');
  await expect(work).toBeVisible();
  const all = await tasks.count();
  await expect(work).toContainText(`Before this coat (${all} to do)`);
  const washed = tasks.filter({ hasText: 'Dewax with solvent again' });
  await washed.getByRole('button', { name: /^Mark as done/ }).click();
  await expect(washed).toContainText('✓ done');
  await expect(tasks.filter({ hasText: 'wait 24 h' })).toContainText('until tomorrow');
  await expect(work).toContainText(`Before this coat (${all - 1} to do)`);
  await washed.getByRole('button', { name: /^Undo/ }).click();
  await expect(work).toContainText(`Before this coat (${all} to do)`);
  await expectAccessible(page);
});

test('an inspection with faults is logged and left to do', async ({ page }) => {
  const deck = (await board(page)).clocks.find((clock) => clock.areaName === 'Deck');
  await page.goto(`/bench/${deck?.areaId}`);
  const look = page
    .getByRole('region', { name: /Before this coat/ })
    .getByRole('listitem')
    .last();
  await look.getByRole('button', { name: /^Report faults/ }).click();
  await look.getByLabel('Faults found').fill('a seam weeps abreast the mast');
  await look.getByRole('button', { name: 'Log faults' }).click();
  await expect(look.getByRole('button', { name: /^No faults/ })).toBeVisible();
  await page.goto(`/boats/${deck?.boatId}/log`);
  await expect(page.getByText(/Faults found: inspect/)).toBeVisible();
  await expect(page.getByText('a seam weeps abreast the mast')).toBeVisible();
});
