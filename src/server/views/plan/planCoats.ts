import type { Step, UnplannedCode, WorkView } from '../../../contract/index.ts';
import { byLearnedPace, HOUR_MS, safeEvent } from '../../../core/cure/index.ts';
import { applyHours, type Method } from '../../../core/film/index.ts';
import { BARE_STEEL_HOURS } from '../../../core/inspect/index.ts';
import type { CoatToPlan, WorkToPlan } from '../../../core/plan/index.ts';
import {
  colourOf,
  type DueTask,
  type ProductSheet,
  SANDING_M2_PER_H,
  stepAreaM2,
  taskState,
  workBefore,
} from '../../../core/system/index.ts';
import type { SurfacePlace } from '../../air/surfaces.ts';
import { type AreaSnapshot, coatsOfSteps, netAreaOf } from '../../memory/areaStates.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import type { ProductCatalogue } from '../../rows/products.ts';

/** The coats of an area that are left, as the plan needs them. */

/** m² an hour of other work for one pair of hands: washing 30, blasting or tooling steel 8, else scraping and stripping by machine 3 [T, handbook part 19]. */
const WASH_M2_PER_H = 30;
const STEEL_M2_PER_H = 8;
const PREPARE_M2_PER_H = 3;
/** An inspection, and the least that any work takes [M]. */
const LEAST_MS = HOUR_MS / 2;
/** Getting ready: stirring, standing time, a last wipe [M]; washing out and putting away half an hour [T]. */
const GET_READY_MS = HOUR_MS / 2;
const CLEAN_UP_MS = HOUR_MS / 2;
/** A spray gun takes an hour more to set up, and one to clean [T]. */
const SPRAY_MS = HOUR_MS;
const SPRAYED: ReadonlySet<Method> = new Set(['airless-spray', 'conventional-spray']);
/** Rolled and tipped by a pair; one person alone takes so many times as long [M]. */
const ALONE = 2;

/** What a coat is called. */
export interface CoatNamed {
  areaId: string;
  productName: string;
  colour: string;
  coatNo: number;
  coats: number;
  work: Map<string, { kind: WorkView['kind']; note: string }>;
}

/** What the air is asked for a coat: when a session of it can begin. Coats alike have the same key. */
export interface StartsAsked {
  key: string;
  method: Method;
  sheet: ProductSheet;
  areaM2: number;
  pace: number;
  place: SurfacePlace;
}

