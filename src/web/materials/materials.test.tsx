// @vitest-environment happy-dom
import { createEvent, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import { aProduct } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';
import { writeSheetsCsv } from '../../contract/formats/sheetsCsv.ts';
import type { Product } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';

const named = async (name: string) =>
  (await ask<Product[]>('GET', '/products')).find((product) => product.name === name);
const name = (start: string) => `${start} ${uuidv7().slice(-6)}`;
async function open(path = '/materials/new') {
  const page = await openPage(path);
  const put = async (label: string, text: string) => {
    const [box] = await screen.findAllByLabelText(label);
    await page.user.clear(box as HTMLElement);
    if (text) await page.user.type(box as HTMLElement, text);
  };
  /** A block copied from a spreadsheet, pasted into one cell of the grid. */
  const paste = async (label: string, block: string) => {
    const cell = await screen.findByLabelText(label);
    const event = createEvent.paste(cell, { clipboardData: { getData: () => block } });
    fireEvent(cell, event);
  };
  return { ...page, put, paste };
}

describe('a sheet entered from paper', () => {
  it('takes its table of times in one paste, and is kept as the paper has it', async () => {
    const { user, put, paste } = await open();
    const mine = name('Paper primer');
    await put('Product', mine);
    await user.selectOptions(screen.getByLabelText('Coating type'), 'epoxy primer');
    await user.selectOptions(screen.getByLabelText('Ratio by'), 'Volume');
    await put('Resin', 'epoxy');
    const [base, hardener] = await screen.findAllByLabelText('Parts in the ratio');
    await user.type(base as HTMLElement, '4');
    await user.type(hardener as HTMLElement, '1');
    await put('Volume solids', '60');
    for (const [label, microns] of [
      ['Minimum dry film', '50'],
      ['Typical dry film', '75'],
      ['Maximum dry film', '120'],
    ] as const)
      await put(label, microns);
    // Wet is dry over solids: 50 / 0.6, 75 / 0.6, 120 / 0.6 (handbook part 6).
    expect(await screen.findByText('Wet film, unthinned: 83.3 µm, 125 µm, 200 µm.')).toBeDefined();
    await paste('Pot life, column 1', '6 h\t3 h\t90 min\n\t\t\n8 h\t4 h\t2 h');
    await paste('Earliest overcoat, column 1', '16 h\t8 h\t4 h\n10 d\t7 d\t4 d');
    await user.click(screen.getByRole('button', { name: 'Save data sheet' }));
    await waitFor(async () => expect(await named(mine)).toBeDefined());
    const saved = await screen.findByText(/^Data sheet saved:/);
    expect(within(saved).getByRole('link', { name: mine })).toBeDefined();
    const { sheet } = (await named(mine)) as Product;
    expect(sheet).toMatchObject({
      resin: 'epoxy',
      volumeSolids: 0.6,
      film: { min: 50, typical: 75, max: 120 },
    });
    expect(sheet.potLife).toEqual([
      { tempC: 10, minutes: 360 },
      { tempC: 20, minutes: 180 },
      { tempC: 30, minutes: 90 },
    ]);
    expect(sheet.cure.events['tack-free']?.map(({ minutes }) => minutes)).toEqual([480, 240, 120]);
    expect(sheet.cure.overcoat[0]?.chemicalMax?.[2]).toEqual({ tempC: 30, minutes: 4 * 1440 });
    // What the paper does not say is not assumed.
    const { thinner, copper, grounds, inductionMin, limits } = sheet;
    expect([thinner, copper, grounds, inductionMin, limits.rhMax]).toEqual([null, null, null, null, null]);
    expect(sheet.methods).toEqual([]);
  });

  it('what contradicts itself is pointed out as it is typed; what cannot be is refused at its field', async () => {
    const { user, put, paste } = await open();
    await put('Product', name('Odd primer'));
    await put('Volume solids', '60');
    await put('Minimum dry film', '90');
    await put('Typical dry film', '60');
    await put('Maximum dry film', '120');
    await paste('Pot life, column 1', '3 h\t4 h\t5 h');
    expect(await screen.findAllByText(/Pot life is 240 min at 20 °C/)).not.toHaveLength(0);
    await paste('Earliest overcoat, column 1', '16 h\t8 h\t4 h\n10 h\t6 h\t3 h');
    expect(await screen.findByText(/At 10 °C, the .*closes before it opens/)).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Save data sheet' }));
    expect(await screen.findByText(/[Dd]ry film per coat must run.*90.*60.*120|90, .*60.*120/)).toBeDefined();
    expect(screen.getAllByText(/Parts in the ratio (is|must|“)/).length).toBeGreaterThan(0);
    // Neither is chosen for who types: a wrong one would be believed.
    expect(screen.getAllByText('Select a coating type.')).not.toHaveLength(0);
    expect(screen.getAllByText(/Select volume or weight/)).not.toHaveLength(0);
  });

  it('figures for one method stand beside those for all', async () => {
    const { user, put } = await open();
    const source = { ...aProduct({ methods: ['roller', 'airless-spray'] }), name: name('Both ways') };
    await ask('POST', '/products', source);
    await open(`/materials/${source.id}`);
    await user.click(await screen.findByRole('button', { name: 'Add figures for a method' }));
    const [, least] = screen.getAllByLabelText('Minimum dry film');
    const [, typical] = screen.getAllByLabelText('Typical dry film');
    const [, most] = screen.getAllByLabelText('Maximum dry film');
    await user.selectOptions(screen.getByLabelText('Method'), 'Airless spray');
    for (const [box, text] of [
      [least, '100'],
      [typical, '150'],
      [most, '200'],
    ] as const)
      await user.type(box as HTMLElement, text);
    expect(await screen.findByText('Wet film, unthinned: 200 µm, 300 µm, 400 µm.')).toBeDefined();
    await put('Note', 'second edition');
    await user.click(screen.getByRole('button', { name: 'Save as new version' }));
    await waitFor(async () => expect((await named(source.name))?.version).toBe(2));
    expect((await named(source.name))?.sheet.byMethod).toEqual([
      { method: 'airless-spray', film: { min: 100, typical: 150, max: 200 }, thinnerMax: null },
    ]);
  });

  it('begins with a copy, which wants a name of its own', async () => {
    const source = { ...aProduct(), name: name('Original') };
    await ask('POST', '/products', source);
    const { user } = await open();
    await user.selectOptions(await screen.findByLabelText('Copy from'), source.name);
    await waitFor(() =>
      expect((screen.getByLabelText('Volume solids') as HTMLInputElement).value).toBe('50'),
    );
    expect((screen.getByLabelText('Product') as HTMLInputElement).value).toBe('');
    await user.click(screen.getByRole('button', { name: 'Save data sheet' }));
    expect(await screen.findByText('Product name is required')).toBeDefined();
  });

  it('a sheet that is not there is said to be', async () => {
    await openPage('/materials/sheets').then(({ router }) => router.navigate(`/materials/${uuidv7()}`));
    expect(await screen.findByText(/Data sheet not found/)).toBeDefined();
  });
});

describe('many sheets from a file', () => {
  const upload = async (csv: string) => {
    const { user } = await openPage('/materials/sheets');
    await user.upload(
      await screen.findByLabelText('Import (CSV)'),
      new File([csv], 'range.csv', { type: 'text/csv' }),
    );
  };
  it('are taken all or none, and a name already kept gets its next version', async () => {
    const sheet = SHEETS['Kelpie One'] as ProductSheet;
    const [one, two] = [name('Range one'), name('Range two')];
    await upload(writeSheetsCsv([one, two].map((each) => ({ name: each, sheet }))));
    expect(await screen.findByText(/Imported: 2 new, 0 updated/)).toBeDefined();
    const broken = writeSheetsCsv([
      { name: one, sheet: { ...sheet, volumeSolids: 0.4 } },
      { name: two, sheet: { ...sheet, volumeSolids: 40 } },
    ]);
    await upload(broken);
    expect(await screen.findByText(/Couldn’t import range.csv. .*volume solids/i)).toBeDefined();
    expect((await named(one))?.version).toBe(1);
    await upload(
      writeSheetsCsv([
        { name: one, sheet: { ...sheet, volumeSolids: 0.4 } },
        { name: two, sheet },
      ]),
    );
    expect(await screen.findByText(/Imported: 0 new, 1 updated to a new version, 1 unchanged/)).toBeDefined();
    expect((await named(one))?.version).toBe(2);
  });
});

describe('typical sheets to begin with', () => {
  it('are added by family, say so wherever a figure rests on them, and are confirmed down a short list', async () => {
    const { user } = await openPage('/materials/typical');
    await user.click(await screen.findByLabelText('epoxy primer'));
    await user.click(screen.getByRole('button', { name: 'Add 1 data sheet' }));
    await waitFor(async () => expect(await named('Typical epoxy primer')).toBeDefined());
    const primer = (await named('Typical epoxy primer')) as Product;
    expect(primer.sheet.typical).toHaveLength(8);
    const sheet = await openPage(`/materials/${primer.id}`);
    await sheet.user.click(await screen.findByLabelText(/^volume solids: 50 %/));
    await sheet.user.click(screen.getByRole('button', { name: 'Confirm 1 value' }));
    await waitFor(async () => expect((await named(primer.name))?.sheet.typical).toHaveLength(7));
    // One typed anew is read off the tin.
    await screen.findByRole('heading', { name: '7 unconfirmed typical values' });
    const standing = screen.getByLabelText('Standing time (induction)');
    await sheet.user.clear(standing);
    await sheet.user.type(standing, '10');
    await sheet.user.click(screen.getByRole('button', { name: 'Save as new version' }));
    await waitFor(async () => expect((await named(primer.name))?.sheet.inductionMin).toBe(10));
    expect((await named(primer.name))?.sheet.typical).not.toContain('inductionMin');
    expect((await named(primer.name))?.sheet.typical).toContain('ratio');
  });
});
