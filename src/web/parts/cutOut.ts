import type { Area, AreaInput, PartKind } from '../../contract/index.ts';
import { t } from '../../words.ts';

/** A new area cut out of another: same part, substrate and system; its m² count there no more. */
export function cutOut(
  area: Area,
  kind: Extract<PartKind, 'spot' | 'piece'>,
  input: { id: string; name: string; areaM2: number; at: string },
): AreaInput {
  const { version: _v, archived: _a, ...origin } = area;
  return {
    ...origin,
    id: input.id,
    name: input.name,
    measures: [],
    estimates: [
      { way: 'rule', areaM2: input.areaM2, spread: area.spread, basis: t`cut out of ${area.name}` },
    ],
    chosenWay: null,
    note: '',
    part: { areaId: area.id, kind, standId: null, sharesSystem: true, at: input.at },
  };
}
