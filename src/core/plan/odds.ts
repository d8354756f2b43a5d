import type { AirHour } from '../air/index.ts';
import { moment, QuantityError, within } from '../units/index.ts';
import { type DrawOutcome, drawsFollowed } from './followDraw.ts';
import type { YardPlan } from './planYard.ts';
import type { Order, RehearsalStep } from './rehearsalSteps.ts';
import { SLOT_MS, slotAfter, slotBefore } from './slots.ts';
import { type WeatherErrors, weatherDraws } from './weatherDraws.ts';
import type { WeatherYard } from './yardInWeather.ts';

/** Lists tried each morning: more move the chances by less than 3 points (docs/plan.md). */
const TRIES = 30;

/** A boat that is not launched so long after its plan counts apart, ms. */
const LATER_MS = 14 * 86_400_000;
const ONLY_FILM = { coats: [], primeByMs: null, ready: 'tack-free' } as const;
const SAFE_MS = 2 * 86_400_000;

/** A yard, its plan, and the weather as it is known and forecast. */
export interface OddsInput {
  of: WeatherYard;
  plan: YardPlan;
  /** Known and forecast, in order, an hour apart, to the end of the plan. */
  hours: readonly AirHour[];
  /** When the yard is planned again for the first time, and then each day at that hour. */
  morningMs: number;
  /** Share of hours with rain in the season; null: not known, and no rain is drawn. */
  wetShare: number | null;
  /** Left out: the handbook's. */
  errors?: WeatherErrors;
  tries?: number;
}

/**
 * What comes of a plan in draws of the weather, each followed day by day with what would be known then: each morning brings
 * another forecast, the plan is made again, and the day is worked by what the weather turns out to be.
 *
 * @returns a function from the number of a draw to what comes of it; the same number is the same weather
 * @throws {QuantityError} on a yard or hours that cannot be
 */
export function planFollower(input: OddsInput): (draw: number) => DrawOutcome {
  const follow = drawsOf(input);
  return (draw) => follow(draw).outcome;
}

/** A plan played through one draw of the weather, with what somebody decides otherwise. */
export interface Rehearsal extends DrawOutcome {
  steps: RehearsalStep[];
  /** The weather as it turns out to be, until the plan's end. */
  hours: readonly AirHour[];
}

/**
 * A plan played through one draw of the weather, step by step: as {@link planFollower} follows it, but for what somebody decides
 * otherwise. A coat begun before the film below takes it, or after its window, has to be sanded and applied again, as one that rain or
 * dew reaches; a boat launched too soon stays launched, and the mistake stands with the step.
 *
 * @param orders tasks that begin at a given time in any case, and tasks that don’t begin before a time
 * @throws {QuantityError} on a yard, hours or moment that cannot be
 */
export function rehearse(input: OddsInput, draw: number, orders: readonly Order[] = []): Rehearsal {
  for (const { atMs, decidedMs } of orders)
    if (moment('time of a decision', decidedMs) > moment('time decided on', atMs))
      throw new QuantityError('time decided on', atMs, `${decidedMs}, when it is decided, or later`);
  const { outcome, steps: taken, draw: weather } = drawsOf(input)(within('draw', draw, 0, 1e6), orders);
  const steps = taken();
  const refused = steps.filter((step) => step.kind === 'refused');
  const isRefused = ({ kind, taskId, atMs }: Order) =>
    kind === 'begin' && refused.some((step) => step.taskId === taskId && step.atMs === atMs);
  const rest = orders.filter((order) => !isRefused(order));
  // What cannot be done changes nothing: the day goes on as if nobody had thought of it.
  if (rest.length === orders.length) return { ...outcome, steps, hours: weather.truth };
  const played = rehearse(input, draw, rest);
  return { ...played, steps: [...played.steps, ...refused] };
}

/** Follows draws of the weather, as the plan or somebody has it. */
function drawsOf(input: OddsInput): ReturnType<typeof drawsFollowed> {
  const { of, plan, hours, errors } = input;
  const { fromMs } = of.yard;
  const tries = within('tries', input.tries ?? TRIES, 0, 10_000);
  const morning = slotAfter(moment('first morning', input.morningMs), fromMs);
  const endMs = Math.max(fromMs, ...plan.tasks.map((task) => task.endMs));
  const knownMs = hours.at(-1)?.at ?? fromMs;
  if (knownMs < endMs)
    throw new QuantityError('end of the weather', knownMs, `${endMs}, the plan's end, or later`);
  // Coats near the end are followed until they are safe: some weather is left for that.
  const slots = slotBefore(Math.max(endMs, Math.min(endMs + LATER_MS, knownMs - SAFE_MS)), fromMs);
  const drawOf = weatherDraws({ hours, fromMs, morningMs: input.morningMs, wetShare: input.wetShare, ...(errors && { errors }) }); // biome-ignore format: one line
  const before = new Map(plan.tasks.map(({ id, startMs }) => [id, Math.round((startMs - fromMs) / SLOT_MS)]));
  const leftOut = new Set(plan.unplanned.map(({ areaId }) => areaId));
  // What the plan leaves out stays out, though other weather might let it in.
  const areas = of.yard.areas.map((area) => (leftOut.has(area.id) ? { ...area, ...ONLY_FILM } : area));
  return drawsFollowed(
    { of: { ...of, yard: { ...of.yard, areas } }, slots, morning, before, leftOut, tries },
    drawOf,
  );
}

