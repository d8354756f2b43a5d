import { describe, expect, it } from 'vitest';
import { writeSentence } from '../units/index.ts';
import { type Family, fineFigures, nearestFine, type ServiceKind, type Substrate } from './index.ts';

const found = (
  families: readonly Family[],
  substrate: Substrate,
  service: ServiceKind,
  oldCoating: Family | 'unknown' | null = null,
) => nearestFine(families, { substrate, service, oldCoating, coldestC: null });

describe('the way out of each "no", with what it puts in and takes out', () => {
  // biome-ignore format: one case a line
  it.each<[string, readonly Family[], Substrate, ServiceKind, Family | null, readonly Family[], readonly Family[]]>([
    ['gloss under water on aluminium becomes copper-free', ['epoxy-primer', 'epoxy-barrier', 'two-pack-polyurethane'], 'aluminium', 'immersed', null, ['copper-free-antifouling'], ['two-pack-polyurethane']],
    ['on GRP an ablative', ['epoxy-barrier', 'one-pack-enamel'], 'grp', 'immersed', null, ['ablative-antifouling'], ['one-pack-enamel']],
    ['zinc inside a tank becomes epoxy primer', ['zinc-epoxy-primer', 'epoxy-barrier'], 'steel', 'tank', null, ['epoxy-primer'], ['zinc-epoxy-primer']],
    ['one-pack inside a tank becomes barrier', ['epoxy-primer', 'one-pack-bilge'], 'steel', 'tank', null, ['epoxy-barrier'], ['one-pack-bilge']],
    ['a converter last gets primer over it', ['rust-converter'], 'steel', 'bilge', null, ['epoxy-primer'], []],
    ['zinc off steel becomes epoxy primer', ['zinc-epoxy-primer'], 'aluminium', 'interior', null, ['epoxy-primer'], ['zinc-epoxy-primer']],
    ['two-pack over old one-pack that stays: one-pack instead', ['two-pack-polyurethane'], 'timber', 'daylight', 'one-pack-enamel', ['one-pack-enamel'], ['two-pack-polyurethane']],
    ['two-pack over one-pack of this system: two-pack from below', ['one-pack-primer', 'two-pack-polyurethane'], 'grp', 'daylight', null, ['epoxy-primer'], ['one-pack-primer']],
  ])('%s', (_what, families, substrate, service, old, added, removed) => {
    const way = found(families, substrate, service, old);
    expect(way?.added).toEqual(added);
    expect(way?.removed).toEqual(removed);
    expect(way?.changes.length).toBeGreaterThan(0);
  });
  it('what is fine is left as it is, with nothing said', () => {
    expect(found(['epoxy-barrier', 'hard-antifouling'], 'grp', 'immersed')).toEqual({
      families: ['epoxy-barrier', 'hard-antifouling'],
      added: [],
      removed: [],
      changes: [],
    });
  });
});

describe('figures that a sheet refuses, brought within it', () => {
  const sheet = {
    family: 'epoxy-primer' as const,
    methods: ['roller', 'brush'] as const,
    byMethod: [{ method: 'roller' as const, film: { min: 30, typical: 50, max: 80 }, thinnerMax: 0.03 }],
    film: { min: 40, typical: 60, max: 90 },
    thinner: null,
  };
  const thinned = { name: 'a thinner', maxFraction: 0.05 };
  // biome-ignore format: one case a line
  it.each([
    ['no thinner is named', sheet, { method: 'brush', dryMicronsPerCoat: 60, thinner: 0.05 }, { thinner: 0 }, ['no thinner instead of 5 %']],
    ['as much as the method takes', { ...sheet, thinner: thinned }, { method: 'roller', dryMicronsPerCoat: 60, thinner: 0.1 }, { thinner: 0.03 }, ['3 % thinner instead of 10 %']],
    ['a way it does not allow, and the film of the way it does', sheet, { method: 'airless-spray', dryMicronsPerCoat: 120, thinner: 0 }, { method: 'roller', dryMicronsPerCoat: 80 }, ['roller instead of airless spray', '80 µm per coat instead of 120 µm']],
    ['a thin film is a condition and stays', sheet, { method: 'brush', dryMicronsPerCoat: 20, thinner: 0 }, { dryMicronsPerCoat: 20 }, []],
  ])('%s', (_what, its, step, expected, words) => {
    const { changes, ...figures } = fineFigures(step as never, its as never);
    expect(figures).toEqual({ ...step, ...expected });
    expect(changes.map((each) => writeSentence(each, 'metric'))).toEqual(words);
  });
});
