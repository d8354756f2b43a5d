import type {
  ExtraWork,
  LeverCode,
  PlanSupply,
  Product,
  Step,
  UnplannedCode,
  WorkView,
} from '../../../contract/index.ts';
import { byLearnedPace, HOUR_MS, safeEvent } from '../../../core/cure/index.ts';
import { hoursAt, type Method, type WorkRates } from '../../../core/film/index.ts';
import { type CoatToPlan, MOST_SESSIONS, PLAN_ASSUMES, type PlanSurface } from '../../../core/plan/index.ts';
import {
  colourOf,
  type ProductSheet,
  SANDING_M2_PER_H,
  stepAreaM2,
  workBefore,
} from '../../../core/system/index.ts';
import { type AreaSnapshot, coatsOfSteps, netAreaOf } from '../../memory/areaStates.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { coatKey, worstSupply } from '../supply/coatSupply.ts';
import {
  MASK,
  type MaskedCoat,
  type MaskHours,
  type Masking,
  maskHours,
  tapings,
  withMasking,
} from './masking.ts';
import { extraToPlan, LEAST_MS, stillDue, workToPlan } from './planWork.ts';
import { type StepsToChange, stepsWith } from './stepsWith.ts';

/** The coats of an area that are left, as the plan needs them. */

const SPRAYED: ReadonlySet<Method> = new Set(['airless-spray', 'conventional-spray']);

/** What work before a coat is called. */
interface WorkNamed {
  kind: WorkView['kind'] | 'extra' | 'mask';
  note: string;
}

/** What a coat is called. */
export interface CoatNamed extends MaskedCoat {
  areaId: string;
  productName: string;
  colour: string;
  coatNo: number;
  coats: number;
  work: Map<string, WorkNamed>;
  /** What its paint waits for; null: it is in stock. */
  supply: PlanSupply | null;
}

/** What the air is asked for a coat: when a session of it can begin. Coats alike have the same key. */
export interface StartsRequest {
  key: string;
  method: Method;
  sheet: ProductSheet;
  areaM2: number;
  rateM2PerH: number;
  pace: number;
  place: PlanSurface;
}

export interface PlannedCoats {
  coats: CoatToPlan[];
  /** By coat. */
  requests: Map<string, StartsRequest>;
  named: Map<string, CoatNamed>;
}

/** Why an area is not planned. */
export class AreaLeft extends Error {
  readonly code: UnplannedCode;
  readonly productName: string | null;
  constructor(code: UnplannedCode, productName: string | null) {
    super(code);
    this.code = code;
    this.productName = productName;
  }
}

interface Given extends StepsToChange {
  clock: YardReading['clocks'][number];
  place: PlanSurface;
  now: number;
  /** Work before its next coat that the record does not know of. */
  extraWork: readonly ExtraWork[];
  /** People in the yard, and the longest that they work in one go. */
  hands: number;
  longestMs: number;
  rates: WorkRates;
  masking: Masking;
  /** Areas that are painted in one go with it, itself among them. */
  together: readonly AreaSnapshot[];
  /** Coats whose paint isn't in stock, by their key. */
  supplies: ReadonlyMap<string, PlanSupply>;
  /** From when on ordered paint can be used, ms. */
  deliveredMs: (dueOn: string) => number;
}

/** One coat of a step over an area of so many m². @throws {AreaLeft} */
function coatToPlan(
  given: Given,
  {
    step,
    product: { sheet, version, name: productName },
    areaM2,
    id,
    masks,
  }: {
    step: Step;
    product: Pick<Product, 'sheet' | 'version' | 'name'>;
    areaM2: number;
    id: string;
    masks: MaskHours;
  },
): { coat: Omit<CoatToPlan, 'work'>; request: StartsRequest } {
  const { place, hands, longestMs } = given;
  if (safeEvent(sheet.cure) === null) throw new AreaLeft('safe-not-stated', productName);
  const isPair = step.method === 'roll-and-tip';
  const people = isPair && hands > 1 ? 2 : 1;
  const moreH = SPRAYED.has(step.method) ? PLAN_ASSUMES.sprayMoreH : 0;
  const getReadyMs = (PLAN_ASSUMES.getReadyH + moreH + masks.readyH) * HOUR_MS;
  const cleanUpMs = (PLAN_ASSUMES.cleanUpH + moreH) * HOUR_MS;
  const handsM2 = isPair && people === 1 ? areaM2 * PLAN_ASSUMES.aloneTimes : areaM2;
  const rateM2PerH = given.rates[step.method];
  const inAllMs = hoursAt(handsM2, rateM2PerH) * HOUR_MS;
  const sessions = Math.max(1, Math.ceil(inAllMs / Math.max(HOUR_MS, longestMs - getReadyMs - cleanUpMs)));
  if (sessions > MOST_SESSIONS) throw new AreaLeft('takes-too-long', productName);
  const pace = given.catalogue.paceOf(step.productId, step.method);
  const sessionM2 = handsM2 / sessions;
  const key = JSON.stringify([step.productId, version, step.method, sessionM2, rateM2PerH, pace, place]);
  return {
    coat: {
      id,
      productId: step.productId,
      family: sheet.family,
      sheet: sheet.cure,
      ...byLearnedPace(pace),
      sessions,
      getReadyMs,
      applyMs: hoursAt(sessionM2, rateM2PerH) * HOUR_MS,
      cleanUpMs,
      people,
      starts: [],
      sandMs: Math.max(LEAST_MS, (areaM2 / SANDING_M2_PER_H) * HOUR_MS),
    },
    request: { key, method: step.method, sheet, areaM2: sessionM2, rateM2PerH, pace, place },
  };
}

