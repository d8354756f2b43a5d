import type { StripHour } from '../../../contract/index.ts';

/** Hours drawn together where a pixel holds several: as many as make no difference to the eye. */
export const hoursTogether = (spanMs: number): number => (spanMs > 40 * 24 * 3_600_000 ? 8 : 1);

/** So many hours together as two that hold their least and their most: a path a fraction as long with the same outline. */
export function envelope(hours: readonly StripHour[], together: number): readonly StripHour[] {
  if (together <= 1) return hours;
  const pairs: StripHour[] = [];
  for (let i = 0; i < hours.length; i += together) {
    const group = hours.slice(i, i + together);
    const of = (key: 'airC' | 'dewC' | 'surfaceC', best: (...all: number[]) => number) =>
      best(...group.map((hour) => hour[key]));
    const bands = {
      airLowC: Math.min(...group.map((h) => h.airLowC)),
      airHighC: Math.max(...group.map((h) => h.airHighC)),
      dewLowC: Math.min(...group.map((h) => h.dewLowC)),
      dewHighC: Math.max(...group.map((h) => h.dewHighC)),
      surfaceLowC: Math.min(...group.map((h) => h.surfaceLowC)),
      surfaceHighC: Math.max(...group.map((h) => h.surfaceHighC)),
    };
    for (const [at, best] of [
      [group[0], Math.min],
      [group[Math.floor(group.length / 2)], Math.max],
    ] as const)
      pairs.push({
        ...(at as StripHour),
        ...bands,
        airC: of('airC', best),
        dewC: of('dewC', best),
        surfaceC: of('surfaceC', best),
      });
  }
  return pairs;
}
