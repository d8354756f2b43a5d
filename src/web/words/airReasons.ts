import type { AirConditionCode, AirReason, CoatFailureCode, CoatPhase } from '../../core/air/index.ts';
import { t } from '../../words.ts';
import type { useUnits } from '../units/UnitsContext.tsx';

export type Show = ReturnType<typeof useUnits>['show'];

/** A reason against applying, with its figures: "air 31.0 °C, limit 27.0 °C". */
export function sayReason(
  reason: Pick<AirReason, 'value' | 'limit'> & { code: CoatFailureCode },
  show: Show,
): string {
  const temp = (value: number) => show(value, 'temperature');
  const percent = (value: number) => `${Math.round(value * 100)} %`;
  switch (reason.code) {
    case 'air-too-cold':
      return t`air ${temp(reason.value)}, below minimum ${temp(reason.limit)}`;
    case 'air-too-hot':
      return t`air ${temp(reason.value)}, above maximum ${temp(reason.limit)}`;
    case 'surface-too-cold':
      return t`surface ${temp(reason.value)}, below minimum ${temp(reason.limit)}`;
    case 'surface-too-hot':
      return t`surface ${temp(reason.value)}, above maximum ${temp(reason.limit)}`;
    case 'too-damp':
      return t`RH ${percent(reason.value)}, above maximum ${percent(reason.limit)}`;
    case 'dew-margin': {
      if (reason.value <= 0) {
        const below = show(-reason.value, 'temperatureDifference');
        return t`surface ${below} below the dew point, so dew forms; minimum ${show(reason.limit, 'temperatureDifference')} above`;
      }
      // Figures that would round to the limit itself are given finer.
      const digits = Math.abs(reason.value - reason.limit) < 0.1 ? 2 : 1;
      const margin = show(reason.value, 'temperatureDifference', { digits });
      return t`surface only ${margin} above the dew point, minimum ${show(reason.limit, 'temperatureDifference')}`;
    }
    case 'rain':
      return t`rain, ${show(reason.value, 'rain')} in this hour`;
    case 'too-windy':
      return t`wind ${show(reason.value, 'speed')}, above maximum ${show(reason.limit, 'speed')} for this method`;
    case 'sets-too-fast':
      return t`too hot, dry or windy to flow out: sets ${reason.value.toFixed(1)} times as fast as in mild air (maximum ${reason.limit})`;
    case 'too-dark':
      return t`dark before the coat is finished, so runs and missed spots can’t be seen`;
    case 'not-known':
      return t`no weather data for this time, so it can’t be checked`;
    case 'wet-surface':
      return t`surface wet from rain or dew, about ${Math.ceil(reason.value)} h of drying still needed`;
  }
}

const CONDITIONS: Record<AirConditionCode, string> = {
  'no-rain-data': t`No rain data: make sure the surface is dry and stays dry.`,
  'no-wind-data': t`No wind data: check the wind at the boat before you start.`,
  'depends-on-sun': t`Depends on the sun: enter the heading of the boat, or measure the surface.`,
};

/** What has to be checked at the boat because no data says it. */
export const sayCondition = (code: AirConditionCode): string => CONDITIONS[code];

/** As {@link sayReason} of a coat on its way: what comes before it is safe is told by what it does to the film. */
export function sayFailure(
  failure: Parameters<typeof sayReason>[0] & { phase: CoatPhase },
  show: Show,
): string {
  const text = sayReason(failure, show);
  if (failure.phase === 'applying') return text;
  if (failure.code === 'surface-too-cold') return t`${text}: too cold to cure`;
  if (failure.code === 'dew-margin') return t`dew can form while the coat is still soft: ${text}`;
  return text;
}

/** A figure that keeps its limit, and how near it comes: "surface 12.2 °C, minimum 10.0 °C". */
export function sayMargin(
  nearest: Pick<AirReason, 'value' | 'limit'> & { code: CoatFailureCode },
  show: Show,
): string {
  const { code, value, limit } = nearest;
  const between = (what: string, bound: 'minimum' | 'maximum', say: (figure: number) => string) =>
    `${what} ${say(value)}, ${bound} ${say(limit)}`;
  const temp = (each: number) => show(each, 'temperature');
  switch (code) {
    case 'air-too-cold':
      return between('air', 'minimum', temp);
    case 'air-too-hot':
      return between('air', 'maximum', temp);
    case 'surface-too-cold':
      return between('surface', 'minimum', temp);
    case 'surface-too-hot':
      return between('surface', 'maximum', temp);
    case 'too-damp':
      return between('RH', 'maximum', (each) => `${Math.round(each * 100)} %`);
    case 'too-windy':
      return between('wind', 'maximum', (each) => show(each, 'speed'));
    case 'sets-too-fast':
      return t`sets ${value.toFixed(1)} times as fast as in mild air, maximum ${limit}`;
    case 'dew-margin': {
      const apart = (each: number) => show(each, 'temperatureDifference');
      return t`surface ${apart(value)} above the dew point, minimum ${apart(limit)}`;
    }
    default:
      return sayReason(nearest, show);
  }
}
