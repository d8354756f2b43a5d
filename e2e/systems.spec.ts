import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, type Page } from '@playwright/test';
import type { BoardView } from '../src/contract/index.ts';
import { expectAccessible, logCoat, systemsTest as test } from './yard.ts';

/** Building systems on the demo yard: what is refused and why, templates, comparison, sheets from files, tools. */

const folder = mkdtempSync(path.join(tmpdir(), 'jack-plane-systems-'));

async function areaOf(page: Page, boat: string, area: string) {
  const board = (await (await page.request.get('/api/v1/board')).json()) as BoardView;
  const own = board.boats.find((each) => each.name === boat);
  const found = own?.areas.find((each) => each.areaName === area);
  if (!own || !found) throw new Error(`the demo has no ${area} on ${boat}`);
  return { boatId: own.id, areaId: found.areaId, systems: `/boats/${own.id}/systems/${found.areaId}` };
}

/** A new area on the tender, so that nothing else of the demo is disturbed. */
async function newArea(page: Page, fields: Record<string, string>): Promise<string> {
  const { boatId } = await areaOf(page, 'Grey Phalarope', 'Topsides');
  await page.goto(`/boats/${boatId}/survey/new`);
  await page.getByLabel('Name', { exact: true }).fill(fields.name ?? '');
  for (const [label, value] of Object.entries(fields)) {
    if (label !== 'name') await page.getByLabel(label).selectOption(value);
  }
  await page.getByLabel('Length', { exact: true }).fill('5');
  await page.getByLabel('Width').fill('2');
  await page.getByRole('button', { name: 'Add area' }).click();
  await expect(page.getByRole('row', { name: new RegExp(fields.name ?? '') })).toBeVisible();
  return (await areaOf(page, 'Grey Phalarope', fields.name ?? '')).systems;
}

const addCoat = async (page: Page, product: string) => {
  await page.getByLabel('Next product').selectOption({ label: product });
  await page.getByRole('button', { name: 'Add step' }).click();
};

