import type { Boat, BoatView, Waterline } from '../../contract/index.ts';
import {
  formFromDimensions,
  type Hull,
  hasHull,
  type OffsetTable,
  ofItsHulls,
} from '../../core/hull/index.ts';
import {
  type NextMark,
  type Outliers,
  type PlaneFit,
  type StruckLine,
  strikeLine,
} from '../../core/waterline/index.ts';
import { t } from '../../words.ts';

/** A boat that is a hull of known dimensions. */
export type HullView = BoatView & { boat: Hull<Boat> };

/** The line as struck from what is on the screen, or why it cannot be. */
export type Struck = { line: StruckLine } | { problem: string };

const parametric = new Map<string, OffsetTable>();

/** The hull a boat's line is struck on. */
export function tableOf({ boat, form }: { boat: Hull<Boat>; form: OffsetTable | null }): OffsetTable {
  if (form) return ofItsHulls(form, boat);
  const key = JSON.stringify([boat.kind, boat.dimensions]);
  const known = parametric.get(key) ?? formFromDimensions(boat);
  parametric.set(key, known);
  return known;
}

export function tryStrike({ boat, form }: Pick<BoatView, 'boat' | 'form'>, plan: Waterline): Struck {
  if (!hasHull(boat)) return { problem: t`Enter the hull’s main dimensions first` };
  try {
    return { line: strikeLine({ form: tableOf({ boat, form }), plan }) };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** Never 100 %: of marks nothing is certain. */
const percent = (share: number) => (share > 0.99 ? 'over 99 %' : `${Math.round(100 * share)} %`);

/** What the marks say of each other, in a sentence. */
export function sayOutliers(outliers: Outliers, names: readonly string[]): string {
  switch (outliers.verdict) {
    case 'agree':
      return t`All marks agree.`;
    case 'one-is-off':
      return t`One mark is wrong, but there are too few marks to tell which. Add one or two more.`;
    case 'named': {
      const list = outliers.indices.map((i) => names[i]).join(', ');
      const least = Math.min(...outliers.sure);
      return t`${list} ${outliers.indices.length === 1 ? t`is an outlier and was` : t`are outliers and were`} left out (${percent(least)} certain).`;
    }
    case 'one-of': {
      const list = outliers.indices
        .map((i, k) => `${names[i]} (${percent(outliers.sure[k] ?? 0)})`)
        .join(', ');
      return t`One mark is wrong, but it isn’t certain which: ${list}. No mark was left out.`;
    }
  }
}

/** Where one more mark would settle it, in a sentence; null where nothing is open. */
export function sayNextMark(next: NextMark | null, say: (mm: number) => string): string | null {
  if (!next) return null;
  const side = next.yM > 0.05 ? t`to starboard` : next.yM < -0.05 ? t`to port` : t`on the centreline`;
  return t`Add a mark ${next.xM.toFixed(1)} m from aft, ${side}, to settle this. The two most likely lines are ${say(next.differMm)} apart there.`;
}

/** Where the error stated for a mark does not fit what the marks show; null where it does. */
export function sayErrorFit(
  { verdict, foundMm }: PlaneFit['error'],
  say: (mm: number) => string,
): string | null {
  if (foundMm === null || verdict === 'fits' || verdict === 'not-known') return null;
  return verdict === 'stated-too-small'
    ? t`The marks scatter by ${say(foundMm)}, more than the reading error you entered. The line is less accurate than shown. Enter a larger reading error.`
    : t`The marks scatter by only ${say(foundMm)}, less than the reading error you entered. A smaller reading error would reveal outliers.`;
}

export const nameOf = (mark: { name: string }, i: number) =>
  mark.name ? t`Mark ${i + 1} (${mark.name})` : t`Mark ${i + 1}`;
