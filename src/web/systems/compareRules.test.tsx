// @vitest-environment happy-dom
import { screen, within } from '@testing-library/react';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import { aBoat, anArea, aStep } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';
import type { ProductInput } from '../../contract/index.ts';
import { FAMILIES, judgeJoint } from '../../core/system/index.ts';

const product = (name: string): ProductInput => ({
  id: uuidv7(),
  name,
  sheet: SHEETS[name] as ProductInput['sheet'],
});
const barrier = product('Thrift Barrier');
const gloss = product('Samphire Two Gloss');
const boat = aBoat({ name: 'Compared hull' });
beforeAll(async () => {
  await ask('POST', '/boats', boat);
  for (const each of [barrier, gloss]) await ask('POST', '/products', each);
});

describe('two ways side by side', () => {
  const compared = async () => {
    const area = anArea(boat.id, { service: 'interior' });
    await ask('POST', '/areas', area);
    const steps = [aStep(barrier.id, { coats: 4, dryMicronsPerCoat: 100, sandBetween: 180 })];
    await ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps });
    const page = await openPage(`/boats/${boat.id}/systems/${area.id}/compare`);
    const cells = (row: string) =>
      within(screen.getByRole('row', { name: new RegExp(`^${row}`) }))
        .getAllByRole('cell')
        .map((cell) => cell.textContent);
    return { ...page, cells };
  };
  it('the stack as planned against a school’s way: coats, sanding, and the film in all', async () => {
    const { user, cells } = await compared();
    await user.selectOptions(await screen.findByLabelText('Second system'), 'Bottom with: a few heavy coats');
    const most = barrier.sheet.film.max;
    const heavy = Math.ceil(400 / most);
    expect(cells('Coats')).toEqual(['4', String(heavy)]);
    // Three sandings between four coats, at 10 m² an hour by machine on 20 m² (common practice).
    expect(cells('Sanding')).toEqual(['6.0 h', `${((heavy - 1) * 2).toFixed(1)} h`]);
    expect(cells('Dry film')[0]).toBe('400 µm');
    const way = screen.getByRole('columnheader', { name: /^Bottom with: a few heavy coats/ });
    expect(way.textContent).toContain('fewer days and fewer overcoat windows');
  });
  it('days go by one coat a day at most; below the sheet’s stop there are none to tell', async () => {
    const { user, cells } = await compared();
    const at = async (tempC: string) => {
      const box = await screen.findByLabelText('At a constant temperature of');
      await user.clear(box);
      await user.type(box, `${tempC}{Enter}`);
    };
    // Four coats, one a day at most.
    await at('20');
    expect(cells('First to last coat')[0]).toBe('3 days');
    await at('-15');
    expect(cells('First to last coat')[0]).toMatch(/won’t cure at this temperature/);
  });
  it('a temperature that is none is refused beside the field', async () => {
    const { user } = await compared();
    const box = await screen.findByLabelText('At a constant temperature of');
    await user.clear(box);
    await user.type(box, 'mild{Enter}');
    expect(await screen.findByText(/At a constant temperature of .*mild/)).toBeDefined();
  });
});

describe('what goes over what', () => {
  it('every square says what the core says, in a word that needs no colour', async () => {
    await openPage('/rules');
    for (const [below, coat] of [
      ['ablative-antifouling', 'hard-antifouling'],
      ['one-pack-enamel', 'two-pack-polyurethane'],
      ['epoxy-primer', 'polyester-filler'],
      ['hard-antifouling', 'ablative-antifouling'],
    ] as const) {
      const { verdict } = judgeJoint({
        ground: { kind: 'coat', family: below },
        coat: { family: coat, copper: null },
        substrate: 'grp',
        service: 'immersed',
        windowClosed: false,
      });
      const word = { fine: 'OK', condition: 'OK if', no: 'not allowed' }[verdict];
      expect(
        screen.getByRole('button', { name: `${FAMILIES[coat]} over ${FAMILIES[below]}: ${word}` }),
      ).toBeDefined();
    }
  });
  it('a square gives its reason; the same pair on old paint asks for more', async () => {
    const { user } = await openPage('/rules');
    await user.click(
      screen.getByRole('button', { name: /^ablative antifouling over hard antifouling: OK if/i }),
    );
    const reason = screen.getByRole('region', { name: 'Reason' });
    expect(reason.textContent).toContain('doesn’t grip a hard antifouling that hasn’t been sanded');
    await user.selectOptions(screen.getByLabelText('Coat below'), 'Old paint');
    expect(reason.textContent).toContain('the old paint passes the adhesion test and is washed and abraded');
    await user.selectOptions(screen.getByLabelText('On'), 'aluminium');
    expect(reason.textContent).toMatch(/[Cc]opper corrodes aluminium/);
  });
});
