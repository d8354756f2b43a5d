import type { Family } from './families.ts';
import {
  ANTIFOULINGS,
  BARE_METALS,
  EPOXIES,
  FILLERS,
  isIn,
  ONE_PACKS,
  TOPCOATS,
  TREATMENTS,
} from './groups.ts';
import type { ServiceKind, ServiceRule } from './rules.ts';

const weather: readonly ServiceKind[] = ['daylight', 'splash'];

/** The last layer, where it is one of these. */
function lastOf(families: readonly Family[], wanted: readonly Family[]): number[] {
  const last = families.at(-1);
  return last !== undefined && isIn(wanted, last) ? [families.length - 1] : [];
}

/** Rules of what a stack has to stand [T]. */
export const SERVICE_RULES: readonly ServiceRule[] = [
  {
    id: 'epoxy-in-daylight',
    verdict: 'no',
    reason:
      'Epoxy chalks in sunlight. It’s fine in bilges, behind panels and under antifouling, but not as the last coat',
    mark: 'T',
    ends: true,
    at: ({ families, service }) => (isIn(weather, service) ? lastOf(families, EPOXIES) : []),
  },
  {
    id: 'topcoat-under-water',
    verdict: 'no',
    reason:
      'Polyurethane and enamel blister and foul under water. Keep them above the waterline, with the antifouling carried a little higher',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'immersed' || service === 'tank'
        ? families.flatMap((family, i) => (isIn(TOPCOATS, family) ? [i] : []))
        : [],
  },
  {
    id: 'zinc-under-water',
    verdict: 'no',
    reason: 'Zinc primer near anodes acts as an anode itself. Use it only under a full barrier',
    mark: 'T',
    ends: true,
    at: ({ families, service }) =>
      service === 'immersed'
        ? families.flatMap((family, i) =>
            family === 'zinc-epoxy-primer' && !families.slice(i + 1).includes('epoxy-barrier') ? [i] : [],
          )
        : [],
  },
  {
    id: 'softens-in-tank',
    verdict: 'no',
    reason: 'Inside a drinking-water or holding tank, one-pack paint softens and zinc leaches',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'tank'
        ? families.flatMap((family, i) => (isIn([...ONE_PACKS, 'zinc-epoxy-primer'], family) ? [i] : []))
        : [],
  },
  {
    id: 'biocide-inside',
    verdict: 'no',
    reason: 'Don’t use biocides inside a boat, least of all in a tank',
    mark: 'T',
    at: ({ families, service }) =>
      isIn(['tank', 'interior', 'bilge'], service)
        ? families.flatMap((family, i) => (isIn(ANTIFOULINGS, family) ? [i] : []))
        : [],
  },
  {
    id: 'biocide-in-daylight',
    verdict: 'no',
    reason: 'Antifouling works only in water. In the air it chalks, rubs off on hands and loses its effect',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'daylight' ? families.flatMap((family, i) => (isIn(ANTIFOULINGS, family) ? [i] : [])) : [],
  },
  {
    id: 'treatment-last',
    verdict: 'no',
    reason: 'A wash or converter isn’t a coat. Apply paint over it',
    mark: 'T',
    ends: true,
    at: ({ families }) => lastOf(families, TREATMENTS),
  },
  {
    id: 'wants-a-coat-over',
    verdict: 'condition',
    reason: 'Filler absorbs water, a tie coat stays open and aggregate sheds. They can’t be the last coat',
    condition: 'you apply the coat it’s meant for on top',
    mark: 'T',
    ends: true,
    at: ({ families }) => lastOf(families, [...FILLERS, 'tie-coat', 'non-skid']),
  },
  {
    id: 'primer-in-weather',
    verdict: 'condition',
    reason: 'A one-pack primer or undercoat isn’t weatherproof: it chalks and absorbs water',
    condition: 'you apply its finish coat on top',
    mark: 'T',
    ends: true,
    at: ({ families, service }) =>
      isIn(weather, service) ? lastOf(families, ['one-pack-primer', 'one-pack-undercoat']) : [],
  },
  {
    id: 'metal-without-primer',
    verdict: 'no',
    reason: 'There’s no primer between the bare metal and the paint. Apply a metal primer first',
    mark: 'T',
    at: ({ families, substrate }) => {
      const film = families.findIndex((family) => !isIn(TREATMENTS, family));
      const primers: readonly Family[] = [
        'zinc-epoxy-primer',
        'epoxy-primer',
        'surface-tolerant-epoxy',
        'epoxy-barrier',
        'one-pack-primer',
        'bilge-epoxy',
        'epoxy-finish',
      ];
      const family = families[film];
      if (!family || !isIn(BARE_METALS, substrate)) return [];
      // Fillers and antifouling on bare metal have rules of their own.
      if (isIn(primers, family) || isIn(FILLERS, family) || isIn(ANTIFOULINGS, family)) return [];
      return [film];
    },
  },
];
