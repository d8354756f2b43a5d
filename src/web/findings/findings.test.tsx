// @vitest-environment happy-dom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aProduct, aStep } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';
import type { BoatView, Finding } from '../../contract/index.ts';

let boat: ReturnType<typeof aBoat>;
beforeEach(async () => {
  boat = aBoat({ name: 'Found hull' });
  await ask('POST', '/boats', boat);
  await ask('POST', '/areas', anArea(boat.id, { name: 'Bottom', substrate: 'steel' }));
});
const findings = async () => (await ask<BoatView>('GET', `/boats/${boat.id}`)).findings;
async function setDown() {
  const page = await openPage(`/boats/${boat.id}/findings`);
  await page.user.click(await screen.findByRole('button', { name: 'Add finding' }));
  const put = async (label: string | RegExp, text: string) => {
    const box = await screen.findByLabelText(label);
    await page.user.clear(box);
    await page.user.type(box, text);
  };
  return {
    ...page,
    put,
    save: () => page.user.click(screen.getByRole('button', { name: 'Save finding' })),
  };
}

describe('finding', () => {
  it('says what it means as it is typed, against the usual limit or the one agreed', async () => {
    const { user, put, save } = await setDown();
    await user.selectOptions(screen.getByLabelText('Type'), 'salt');
    await put('Salt (as NaCl)', '60');
    expect(await screen.findByText(/60 mg\/m² is above the limit of 50 \(IMO PSPC/)).toBeDefined();
    await put('Agreed limit (optional)', '80');
    expect(await screen.findByText(/60 mg\/m².*80/)).toBeDefined();
    await user.selectOptions(screen.getByLabelText('Area'), 'Bottom');
    await save();
    expect(await screen.findByText(/Salt: OK/)).toBeDefined();
    await waitFor(async () =>
      expect(await findings()).toMatchObject([{ kind: 'salt', value: 60, limit: 80, verdict: 'fine' }]),
    );
  });
  it('one that is seen has a word and no figure: solvent rub, and the coats of a converter', async () => {
    const { user, put, save } = await setDown();
    await user.selectOptions(screen.getByLabelText('Type'), 'solvent-rub');
    expect(screen.queryByLabelText('Agreed limit (optional)')).toBeNull();
    await user.selectOptions(await screen.findByLabelText('Effect of the solvent'), 'softens');
    expect(await screen.findByText(/Don’t put a two-pack over it/)).toBeDefined();
    await save();
    await user.click(await screen.findByRole('button', { name: 'Add finding' }));
    await user.selectOptions(screen.getByLabelText('Type'), 'converter');
    await put('Coats applied', '3');
    await user.selectOptions(screen.getByLabelText('Result'), 'red still shows');
    expect(await screen.findByText(/still shows red after the third coat will come back/)).toBeDefined();
    await save();
    await waitFor(async () =>
      expect((await findings()).map(({ kind, grade, verdict }) => [kind, grade, verdict]).sort()).toEqual([
        ['converter', 'red', 'bad'],
        ['solvent-rub', 'softens', 'watch'],
      ]),
    );
  });
  it('a reading its instrument cannot give is refused by name and limit', async () => {
    const { user, put, save } = await setDown();
    await user.selectOptions(screen.getByLabelText('Type'), 'adhesion');
    await put(/Cross-cut or X-cut grade/, '7');
    await save();
    expect(await screen.findByText(/[Aa]dhesion grade must be/)).toBeDefined();
    expect(await findings()).toEqual([]);
  });
  it('painted over knowingly it asks for a reason once, and the record says so from then on', async () => {
    const primer = aProduct();
    const area = anArea(boat.id, { name: 'Rail', substrate: 'steel' });
    await ask('POST', '/products', primer);
    await ask('POST', '/areas', area);
    const step = aStep(primer.id, { coats: 2 });
    await ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
    const { user, save } = await setDown();
    await user.selectOptions(screen.getByLabelText('Area'), 'Rail');
    await save();
    await screen.findByText(/Rust: not OK/);
    cleanup();
    await openPage(`/bench/${area.id}`);
    expect(
      await screen.findByText(/Against this coat as entered:.*open finding: rust, Grade C/),
    ).toBeDefined();
    await ask('POST', '/log', aCoat({ area, step, product: primer }, Date.now()));
    cleanup();
    await openPage(`/boats/${boat.id}/log`);
    expect(await screen.findByText('Painted over: Rust')).toBeDefined();
    cleanup();
    await openPage(`/bench/${area.id}`);
    await screen.findByText('Painted over: Rust');
    expect(screen.queryByText(/open finding/)).toBeNull();
  });
  it('changed, removed and brought back; its letter stays on the drawing', async () => {
    const { user, put, save } = await setDown();
    await user.selectOptions(screen.getByLabelText('Type'), 'blisters');
    await put('Number of blisters', '4');
    await put('Distance from aft', '3');
    await put('Height above the waterline', '-0.2');
    await save();
    await user.click(await screen.findByRole('button', { name: 'Change A' }));
    await put('Number of blisters', '6');
    await user.click(screen.getByRole('button', { name: 'Save finding' }));
    expect(await screen.findByText(/6 blisters\. Open, dry, wash and fill/)).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Remove A' }));
    expect(await screen.findByText('Finding deleted: Blisters.')).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(async () =>
      expect((await findings())[0]).toMatchObject({ value: 6, place: { xM: 3, zM: -0.2 } }),
    );
  });
  it('makes a spot of its own out of the area it was found on', async () => {
    const { user, put, save, router } = await setDown();
    await user.selectOptions(screen.getByLabelText('Type'), 'plate');
    await put('Thickness', '3.1');
    await put('Agreed limit (optional)', '4');
    await user.selectOptions(screen.getByLabelText('Area'), 'Bottom');
    await save();
    const line = (await screen.findByText(/Plate thickness: not OK/)).closest('li') as HTMLElement;
    await user.click(within(line).getByRole('button', { name: 'Create spot' }));
    await waitFor(() => expect(router.state.location.pathname).toMatch(/survey\/.+/));
    const { areas } = await ask<BoatView>('GET', `/boats/${boat.id}`);
    const spot = areas.find((area) => area.part?.kind === 'spot');
    expect(spot?.name).toBe('Plate thickness A, Bottom');
    expect(spot?.note).toContain('3.1 mm is below the minimum of 4 mm');
  });
});

describe('the working tools set their results down as findings', () => {
  const tool = async (name: string) => {
    const { user } = await openPage('/tools');
    const region = await screen.findByRole('region', { name });
    const store = async (which = 0) => {
      const select = (await within(region).findAllByLabelText('Area'))[which] as HTMLElement;
      const options = await within(select).findAllByRole('option', { name: 'Found hull: Bottom' });
      await user.selectOptions(select, options.at(-1) as HTMLElement);
      await user.click(
        within(region).getAllByRole('button', { name: 'Save as finding' })[which] as HTMLElement,
      );
      await within(region).findByText(/^Finding saved on/);
    };
    const put = async (label: string, text: string) => {
      await user.clear(within(region).getByLabelText(label));
      await user.type(within(region).getByLabelText(label), `${text}{Enter}`);
    };
    return { user, region, store, put };
  };
  /** The findings on the hull the tool wrote to: the last of those of its name. */
  const stored = async (): Promise<Finding[]> => {
    const { boats } = await ask<{ boats: { id: string; name: string }[] }>('GET', '/board');
    const all = await Promise.all(
      boats
        .filter(({ name }) => name === 'Found hull')
        .map(async ({ id }) => (await ask<BoatView>('GET', `/boats/${id}`)).findings),
    );
    return all.flat();
  };
  it('replica tape: mean less 50 µm of film, against what the sheet wants', async () => {
    const { put, store, region } = await tool('Blast profile (replica tape)');
    await put('Micrometer readings, µm (separate with spaces)', '92 98');
    await put('Minimum profile on the data sheet', '60');
    expect(region.textContent).toContain('45 µm is below the required 60 µm');
    await store();
    expect(await stored()).toContainEqual(
      expect.objectContaining({ kind: 'profile', value: 45, limit: 60, verdict: 'bad' }),
    );
  });
  it('a rust converter’s course, coat by coat', async () => {
    const { user, region, store } = await tool('Rust converter');
    for (let coat = 0; coat < 2; coat++)
      await user.click(within(region).getByRole('button', { name: 'Add coat: red still shows' }));
    expect(region.textContent).toContain('pply another coat and wait another day');
    await user.click(within(region).getByRole('button', { name: 'Add coat: all black' }));
    await store();
    expect(await stored()).toContainEqual(
      expect.objectContaining({ kind: 'converter', value: 3, grade: 'black', verdict: 'fine' }),
    );
  });
  it('a solvent rub tells one-pack from two-pack', async () => {
    const { user, region, store } = await tool('Old paint');
    await user.selectOptions(within(region).getByLabelText('Effect of the solvent'), 'softens');
    await store(0);
    expect(await stored()).toContainEqual(expect.objectContaining({ kind: 'solvent-rub', verdict: 'watch' }));
  });
  it('200 litres of passivating wash take 4 litres', async () => {
    const { user, region, put, store } = await tool('Wash dilution');
    await user.selectOptions(within(region).getByLabelText('Wash dilution'), 'passivating-wash');
    await put('Tank size', '200');
    expect(region.textContent).toMatch(/4(\.00)? l of concentrate to 200 l of water/);
    await store();
    expect((await stored()).map(({ note }) => note).join()).toContain('passivating wash, 50 : 1');
  });
});
