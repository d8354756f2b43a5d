import type { AreaClock, LookAheadQuery, LookAheadView, StartView } from '../../contract/index.ts';
import { type BestStarts, bestStarts, dampStarts } from '../../core/air/index.ts';
import {
  byLearnedPace,
  type CoatLeft,
  type CoatSpan,
  coatsByLaunch,
  HOUR_MS,
  launchEvent,
  windowsFor,
} from '../../core/cure/index.ts';
import { workRates } from '../../core/film/index.ts';
import { stepAreaM2 } from '../../core/system/index.ts';
import { remembering } from '../../core/units/index.ts';
import { tempsFor } from '../air/surfaces.ts';
import type { Context } from '../context.ts';
import { type AreaSnapshot, coatsOfSteps, netAreaOf } from '../memory/areaStates.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import { Missing } from '../rows/missing.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { bestView } from './coatOutlook.ts';
import { coatSpans, isIn } from './coatSpans.ts';
import { type CoatToApply, coatUnder } from './coatUnder.ts';

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
 * Questions beyond the present coat: starts after which the next coat of the step fits too, the latest start for a
 * launch, starts while it is damp but drying. @throws {Missing}
 */
export async function lookAhead(
  { memory, now }: Context,
  areaId: string,
  asked: LookAheadQuery,
): Promise<LookAheadView> {
  const at = now();
  const known = await memory.some(at, { areaId });
  const [state] = known.states;
  const [clock] = known.clocks;
  if (!state || !clock) throw new Missing('area', areaId);
  const step = state.steps.find(({ id }) => id === clock.next?.stepId);
  const product = step && known.catalogue.latest.get(step.productId);
  const nothing: LookAheadView = { now: iso(at), second: null, launch: null, damp: [] };
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
    rateM2PerH: workRates(known.trade.settings.workRates)[step.method],
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

  /** Whether the next coat has a suitable start while the first can be overcoated without sanding. */
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
  return {
    now: iso(at),
    second:
      clock.next.coatNo + 1 < clock.next.coats
        ? startViews(bestStarts({ ...startsInput(), fits: nextFits }))
        : null,
    launch: launchMs === null ? null : launchView(known, state, clock, coat, launchMs),
    damp: asked.damp === 'yes' ? startViews(dampStarts(startsInput(at + 3 * 24 * HOUR_MS))) : [],
  };
}

/** Whether the coats left are ready by a launch, and by when the next one must be begun. */
function launchView(
  known: YardReading,
  state: AreaSnapshot,
  clock: AreaClock,
  inHand: CoatToApply,
  launchMs: number,
): NonNullable<LookAheadView['launch']> {
  const { catalogue, air } = known;
  const place = surfaceOf(state, catalogue);
  const left = coatsLeft(state, clock, catalogue);
  const always = [{ fromMs: inHand.now, toMs: Number.POSITIVE_INFINITY }];
  const startsOf = remembering<readonly CoatSpan[]>(left.length);
  const coats = left.map(({ step, sheet, areaM2 }, i): CoatLeft => {
    const pace = catalogue.paceOf(step.productId, step.method);
    const rateM2PerH = workRates(known.trade.settings.workRates)[step.method];
    const coat = i === 0 ? inHand : { ...inHand, step, sheet, areaM2, rateM2PerH, pace, spans: always };
    const under = coatUnder(coat, place);
    const next = left[i + 1];
    return {
      // The coats of a step after its first are alike: their starts are sought once.
      starts: startsOf(step, [i === 0, areaM2], () => under.starts().stretches),
      applyMs: under.applyMs,
      sheet: sheet.cure,
      ...byLearnedPace(pace),
      next: next
        ? { kind: 'coat', family: next.sheet.family, same: next.step.productId === step.productId }
        : null,
    };
  });
  const last = coats.at(-1) as CoatLeft;
  const ready = launchEvent(last.sheet, state.area.service === 'immersed');
  const fit = coatsByLaunch({ coats, temps: tempsFor(air, place), launchMs, ready });
  const knownUntil = air.hours.at(-1)?.at ?? inHand.now;
  return {
    at: iso(launchMs),
    stated: fit.stated,
    coatsLeft: left.length,
    startBy: fit.lastStartMs === null ? null : iso(fit.lastStartMs),
    ready: fit.readyMs === null ? null : iso(fit.readyMs),
    knownUntil: iso(knownUntil),
  };
}

/** The coats of an area that are not on yet, in their order; a product whose sheet is gone is left out. */
function coatsLeft(state: AreaSnapshot, clock: AreaClock, catalogue: ProductCatalogue) {
  const from = state.steps.findIndex(({ id }) => id === clock.next?.stepId);
  const wanted = coatsOfSteps(state);
  return state.steps.flatMap((step, i) => {
    const sheet = catalogue.latest.get(step.productId)?.sheet;
    if (i < from || !sheet || !clock.next) return [];
    const done = i === from ? clock.next.coatNo : 0;
    const areaM2 = stepAreaM2(step, netAreaOf(state).areaM2);
    const begun = Math.max(0, clock.next.areaM2 - clock.next.coveredM2);
    return Array.from({ length: Math.max(0, (wanted[i] as number) - done) }, (_, k) => ({
      step,
      sheet,
      areaM2: i === from && k === 0 ? begun : areaM2,
    }));
  });
}
