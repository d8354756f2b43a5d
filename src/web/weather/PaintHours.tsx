import { DateTime } from 'luxon';
import type { StripHour } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { clockText, wallOf } from '../clock/wallClock.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayCondition, sayReason } from '../words/airReasons.ts';
import type { Stretch } from './weatherPanels.ts';

/** Days that are listed: what lies further ahead is too doubtful to plan by. */
const DAYS = 7;

export interface PaintDay {
  /** Start of the day in the yard’s zone, ms. */
  day: number;
  /** Hours that suit a coat, joined to stretches. */
  suits: Stretch[];
  /** The hour of the day that comes nearest to suiting, where none does; null where those that do are dark. */
  nearest: StripHour | null;
}

/** Hours that do or don’t suit a coat, joined to stretches. */
export function stretchesOf(hours: readonly StripHour[], suits: boolean): Stretch[] {
  const stretches: { from: number; to: number }[] = [];
  for (const hour of hours) {
    if ((hour.reasons.length === 0) !== suits) continue;
    const from = Date.parse(hour.at);
    const last = stretches.at(-1);
    if (last?.to === from) last.to += HOUR_MS;
    else stretches.push({ from, to: from + HOUR_MS });
  }
  return stretches;
}

/** Stretches cut by others: suitable hours without the nights. */
export function without(stretches: readonly Stretch[], others: readonly Stretch[]): Stretch[] {
  return others.reduce<Stretch[]>(
    (left, { from, to }) =>
      left.flatMap((each) =>
        to <= each.from || from >= each.to
          ? [each]
          : [
              { from: each.from, to: from },
              { from: to, to: each.to },
            ].filter((part) => part.to > part.from),
      ),
    [...stretches],
  );
}

/** The days to come, each with its hours that suit a coat and are light. */
export function paintDays(
  hours: readonly StripHour[],
  nights: readonly Stretch[],
  now: number,
  zone: string,
): PaintDay[] {
  const days = new Map<number, StripHour[]>();
  for (const hour of hours) {
    if (Date.parse(hour.at) + HOUR_MS <= now) continue;
    const day = DateTime.fromISO(hour.at, { zone }).startOf('day').toMillis();
    days.set(day, [...(days.get(day) ?? []), hour]);
  }
  return [...days].slice(0, DAYS).map(([day, its]) => {
    const suits = without(stretchesOf(its, true), nights);
    const [fewest = null] = [...its].sort((a, b) => a.reasons.length - b.reasons.length);
    return { day, suits, nearest: suits.length > 0 || fewest?.reasons.length === 0 ? null : fewest };
  });
}

/** When a coat outdoors can be applied this week, day by day. */
export function PaintHours({
  hours,
  nights,
  now,
  zone,
}: {
  hours: readonly StripHour[];
  nights: readonly Stretch[];
  now: number;
  zone: string;
}) {
  const { show } = useUnits();
  const days = paintDays(hours, nights, now, zone);
  if (days.length === 0) return null;
  const conditions = [
    ...new Set(hours.flatMap((hour) => (hour.reasons.length === 0 ? hour.conditions : []))),
  ];
  const clock = (ms: number) => clockText(wallOf(ms, zone));
  return (
    <section aria-labelledby="paint-hours" className="space-y-2">
      <h2 id="paint-hours" className="batten pb-1 text-lg">{t`When you can paint outdoors`}</h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
        {days.map(({ day, suits, nearest }) => (
          <div key={day} className="contents">
            <dt className="font-semibold">{DateTime.fromMillis(day, { zone }).toFormat('ccc d LLL')}</dt>
            <dd>
              {suits.length > 0
                ? suits.map(({ from, to }) => `${clock(Math.max(from, now))}–${clock(to)}`).join(', ')
                : t`None. ${nearest ? `${clock(Date.parse(nearest.at))}: ${nearest.reasons.map((reason) => sayReason(reason, show)).join('; ')}` : t`The suitable hours are dark`}.`}
            </dd>
          </div>
        ))}
      </dl>
      <p className="max-w-prose text-sm">
        {t`Daylight hours in which topsides outdoors are warm and dry enough to coat, by the usual limits. How long a coat then has to stay dry depends on its product: see the bench of the area.`}
        {conditions.map((code) => ` ${sayCondition(code)}`)}
      </p>
    </section>
  );
}
