import { scaleLinear } from 'd3-scale';
import type { StripHour } from '../../../contract/index.ts';
import { t } from '../../../words.ts';
import { envelope } from './envelope.ts';

const HOUR = 3_600_000;

/** The hours of a strip as it draws them: moments in hours since the first, so that a path stays short and moves as a whole. */
export interface AirShapes {
  /** Where hour 0 lies, ms. */
  originMs: number;
  /** Pixels down of a figure in the unit that is shown, and of one in °C. */
  y: (shown: number) => number;
  at: (celsius: number) => number;
  ticks: readonly number[];
  /** Lines and bands as SVG paths, hours across, pixels down. */
  air: string;
  dew: string;
  surface: string;
  airBand: string;
  dewBand: string;
  surfaceBand: string;
  /** Runs of hours that block a coat, and of hours bridged over a gap; hours since the first. */
  blocked: readonly { from: number; to: number }[];
  filled: readonly { from: number; to: number }[];
}

type Of = (hour: StripHour) => number;

/** Paths, scale and runs of the air over a panel of a height. Figures in the unit that is shown. */
export function airShapes(
  hours: readonly StripHour[],
  height: number,
  shown: (celsius: number) => number,
  /** Kept in sight too, °C. */
  stopC?: number,
  /** Hours that are drawn as one. */
  together = 1,
): AirShapes {
  const originMs = Date.parse(hours[0]?.at ?? '');
  const all = [
    ...(stopC === undefined ? [] : [stopC]),
    ...hours.flatMap((h) => [h.airLowC, h.airHighC, h.dewLowC, h.surfaceLowC, h.surfaceHighC]),
  ];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const scale = scaleLinear([shown(low), shown(high)], [height, 4]).nice(4);
  const y = (celsius: number) => scale(shown(celsius));
  const drawn = envelope(hours, together);
  const x = (hour: StripHour) => (Date.parse(hour.at) - originMs) / HOUR;
  const point = (hour: StripHour, of: Of) => `${x(hour)} ${y(of(hour)).toFixed(1)}`;
  const line = (of: Of) => `M${drawn.map((hour) => point(hour, of)).join('L')}`;
  const band = (below: Of, above: Of) =>
    `${line(above)}L${drawn
      .toReversed()
      .map((hour) => point(hour, below))
      .join('L')}Z`;
  const runs = (is: (hour: StripHour) => boolean) => {
    const found: { from: number; to: number }[] = [];
    for (const hour of hours.filter(is)) {
      const [last, from] = [found.at(-1), x(hour)];
      if (last && last.to === from) last.to = from + 1;
      else found.push({ from, to: from + 1 });
    }
    return found;
  };
  return {
    originMs,
    y: scale,
    at: y,
    ticks: scale.ticks(4),
    air: line((h) => h.airC),
    dew: line((h) => h.dewC),
    surface: line((h) => h.surfaceC),
    airBand: band(
      (h) => h.airLowC,
      (h) => h.airHighC,
    ),
    dewBand: band(
      (h) => h.dewLowC,
      (h) => h.dewHighC,
    ),
    surfaceBand: band(
      (h) => h.surfaceLowC,
      (h) => h.surfaceHighC,
    ),
    blocked: runs((hour) => hour.reasons.length > 0),
    filled: runs((hour) => hour.source === 'filled'),
  };
}

/** The look of each line: dash and weight as well as colour. */
export const AIR_LINES = [
  { key: 'air', word: t`air temperature`, stroke: 'var(--color-base-content)', dash: undefined, weight: 1.4 },
  {
    key: 'surface',
    word: t`surface temperature`,
    stroke: 'var(--st-key-first)',
    dash: undefined,
    weight: 2.6,
  },
  { key: 'dew', word: t`dew point`, stroke: 'var(--st-too-soon)', dash: '5 4', weight: 1.6 },
] as const;
