import { expect } from '@playwright/test';
import { addresses, SCREENS } from './screens.ts';
import { expectAccessible, accessibleTest as test } from './yard.ts';

// Each only looks: they need not wait for each other.
test.describe.configure({ mode: 'parallel' });

for (const [theme, width, height] of [
  ['loft', 1280, 800],
  ['shed', 390, 844],
] as const)
  test.describe(`at ${width} px in the ${theme} theme`, () => {
    test.beforeEach(async ({ page }) => {
      await page.addInitScript((name) => localStorage.setItem('jack-plane.theme', name), theme);
      await page.setViewportSize({ width, height });
    });

    for (const name of SCREENS)
      test(`the screen "${name}" is accessible`, async ({ page, request }) => {
        await page.goto((await addresses(request))[name]);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
        // The plan is looked at once it is there.
        if (name === 'plan') await expect(page.getByRole('heading', { name: 'Day by day' })).toBeVisible();
        await expectAccessible(page);
      });

    test('the search is accessible', async ({ page }) => {
      await page.goto('/');
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await page.keyboard.press('/');
      await page.getByRole('combobox', { name: 'Find anything' }).fill('bottom');
      await expect(page.getByRole('option').first()).toBeVisible();
      await expectAccessible(page);
    });
  });
