// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { aBoat, anArea } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';
import type { AreaClock, BoatView } from '../../contract/index.ts';

let boat: ReturnType<typeof aBoat>;
let bottom: ReturnType<typeof anArea>;
beforeEach(async () => {
  boat = aBoat({ name: 'Standing hull' });
  bottom = anArea(boat.id, { name: 'Bottom port', side: 'port' });
  await ask('POST', '/boats', boat);
  await ask('POST', '/areas', bottom);
});
const view = () => ask<BoatView>('GET', `/boats/${boat.id}`);
const open = async () => {
  const page = await openPage(`/boats/${boat.id}/stands`);
  const put = async (label: string, text: string) => {
    const box = await screen.findByLabelText(label);
    await page.user.clear(box);
    await page.user.type(box, text);
  };
  return { ...page, put };
};
/** A stand of 0.3 × 0.3 m at port, hiding a patch of the bottom. */
async function withStand() {
  const page = await open();
  await page.user.click(await screen.findByRole('button', { name: 'Add support' }));
  await page.put('Name', 'Port aft');
  await page.put('Distance from aft', '2.4');
  await page.user.click(screen.getByRole('checkbox', { name: 'Bottom port' }));
  await page.user.click(screen.getByRole('button', { name: 'Add support' }));
  const line = (await screen.findByText('Port aft', { selector: 'strong' })).closest('li');
  expect(line?.textContent).toMatch(/2\.4 m from aft.*Hides: Bottom port/);
  return page;
}
const patchOf = ({ areas, clocks }: BoatView): AreaClock | undefined =>
  clocks.find((clock) => clock.areaId === areas.find((area) => area.part?.kind === 'patch')?.id);

describe('stands', () => {
  it('hide a patch that is an area of its own, waiting for the shift', async () => {
    const { user } = await withStand();
    const patch = patchOf(await view());
    expect([patch?.state, patch?.hiddenBy?.name]).toEqual(['no-system', 'Port aft']);
    expect(patch?.areaM2).toBeCloseTo(0.09, 9);
    expect((await view()).clocks.find(({ areaId }) => areaId === bottom.id)?.areaM2).toBeCloseTo(
      20 - 0.09,
      9,
    );
    await user.click(screen.getByRole('button', { name: /Port aft as moved|Moved now Port aft/ }));
    expect(await screen.findByText(/Moved/)).toBeDefined();
    await waitFor(async () => expect(patchOf(await view())?.hiddenBy).toBeNull());
    await user.click(screen.getByRole('button', { name: /Port aft as put back|Put it back Port aft/ }));
    await waitFor(async () => expect(patchOf(await view())?.hiddenBy?.name).toBe('Port aft'));
  });
  it('a place far beyond the boat is refused at its field', async () => {
    const { user, put } = await open();
    await user.click(await screen.findByRole('button', { name: 'Add support' }));
    await put('Distance from aft', '400');
    await put('Pad length (fore and aft)', '0');
    await user.click(screen.getByRole('button', { name: 'Add support' }));
    expect(
      await screen.findByText(/[Dd]istance from aft \(m\) must be 125 or less, but is 400/),
    ).toBeDefined();
    expect(screen.getByText(/[Pp]ad length \(m\) must be 0.01 or more, but is 0/)).toBeDefined();
    expect((await view()).stands).toEqual([]);
  });
  it('removed with its patches, and brought back with them', async () => {
    const { user } = await withStand();
    await user.click(screen.getByRole('button', { name: 'Delete Port aft' }));
    expect(await screen.findByText('Port aft and its patches deleted.')).toBeDefined();
    expect((await view()).areas.map(({ name }) => name)).toEqual(['Bottom port']);
    await user.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(async () => expect((await view()).areas).toHaveLength(2));
  });
});

describe('what stays bare', () => {
  it('is listed with why, changed, removed and brought back', async () => {
    const { user, put } = await open();
    await user.click(await screen.findByRole('button', { name: 'Add masked item' }));
    await user.selectOptions(screen.getByLabelText('Type'), 'transducer');
    await put('Name', 'Depth, port');
    await user.selectOptions(screen.getByLabelText('Area'), 'Bottom port');
    await user.click(screen.getByRole('button', { name: 'Add' }));
    const line = (await screen.findByText('Depth, port', { selector: 'strong' })).closest(
      'li',
    ) as HTMLElement;
    expect(line.textContent).toContain('on Bottom port');
    await user.click(within(line).getByRole('button', { name: 'Change Depth, port' }));
    await user.selectOptions(await screen.findByLabelText('Area'), 'Any area');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText('on any area')).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Delete Depth, port' }));
    expect(await screen.findByText('Depth, port deleted.')).toBeDefined();
    expect((await view()).bareItems).toEqual([]);
    await user.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(async () => expect((await view()).bareItems).toHaveLength(1));
  });
});