/** Coats of a step by the changes tried: never fewer than one that is still to come. */
const coatsWith = (coats: number, first: number, levers: readonly LeverCode[]): number =>
  levers.includes('one-coat-fewer') && coats > 1 ? Math.max(first + 1, coats - 1) : coats;

/** What a coat’s paint waits for. Another product, that a change brings, is bought for it: nothing is known to be missing. */
function supplyOf(
  { state, together, supplies }: Given,
  { i, coatNo, step }: { i: number; coatNo: number; step: Step },
): PlanSupply | null {
  if (step.productId !== state.steps[i]?.productId) return null;
  return worstSupply(
    together.map((each) => supplies.get(coatKey(each.area.id, each.steps[i]?.id ?? '', coatNo))),
  );
}

/** A coat that is not on yet: of which step, by its place in the stack, and how many it has. */
interface CoatLeft {
  i: number;
  step: Step;
  coatNo: number;
  coats: number;
  isNext: boolean;
}

function coatsLeft(given: Given, next: NonNullable<Given['clock']['next']>): CoatLeft[] {
  const { state } = given;
  const from = state.steps.findIndex(({ id }) => id === next.stepId);
  const wanted = coatsOfSteps(state);
  return stepsWith(given).flatMap((step, i): CoatLeft[] => {
    if (i < from) return [];
    const first = i === from ? next.coatNo : 0;
    const coats = coatsWith(wanted[i] as number, first, given.levers);
    return Array.from({ length: Math.max(0, coats - first) }, (_, n) => {
      const coatNo = first + n;
      return { i, step, coatNo, coats, isNext: i === from && coatNo === next.coatNo };
    });
  });
}

/** m² of a coat over the areas that are painted in one go; of one that is begun, what is left of it. */
function coatM2(
  { together }: Given,
  { step, isNext }: CoatLeft,
  next: { areaM2: number; coveredM2: number },
) {
  if (isNext && together.length === 1) return Math.max(0, next.areaM2 - next.coveredM2);
  return together.reduce((sum, each) => sum + stepAreaM2(step, netAreaOf(each).areaM2), 0);
}

/** The coats of an area that are not on yet, in their order, with the work before each. @throws {AreaLeft} */
export function coatsToPlan(given: Given): PlannedCoats {
  const { state, clock, catalogue, now } = given;
  const planned: PlannedCoats = { coats: [], requests: new Map(), named: new Map() };
  const { next } = clock;
  if (!next) return planned;
  const bare =
    state.area.substrate === 'steel' && !clock.film && !state.blast && state.area.oldCoating === null;
  const left = coatsLeft(given, next);
  const tapes = tapings(given.masking, left.length, { now, isBegun: next.coveredM2 > 0 });
  for (const [n, each] of left.entries()) {
    const { i, step, coatNo, coats, isNext } = each;
    const product = catalogue.latest.get(step.productId);
    if (!product) throw new AreaLeft('failed', null);
    const areaM2 = coatM2(given, each, next);
    const id = coatKey(state.area.id, step.id, coatNo);
    const due = isNext
      ? stillDue(clock.work, now)
      : workBefore({ step, coatNo, key: null, filmToMs: null, done: [] });
    const isMasked = tapes[n] === true;
    const masks = maskHours(given.masking, isMasked);
    const { coat, request } = coatToPlan(given, { step, product, areaM2, id, masks });
    const extra = isNext ? given.extraWork : [];
    const supply = supplyOf(given, { i, coatNo, step });
    const delivered = supply?.code === 'delivery' && supply.dueOn !== null;
    const work = withMasking([...extra.map(extraToPlan), ...workToPlan(due, areaM2, now, bare && isNext)], masks.taskH, given.masking.holdsMs); // biome-ignore format: one line
    if (work.some(({ kind, ms }) => kind !== 'wait' && ms > MOST_SESSIONS * given.longestMs))
      throw new AreaLeft('takes-too-long', product.name);
    planned.requests.set(id, request);
    planned.coats.push({
      ...coat,
      ...(delivered && { notBeforeMs: given.deliveredMs(supply.dueOn as string) }),
      work,
    });
    planned.named.set(id, {
      areaId: state.area.id,
      productName: product.name,
      colour: colourOf(step, coatNo),
      coatNo,
      coats,
      supply,
      masking: given.masking,
      isMasked,
      work: new Map<string, WorkNamed>([
        ...due.map(({ taskId, kind, note }) => [taskId, { kind, note }] as const),
        ...extra.map(({ id: workId, note }) => [workId, { kind: 'extra' as const, note }] as const),
        ...(masks.taskH > 0 ? [[MASK, { kind: 'mask' as const, note: '' }] as const] : []),
      ]),
    });
  }
  return planned;
}
