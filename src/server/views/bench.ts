import type {
  AreaClock,
  BenchTins,
  BenchView,
  CoatOutlook,
  Step,
  TradeSettings,
} from '../../contract/index.ts';
import { judgeHours } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { workRates } from '../../core/film/index.ts';
import { coatLimitsOf } from '../../core/system/index.ts';
import { memoised, remembering } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { SurfacePlace } from '../air/surfaces.ts';
import { bandFor } from '../air/surfaces.ts';
import { hourAt, toWeatherHour } from '../air/yardAir.ts';
import type { Context } from '../context.ts';
import { areaClock } from '../memory/areaClock.ts';
import { type AreaSnapshot, coatsOfSteps } from '../memory/areaStates.ts';
import { surveyRows } from '../memory/boatRows.ts';
import { groupsOf } from '../memory/groupsOf.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import { areaById } from '../rows/areas.ts';
import { Missing } from '../rows/missing.ts';
import type { KnownProduct, ProductCatalogue } from '../rows/products.ts';
import { alikeAreas, litresForCoat } from './alikeAreas.ts';
import { litresLeft } from './beforeCoat.ts';
import { coatOutlook } from './coatOutlook.ts';
import { coatSpans, freshUntil } from './coatSpans.ts';
import { inOneGo, progressOfNext } from './notedOfCoat.ts';
import { openFaultsOf } from './openFaultsOf.ts';
import { type AboutCoat, type Inside, usualShell } from './otherPlaceView.ts';
import { togetherInPlan } from './plannedTogether.ts';
import { potViews } from './pots.ts';
import { benchTins } from './supply/benchTins.ts';
import { bareTicks, oldLineAsked } from './ticks.ts';

/** Hours ahead that the bench judges. */
const BENCH_HOURS = 36;

/** Of an area that paint is kept for. */
const areaName = memoised(
  async (_snapshot: object, db: Context['db'], areaId: string) =>
    (await areaById(db, areaId))?.name ?? 'a patch',
  50,
);

/** What the tins give for what is left of the coat in hand. */
async function tinsFor(
  { stock, trade, catalogue, snapshot }: Pick<YardReading, 'stock' | 'trade' | 'catalogue' | 'snapshot'>,
  db: Context['db'],
  of: { state: AreaSnapshot; step: Step; product: KnownProduct; clock: AreaClock; left: number; at: number },
): Promise<BenchTins | null> {
  const { state, step, product, clock, left, at } = of;
  if (!stock.byProduct.has(product.id)) return null;
  const kept = stock.byProduct.get(product.id)?.flatMap((each) => [...each.keptBy.keys()]) ?? [];
  const names = new Map<string, string>();
  for (const id of new Set(kept)) names.set(id, await areaName(snapshot, db, id));
  const coat = {
    state,
    step,
    product,
    colour: clock.next?.colour ?? '',
    litres: litresLeft({ state, clock, step, product, leftM2: left }, catalogue),
    areaM2: left,
  };
  return benchTins(coat, { stock, trade, catalogue, now: at }, names);
}

/** Whether aggregate is strewn into a coat while it is wet: the last of its step, with aggregate before the next step. */
function takesAggregate(state: AreaSnapshot, next: AreaClock['next']): boolean {
  const i = state.steps.findIndex(({ id }) => id === next?.stepId);
  const isLast = next !== null && next.coatNo + 1 === coatsOfSteps(state)[i];
  return isLast && (state.steps[i + 1]?.before.some(({ kind }) => kind === 'aggregate') ?? false);
}

/** Answers for the same coat within a minute are one: nothing in it moves faster, and several people look at one bench. */
const SAME_FOR_MS = 60_000;
const outlooks = remembering<CoatOutlook | null>(200);

/** A heated space asked about; its shell null: as the area usually has it. */
export type InsideAsked = Omit<Inside, 'shell'> & { shell: Inside['shell'] | null };

/** How fast the coat is applied. */
const rateView = ({ workRates: own }: TradeSettings, method: Step['method']): BenchView['rate'] => ({
  m2PerH: workRates(own)[method],
  isOwn: own[method] !== undefined,
});

/** What comes after the coat in hand, as far as the stack says. */
function nextAfter(state: AreaSnapshot, clock: AreaClock, catalogue: ProductCatalogue): AboutCoat['next'] {
  const at = state.steps.findIndex(({ id }) => id === clock.next?.stepId);
  if (!clock.next || at < 0) return null;
  const same = clock.next.coatNo + 1 < clock.next.coats;
  const productId = same ? clock.next.productId : state.steps[at + 1]?.productId;
  const family = productId && catalogue.latest.get(productId)?.sheet.family;
  if (family) return { kind: 'coat', family, same: productId === clock.next.productId };
  return state.area.service === 'immersed' ? { kind: 'water' } : null;
}

