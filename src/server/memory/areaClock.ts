import type { AreaClock, NextView } from '../../contract/index.ts';
import type { TempSeries } from '../../core/cure/index.ts';
import type { FilmGiven } from '../../core/plan/index.ts';
import {
  type CoatGroup,
  colourOf,
  nextCoat,
  stepAreaM2,
  unconfirmed,
  WHOLE_COAT_SHARE,
} from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { type Air, tempsFor } from '../air/surfaces.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { areaParts } from './areaParts.ts';
import { type AreaSnapshot, type CoatOnArea, coatsOfSteps, netAreaOf } from './areaStates.ts';
import { filmClock, filmGiven, nextKind, workFor, workViews } from './filmClock.ts';
import { groupsOf } from './groupsOf.ts';
import { handOn } from './handOn.ts';
import { convertedSteel } from './profileOf.ts';
import { surfaceOf } from './surfaceOf.ts';

/** Whole coats of each step, in the order of the stack. */
function wholeCoats(state: AreaSnapshot, groups: readonly CoatGroup<CoatOnArea>[]): number[] {
  return state.steps.map((step) => groups.filter((g) => g.stepId === step.id && g.complete).length);
}

function nextView(
  state: AreaSnapshot,
  groups: readonly CoatGroup<CoatOnArea>[],
  applied: readonly number[],
  catalogue: ProductCatalogue,
): NextView | null {
  const wanted = coatsOfSteps(state);
  const next = nextCoat(wanted, applied);
  const step = next && state.steps[next.step];
  if (!next || !step) return null;
  const begun = groups.find((g) => g.stepId === step.id && g.coatNo === next.coat && !g.complete);
  return {
    stepId: step.id,
    coatNo: next.coat,
    coats: wanted[next.step] as number,
    productId: step.productId,
    productName: catalogue.latest.get(step.productId)?.name ?? t`unknown product`,
    colour: colourOf(step, next.coat),
    coveredM2: begun?.coveredM2 ?? 0,
    areaM2: stepAreaM2(step, netAreaOf(state).areaM2),
    band: step.band?.name ?? null,
  };
}

/** Time by which blasted steel must be primed; null: it is painted, or wasn’t blasted. */
function primedBy(state: AreaSnapshot, catalogue: ProductCatalogue): string | null {
  const { blast, coats } = state;
  // Converted rust waits for nobody: there is no bare steel.
  if (!blast || convertedSteel(state, catalogue)) return null;
  // The bare part keeps its hours, even if half of the area is primed.
  const primedM2 = coats
    .filter((coat) => coat.fromMs >= blast.atMs && coat.coatNo === 0)
    .reduce((sum, coat) => sum + coat.areaM2, 0);
  const { areaM2 } = netAreaOf(state);
  if (primedM2 > 0 && primedM2 >= areaM2 * WHOLE_COAT_SHARE) return null;
  return new Date(blast.atMs + blast.holdsMs).toISOString();
}

/** The stand over a patch that has no paint yet, as long as it stands there. */
function hiddenBy({ stand, coats }: AreaSnapshot): AreaClock['hiddenBy'] {
  if (!stand || stand.archived || stand.shiftedAt !== null || coats.length > 0) return null;
  return { standId: stand.id, name: stand.name, shiftOn: stand.shiftOn };
}

/** A clock before anything is known of it: which area it is of. */
const blankClock = ({ area, boat }: AreaSnapshot): AreaClock => ({
  areaId: area.id,
  areaName: area.name,
  zone: area.zone,
  side: area.side,
  boatId: boat.id,
  boatName: boat.name,
  areaM2: 0,
  spread: 0,
  part: area.part,
  primeBy: null,
  hiddenBy: null,
  film: null,
  next: null,
  work: [],
  nextIsWater: false,
  state: 'bare',
  until: null,
  segments: [],
  edges: [],
  events: [],
  warnings: [],
  keyGrit: null,
  ruleBy: null,
  parts: [],
  lap: null,
  hand: null,
  stepsDone: 0,
  stepsAll: 0,
  failed: null,
});

/** The clock of an area that can’t be worked out: one bad record doesn’t affect other areas. */
export const failedClock = (state: AreaSnapshot, error: unknown): AreaClock => ({
  ...blankClock(state),
  state: 'failed',
  failed: error instanceof Error ? error.message : t`the figures can’t be worked out`,
});

