// @vitest-environment happy-dom
import { createEvent, fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { aBoat, anArea } from '../../../test/examples.ts';
import { answer, ask, openPage } from '../../../test/openPage.tsx';
import type { BoatView, FormView } from '../../contract/index.ts';

let boat: ReturnType<typeof aBoat>;
let bottom: ReturnType<typeof anArea>;
beforeEach(async () => {
  boat = aBoat({ name: 'Offset hull' });
  bottom = anArea(boat.id, { name: 'Bottom', zone: 'bottom' });
  await ask('POST', '/boats', boat);
  await ask('POST', '/areas', bottom);
});
const form = () => ask<FormView>('GET', `/boats/${boat.id}/form`);
/** A box of 8 × 2 × 1 m under the water and half a metre above: bottom 2 × 8 × (1 + 1) less nothing. */
const BOX = ['station m,-1,0,0.5', '0,1,1,1', '4,1,1,1', '8,1,1,1'].join('\n');
const open = async () => {
  const page = await openPage(`/boats/${boat.id}/form`);
  const upload = async (text: string) =>
    page.user.upload(
      (await screen.findAllByLabelText('Import (CSV)'))[0] as HTMLElement,
      new File([text], 'offsets.csv', { type: 'text/csv' }),
    );
  return { ...page, upload };
};

describe('the table of offsets', () => {
  it('comes from a CSV, is kept, and puts its m² beside the other ways of the area', async () => {
    const { user, upload } = await open();
    await upload(BOX);
    await user.click(await screen.findByRole('button', { name: 'Save table' }));
    await waitFor(async () => expect((await form()).form.offsets?.stationsM).toEqual([0, 4, 8]));
    await user.click(await screen.findByRole('button', { name: /Add estimates to areas/ }));
    const by = async () => {
      const { areas } = await ask<BoatView>('GET', `/boats/${boat.id}`);
      return areas.find(({ id }) => id === bottom.id)?.estimates.find(({ way }) => way === 'offsets');
    };
    await waitFor(async () => expect(await by()).toBeDefined());
    // Two sides of a metre, the flat of 2 m between them, 5 cm of antifouling carried above the line, and the stern so far.
    expect((await by())?.areaM2).toBeCloseTo(8 * (1 + 1 + 2) + 2 * 8 * 0.05 + 2 * 1.05, 6);
    expect((await by())?.spread).toBe(0.02);
  });
  it('a cell that is none is named with its place, and the table on the screen stays', async () => {
    const { upload } = await open();
    await upload(BOX);
    expect(await screen.findByRole('button', { name: 'Save table' })).toBeDefined();
    await upload(BOX.replace('4,1,1,1', '4,1,wide,1'));
    expect((await screen.findByText(/Couldn’t read the file/)).textContent).toContain('wide');
    expect(screen.getAllByRole('textbox').length).toBeGreaterThan(10);
  });
  it('a figure typed wrong is said at once and cannot be saved; put right it can', async () => {
    const { user, upload } = await open();
    await upload(BOX);
    const [cell] = screen.getAllByLabelText(/^Half-breadth at station 1/);
    await user.clear(cell as HTMLElement);
    await user.type(cell as HTMLElement, '-3');
    await user.tab();
    expect(await screen.findByRole('alert')).toBeDefined();
    expect(screen.getByRole('button', { name: 'Save table' })).toHaveProperty('disabled', true);
    const [again] = screen.getAllByLabelText(/^Half-breadth at station 1/);
    await user.clear(again as HTMLElement);
    await user.type(again as HTMLElement, '0.9');
    await user.tab();
    await waitFor(() =>
      expect(screen.getByRole('button', { name: 'Save table' })).toHaveProperty('disabled', false),
    );
  });
  it('begins from her dimensions, grows by a station, and takes a block from a spreadsheet', async () => {
    const { user } = await open();
    await user.click(await screen.findByRole('button', { name: 'Start from main dimensions' }));
    const before = screen.getAllByRole('textbox').length;
    await user.click(screen.getByRole('button', { name: 'Add station' }));
    expect(screen.getAllByRole('textbox').length).toBeGreaterThan(before);
    const [cell] = screen.getAllByLabelText(/half-breadth/i);
    const paste = createEvent.paste(cell as HTMLElement, {
      clipboardData: { getData: () => '0.11\t0.22\n0.33\t0.44' },
    });
    fireEvent(cell as HTMLElement, paste);
    const values = screen.getAllByRole('textbox').map((box) => (box as HTMLInputElement).value);
    for (const figure of ['0.11', '0.22', '0.33', '0.44']) expect(values).toContain(figure);
  });
  it('is not lost when something else of the form is saved, nor when others save theirs', async () => {
    const { user, upload, news } = await open();
    await upload(BOX);
    await user.click(await screen.findByRole('button', { name: 'Save table' }));
    await screen.findByText('Saved.');
    const firstHalf = () => screen.getAllByLabelText(/^Half-breadth at station 1/)[0] as HTMLInputElement;
    await user.clear(firstHalf());
    await user.type(firstHalf(), '0.77');
    await user.tab();
    await user.click(screen.getByRole('radio', { name: 'Use main dimensions' }));
    await waitFor(async () => expect((await form()).source).toBe('dimensions'));
    const { offsets, mesh, use, version } = (await form()).form;
    const [stern, ...rest] = offsets?.halfBreadthsM ?? [];
    const theirs = { ...offsets, halfBreadthsM: [stern?.map(() => 0.5), ...rest] };
    await ask('PUT', `/boats/${boat.id}/form`, { offsets: theirs, mesh, use, version });
    await news();
    expect(await screen.findByText(/Someone else saved another table/)).toBeDefined();
    expect(firstHalf().value).toBe('0.77');
    await user.click(screen.getByRole('button', { name: 'Use their version' }));
    await waitFor(() => expect(firstHalf().value).toBe('0.5'));
    expect(screen.queryByText(/Someone else saved another table/)).toBeNull();
  });
  it('is removed only when that is meant; the areas keep what it gave them', async () => {
    const { user, upload } = await open();
    await upload(BOX);
    await user.click(await screen.findByRole('button', { name: 'Save table' }));
    await screen.findByText('Saved.');
    await user.click(await screen.findByRole('button', { name: 'Delete table' }));
    await answer(user, /^Delete the table of offsets/, 'Cancel');
    expect((await form()).form.offsets).not.toBeNull();
    await user.click(screen.getByRole('button', { name: 'Delete table' }));
    await answer(user, /^Delete the table of offsets/, 'Remove');
    await waitFor(async () => expect((await form()).form.offsets).toBeNull());
  });
});
