import type { WeatherHour } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { counted } from '../words/counted.ts';

/** Runs of hours that nobody gave: from the first of them to the hour that is known again. */
export function gapsOf(
  hours: readonly Pick<WeatherHour, 'at' | 'source'>[],
): { from: number; hours: number }[] {
  const gaps: { from: number; hours: number }[] = [];
  for (const { at, source } of hours) {
    if (source !== 'filled') continue;
    const ms = Date.parse(at);
    const last = gaps.at(-1);
    if (last && last.from + last.hours * HOUR_MS === ms) last.hours++;
    else gaps.push({ from: ms, hours: 1 });
  }
  return gaps;
}

/** The interpolated hours. */
export function Gaps({ hours, zone, now }: { hours: readonly WeatherHour[]; zone: string; now: number }) {
  const gaps = gapsOf(hours);
  if (gaps.length === 0) return null;
  return (
    <p>
      <strong>{t`No data for`}</strong>{' '}
      {gaps
        .slice(0, 6)
        .map((gap) => t`${counted(gap.hours, 'hour')} from ${sayTime(gap.from, zone, now)}`)
        .join('; ')}
      {gaps.length > 6 && t`; and ${gaps.length - 6} more`}
      {t`. There the chart and the cure times use a straight line between the nearest readings.`}
    </p>
  );
}
