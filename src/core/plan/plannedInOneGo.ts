import { moment, within } from '../units/index.ts';
import { SLOT_MS, slotsOf } from './slots.ts';

/** A coat and when a plan begins it. */
export interface PlannedCoat {
  id: string;
  startMs: number;
  /** How long its application takes, ms. */
  applyMs: number;
}

/**
 * The coats that a plan applies in one go with one of them: each begins while another is applied or in the half hour (slot of the
 * plan) that follows its end.
 *
 * Coats of an hour at 09:00, 10:00 and 14:00: the first two are one go.
 *
 * @param coats with `own` among them
 * @returns ids in the order of their starts, without `own`
 * @throws {QuantityError} on a moment or length that cannot be
 */
export function plannedInOneGo(coats: readonly PlannedCoat[], own: string): string[] {
  const inOrder = coats
    .map(({ id, startMs, applyMs }) => {
      const from = moment('planned start', startMs);
      const slots = slotsOf(within('time to apply a coat (ms)', applyMs, 0, Number.MAX_VALUE));
      return { id, from, to: from + slots * SLOT_MS };
    })
    .sort((a, b) => a.from - b.from);
  const goes: { ids: string[]; to: number }[] = [];
  for (const { id, from, to } of inOrder) {
    const last = goes.at(-1);
    if (last && from <= last.to) {
      last.ids.push(id);
      last.to = Math.max(last.to, to);
    } else goes.push({ ids: [id], to });
  }
  return goes.find(({ ids }) => ids.includes(own))?.ids.filter((id) => id !== own) ?? [];
}
