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
      'epoxy chalks in the sun: it is fine in bilges, behind panels and under antifouling, not as the last coat',
    mark: 'T',
    ends: true,
    at: ({ families, service }) => (isIn(weather, service) ? lastOf(families, EPOXIES) : []),
  },
  {
    id: 'topcoat-under-water',
    verdict: 'no',
    reason:
      'polyurethane and enamel blister and foul under water: keep them above the line, antifouling carried a little over',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'immersed' || service === 'tank'
        ? families.flatMap((family, i) => (isIn(TOPCOATS, family) ? [i] : []))
        : [],
  },
  {
    id: 'zinc-under-water',
    verdict: 'no',
    reason: 'zinc primer beside anodes becomes one: only under a full barrier',
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
    reason: 'one-pack paint softens and zinc leaches inside a drinking-water or holding tank',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'tank'
        ? families.flatMap((family, i) => (isIn([...ONE_PACKS, 'zinc-epoxy-primer'], family) ? [i] : []))
        : [],
  },
  {
    id: 'biocide-inside',
    verdict: 'no',
    reason: 'biocides have no business inside a boat, least of all in a tank',
    mark: 'T',
    at: ({ families, service }) =>
      isIn(['tank', 'interior', 'bilge'], service)
        ? families.flatMap((family, i) => (isIn(ANTIFOULINGS, family) ? [i] : []))
        : [],
  },
  {
    id: 'biocide-in-daylight',
    verdict: 'no',
    reason:
      'antifouling works in the water: out of it, it chalks, rubs off on hands and loses what it is there for',
    mark: 'T',
    at: ({ families, service }) =>
      service === 'daylight' ? families.flatMap((family, i) => (isIn(ANTIFOULINGS, family) ? [i] : [])) : [],
  },
  {
    id: 'treatment-last',
    verdict: 'no',
    reason: 'a wash or converter is no coat: it wants paint over it',
    mark: 'T',
    ends: true,
    at: ({ families }) => lastOf(families, TREATMENTS),
  },
  {
    id: 'wants-a-coat-over',
    verdict: 'condition',
    reason: 'filler drinks water, a tie coat stays open, aggregate sheds: none is made to be the last',
    condition: 'the coat it is for goes over it',
    mark: 'T',
    ends: true,
    at: ({ families }) => lastOf(families, [...FILLERS, 'tie-coat', 'non-skid']),
  },
  {
    id: 'primer-in-weather',
    verdict: 'condition',
    reason: 'a one-pack primer or undercoat is no weather coat: it chalks and takes up water',
    condition: 'its finish goes over it',
    mark: 'T',
    ends: true,
    at: ({ families, service }) =>
      isIn(weather, service) ? lastOf(families, ['one-pack-primer', 'one-pack-undercoat']) : [],
  },
  {
    id: 'metal-without-primer',
    verdict: 'no',
    reason: 'nothing between bare metal and the paint: a primer for the metal first',
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
