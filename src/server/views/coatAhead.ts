import type { AheadView, BenchAheadQuery, StartView } from '../../contract/index.ts';
import { type BestStarts, bestStarts, dampStarts } from '../../core/air/index.ts';
import { byLearnedPace, filmEvents, HOUR_MS, windowsFor } from '../../core/cure/index.ts';
import { tempsFor } from '../air/surfaces.ts';
import type { Context } from '../context.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import { Missing } from '../rows/missing.ts';
import { bestView } from './coatOutlook.ts';
import { coatSpans, isIn } from './coatSpans.ts';
import { coatUnder } from './coatUnder.ts';

const iso = (ms: number) => new Date(ms).toISOString();

const startViews = ({ stretches }: BestStarts): StartView[] =>
  stretches.map(({ fromMs, toMs, best, conditions }) => ({
    from: iso(fromMs),
    to: iso(toMs),
    after: null,
    conditions,
    best: bestView(best),
  }));

const OPEN: ReadonlySet<string> = new Set(['open', 'thumb']);

/**
 * What is asked beyond the coat in hand: starts after which the next coat of the step fits too, the latest start for a
 * launch, starts while it is damp but drying. @throws {Missing}
 */
export async function coatAhead(
  { memory, now }: Context,
  areaId: string,
  asked: BenchAheadQuery,
): Promise<AheadView> {
  const at = now();
  const known = await memory.some(at, { areaId });
  const [state] = known.states;
  const [clock] = known.clocks;
  if (!state || !clock) throw new Missing('area', areaId);
  const step = state.steps.find(({ id }) => id === clock.next?.stepId);
  const product = step && known.catalogue.latest.get(step.productId);
  const nothing: AheadView = { now: iso(at), second: null, launch: null, damp: [] };
  if (!step || !product || !clock.next || known.hours.length === 0) return nothing;
  const { sheet } = product;
  const areaM2 = Math.max(0, clock.next.areaM2 - clock.next.coveredM2);
  const place = surfaceOf(state, known.catalogue);
  const pace = known.catalogue.paceOf(step.productId, step.method);
  const coat = {
    step,
    sheet,
    areaM2,
    air: known.air,
    now: at,
    safeHours: asked.safeHours === undefined ? null : Number(asked.safeHours),
    pace,
    spans: coatSpans(clock, at),
  };
  const { startsInput, safeBy } = coatUnder(coat, place);
  if (safeBy === null) return nothing;
  const mayStart = (start: { startMs: number }) => isIn(coat.spans, start.startMs);
  const temps = tempsFor(known.air, place);
  const film = (laidFromMs: number, laidToMs: number) => ({
    laidFromMs,
    laidToMs,
    sheet: sheet.cure,
    ...byLearnedPace(pace),
  });
  /** Starts of the coat after it: by the air alone. */
  const alone = bestStarts({ ...startsInput(), fromMs: at, fits: () => true }).stretches;

  /** Whether some start passes for the next coat while the first takes it without sanding. */
  const nextFits = ({ startMs, endMs }: { startMs: number; endMs: number }) => {
    if (!mayStart({ startMs })) return false;
    const { segments } = windowsFor({
      film: film(startMs, endMs),
      next: { kind: 'coat', family: sheet.family, same: true },
      temps,
      now: endMs,
    });
    return segments
      .filter((segment) => OPEN.has(segment.state))
      .some(({ fromMs, toMs }) =>
        alone.some((each) => each.toMs >= fromMs && (toMs === null || each.fromMs <= toMs)),
      );
  };
  const launchMs = asked.launchAt === undefined ? null : Date.parse(asked.launchAt);
  const inWaterBy = (startMs: number, endMs: number) =>
    filmEvents({ film: film(startMs, endMs), temps }).find(({ event }) => event === 'immersion')?.at ?? null;
  const forLaunch =
    launchMs === null || sheet.cure.events.immersion === undefined
      ? null
      : bestStarts({
          ...startsInput(launchMs),
          fits: ({ startMs, endMs }) =>
            mayStart({ startMs }) && (inWaterBy(startMs, endMs) ?? Number.POSITIVE_INFINITY) <= launchMs,
        });
  const last = forLaunch?.stretches.at(-1);
  return {
    now: iso(at),
    second:
      clock.next.coatNo + 1 < clock.next.coats
        ? startViews(bestStarts({ ...startsInput(), fits: nextFits }))
        : null,
    launch:
      launchMs === null
        ? null
        : {
            at: iso(launchMs),
            stated: sheet.cure.events.immersion !== undefined,
            lastCoat: clock.next.coatNo + 1 >= clock.next.coats && state.steps.at(-1)?.id === step.id,
            startBy: last ? iso(last.toMs) : null,
          },
    damp: asked.damp === 'yes' ? startViews(dampStarts(startsInput(at + 3 * 24 * HOUR_MS))) : [],
  };
}
