import { createHash } from 'node:crypto';
import { DateTime } from 'luxon';
import type { LeverCode, PlanSetup } from '../../../contract/index.ts';
import { remembering } from '../../../core/units/index.ts';
import type { Context } from '../../context.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { edgeTapes } from '../../rows/log.ts';
import { planSetupOf } from '../../rows/plan.ts';
import { type PlannedYard, planRest } from './planRest.ts';
import { type GivenYard, yardToPlan } from './yardToPlan.ts';

/** The plan of the yard as it stands, made once for everything that is asked of it. */

/** Share of the time for a plan that each change of the premises is given, and the plan as it is beside them: the same, so that they compare. */
const COMPARED_SHARE = 0.3;
/** A plan holds for so long where nothing else changes, ms: tasks begin on the half hour. */
const HOLDS_MS = 30 * 60_000;
/** Plans that are remembered: as it stands, and with changes of its premises. */
const KEPT = 40;
/** Weather data older than this says nothing of the days to come, ms. */
const STALE_MS = 24 * 3_600_000;

/** A plan, and the yard it was made of. */
export interface PlanMade {
  /** Names this plan: another one has another key. */
  key: string;
  given: GivenYard;
  found: PlannedYard;
}

export interface PlanAsked {
  at: number;
  setup: PlanSetup;
  known: YardReading;
  /** null: the weather data does not reach to about now. */
  made: PlanMade | null;
}

/** Whether the weather data reaches to about now. */
const isCurrent = (hours: readonly { at: number }[], now: number): boolean =>
  (hours.at(-1)?.at ?? Number.NEGATIVE_INFINITY) >= now - STALE_MS;

const kept = remembering<Promise<PlanMade>>(KEPT);

const keyOf = ({ plan, yard }: PlannedYard): string =>
  createHash('sha256')
    .update(JSON.stringify([yard.fromMs, plan?.tasks.map(({ id, startMs }) => [id, startMs])]))
    .digest('hex')
    .slice(0, 16);

/** Starts of the plan that was agreed to; null: none was. */
function agreedIn({ agreed }: PlanSetup): Record<string, number> | null {
  const last = agreed.at(-1);
  return last ? Object.fromEntries(last.tasks.map(({ taskId, start }) => [taskId, Date.parse(start)])) : null;
}

/** The plan as the yard stands now, or with changes of its premises; `isCompared`: beside others, afresh and with as little effort as they. */
export async function planMade(
  { db, memory, jobs, now, planMs }: Context,
  { levers = [], isCompared = false }: { levers?: readonly LeverCode[]; isCompared?: boolean } = {},
): Promise<PlanAsked> {
  const budgetMs = isCompared ? COMPARED_SHARE * planMs : planMs;
  const at = now();
  const setup = await planSetupOf(db);
  const known = await memory.at(at);
  // Ticks of masking change no snapshot of the yard.
  const masked = await edgeTapes(db);
  if (!isCurrent(known.hours, at)) return { at, setup, known, made: null };
  const made = await kept(
    known.snapshot,
    [setup.version, Math.floor(at / HOLDS_MS), levers.join(), budgetMs, JSON.stringify([...masked])],
    async () => {
      const given = await yardToPlan(known, setup, at, jobs, levers, masked);
      const found = await planRest(
        jobs,
        given.yard,
        budgetMs,
        levers.length === 0 && !isCompared ? agreedIn(setup) : null,
      );
      return { key: keyOf(found), given, found };
    },
  );
  return { at, setup, known, made };
}

/** Hour of the day at which a yard that is worked is planned again. */
const MORNING_HOUR = 6;

/** The first morning after a moment in the yard's time. */
export function nextMorning(ms: number, zone: string): number {
  const today = DateTime.fromMillis(ms, { zone }).set({ hour: MORNING_HOUR, minute: 0, second: 0, millisecond: 0 }); // biome-ignore format: one line
  return (today.toMillis() > ms ? today : today.plus({ days: 1 })).toMillis();
}