export interface PlannedCoats {
  coats: CoatToPlan[];
  /** By coat. */
  asked: Map<string, StartsAsked>;
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

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Work that is still to do, as the plan takes it; what is done with the coat itself takes no time of its own. */
function workToPlan(
  due: readonly Pick<DueTask, 'taskId' | 'kind' | 'amount' | 'endsMs'>[],
  areaM2: number,
  now: number,
  bareSteel: boolean,
): WorkToPlan[] {
  const last = due.findLastIndex(({ kind }) => kind === 'prepare');
  return due.flatMap(({ taskId: id, kind, amount, endsMs }, i): WorkToPlan[] => {
    if (kind === 'aggregate') return [];
    if (kind === 'wait') {
      const waitMs = endsMs === null ? (amount ?? 0) * HOUR_MS : Math.max(0, endsMs - now);
      return [{ id, kind, ms: waitMs, dusty: false }];
    }
    const steel = bareSteel && i === last;
    const rate = { wash: WASH_M2_PER_H, sand: SANDING_M2_PER_H, prepare: steel ? STEEL_M2_PER_H : PREPARE_M2_PER_H, inspect: null }[kind]; // biome-ignore format: a table
    const takes = rate === null ? LEAST_MS : Math.max(LEAST_MS, (areaM2 / rate) * HOUR_MS);
    return [
      {
        id,
        kind: kind === 'sand' ? 'sand' : 'work',
        ms: takes,
        dusty: kind === 'sand' || kind === 'prepare',
        ...(steel && { bareForMs: BARE_STEEL_HOURS * HOUR_MS }),
      },
    ];
  });
}

const noDue = (work: readonly WorkView[], now: number) =>
  work
    .map(({ doneAt, endsAt, fromAt, ...task }) => ({ ...task, doneMs: ms(doneAt), endsMs: ms(endsAt), fromMs: ms(fromAt) }))
    .filter((task) => ['due', 'running'].includes(taskState(task, now))); // biome-ignore format: one line

interface Given {
  state: AreaSnapshot;
  clock: YardReading['clocks'][number];
  catalogue: ProductCatalogue;
  place: SurfacePlace;
  now: number;
  /** Hands in the yard, and the longest that they work in one go. */
  hands: number;
  longestMs: number;
}

/** One coat of a step over an area of so many m². @throws {AreaLeft} */
function coatToPlan(
  given: Given,
  {
    step,
    sheet,
    areaM2,
    id,
    productName,
  }: { step: Step; sheet: ProductSheet; areaM2: number; id: string; productName: string },
): { coat: Omit<CoatToPlan, 'work'>; asked: StartsAsked } {
  const { place, hands, longestMs } = given;
  if (safeEvent(sheet.cure) === null) throw new AreaLeft('safe-not-stated', productName);
  const isPair = step.method === 'roll-and-tip';
  const people = isPair && hands > 1 ? 2 : 1;
  const spray = SPRAYED.has(step.method) ? SPRAY_MS : 0;
  const [getReadyMs, cleanUpMs] = [GET_READY_MS + spray, CLEAN_UP_MS + spray];
  const handsM2 = isPair && people === 1 ? areaM2 * ALONE : areaM2;
  const inAllMs = applyHours(handsM2, step.method) * HOUR_MS;
  const sessions = Math.max(1, Math.ceil(inAllMs / Math.max(HOUR_MS, longestMs - getReadyMs - cleanUpMs)));
  const pace = given.catalogue.paceOf(step.productId, step.method);
  const sessionM2 = handsM2 / sessions;
  const key = JSON.stringify([step.productId, step.method, sessionM2, pace, place]);
  return {
    coat: {
      id,
      productId: step.productId,
      family: sheet.family,
      sheet: sheet.cure,
      ...byLearnedPace(pace),
      sessions,
      getReadyMs,
      applyMs: applyHours(sessionM2, step.method) * HOUR_MS,
      cleanUpMs,
      people,
      starts: [],
      sandMs: Math.max(LEAST_MS, (areaM2 / SANDING_M2_PER_H) * HOUR_MS),
    },
    asked: { key, method: step.method, sheet, areaM2: sessionM2, pace, place },
  };
}

/** The coats of an area that are not on yet, in their order, with the work before each. @throws {AreaLeft} */
export function coatsToPlan(given: Given): PlannedCoats {
  const { state, clock, catalogue, now } = given;
  const planned: PlannedCoats = { coats: [], asked: new Map(), named: new Map() };
  const { next } = clock;
  if (!next) return planned;
  const from = state.steps.findIndex(({ id }) => id === next.stepId);
  const wanted = coatsOfSteps(state);
  const bare =
    state.area.substrate === 'steel' && !clock.film && !state.blast && state.area.oldCoating === null;
  for (const [i, step] of state.steps.entries()) {
    if (i < from) continue;
    const product = catalogue.latest.get(step.productId);
    if (!product) throw new AreaLeft('failed', null);
    const coats = wanted[i] as number;
    for (let coatNo = i === from ? next.coatNo : 0; coatNo < coats; coatNo++) {
      const isNext = i === from && coatNo === next.coatNo;
      const wholeM2 = stepAreaM2(step, netAreaOf(state).areaM2);
      const areaM2 = isNext ? Math.max(0, next.areaM2 - next.coveredM2) : wholeM2;
      const id = `${state.area.id} ${step.id} ${coatNo}`;
      const due = isNext
        ? noDue(clock.work, now)
        : workBefore({ step, coatNo, key: null, filmToMs: null, done: [] });
      const { coat, asked } = coatToPlan(given, { step, sheet: product.sheet, areaM2, id, productName: product.name }); // biome-ignore format: one line
      planned.asked.set(id, asked);
      planned.coats.push({ ...coat, work: workToPlan(due, areaM2, now, bare && isNext) });
      planned.named.set(id, {
        areaId: state.area.id,
        productName: product.name,
        colour: colourOf(step, coatNo),
        coatNo,
        coats,
        work: new Map(due.map(({ taskId, kind, note }) => [taskId, { kind, note }])),
      });
    }
  }
  return planned;
}
