import type { Order } from './rehearsalSteps.ts';
import { slotAfter, slotBefore } from './slots.ts';
import type { AreaToPlan, PlannedTask } from './yardToPlan.ts';

/** A task that somebody begins in any case. */
export interface Begun {
  taskId: string;
  atMs: number;
  slot: number;
}

/** What somebody decides otherwise than the plan, by the slots of a draw. */
export class OrdersInDraw {
  readonly #begin: Begun[];
  /** Tasks not before a slot, from the slot at which that was decided. */
  readonly #holds: readonly { taskId: string; slot: number; since: number }[];

  constructor(orders: readonly Order[], fromMs: number) {
    this.#begin = orders
      .filter(({ kind }) => kind === 'begin')
      .map(({ taskId, atMs }) => ({ taskId, atMs, slot: slotBefore(atMs, fromMs) }))
      .sort((a, b) => a.slot - b.slot);
    this.#holds = orders.flatMap(
      ({ taskId, kind, atMs, decidedMs }) =>
      kind === 'begin' ? [] : [{ taskId, slot: slotAfter(atMs, fromMs), since: slotBefore(decidedMs, fromMs) }], // biome-ignore format: one line
    );
  }

  /** The next task that is begun by a slot, taken off the list; undefined: none. */
  takeBegun(now: number): Begun | undefined {
    const first = this.#begin[0];
    return first && first.slot <= now ? this.#begin.shift() : undefined;
  }

  /** Tasks that are held at a slot, each until its slot. */
  heldAt(now: number): ReadonlyMap<string, number> {
    return new Map(this.#holds.flatMap(({ taskId, slot, since }) => (since <= now ? [[taskId, slot]] : [])));
  }

  /** The first slot after this one at which something is decided; infinite: none. */
  nextAfter(now: number): number {
    const decided = [...this.#begin.map(({ slot }) => slot), ...this.#holds.map(({ since }) => since)];
    return Math.min(Number.POSITIVE_INFINITY, ...decided.filter((slot) => slot > now));
  }
}

/** What a task that is begun in any case still has to wait for: nobody can apply paint that isn’t there. */
export function lacksAt(
  area: AreaToPlan | undefined,
  { coatId, kind, getReadyMs }: PlannedTask,
  atMs: number,
): 'no-paint' | 'behind-support' | null {
  if (area?.notBeforeMs !== undefined && atMs < area.notBeforeMs) return 'behind-support';
  const coat = area?.coats.find(({ id }) => id === coatId);
  const deliveredMs = kind === 'coat' ? (coat?.notBeforeMs ?? atMs) : atMs;
  return atMs + getReadyMs < deliveredMs ? 'no-paint' : null;
}
