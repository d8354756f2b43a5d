// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { v7 as uuidv7 } from 'uuid';
import { beforeEach, describe, expect, it } from 'vitest';
import { aBoat } from '../../../test/examples.ts';
import { ask, offline, openPage } from '../../../test/openPage.tsx';
import type { Waterline } from '../../contract/index.ts';

let boat: ReturnType<typeof aBoat>;
beforeEach(async () => {
  boat = aBoat({ name: 'Struck hull' });
  await ask('POST', '/boats', boat);
});
const line = () => ask<Waterline>('GET', `/boats/${boat.id}/waterline`);
const mark = (xM: number, side: 'port' | 'starboard', readingMm: number) => ({
  id: uuidv7(),
  kind: 'line' as const,
  side,
  xM,
  readingMm,
  aboveLineMm: 0,
  yM: null,
  name: '',
});
/** The line read level at 1400 mm: three marks fix it. */
async function struck() {
  const { boatId: _b, ...plan } = await line();
  const marks = [mark(1, 'port', 1400), mark(7, 'port', 1400), mark(4, 'starboard', 1400)];
  await ask('PUT', `/boats/${boat.id}/waterline`, { ...plan, marks, slopMm: 0, addedKg: 0, stationStepM: 1 });
}

describe('striking the line', () => {
  it('begins with what is wanted of it, and takes marks one by one', async () => {
    const { user } = await openPage(`/boats/${boat.id}/waterline`);
    expect(await screen.findByText(/Three marks fix the plane/)).toBeDefined();
    for (let i = 0; i < 3; i++) await user.click(screen.getByRole('button', { name: 'Add mark' }));
    const marks: [string, string, string][] = [
      ['1', 'P', '1400'],
      ['7', 'P', '1400'],
      ['4', 'S', '1400'],
    ];
    for (const [i, [aft, side, reads]] of marks.entries()) {
      const cell = async (label: string, text: string) => {
        const box = screen.getByLabelText(`Mark ${i + 1}: ${label}`);
        await user.clear(box);
        await user.type(box, `${text}{Enter}`);
      };
      await user.selectOptions(screen.getByLabelText(`Side of mark ${i + 1}`), side);
      await user.selectOptions(screen.getByLabelText(`Type of mark ${i + 1}`), 'waterline');
      await cell('distance from aft', aft);
      await cell('height above the datum', reads);
    }
    const [sheet] = (await screen.findAllByRole('region', { name: 'Mark sheet' })) as [HTMLElement];
    expect(within(sheet).getAllByRole('row').length).toBeGreaterThan(4);
    // Millimetres typed for degrees.
    await user.selectOptions(screen.getByLabelText('Trim'), 'measured');
    const trim = await screen.findByLabelText('Bow up by');
    await user.clear(trim);
    await user.type(trim, '35{Enter}');
    expect(await screen.findByText(/^That is very steep/)).toBeDefined();
    await user.selectOptions(screen.getByLabelText('Trim'), 'from the marks');
    await waitFor(() => expect(screen.queryByText(/^That is very steep/)).toBeNull());
    await user.click(screen.getByRole('button', { name: 'Save waterline' }));
    // The stripe is not an area yet: it is asked before one is added.
    await user.click(await screen.findByRole('button', { name: 'Save and add the area' }));
    await waitFor(async () => expect((await line()).marks).toHaveLength(3));
    expect(await screen.findByRole('link', { name: 'Walk the hull' })).toBeDefined();
  });

  it('two marks without a measured heel fix no plane, and it says what is missing', async () => {
    const { boatId: _b, ...plan } = await line();
    await ask('PUT', `/boats/${boat.id}/waterline`, {
      ...plan,
      marks: [mark(1, 'port', 1400), mark(7, 'port', 1390)],
    });
    await openPage(`/boats/${boat.id}/waterline`);
    expect((await screen.findByText(/Can’t calculate the waterline yet/)).textContent).toMatch(/three|heel/i);
    expect(screen.queryByRole('link', { name: 'Walk the hull' })).toBeNull();
  });

  it('weight to come sinks her by its weight over density and waterplane, said with its figures', async () => {
    await struck();
    const { user } = await openPage(`/boats/${boat.id}/waterline`);
    const weight = await screen.findByLabelText('Weight still to be added');
    await user.clear(weight);
    await user.type(weight, '400{Enter}');
    // Handbook part 11: Δm / (ρ · A_wp); a yacht's waterplane is 0.65–0.75 of LWL × BWL (common practice).
    const raised = await screen.findByText(/above the marked line/);
    const mm = () => Number(/Raised (\d+)/.exec(raised.textContent ?? '')?.[1]);
    await waitFor(() => expect(mm()).toBeGreaterThan(20));
    expect(mm()).toBeLessThan(32);
    await user.selectOptions(screen.getByLabelText('Water'), 'fresh');
    const formula = await screen.findByText(/Sinkage = weight/);
    expect(formula.textContent).toContain('400 kg / (1000 kg/m³');
  });

  it('marks come from a CSV; one that cannot be read is named and nothing is taken', async () => {
    const { user } = await openPage(`/boats/${boat.id}/waterline`);
    const file = (text: string) => new File([text], 'marks.csv', { type: 'text/csv' });
    const input = await screen.findByLabelText('Import marks (CSV)');
    await user.upload(input, file('side,station,reading\nP,1,high'));
    expect(
      await screen.findByText(/Couldn’t import the CSV.*[Ll]ine 2: reading “high” isn’t a number/),
    ).toBeDefined();
    await user.upload(input, file('side,station,reading\nP,1,1400\nP,7,1400\nS,4,1400'));
    expect(await screen.findByText('3 marks added, 0 replaced by the file’s readings.')).toBeDefined();
    // The same file again, one reading corrected: nothing is doubled.
    await user.upload(input, file('side,station,reading\nP,1,1400\nP,7,1390\nS,4,1400'));
    expect(await screen.findByText('0 marks added, 3 replaced by the file’s readings.')).toBeDefined();
    expect(screen.queryByLabelText('Side of mark 4')).toBeNull();
    expect(screen.getByRole('button', { name: 'Save waterline' })).toHaveProperty('disabled', false);
  });

  it('saved elsewhere meanwhile: said, nothing written over', async () => {
    await struck();
    const { user } = await openPage(`/boats/${boat.id}/waterline`);
    const slop = await screen.findByLabelText('Allowance for waves');
    await user.clear(slop);
    await user.type(slop, '40{Enter}');
    const { boatId: _b, ...plan } = await line();
    await ask('PUT', `/boats/${boat.id}/waterline`, { ...plan, slopMm: 60 });
    await user.click(screen.getByRole('button', { name: 'Save waterline' }));
    expect(await screen.findByText(/[Cc]hanged/)).toBeDefined();
    expect((await line()).slopMm).toBe(60);
    // What was typed is still there, and told apart from what somebody else saved.
    expect(await screen.findByText(/Changed elsewhere while you were editing/)).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Save waterline' }));
    await waitFor(async () => expect((await line()).slopMm).toBe(40));
  });
});

