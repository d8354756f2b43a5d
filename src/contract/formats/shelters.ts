import type { Surroundings } from '../../core/air/index.ts';

/** Where an area stood before, and until when. */
export interface EarlierShelter {
  surroundings: Surroundings;
  until: string;
}

/** Earlier shelters of an area that are kept. */
export const MOST_EARLIER_SHELTERS = 40;

interface Sheltered {
  surroundings: Surroundings;
  earlierShelters: readonly EarlierShelter[];
}

const isSame = (a: Surroundings, b: Surroundings) =>
  a.kind === b.kind && (a.kind !== 'heated' || b.kind !== 'heated' || a.setPointC === b.setPointC);

/**
 * Where an area stands and stood once it is known to stand elsewhere since a time. What was recorded after that time is replaced; of
 * neighbours alike the later takes in the earlier.
 */
export function shelteredSince(
  area: Sheltered,
  at: string,
  to: Surroundings,
): { surroundings: Surroundings; earlierShelters: EarlierShelter[] } {
  const stages = [...area.earlierShelters, { surroundings: area.surroundings, until: null }];
  const since = Date.parse(at);
  const kept = stages
    .filter((_, i) => i === 0 || Date.parse(stages[i - 1]?.until as string) < since)
    .map(({ surroundings, until }) => ({
      surroundings,
      until: until === null || Date.parse(until) > since ? at : until,
    }));
  const earlier = kept.filter((each, i) => !isSame(each.surroundings, kept[i + 1]?.surroundings ?? to));
  return { surroundings: to, earlierShelters: earlier.slice(-MOST_EARLIER_SHELTERS) };
}
