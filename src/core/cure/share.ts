import { moment, QuantityError } from '../units/index.ts';
import { type EventCurve, readyCurve } from './curve.ts';
import { lineShare } from './lineClock.ts';
import { assumedC, checkSeries, HOUR_MS, seriesEnd, type TempSeries } from './series.ts';

/**
 * How many times over an event would have come between two moments, ∫ dt / t(T(t)): 0.5 half-way, 2 for a film twice as
 * old as it needs to be. Beyond the series' ends the nearest day's mean is assumed, as the clock itself does.
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
  if (toMs < fromMs) throw new QuantityError('end', toMs, `its start ${fromMs} or later`);
  checkSeries(temps);
  const ready = readyCurve('event', input.curve);
  const [startMs, endMs] = [temps.startMs, seriesEnd(temps)];
  const assumed = (side: 'before' | 'after', ms: number) =>
    ms <= 0 ? 0 : ms / 60_000 / ready.minutesAt(assumedC(temps, side));
  let done =
    assumed('before', Math.min(toMs, startMs) - fromMs) + assumed('after', toMs - Math.max(fromMs, endMs));
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
