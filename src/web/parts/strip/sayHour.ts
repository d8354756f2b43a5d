import type { StripHour } from '../../../contract/index.ts';
import { t } from '../../../words.ts';
import { sayTime } from '../../clock/say.ts';
import type { useUnits } from '../../units/UnitsContext.tsx';
import { sayReason } from '../../words/airReasons.ts';

type Show = ReturnType<typeof useUnits>['show'];

/** A narrower band isn’t shown, K. */
const WORTH_SAYING_K = 1;

/** A temperature with its band where there is one: "8.2 °C (6.1 °C to 10.3 °C)". */
export function sayBand(of: { c: number; lowC: number; highC: number }, show: Show): string {
  const { c, lowC, highC } = of;
  const text = show(c, 'temperature');
  return highC - lowC < WORTH_SAYING_K
    ? text
    : `${text} (${show(lowC, 'temperature')}–${show(highC, 'temperature')})`;
}

/** An hour in a sentence: "Thu 3 Dec, 14:00, forecast: air 8.2 °C, surface 11.0 °C, dew point 5.0 °C. Not suitable: …". */
export function sayHour(
  hour: StripHour,
  { show, zone, now }: { show: Show; zone: string; now: number },
): string {
  const bands = [
    t`air ${sayBand({ c: hour.airC, lowC: hour.airLowC, highC: hour.airHighC }, show)}`,
    t`surface ${sayBand({ c: hour.surfaceC, lowC: hour.surfaceLowC, highC: hour.surfaceHighC }, show)}`,
    t`dew point ${sayBand({ c: hour.dewC, lowC: hour.dewLowC, highC: hour.dewHighC }, show)}`,
  ].join(', ');
  const source = hour.source === 'filled' ? 'interpolated' : hour.source;
  const why =
    hour.reasons.length === 0
      ? ''
      : t` Not suitable: ${hour.reasons.map((r) => sayReason(r, show)).join('; ')}.`;
  return `${sayTime(hour.at, zone, now)}, ${source}: ${bands}.${why}`;
}