function outlookOf(
  { air, catalogue, trade }: Pick<YardReading, 'air' | 'catalogue' | 'trade'>,
  of: {
    state: AreaSnapshot;
    clock: AreaClock;
    step: Step;
    product: KnownProduct;
    place: SurfacePlace;
    left: number;
    at: number;
    safeHours: number | null;
    otherPlace: InsideAsked;
  },
): CoatOutlook | null {
  const { state, clock, step, product, place, left, at, safeHours, otherPlace } = of;
  const { sheet } = product;
  const pace = catalogue.paceOf(step.productId, step.method);
  const minute = Math.floor(at / SAME_FOR_MS);
  const rateM2PerH = workRates(trade.settings.workRates)[step.method];
  const question = [
    state,
    catalogue,
    left,
    rateM2PerH,
    pace,
    safeHours,
    minute,
    JSON.stringify([place, otherPlace]),
  ];
  const now = minute * SAME_FOR_MS;
  const spans = coatSpans(clock, now);
  const coat = { step, sheet, areaM2: left, rateM2PerH, air, now, safeHours, pace, spans };
  const about: AboutCoat = {
    freshUntilMs: freshUntil(clock),
    spansIn: (temps) => coatSpans(areaClock(state, { air, now, catalogue, temps }), now),
    next: nextAfter(state, clock, catalogue),
  };
  const inside = { ...otherPlace, shell: otherPlace.shell ?? usualShell(state.area) };
  return outlooks(air, question, () => coatOutlook(coat, place, inside, about));
}

/** Everything for applying the next coat on one area. @throws {Missing} */
export async function benchView(
  { db, memory, now }: Context,
  areaId: string,
  query: { safeHours: number | null; otherPlace: InsideAsked },
): Promise<BenchView> {
  const at = now();
  const known = await memory.some(at, { areaId });
  const [state] = known.states;
  const [clock] = known.clocks;
  if (!state || !clock) throw new Missing('area', areaId);
  const step = state.steps.find((each) => each.id === clock.next?.stepId) ?? null;
  const product = (step && known.catalogue.latest.get(step.productId)) ?? null;
  const hour = hourAt(known.hours, at);
  const place = surfaceOf(state, known.catalogue);
  // Judged from a day before, so that what rain or dew left on the surface is known.
  const seen = (each: { at: number }) => each.at > at - 24 * HOUR_MS && each.at < at + BENCH_HOURS * HOUR_MS;
  const around = known.hours.filter(seen);
  const { surroundings, before = [] } = place;
  const surface = around.length > 0 ? bandFor(known.air, place).filter(seen) : [];
  const judged =
    step && product
      ? judgeHours({
          hours: around,
          limits: coatLimitsOf(product.sheet, step.method),
          surroundings,
          before,
          surface,
        })
      : [];
  const bandAt = new Map(surface.map((each) => [each.at, each]));
  const ahead = judged.filter((each) => each.at + HOUR_MS > at);
  const left = clock.next ? Math.max(0, clock.next.areaM2 - clock.next.coveredM2) : 0;
  const outlook =
    step && product ? outlookOf(known, { state, clock, step, product, place, left, at, ...query }) : null;
  const log = memory.logOf(state.boat.id);
  const { findings } = await surveyRows(db, state.boat.id, known.boat);
  const alike = alikeAreas(known, { state, clock, at, findings });
  const rate = step ? rateView(known.trade.settings, step.method) : null;
  const potsOf = (emptied: boolean) =>
    known.boat
      ? potViews([known.boat], known.catalogue, at, emptied).filter((pot) => pot.areaId === areaId)
      : [];
  return {
    now: new Date(at).toISOString(),
    boat: state.boat,
    area: state.area,
    clock,
    step,
    product: product ? { ...product, archived: false } : null,
    rate,
    litresForCoat: litresForCoat(state, clock, product, known.catalogue),
    air: hour ? toWeatherHour(hour) : null,
    hours: ahead.map(({ at: ms, ok, reasons, conditions, surfaceC, dewPointC, marginFalls }) => ({
      at: new Date(ms).toISOString(),
      ok,
      reasons,
      conditions,
      surfaceC,
      surfaceLowC: bandAt.get(ms)?.lowC ?? surfaceC,
      surfaceHighC: bandAt.get(ms)?.highC ?? surfaceC,
      dewPointC,
      marginFalls,
    })),
    outlook,
    currency: known.trade.settings.currency,
    lying: groupsOf(state).map(({ stepId, coatNo, entries }) => ({
      stepId,
      coatNo,
      productName: known.catalogue.latest.get(entries[0]?.body.productId ?? '')?.name ?? t`unknown product`,
      colour: entries[0]?.body.colour ?? '',
    })),
    faults: openFaultsOf(state, findings),
    ...(await inOneGo(log, db, {
      areaId,
      boatId: state.boat.id,
      next: clock.next,
      alike,
      at,
    })),
    plannedTogether: rate
      ? await togetherInPlan(db, { areaId, next: clock.next, ownM2: left, alike, m2PerH: rate.m2PerH })
      : null,
    pots: potsOf(false),
    emptied: potsOf(true),
    progress: await progressOfNext(log, db, { areaId, next: clock.next, at }),
    bare: await bareTicks(db, state.area, { ...known, log }, at),
    takesAggregate: takesAggregate(state, clock.next),
    askOldLine: await oldLineAsked(db, state, clock, known.boat),
    tins:
      step && product && clock.next
        ? await tinsFor(known, db, { state, step, product, clock, left, at })
        : null,
  };
}
