import { within } from '../units/index.ts';
import { areaFromMeasures, type Measure } from './measures.ts';

/** How an area was come by. */
export type AreaWay = 'hand' | 'rule' | 'offsets' | 'mesh' | 'paint';

/** m² by one way, with its spread as a fraction. */
export interface WayResult {
  way: AreaWay;
  areaM2: number;
  spread: number;
}

/** An area and a spread that can be. @throws {QuantityError} */
function checkWay({ way, areaM2, spread }: WayResult): void {
  within(`area from ${way}`, areaM2, 0, 1e6);
  within(`uncertainty of ${way}`, spread, 0, 1);
}

/** Two ways whose spreads do not meet: one of them is wrong, or means another piece of the boat. */
export interface Disagreement {
  ways: [AreaWay, AreaWay];
  /** How far the nearer ends lie apart, m². */
  gapM2: number;
}

/**
 * The ways that disagree beyond their spreads. 20 m² ± 5 % (19–21) and 25 m² ± 15 % (21.25–28.75) do, by 0.25 m².
 */
export function disagreements(results: readonly WayResult[]): Disagreement[] {
  results.forEach(checkWay);
  const found: Disagreement[] = [];
  results.forEach((a, i) => {
    for (const b of results.slice(i + 1)) {
      const [low, high] = a.areaM2 <= b.areaM2 ? [a, b] : [b, a];
      const top = low.areaM2 * (1 + within('spread', low.spread, 0, 1));
      const foot = high.areaM2 * (1 - within('spread', high.spread, 0, 1));
      if (foot > top) found.push({ ways: [a.way, b.way], gapM2: foot - top });
    }
  });
  return found;
}

/** The estimate to use: the chosen one if it has a figure, otherwise the one with the lowest uncertainty. */
export function chosenWay(results: readonly WayResult[], chosen: AreaWay | null): WayResult | null {
  results.forEach(checkWay);
  const wanted = results.find((result) => result.way === chosen);
  if (wanted) return wanted;
  return results.reduce<WayResult | null>(
    (best, each) => (best && best.spread <= each.spread ? best : each),
    null,
  );
}

/** An area as kept: its hand measures, and what other ways gave. */
export interface WaysOfArea {
  measures: readonly Measure[];
  /** Spread of the hand measures. */
  spread: number;
  estimates: readonly WayResult[];
  chosenWay: AreaWay | null;
}

/** Every estimate with a figure for this area, the hand measures first. @throws {QuantityError} on bad measures */
export function waysOf({ measures, spread, estimates }: Omit<WaysOfArea, 'chosenWay'>): WayResult[] {
  estimates.forEach(checkWay);
  if (measures.length === 0) return [...estimates];
  const hand = areaFromMeasures({ measures, spread });
  return [{ way: 'hand', areaM2: hand.areaM2, spread }, ...estimates];
}

/** The m² to reckon with and its spread, which travels on to the litres; 0 while nothing is known. */
export function areaOf(area: WaysOfArea): { areaM2: number; spread: number } {
  const way = chosenWay(waysOf(area), area.chosenWay);
  return way ? { areaM2: way.areaM2, spread: way.spread } : { areaM2: 0, spread: 0 };
}
