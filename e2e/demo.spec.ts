import { expect } from '@playwright/test';
import { addresses } from './screens.ts';
import { expectAccessible, demoTest as test } from './yard.ts';

test('what is due next is readable on opening, and every state shows', async ({ page }) => {
  await page.goto('/');
  const next = page.getByRole('region', { name: 'Next' });
  await expect(next).toContainText(/ stand|Use up the pot/);
  await expect(next.getByRole('link', { name: 'Open bench' })).toBeVisible();
  const running = page.getByRole('region', { name: 'Timeline' });
  for (const word of ['thumbprint', 'open', 'not ready yet', 'sand first', 'closed', 'bare']) {
    await expect(running.getByText(word, { exact: true }).first()).toBeVisible();
  }
  await expect(page.getByText('simulated').first()).toBeVisible();
});

test('on a phone the bench is worked with a thumb', async ({ page, request }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto((await addresses(request)).bench ?? '/');
  // One step at a time, the next one at the lower edge.
  const mix = page.getByRole('heading', { name: 'Mix', exact: true });
  await expect(mix).toBeHidden();
  await page.getByRole('button', { name: 'Next: mix' }).click();
  await expect(mix).toBeInViewport();
  await page.getByRole('button', { name: 'Decrease Batch size' }).click();
  await page.getByRole('button', { name: 'Next: log' }).click();
  await expect(page.getByRole('button', { name: 'Log coat' })).toBeInViewport();
  await page.getByRole('button', { name: 'Log', exact: true }).press('ArrowLeft');
  await page.getByRole('button', { name: 'Mix', exact: true }).press('ArrowLeft');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Enter your own reading' }).click();
  await page.getByRole('button', { name: 'Increase Air temperature' }).click();
  await expect(page.getByText(/Air \d/).first()).toBeVisible();
  const small = await page
    .locator('main button:visible, nav a:visible')
    .evaluateAll((all) =>
      all
        .filter((e) => !e.closest('details') && e.getBoundingClientRect().height < 44)
        .map((e) => e.textContent ?? ''),
    );
  expect(small).toEqual([]);
});

test('two tabs edit one area: the second is told what changed, beside what it typed', async ({
  page,
  context,
  request,
}) => {
  const path = (await addresses(request)).survey ?? '/';
  await page.goto(path);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Bottom port');
  const second = await context.newPage();
  await second.goto(path);
  await second.getByLabel('Note', { exact: true }).fill('blisters at station 4');
  await second.getByLabel('Name', { exact: true }).fill('Bottom at port');
  await page.getByLabel('Name', { exact: true }).fill('Bottom, port side');
  await page.getByRole('button', { name: 'Save area' }).click();
  await expect(page.getByRole('row', { name: /Bottom, port side/ })).toBeVisible();
  // What is typed stays, and beside it stands what it was changed to elsewhere.
  await expect(second.getByText(/^Changed elsewhere to “Bottom, port side”/)).toBeVisible();
  await expect(second.getByLabel('Name', { exact: true })).toHaveValue('Bottom at port');
  await second.getByRole('button', { name: 'Save area' }).click();
  await expect(page.getByRole('row', { name: /Bottom at port/ })).toBeVisible();
  await second.goto(path);
  await expect(second.getByLabel('Note', { exact: true })).toHaveValue('blisters at station 4');
});

test('an area removed can be brought back, and the back button works', async ({ page, request }) => {
  await page.goto((await addresses(request)).board ?? '/');
  await page
    .getByRole('link', { name: /Old Tansy/ })
    .last()
    .click();
  await page.getByRole('link', { name: 'Deck' }).click();
  await page.getByRole('button', { name: 'Delete area' }).click();
  await expect(page.getByRole('row', { name: /Deck/ })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: /Deck/ })).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/survey/);
});

test('figures in US units are the same quantities', async ({ page, request }) => {
  await page.goto('/yard');
  await page.getByRole('button', { name: /US: ft²/ }).click();
  await page.goto((await addresses(request)).systems ?? '/');
  // 100 µm is 3.94 mil; 11.7 m² is 126 ft².
  await expect(page.getByText(/126 ft²/).first()).toBeVisible();
  await expect(page.getByLabel('Dry film per coat').first()).toHaveValue('3.937008');
});

test('a station posts under its token and the open page shows it at once; nonsense is named', async ({
  page,
}) => {
  await page.goto('/weather');
  await page.locator('summary', { hasText: 'Add station' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Mast logger');
  await page.getByRole('button', { name: 'Add station' }).click();
  await page.getByRole('button', { name: 'Token for Mast logger', exact: true }).click();
  const shown = await page.getByText(/Authorization: Bearer/).textContent();
  const token = /Bearer ([\w-]+)/.exec(shown ?? '')?.[1];
  const address = /http:\S+\/readings/.exec(shown ?? '')?.[0] ?? '';
  const post = (airC: number) =>
    fetch(address, {
      method: 'POST',
      headers: { authorization: `Bearer ${token}`, 'content-type': 'application/json' },
      body: JSON.stringify({
        readings: [{ at: new Date(Date.now() - 60_000).toISOString(), airC, rhPercent: 70 }],
      }),
    });
  expect((await post(11.5)).status).toBe(200);
  await expect(page.getByText(/Mast logger.*Last .*1 hour/)).toBeVisible();
  await post(-40);
  await expect(page.getByText('Problem: 1 reading ignored')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Revoke token for Mast logger' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Revoke token' }).click();
  await expect(page.getByRole('button', { name: 'Token for Mast logger', exact: true })).toBeVisible();
  expect((await post(12)).status).toBe(401);
});

test('the board’s strip is made wider and closer by keys, and says what could go on today', async ({
  page,
}) => {
  await page.goto('/');
  const running = page.getByRole('region', { name: 'Timeline' });
  await expect(running.getByRole('heading', { name: /^Urgent/ })).toBeVisible();
  await running.getByRole('button', { name: 'Zoom out' }).press('Enter');
  await running.getByRole('button', { name: 'Pan to earlier' }).press('Enter');
  await running.getByRole('button', { name: 'Reset view' }).press('Enter');
  await expect(running.getByRole('button', { name: 'Reset view' })).toBeHidden();
  // The air above the lanes is read hour by hour, as a table, and taken away.
  const hour = running.getByRole('slider', { name: 'Time on the weather chart' });
  const read = () => hour.getAttribute('aria-valuetext');
  await expect(hour).toHaveAttribute('aria-valuetext', /surface .* dew point/);
  const first = await read();
  await hour.press('ArrowRight');
  await expect.poll(read).not.toBe(first);
  await running.getByRole('button', { name: 'Show table' }).click();
  await expect(
    running
      .getByRole('table', { name: /^Weather/ })
      .getByRole('row')
      .nth(3),
  ).toContainText('°C');
  await expectAccessible(page);
  for (const kind of ['SVG', 'PNG']) {
    const file = page.waitForEvent('download');
    await running.getByRole('button', { name: `Export ${kind}` }).click();
    expect((await file).suggestedFilename()).toMatch(new RegExp(`^Board .*\\.${kind.toLowerCase()}$`));
  }
  await expect(page.getByRole('heading', { name: 'Possible today' })).toBeVisible();
});
