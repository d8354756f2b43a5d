import { moment, QuantityError } from '../units/index.ts';
import { shareWithin } from './assumedTime.ts';
import { type EventCurve, readyCurve } from './curve.ts';
import { lineShare } from './lineClock.ts';
import { assumedDay, checkSeries, HOUR_MS, seriesEnd, type TempSeries } from './series.ts';

/**
 * How many times over an event would have come between two moments, ∫ dt / t(T(t)): 0.5 half-way, 2 for a film twice as
 * old as it needs to be. Beyond the series' ends the nearest day is assumed, as the clock itself does.
 *
 * At a constant 20 °C an event tabulated as 600 min there is done 2 times over after 1200 min.
 *
 * @throws {QuantityError} on an unusable table or series, moments that are none or not in order
 */
export function shareDone(input: {
  curve: EventCurve;
  temps: TempSeries;
  fromMs: number;
  toMs: number;
}): number {
  const { temps } = input;
  const fromMs = moment('start', input.fromMs);
  const toMs = moment('end', input.toMs);
  if (toMs < fromMs) throw new QuantityError('end', toMs, `at or after its start (${fromMs})`);
  checkSeries(temps);
  const ready = readyCurve('event', input.curve);
  const [startMs, endMs] = [temps.startMs, seriesEnd(temps)];
  const assumed = (side: 'before' | 'after', near: number, far: number) => {
    if (far <= near) return 0;
    const day = assumedDay(temps, side);
    return shareWithin(ready, day, far) - shareWithin(ready, day, near);
  };
  let done =
    assumed('before', Math.max(0, startMs - toMs), startMs - fromMs) +
    assumed('after', Math.max(0, fromMs - endMs), toMs - endMs);
  let at = Math.max(fromMs, startMs);
  const last = Math.min(toMs, endMs);
  while (at < last) {
    const i = Math.floor((at - startMs) / HOUR_MS);
    const hourMs = startMs + i * HOUR_MS;
    const to = Math.min(last, hourMs + HOUR_MS);
    const [fromC, toC] = [temps.valuesC[i] as number, temps.valuesC[i + 1] as number];
    done += lineShare(ready, fromC, toC, (at - hourMs) / HOUR_MS, (to - hourMs) / HOUR_MS);
    at = to;
  }
  return done;
}
