import { leversOf, type PlanOddsQuery, type PlanOddsReply } from '../../../contract/index.ts';
import { type OddsInput, WEATHER_ERRORS, type WeatherErrors, wetShareOf } from '../../../core/plan/index.ts';
import type { Context } from '../../context.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { errorsHere } from '../errorsHere.ts';
import { nextMorning, type PlanMade, planMade } from './planMade.ts';

/** What comes of the plan in draws of the weather: some at a time, so that whoever asks sees how far it is and can stop. */

const USUAL_DRAWS = 10;
const DAY_MS = 86_400_000;
/** Weather after the plan's last task that its followers may need, ms. */
const AFTER_MS = 18 * DAY_MS;
/** Weather before it: the films that are on have cured in it. */
const LEAST_BEFORE_MS = 3 * DAY_MS;

/** What the thread is given of a plan: the weather no longer than it is looked at. */
export function toFollow({ given, found }: PlanMade): Pick<OddsInput, 'of' | 'plan' | 'hours'> | null {
  const { plan, yard } = found;
  if (!plan) return null;
  const { hours, ...weather } = given.weather;
  const endMs = Math.max(...plan.tasks.map((task) => task.endMs));
  const begun = Object.values(weather.films).map(({ film }) => film.laidFromMs - DAY_MS);
  const fromMs = Math.min(yard.fromMs - LEAST_BEFORE_MS, ...begun);
  return {
    of: { ...weather, yard },
    plan,
    hours: hours.filter(({ at }) => at >= fromMs && at <= endMs + AFTER_MS),
  };
}

/** How the weather is drawn here. */
export async function weatherAsked(
  context: Context,
  { at, known, made }: { at: number; known: YardReading; made: PlanMade },
): Promise<Pick<OddsInput, 'morningMs' | 'wetShare'> & { errors: WeatherErrors }> {
  return {
    morningMs: nextMorning(made.given.yard.fromMs, known.yard.zone),
    wetShare: wetShareOf(known.hours),
    errors: { ...WEATHER_ERRORS, airC: await errorsHere(known.air, context.db, at) },
  };
}

export async function planOdds(context: Context, query: PlanOddsQuery): Promise<PlanOddsReply> {
  const levers = leversOf(query.levers);
  const [first, count] = [Number(query.first ?? 0), Number(query.count ?? USUAL_DRAWS)];
  const change = levers.length === 0 ? {} : { levers, isCompared: true };
  const { at, known, made } = await planMade(context, change);
  const nothing = { key: made?.key ?? '', rain: false, outcomes: [] };
  if (!made) return nothing;
  const follow = toFollow(made);
  if (!follow) return nothing;
  const weather = await weatherAsked(context, { at, known, made });
  const { wetShare } = weather;
  const outcomes = await context.jobs.run('odds', { ...follow, ...weather }, { first, count });
  return {
    key: made.key,
    rain: wetShare !== null,
    outcomes: outcomes.map(({ launches, ...rest }) => ({
      ...rest,
      launches: Object.entries(launches).map(([boatId, ms]) => ({
        boatId,
        at: ms === null ? null : new Date(ms).toISOString(),
      })),
    })),
  };
}