test('copper on aluminium is refused with its reason, the way out offered, taken and saved', async ({
  page,
}) => {
  await page.goto(await newArea(page, { name: 'Skeg', Substrate: 'aluminium', Exposure: 'immersed' }));
  await addCoat(page, 'Dulse Ablative');
  await expect(page.getByText(/[Cc]opper corrodes aluminium/)).toBeVisible();
  await expect(page.getByText(/Antifouling on a bare surface/i)).toBeVisible();
  await page.getByRole('button', { name: 'Save system' }).click();
  await expect(page.getByText(/Not allowed: [Cc]opper corrodes aluminium/)).toBeVisible();
  await expect(page.getByText('Closest allowed system:').locator('..')).toContainText(
    'epoxy primer, epoxy barrier, copper-free antifouling',
  );
  await page.getByRole('button', { name: 'Use this system', exact: true }).click();
  await expect(page.getByText(/[Cc]opper corrodes aluminium/)).toBeHidden();
  await page.getByRole('button', { name: 'Save system' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
});

test('a template fills a bare area; a step moves by keyboard; the stack is kept and applied elsewhere', async ({
  page,
}) => {
  const first = await newArea(page, { name: 'Locker one', Substrate: 'timber', Exposure: 'bilge' });
  await newArea(page, { name: 'Locker two', Substrate: 'timber', Exposure: 'bilge' });
  await page.goto(first);
  await page.getByRole('button', { name: 'Use template Bilge, one-pack' }).click();
  await expect(page.getByText(/1\. Kelpie One/)).toBeVisible();
  await expect(page.getByText(/Tasks before this step.*trisodium phosphate/)).toBeVisible();
  await page.getByText('Templates and copying').click();
  await page.getByLabel('Template name').fill('Locker, our way');
  await page.getByRole('button', { name: 'Save as template' }).click();
  await expect(page.getByText('Locker, our way (your own)')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Locker two' }).check();
  await page.getByRole('button', { name: 'Copy to 1 area' }).click();
  await expect(page.getByRole('checkbox', { name: 'Locker two' })).not.toBeChecked();
  const second = page.getByRole('link', { name: 'Locker two' });
  await second.click();
  // What is applied on both says nothing of where one is.
  await expect(second).toHaveAttribute('aria-current', 'page');
  await expect(page.getByText(/1\. Kelpie One/)).toBeVisible();
  await addCoat(page, 'Kelpie Bilge Epoxy');
  await expect(page.getByText(/The strong solvent lifts and wrinkles the one-pack/)).toBeVisible();
  // Taken by its handle and moved nearer the hull: then it is the one-pack that lies on two-pack.
  await page.getByRole('button', { name: 'Move step 2' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/position 2 of 2/i)).toBeAttached();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText(/position 1 of 2/i)).toBeAttached();
  await page.keyboard.press('Space');
  await expect(page.getByText(/1\. Kelpie Bilge Epoxy/)).toBeVisible();
  await expect(page.getByText(/cured two-pack has a sealed surface/i)).toBeVisible();
});

test('one-pack and two-pack topsides side by side, and where the trade disagrees', async ({ page }) => {
  const systems = await newArea(page, { name: 'Wheelhouse', Substrate: 'grp', Exposure: 'daylight' });
  await page.goto(`${systems}/compare`);
  await page.getByLabel('First system').selectOption({ label: 'Topsides, one-pack' });
  await page.getByLabel('Second system').selectOption({ label: 'Topsides, two-pack' });
  const row = (name: string) => page.getByRole('row', { name });
  await expect(row('First to last coat')).toContainText('days');
  await expect(row('Paint cost')).toContainText(/€\d/);
  await page.getByLabel('At a constant temperature of').fill('2');
  await page.keyboard.press('Enter');
  await expect(row('First to last coat')).toContainText('won’t cure at this temperature');
  await expect(page.getByRole('columnheader', { name: /^Topsides, one-pack/ })).toContainText(
    'Forgiving, even in winter',
  );
  await expectAccessible(page);
});

test('two coats applied thin show in the section, with what is missing', async ({ page }) => {
  const systems = await newArea(page, { name: 'Trim tabs', Substrate: 'grp', Exposure: 'immersed' });
  await page.goto(systems);
  await addCoat(page, 'Thrift Barrier');
  await page.getByLabel('Coats', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Save system' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  for (let coat = 0; coat < 2; coat++) {
    await page.goto(systems.replace(/\/boats\/[^/]+\/systems\//, '/bench/'));
    // About three quarters of what 110 µm takes on 10 m².
    await page.getByLabel('Paint used (without thinner)').fill('1.2');
    await logCoat(page);
    await expect(page.getByText('Coat logged.')).toBeVisible();
  }
  await page.goto(systems);
  await expect(
    page.getByText(/Thrift Barrier: .* µm from the litres used, .* short of the target\. Apply 1 more coat/),
  ).toBeVisible();
  await expect(
    page.getByRole('img', { name: /Thrift Barrier, 2 coats of 110 µm, 2 applied, mechanical bond/ }),
  ).toBeVisible();
});

test('what goes over what is browsed by square, and is accessible', async ({ page }) => {
  await page.goto('/rules');
  await page.getByRole('button', { name: 'hard antifouling over ablative antifouling: no' }).click();
  await expect(page.getByRole('region', { name: 'Reason' })).toContainText('falls off');
  await page.getByLabel('On', { exact: true }).selectOption('aluminium');
  await expect(page.getByRole('button', { name: 'hard antifouling over epoxy barrier: no' })).toBeVisible();
  await expectAccessible(page);
});

test('a sheet goes out as JSON and comes in again; a block is pasted; contradictions are pointed out', async ({
  page,
}) => {
  await page.goto('/materials/sheets');
  await page.getByRole('link', { name: 'Marram Tolerant' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export (JSON)' }).click(),
  ]);
  const file = path.join(folder, 'sheet.json');
  const sheet = JSON.parse(readFileSync(await download.path(), 'utf8'));
  writeFileSync(file, JSON.stringify({ ...sheet, name: 'Marram Copy' }));
  await page.goto('/materials/new');
  await page.getByLabel('Import (JSON)').setInputFiles(file);
  await expect(page.getByLabel('Product')).toHaveValue('Marram Copy');
  await expect(page.getByLabel('Required cleanliness')).toHaveValue('St 2');
  await page.getByLabel('Pot life, column 1').evaluate((cell) => {
    const data = new DataTransfer();
    data.setData('text', '3 h\t4 h\t5 h');
    cell.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByLabel('Pot life, column 3')).toHaveValue('5 h');
  await expect(page.getByText(/Pot life is/).first()).toBeVisible();
  await expect(page.getByRole('img', { name: 'Data sheet times by temperature' })).toBeVisible();
  writeFileSync(file, '{"format":"something else"}');
  await page.getByLabel('Import (JSON)').setInputFiles(file);
  await expect(page.getByRole('alert')).toContainText('isn’t a data sheet in the format');
});

test('a tool’s result is set down as a finding with its verdict', async ({ page }) => {
  await page.goto('/tools');
  const salt = page.getByRole('region', { name: 'Salt (patch test)' });
  await salt.getByLabel('Conductivity of the sample').fill('14');
  await page.keyboard.press('Enter');
  await expect(salt.getByText('72 mg/m²').first()).toBeVisible();
  await salt.getByLabel('Area').selectOption({ label: 'Grey Phalarope: Bottom' });
  await salt.getByRole('button', { name: 'Save as finding' }).click();
  await expect(salt.getByText(/^Finding saved on/)).toContainText('Wash and test again');
  await expectAccessible(page);
});

test('blasted steel starts a clock that leads the board', async ({ page }) => {
  const systems = await newArea(page, { name: 'Keel shoe', Substrate: 'steel', Exposure: 'immersed' });
  await page.goto(systems);
  await page.getByLabel('Share to be filled').fill('20');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Use template Steel bottom, blasted' }).click();
  await expect(page.getByText(/Tasks before this step.*Sa 2½/)).toBeVisible();
  await page.goto(systems.replace(/\/boats\/[^/]+\/systems\//, '/bench/'));
  await page.getByRole('button', { name: /Start 4 h timer: blasted bare/ }).click();
  await expect(page.getByRole('heading', { name: /Bare steel: prime with/ })).toBeVisible();
  await expect(page.getByText(/^prime within (3 h 59 min|4 h)/)).toBeVisible();
});

test('steps typed and not saved are asked about before they are left', async ({ page }) => {
  await newArea(page, { name: 'Locker nine', Substrate: 'timber', Exposure: 'interior' });
  const systems = await newArea(page, { name: 'Hatch coaming', Substrate: 'timber', Exposure: 'interior' });
  await page.goto(systems);
  const place = page.getByRole('navigation', { name: 'Areas' }).getByRole('link', { name: 'Hatch coaming' });
  // The address changes before the page does: a click that does not wait for it takes the first one back.
  await page.getByRole('link', { name: 'Locker nine' }).click();
  await expect(page.getByRole('link', { name: 'Locker nine' })).toHaveAttribute('aria-current', 'page');
  await place.click();
  await expect(place).toHaveAttribute('aria-current', 'page');
  await addCoat(page, 'Marram Grey Primer');
  await expect(page.getByText(/1\. Marram Grey Primer/)).toBeVisible();
  await page.getByRole('navigation', { name: 'Main menu' }).getByRole('link', { name: 'Board' }).click();
  const question = page.getByRole('alertdialog', { name: 'Leave without saving?' });
  await expect(question).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(question).toBeHidden();
  await expect(page.getByText(/1\. Marram Grey Primer/)).toBeVisible();
  await page.goBack();
  await expect(question).toBeVisible();
  await question.getByRole('button', { name: 'Stay on page' }).click();
  await expect(question).toBeHidden();
  await expect(place).toHaveAttribute('aria-current', 'page');
  const closing = page.waitForEvent('dialog');
  await page.close({ runBeforeUnload: true });
  const asked = await closing;
  expect(asked.type()).toBe('beforeunload');
  await asked.dismiss();
  await expect(page.getByText(/1\. Marram Grey Primer/)).toBeVisible();
  await page.getByRole('button', { name: 'Save system' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.getByRole('link', { name: 'Locker nine' }).click();
  await expect(page.getByRole('link', { name: 'Locker nine' })).toHaveAttribute('aria-current', 'page');
  await expect(question).toBeHidden();
});
