import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type Download, expect, type Page } from '@playwright/test';
import { readOffsetsCsv, writeOffsetsCsv } from '../src/contract/formats/offsetsCsv.ts';
import { readObj, readStl, writeStl } from '../src/core/hull/index.ts';
import { surveyTest as test } from './yard.ts';

test.describe.configure({ mode: 'serial' });

const folder = mkdtempSync(path.join(tmpdir(), 'jack-plane-survey-'));
const B = 1;
const L = 10;
const T = 0.625;
const SIDES = 0.5;

/** The Wigley hull of 10 m [S] with upright sides above the water, as faces in millimetres with z to the bow. */
function wigleyMesh(nu: number, nv: number): Float32Array {
  const faces: number[] = [];
  const at = (sign: number, u: number, v: number) => {
    const x = L * u;
    const z = v < 0.75 ? -T * (1 - v / 0.75) : SIDES * ((v - 0.75) / 0.25);
    const y = sign * (B / 2) * (1 - ((2 * x) / L - 1) ** 2) * (1 - (Math.min(0, z) / T) ** 2);
    // A zero has no sign in a text file.
    return [y * 1000 + 0, z * 1000 + 0, x * 1000];
  };
  for (const sign of [1, -1]) {
    for (let i = 0; i < nu; i++) {
      for (let j = 0; j < nv; j++) {
        const [a, b, c, d] = [
          at(sign, i / nu, j / nv),
          at(sign, (i + 1) / nu, j / nv),
          at(sign, (i + 1) / nu, (j + 1) / nv),
          at(sign, i / nu, (j + 1) / nv),
        ] as [number[], number[], number[], number[]];
        for (const [p, q] of [
          [b, c],
          [c, d],
        ] as const) {
          // Faces wholly on the centreline would stand there once for each side.
          if (a[0] === 0 && p[0] === 0 && q[0] === 0) continue;
          faces.push(...a, ...(sign > 0 ? [...p, ...q] : [...q, ...p]));
        }
      }
    }
  }
  return Float32Array.from(faces);
}

/** The same hull as a table of offsets. */
function wigleyCsv(): string {
  const zs = Array.from({ length: 13 }, (_, w) => Number((-T * (1 - w / 12)).toFixed(6)));
  const stationsM = Array.from({ length: 41 }, (_, s) => s * 0.25);
  const y = (x: number, z: number) => (B / 2) * (1 - ((2 * x) / L - 1) ** 2) * (1 - (z / T) ** 2);
  return writeOffsetsCsv({
    stationsM,
    waterlinesM: zs,
    halfBreadthsM: stationsM.map((x) => zs.map((z) => Number(y(x, z).toFixed(6)))),
    sheer: stationsM.map((x) => ({ zM: SIDES, yM: Number(y(x, 0).toFixed(6)) })),
  });
}

const saved = async (download: Download) => readFileSync(await download.path());
const taken = async (page: Page, act: () => Promise<void>) => {
  const [download] = await Promise.all([page.waitForEvent('download'), act()]);
  return saved(download);
};
const tab = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Survey' }).getByRole('link', { name }).click();

