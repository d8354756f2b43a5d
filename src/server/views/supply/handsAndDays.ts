import type { CostLine, TradeSettings } from '../../../contract/index.ts';
import { HOUR_MS } from '../../../core/cure/index.ts';
import { labourHours, type Need, type TimedWork } from '../../../core/supply/index.ts';
import { sandedBefore } from '../../../core/system/index.ts';
import { t } from '../../../words.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import type { YardLine } from '../../memory/needLines.ts';
import { doneOf, ofBoat } from './costParts.ts';
import { maskedEdgeM, tapingsFor } from './maskedEdge.ts';
import type { YardNeed } from './yardNeed.ts';

/** What hands and days cost: the hours of each step, setting up and putting away, days in the yard. */

const DAY_MS = 24 * HOUR_MS;

/** Hours of hands that a step takes on an area, its edges masked and unmasked. */
export function hoursOf(
  { line, step, state }: YardLine,
  { workRates: rates }: Pick<TradeSettings, 'workRates'>,
  hulls: YardNeed['hulls'],
): number {
  const work: TimedWork[] = step.before.flatMap(({ kind }) => (kind === 'wait' ? [] : [kind]));
  const areaM2 = Math.max(0, ...line.coats.map((coat) => coat.areaM2));
  const between = line.coats.filter(({ no }) => sandedBefore(step, no) !== null).map((): TimedWork => 'sand');
  // Putting away is of a session, and several areas share one.
  return labourHours({
    areaM2,
    coats: line.coats.length,
    method: step.method,
    work: [...work, ...between],
    sessions: 0,
    tapedM: tapingsFor(line.coats.length, state.area) * maskedEdgeM(state, areaM2, hulls.get(state.boat.id)),
    rates,
  });
}

/** The hours of a step on an area at the yard's rate. */
export function labourLine(each: YardLine, settings: TradeSettings, hulls: YardNeed['hulls']): CostLine {
  const { labourPerHour } = settings;
  const { state, step, line } = each;
  const planned = Math.round(hoursOf(each, settings, hulls) * labourPerHour);
  const whole = line.coats.reduce((sum, { areaM2 }) => sum + areaM2, 0);
  const done = Math.min(
    whole,
    doneOf(state, step.id).reduce((sum, { areaM2 }) => sum + areaM2, 0),
  );
  return {
    areaId: state.area.id,
    areaName: state.area.name,
    stepId: step.id,
    what: t`Labour`,
    kind: 'labour',
    planned,
    soFar: whole > 0 ? Math.round((planned * done) / whole) : 0,
    forecast: planned,
  };
}

/** Setting up and cleaning up, once a session for any number of areas. */
export function putAwayHours(lines: readonly YardLine[], planned: Need): number {
  return planned.sessions.reduce((sum, { productId, sessions }) => {
    const method = lines.find(({ line }) => line.productId === productId)?.step.method ?? 'brush';
    const one = labourHours({ areaM2: 1, coats: 0, method, work: [], sessions: 1 });
    return sum + one * sessions;
  }, 0);
}

export const putAwayLines = (
  lines: readonly YardLine[],
  planned: Need,
  { labourPerHour }: TradeSettings,
  share: number,
): CostLine[] => [
  ofBoat(
    t`Setting up and clearing up`,
    'labour',
    Math.round(putAwayHours(lines, planned) * labourPerHour),
    share,
  ),
];

/** Days in the yard: as planned, those since her first coat, and the more of the two. */
export function yardLines(
  states: readonly AreaSnapshot[],
  days: number,
  { yardDay }: TradeSettings,
  now: number,
): CostLine[] {
  const first = Math.min(...states.flatMap(({ coats }) => coats.map(({ fromMs }) => fromMs)));
  const gone = Number.isFinite(first) ? Math.ceil((now - first) / DAY_MS) : 0;
  const planned = Math.round(days * yardDay);
  // Without planned days in the yard, the days already spent are unknown.
  const soFar = days > 0 ? Math.round(Math.min(gone, 3650) * yardDay) : 0;
  return [{ ...ofBoat(t`Days in yard`, 'yard', planned, 0), soFar, forecast: Math.max(planned, soFar) }];
}
