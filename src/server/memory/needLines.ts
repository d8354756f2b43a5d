import type { AreaClock, Step } from '../../contract/index.ts';
import { isUnderCover } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { chosenWay, waysOf } from '../../core/hull/index.ts';
import { lineNeed, type NeedLine, type NeedSheet } from '../../core/supply/index.ts';
import { colourOf, type ProductSheet, stepAreaM2 } from '../../core/system/index.ts';
import { memoised, QuantityError } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { type AreaSnapshot, coatsOfSteps, netAreaOf } from './areaStates.ts';
import { groupsOf } from './groupsOf.ts';
import { firstFilmStep, profileOf } from './profileOf.ts';
import { bySheets } from './sheetsBehind.ts';

/** One step on one area that still has coats to go on, as the need takes it. */
export interface YardLine {
  line: NeedLine;
  state: AreaSnapshot;
  step: Step;
  /** How the area was come by. */
  way: string;
  /** Coats of the steps before it that are still to go on first. */
  coatsBefore: number;
}

/** A step nothing can be worked out for. */
export interface NoLine {
  state: AreaSnapshot;
  productId: string;
  reason: string;
}

export interface AreaLines {
  lines: YardLine[];
  unknown: NoLine[];
}

/** The figures of a data sheet that the need uses. Typical volume solids give way to a confirmed coverage. */
export const needSheetOf = memoised((sheet: ProductSheet): NeedSheet => {
  const coverage = sheet.coverageM2PerL ?? null;
  const unread = sheet.typical?.includes('volumeSolids') ?? false;
  const washed = sheet.dilution != null;
  return {
    parts: sheet.parts,
    ratioBy: sheet.ratioBy,
    volumeSolids: coverage !== null && (unread || washed) ? null : sheet.volumeSolids,
    typicalMicrons: sheet.film.typical,
    coverageM2PerL: coverage,
    dilution: sheet.dilution ?? null,
    canLitres: sheet.canLitres ?? null,
    thinner: sheet.thinner?.name ?? null,
  };
});

/** What an area still takes, step by step; worked out once for as long as neither it nor a sheet changes. */
export const needLinesOf = bySheets((state, catalogue): AreaLines => madeLines(state, catalogue));

/** As {@link needLinesOf}, of the whole plan: what was applied already counted in. */
export const plannedLinesOf = (state: AreaSnapshot, catalogue: ProductCatalogue): AreaLines =>
  madeLines(state, catalogue, { ...state, coats: [] });

function madeLines(state: AreaSnapshot, catalogue: ProductCatalogue, as: AreaSnapshot = state): AreaLines {
  const made: AreaLines = { lines: [], unknown: [] };
  try {
    let coatsBefore = 0;
    const wanted = coatsOfSteps(state);
    const groups = groupsOf(as);
    for (const [i, step] of state.steps.entries()) {
      const own = groups.filter(({ stepId }) => stepId === step.id);
      const one = lineOf(state, step, { catalogue, wanted: wanted[i] as number, groups: own });
      if ('reason' in one) made.unknown.push({ state, productId: step.productId, reason: one.reason });
      else if (one.line.coats.length > 0) made.lines.push({ ...one, state, step, coatsBefore });
      coatsBefore += 'reason' in one ? 0 : one.line.coats.length;
    }
  } catch (error) {
    if (!(error instanceof QuantityError)) throw error;
    made.unknown.push({ state, productId: state.steps[0]?.productId ?? '', reason: error.message });
  }
  return made;
}

function lineOf(
  state: AreaSnapshot,
  step: Step,
  of: { catalogue: ProductCatalogue; wanted: number; groups: ReturnType<typeof groupsOf> },
): { line: NeedLine; way: string } | { reason: string } {
  const { area, boat } = state;
  const product = of.catalogue.latest.get(step.productId);
  if (!product) return { reason: t`product not found` };
  const net = netAreaOf(state);
  const areaM2 = stepAreaM2(step, net.areaM2);
  if (!(areaM2 > 0)) return { reason: t`area not measured` };
  const coats = Array.from({ length: of.wanted }, (_, no) => no).flatMap((no) => {
    const group = of.groups.find((each) => each.coatNo === no);
    const left = group?.complete ? 0 : Math.max(0, areaM2 - (group?.coveredM2 ?? 0));
    return left > 1e-6 ? [{ no, colour: colourOf(step, no), areaM2: left }] : [];
  });
  const way = chosenWay(waysOf(area), area.chosenWay)?.way ?? 'hand';
  const first = firstFilmStep(state, of.catalogue)?.step === step;
  const line: NeedLine = {
    id: `${step.id} ${area.id}`,
    boatId: boat.id,
    productId: step.productId,
    sheet: needSheetOf(product.sheet),
    coats,
    dryMicronsPerCoat: step.dryMicronsPerCoat,
    method: step.method,
    thinner: step.thinner,
    spread: net.spread,
    measuredBy: `${boat.id} ${way}`,
    underCover: isUnderCover(area.surroundings),
    sealsAggregate: step.before.some(({ kind }) => kind === 'aggregate'),
    profileMicrons: first ? (profileOf(state, of.catalogue)?.microns ?? null) : null,
    textured: first && (area.oldCoating !== null || area.substrate === 'existing-paint'),
    ownParts: step.ownRatio?.parts ?? null,
    additives: step.additives,
  };
  try {
    lineNeed(line);
  } catch (error) {
    if (!(error instanceof QuantityError)) throw error;
    return { reason: error.message };
  }
  return { line, way };
}

/** One coat a day is what a yard counts on where nothing is planned [common practice, no source]. */
export const A_COAT_MS = 24 * HOUR_MS;

/** When a coat could go on: the next one when its window opens, each later one a day after; null: nobody knows. */
export function coatAtMs(clock: AreaClock | undefined, coatsFirst: number, now: number): number | null {
  if (!clock || ['failed', 'hidden', 'no-system'].includes(clock.state)) return null;
  const waits = clock.state === 'too-soon' && clock.until !== null ? Date.parse(clock.until) : now;
  return Math.max(now, waits) + coatsFirst * A_COAT_MS;
}