test('from dimensions to areas, then offsets, then a mesh: three answers side by side', async ({ page }) => {
  await page.goto('/boats/new');
  await page.getByLabel('Name', { exact: true }).fill('Dunlin');
  await page.getByLabel('Boat type').selectOption('long-keel');
  for (const [label, metres] of [
    ['Length overall', '10'],
    ['Waterline length', '10'],
    ['Beam', '1'],
    ['Draught', '0.625'],
    ['Mean freeboard', '0.5'],
  ] as const) {
    await page.getByLabel(label).fill(metres);
  }
  await page.getByRole('button', { name: 'Add boat' }).click();
  await page.getByRole('button', { name: /Create \d+ areas/ }).click();
  await expect(page.getByRole('button', { name: /Bottom starboard: no system/ })).toBeVisible();
  await tab(page, 'Hull form');
  await expect(page.getByRole('columnheader', { name: 'Main dimensions' })).toBeVisible();

  const offsets = page.getByRole('region', { name: 'Table of offsets', exact: true }).first();
  const file = path.join(folder, 'wigley.csv');
  writeFileSync(file, wigleyCsv().replace('\r\n0.25,', '\r\n0.25x,'));
  await page.getByLabel('Import (CSV)').setInputFiles(file);
  await expect(page.getByText(/Couldn’t read the file\..*0\.25x/)).toBeVisible();
  writeFileSync(file, wigleyCsv());
  await page.getByLabel('Import (CSV)').setInputFiles(file);
  await expect(page.getByRole('img', { name: /Dunlin in profile, plan and section/ })).toBeVisible();
  await offsets.getByRole('button', { name: 'Save table' }).click();
  // S/L² = 0.1488 below the water, and 50 mm of upright side for the slop above it.
  await expect(page.getByRole('row', { name: /Bottom, keel and rudder/ })).toContainText('15.9 m² ± 2 %');
  await expect(page.getByRole('row', { name: 'Block coefficient' })).toContainText('0.44');
  const csv = await taken(page, () => page.getByRole('link', { name: 'Export hull form (CSV)' }).click());
  expect(readOffsetsCsv(csv.toString())).toEqual(readOffsetsCsv(wigleyCsv()));

  const stl = path.join(folder, 'wigley.stl');
  const mesh = wigleyMesh(120, 40);
  writeFileSync(stl, writeStl(mesh));
  await page.getByLabel('Open STL or OBJ').setInputFiles(stl);
  await expect(page.getByLabel('File units')).toHaveValue('mm');
  await expect(page.getByLabel('Up axis')).toHaveValue('+y');
  await expect(page.getByRole('img', { name: '3-D view of Dunlin' })).toBeVisible();
  await expect(page.getByText(/open edges\. This is normal at the sheer/)).toBeVisible();
  const out = {
    stl: await taken(page, () => page.getByRole('button', { name: 'Save as STL' }).click()),
    obj: await taken(page, () => page.getByRole('button', { name: 'Save as OBJ' }).click()),
  };
  expect(Buffer.compare(Buffer.from(readStl(out.stl).buffer), Buffer.from(mesh.buffer))).toBe(0);
  expect(Buffer.compare(Buffer.from(readObj(out.obj).buffer), Buffer.from(mesh.buffer))).toBe(0);
  await page.getByRole('button', { name: 'Save mesh' }).click();
  await expect(page.getByRole('columnheader', { name: 'Surface mesh' })).toBeVisible();
  await expect(page.getByRole('row', { name: /Bottom, keel and rudder/ })).toContainText('15.9 m² ± 1 %');

  await page
    .getByRole('region', { name: 'Surface mesh' })
    .getByRole('button', { name: /Add estimates to areas/ })
    .click();
  await expect(page.getByText(/Estimate added to \d+ areas/)).toBeVisible();
  await tab(page, 'Areas');
  await expect(page.getByRole('row', { name: /Bottom port/ })).toContainText('7.94 m² ± 1 %');
  await page.getByRole('link', { name: 'Bottom port', exact: true }).click();
  await expect(page.getByRole('radio', { name: /Surface mesh/ })).toBeVisible();
  await expect(page.getByText(/differ by/)).toBeVisible();
});

test('a broken, empty or foreign file is refused by name and nothing is lost', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Dunlin/ })
    .last()
    .click();
  await tab(page, 'Hull form');
  const bad = path.join(folder, 'bad.stl');
  writeFileSync(bad, '');
  await page.getByLabel('Open STL or OBJ').setInputFiles(bad);
  await expect(page.getByRole('alert')).toContainText('Size of bad.stl must be more than 0 bytes');
  const bytes = Buffer.from(writeStl(wigleyMesh(2, 2)));
  bytes.writeFloatLE(Number.NaN, 84 + 12);
  writeFileSync(bad, bytes);
  await page.getByLabel('Open STL or OBJ').setInputFiles(bad);
  await expect(page.getByRole('alert')).toContainText(
    'A corner of face 1 must be a finite number, but is NaN',
  );
  await expect(page.getByRole('columnheader', { name: 'Surface mesh' })).toBeVisible();
});

