import { describe, expect, it } from 'vitest';
import { type Family, nearestFine, type ServiceKind, type Substrate } from './index.ts';

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
    expect(way?.said.length).toBeGreaterThan(0);
  });
  it('what is fine is left as it is, with nothing said', () => {
    expect(found(['epoxy-barrier', 'hard-antifouling'], 'grp', 'immersed')).toEqual({
      families: ['epoxy-barrier', 'hard-antifouling'],
      added: [],
      removed: [],
      said: [],
    });
  });
});