/** As {@link planFollower}, so many draws from one on. @throws {QuantityError} on an impossible count too */
export function followPlan(
  asked: OddsInput,
  { first, count }: { first: number; count: number },
): DrawOutcome[] {
  within('first draw', first, 0, 1e6);
  within('draws', count, 1, 10_000);
  const follow = planFollower(asked);
  return Array.from({ length: count }, (_, i) => follow(first + i));
}

/** A share of draws with how far it may be from the chance itself, one standard error. */
export interface Chance {
  chance: number;
  error: number;
  draws: number;
}

/** A figure that half of the draws stay below, with those that one in ten is below and above. */
export interface Spread {
  tenth: number;
  median: number;
  ninetieth: number;
}

/**
 * A chance from so many draws: the mean and the standard deviation of what is then believed of it, from a start where
 * nothing is known [S: rule of succession, beta distribution, any text of statistics].
 *
 * 72 of 100: 0.72, give or take 0.04; 50 of 50: 0.98, give or take 0.02.
 *
 * @throws {QuantityError} on counts that cannot be
 */
export function chanceOf(hits: number, draws: number): Chance {
  within('draws', draws, 0, 1e7);
  within('hits', hits, 0, draws);
  const [a, b] = [hits + 1, draws - hits + 1];
  return { chance: a / (a + b), error: Math.sqrt((a * b) / ((a + b) ** 2 * (a + b + 1))), draws };
}

/** Figures by their share, each the smallest that so many of the draws stay at or below; null: of no draws, or that of a draw without one. */
function spreadOf(values: readonly (number | null)[]): { [K in keyof Spread]: number | null } {
  const sorted = values.map((each) => each ?? Number.POSITIVE_INFINITY).sort((a, b) => a - b);
  const at = (share: number): number | null => {
    const value = sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)];
    return value === undefined || !Number.isFinite(value) ? null : value;
  };
  return { tenth: at(0.1), median: at(0.5), ninetieth: at(0.9) };
}

/** What draws say of a boat's launch. */
export interface LaunchOdds {
  boatId: string;
  /** Chance of a launch by the planned time, and by the date wanted; null: there is no such date. */
  byPlan: Chance;
  byWanted: Chance | null;
  /** Launch by share of draws, ms; null: that draw has none within the plan's days. */
  launch: { [K in keyof Spread]: number | null };
  /** Draws in which it is not launched within the plan's days: counted apart. */
  notWithin: Chance;
}

export interface PlanOdds {
  draws: number;
  boats: LaunchOdds[];
  /** By share of the draws in which every boat is launched, in the smallest unit of money. */
  cost: { [K in keyof Spread]: number | null };
  /** Draws with at least one window missed and sanded for; a coat reached by rain or dew; a coat outside a limit for a while. */
  sanded: Chance;
  harmed: Chance;
  outside: Chance;
}

/**
 * What outcomes say of the dates, the windows and the cost, each with its own sampling error.
 *
 * @param boats launches as planned and as wanted, ms; null: not wanted by a date
 */
export function oddsOf(
  outcomes: readonly DrawOutcome[],
  boats: readonly { boatId: string; plannedMs: number; wantedMs: number | null }[],
): PlanOdds {
  const draws = outcomes.length;
  const share = (is: (outcome: DrawOutcome) => boolean) => chanceOf(outcomes.filter(is).length, draws);
  return {
    draws,
    boats: boats.map(({ boatId, plannedMs, wantedMs }) => {
      const by = (ms: number) =>
        share(({ launches }) => (launches[boatId] ?? Number.POSITIVE_INFINITY) <= ms);
      return {
        boatId,
        byPlan: by(plannedMs),
        byWanted: wantedMs === null ? null : by(wantedMs),
        launch: spreadOf(outcomes.map(({ launches }) => launches[boatId] ?? null)),
        notWithin: share(({ launches }) => (launches[boatId] ?? null) === null),
      };
    }),
    cost: spreadOf(outcomes.flatMap(({ cost }) => (cost === null ? [] : [cost]))),
    sanded: share(({ sanded }) => sanded > 0),
    harmed: share(({ harmed }) => harmed > 0),
    outside: share(({ outside }) => outside > 0),
  };
}