describe('walking the hull', () => {
  it('says station by station what to mark, and takes down what was read', async () => {
    await struck();
    const { user } = await openPage(`/boats/${boat.id}/waterline/walk`);
    const station = () => screen.getByText(/^Station/).textContent;
    expect(station()).toContain('Station 1 of');
    expect(screen.getByText('Above the datum').nextElementSibling?.textContent).toContain('1400');
    expect(screen.getByText(/On the line/)).toBeDefined();
    const reads = screen.getByLabelText('Height of your mark above the datum');
    await user.clear(reads);
    await user.type(reads, '1406');
    expect(screen.getByText(/6 mm above the line/)).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Record mark' }));
    expect(station()).toContain('Station 2 of');
    await waitFor(async () =>
      expect((await line()).madeMarks).toMatchObject([{ side: 'port', readingMm: 1406 }]),
    );
    await user.click(screen.getByRole('button', { name: 'Back' }));
    expect(await screen.findByText(/Recorded\./)).toBeDefined();
  });

  it('out of reach of the server the marks wait on the device, and merge into the line later', async () => {
    await struck();
    const { user } = await openPage(`/boats/${boat.id}/waterline/walk`);
    await user.click(await screen.findByRole('button', { name: 'Starboard' }));
    await offline(async () => {
      await user.click(screen.getByRole('button', { name: 'Record mark' }));
      expect(await screen.findByText(/1 entry saved/)).toBeDefined();
    });
    // Meanwhile the desk changes the line: neither may undo the other.
    const { boatId: _b, ...plan } = await line();
    await ask('PUT', `/boats/${boat.id}/waterline`, { ...plan, slopMm: 35 });
    await user.click(screen.getByRole('button', { name: 'Record mark' }));
    await waitFor(async () => expect((await line()).madeMarks).toHaveLength(2));
    expect((await line()).slopMm).toBe(35);
  });

  it('without a line there is nothing to walk, and the way to the marks is shown', async () => {
    await openPage(`/boats/${boat.id}/waterline/walk`);
    expect(await screen.findByRole('heading', { name: 'No waterline yet' })).toBeDefined();
    expect(screen.getByRole('link', { name: 'Go to reference marks' })).toBeDefined();
  });
});