/** Heights of a boat standing 2° down by the bow on a datum 1.5 m below the line's aft end. */
const reads = (x: number, wrong = 0) => Math.round(1500 - 1000 * Math.sin((2 * Math.PI) / 180) * x + wrong);

test('a line is struck on a boat 2° down by the bow: of six marks the wrong one is named', async ({
  page,
}) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Dunlin/ })
    .last()
    .click();
  await tab(page, 'Waterline');
  await expect(page.getByText('Add reference marks to calculate the waterline.')).toBeVisible();
  const rows = [
    ['line', 'port', 2, 0],
    ['line', 'port', 7, 0],
    ['line', 'starboard', 2, 40],
    ['line', 'starboard', 7, 0],
  ] as const;
  for (const [i, [, side, x, wrong]] of rows.entries()) {
    await page.getByRole('button', { name: 'Add mark' }).click();
    await page.getByLabel(`Side of mark ${i + 1}`).selectOption(side);
    await page.getByLabel(`Mark ${i + 1}: distance from aft`).fill(String(x));
    await page.getByLabel(`Mark ${i + 1}: height above the datum`).fill(String(reads(x, wrong)));
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText(/One mark is wrong, but there are too few marks to tell which/)).toBeVisible();
  const csv = path.join(folder, 'marks.csv');
  writeFileSync(
    csv,
    `kind,side,station m,reading mm,name\nline,port,4.5,${reads(4.5)},amidships\nline,starboard,5.5,${reads(5.5)},\n`,
  );
  await page.getByLabel('Import marks (CSV)').setInputFiles(csv);
  await expect(page.getByText(/Mark 3 is an outlier and was left out/)).toBeVisible();
  await expect(page.getByText(/(1\.99|2\.0[01])° down by the bow/).first()).toBeVisible();
  await page.getByLabel('Weight still to be added').fill('300');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Line raised 94 mm|^Raised 94 mm/)).toBeVisible();
  await page.getByRole('button', { name: 'Save waterline' }).click();
  await expect(page.getByRole('link', { name: 'Mark sheet (PDF)' })).toBeVisible();
  const pdf = await taken(page, () => page.getByRole('link', { name: 'Mark sheet (PDF)' }).click());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  const sheet = (
    await taken(page, () => page.getByRole('link', { name: 'Mark sheet (CSV)' }).click())
  ).toString();
  // Amidships the sides are upright: the line stands its raise above the plane, whatever side.
  const at5 =
    sheet
      .split('\r\n')
      .find((row) => row.startsWith('port,5,'))
      ?.split(',') ?? [];
  expect(Math.abs(Number(at5[2]) - (reads(5) + 94))).toBeLessThan(3);
  const marks = (
    await taken(page, () => page.getByRole('link', { name: 'Export marks (CSV)' }).click())
  ).toString();
  expect(marks.split('\r\n').filter((row) => row.startsWith('line,'))).toHaveLength(6);
  await tab(page, 'Areas');
  // 60 mm of upright side all round a parabola of 10 m: 2 × 10.07 × 0.06.
  await expect(page.getByRole('row', { name: /Boot stripe/ })).toContainText('1.21 m² ± 1 %');
});