/** The film of an area, so that its times can be worked out in other weather; null: there is none, or its sheet is not known. */
export function filmOnArea(
  state: AreaSnapshot,
  clock: AreaClock,
  { catalogue, now, temps }: { catalogue: ProductCatalogue; now: number; temps: TempSeries },
): FilmGiven | null {
  const top = groupsOf(state).findLast((group) => group.complete);
  const last = top?.entries.at(-1);
  const sheet = last && catalogue.sheetOf(last.body.productId, last.body.sheetVersion);
  return top && sheet ? filmGiven({ sheet, top, temps, now, state, clock, catalogue }) : null;
}

/**
 * Where an area stands at `now`: its film, what is next, and the window between the two.
 *
 * @param context.temps its film temperatures, where they are to be others than its surroundings give
 */
export function areaClock(
  state: AreaSnapshot,
  context: { air: Air; now: number; catalogue: ProductCatalogue; temps?: TempSeries },
): AreaClock {
  const { catalogue, now, air } = context;
  const filmTemps = () => context.temps ?? tempsFor(air, surfaceOf(state, catalogue));
  const { hours } = air;
  const { areaM2, spread } = netAreaOf(state);
  const groups = groupsOf(state);
  const applied = wholeCoats(state, groups);
  const wanted = coatsOfSteps(state);
  const next = nextView(state, groups, applied, catalogue);
  // Where a coat was broken off, the next paint lands on the coat below it: the last one that is whole.
  const top = groups.findLast((group) => group.complete);
  const last = top?.entries.at(-1);
  const nextIsWater = next === null && state.steps.length > 0 && state.area.service === 'immersed';
  const primeBy = primedBy(state, catalogue);
  const clock: AreaClock = {
    ...blankClock(state),
    areaM2,
    spread,
    primeBy,
    hiddenBy: hiddenBy(state),
    next,
    work: workViews(workFor(state, next, null), state, next),
    nextIsWater,
    state: state.steps.length === 0 ? 'no-system' : hiddenBy(state) ? 'hidden' : 'bare',
    until: primeBy,
    stepsDone: applied.reduce((sum, count, i) => sum + Math.min(count, wanted[i] ?? 0), 0),
    stepsAll: wanted.reduce((sum, coats) => sum + coats, 0),
  };
  if (!top || !last) {
    // The first coat is begun: what lies of it has its own clock, what is bare keeps its hours.
    const temps = hours.length > 0 ? filmTemps() : null;
    const parts =
      temps && areaParts({ state, groups, applied, clock, following: null, catalogue, temps, now });
    return { ...clock, parts: parts ?? [] };
  }
  clock.until = null;
  const sheet = catalogue.sheetOf(last.body.productId, last.body.sheetVersion);
  const topStep = state.steps.findIndex((s) => s.id === top.stepId);
  clock.film = {
    entryIds: top.entries.map((entry) => entry.entryId),
    productId: last.body.productId,
    productName: catalogue.latest.get(last.body.productId)?.name ?? t`unknown product`,
    colour: last.body.colour,
    stepId: topStep >= 0 ? top.stepId : null,
    coatNo: top.coatNo,
    coatLabel: topStep >= 0 ? t`coat ${top.coatNo + 1} of ${wanted[topStep]}` : t`coat ${top.coatNo + 1}`,
    typical: sheet ? unconfirmed(sheet, catalogue.latest.get(last.body.productId)?.sheet ?? sheet) : [],
    appliedFrom: new Date(top.fromMs).toISOString(),
    appliedTo: new Date(top.toMs).toISOString(),
  };
  clock.hand = handOn({ state, top, now, clock: null, pace: 1 });
  if (state.steps.length === 0) return clock;
  if (hours.length === 0 || !sheet) return { ...clock, state: 'no-weather' };
  const temps = filmTemps();
  const full = { ...clock, ...filmClock({ sheet, top, temps, now, state, clock, catalogue }) };
  const following = nextKind(clock, catalogue);
  return {
    ...full,
    parts: areaParts({ state, groups, applied, clock: full, following, catalogue, temps, now }),
  };
}
