import { moment, within } from '../units/index.ts';

/** A coat, or the part of one, as logged. Times in ms. */
export interface AppliedCoat {
  stepId: string;
  coatNo: number;
  areaM2: number;
  fromMs: number;
  toMs: number;
}

/** All that was applied of one coat. */
export interface CoatGroup<T extends AppliedCoat = AppliedCoat> {
  stepId: string;
  coatNo: number;
  coveredM2: number;
  fromMs: number;
  toMs: number;
  complete: boolean;
  entries: T[];
}

/** A coat counts as whole from this share of the area on: hand measures are no better than ±5 % [T]. */
export const WHOLE_COAT_SHARE = 0.95;

/** @throws {QuantityError} a figure of it that cannot be */
export function checkApplied(coat: AppliedCoat): void {
  within('number of a coat', coat.coatNo, 0, 1000);
  within('m² of a coat', coat.areaM2, 0, 100_000);
  moment('start of a coat', coat.fromMs);
  moment('end of a coat', coat.toMs);
}

/**
 * Logged coats gathered by step and coat number, in the order they were finished.
 * 12 m² and later 8 m² of coat 2 on a 20 m² area make one whole coat, applied from the first start to the last end.
 */
export function coatGroups<T extends AppliedCoat>(input: {
  coats: readonly T[];
  areaM2: number;
  /** m² of the steps that are applied on a band of the area only. */
  bands?: ReadonlyMap<string, number>;
}): CoatGroup<T>[] {
  within('area', input.areaM2, 0, 100_000);
  input.coats.forEach(checkApplied);
  const groups = new Map<string, CoatGroup<T>>();
  for (const coat of input.coats) {
    const key = `${coat.stepId}/${coat.coatNo}`;
    const group = groups.get(key);
    if (!group) {
      groups.set(key, {
        stepId: coat.stepId,
        coatNo: coat.coatNo,
        coveredM2: coat.areaM2,
        fromMs: coat.fromMs,
        toMs: coat.toMs,
        complete: false,
        entries: [coat],
      });
      continue;
    }
    group.coveredM2 += coat.areaM2;
    group.fromMs = Math.min(group.fromMs, coat.fromMs);
    group.toMs = Math.max(group.toMs, coat.toMs);
    group.entries.push(coat);
  }
  for (const group of groups.values()) {
    const wanted = input.bands?.get(group.stepId) ?? input.areaM2;
    group.complete = group.coveredM2 >= wanted * WHOLE_COAT_SHARE;
  }
  return [...groups.values()].sort((a, b) => a.toMs - b.toMs);
}