test('the line is walked with a phone; what is read is faired, and survives a lost connection', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await page
    .getByRole('link', { name: /Dunlin/ })
    .last()
    .click();
  await tab(page, 'Waterline');
  await page.getByRole('link', { name: 'Walk the hull' }).click();
  await expect(page.getByText(/Station 1 of \d+/)).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByRole('button', { name: /^Increase Height of your mark/ }).click();
  await expect(page.getByText(/1 mm above the line/)).toBeVisible();
  await page.getByRole('button', { name: 'Record mark' }).click();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Record mark' }).click();
  await page.getByRole('button', { name: 'Record mark' }).click();
  // The one taken just before may have been cut off on its way: then it waits as well.
  await expect(page.getByText(/[23] entries saved on this device/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/saved on this device/)).toBeHidden();
  await page.getByRole('main').getByRole('link', { name: 'Waterline' }).click();
  await expect(page.getByText('Port: 3 marks')).toBeVisible();
  await expect(page.getByText('No outliers.')).toBeVisible();
});

test('a stand hides a patch, a finding makes a spot, and both leave their area', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Dunlin/ })
    .last()
    .click();
  await tab(page, 'Supports and masked items');
  await page.getByRole('button', { name: 'Add support' }).click();
  await page.getByLabel('Distance from aft').fill('3');
  await page.getByLabel('Pad length (fore and aft)').fill('0.5');
  await page.getByLabel('Pad height').fill('40 cm');
  await page.getByRole('checkbox', { name: 'Bottom port' }).check();
  await page.getByRole('button', { name: 'Add support' }).click();
  await page.getByRole('link', { name: 'Bottom port, under Stand 1' }).click();
  await expect(page.getByRole('row', { name: /under Stand 1/ })).toContainText('0.2 m²');
  await expect(page.getByRole('row', { name: /^\d+ Bottom port GRP/ })).toContainText('7.74 m²');
  await tab(page, 'Supports and masked items');
  await page.getByRole('button', { name: 'Moved now Stand 1' }).click();
  await expect(page.getByText('Moved.')).toBeVisible();
  await page.getByRole('button', { name: 'Add masked item' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Shaft anode');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('a painted anode doesn’t protect')).toBeVisible();

  await tab(page, 'Findings');
  await page.getByRole('button', { name: 'Add finding' }).click();
  await page.getByLabel('Type').selectOption('salt');
  await page.getByLabel('Salt (as NaCl)').fill('80');
  await expect(page.getByText(/80 mg\/m² is above the limit of 50 \(IMO PSPC/)).toBeVisible();
  await page.getByLabel('Area', { exact: true }).selectOption({ label: 'Bottom port' });
  const drawing = page.getByRole('img', { name: /Dunlin in profile/ });
  const box = await drawing.boundingBox();
  if (!box) throw new Error('the drawing has no box');
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(page.getByLabel('Distance from aft')).toHaveValue(/^(4\.9\d*|5(\.0\d*)?)$/);
  await page.getByLabel('Add photographs').setInputFiles(path.resolve('docs/screenshots/window.png'));
  await expect(page.getByRole('img', { name: 'View 1 of this finding' })).toBeVisible();
  await page.getByRole('button', { name: 'Save finding' }).click();
  await expect(page.getByText(/Salt: not OK/)).toBeVisible();
  await page.getByRole('button', { name: 'Create spot' }).click();
  await expect(page.getByRole('row', { name: /Salt A, Bottom port/ })).toContainText('Spot (starts bare)');
  await expect(page.getByRole('row', { name: /^\d+ Bottom port GRP/ })).toContainText('7.54 m²');
});

test('the drawing is taken away as SVG and PNG', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Dunlin/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'All views' }).click();
  const svg = (await taken(page, () => page.getByRole('button', { name: 'Export SVG' }).click())).toString();
  expect(svg).toContain('xmlns="http://www.w3.org/2000/svg"');
  expect(svg).not.toContain('var(--');
  expect(svg).toContain('Dunlin');
  const png = await taken(page, () => page.getByRole('button', { name: 'Export PNG' }).click());
  expect(png.subarray(1, 4).toString()).toBe('PNG');
  expect(png.readUInt32BE(16)).toBe(2400);
});
