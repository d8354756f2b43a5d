import type { WeatherHour } from '../../contract/index.ts';
import { fromCanonical, type Unit, unitDef } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { Span } from '../parts/strip/span.ts';

export type Stretch = Span;

/** Below a legend of two lines, as a phone has it: temperatures, then humidity and cloud, then rain and wind, then a bar of the hours that block a coat. */
export const GRIDS = [
  { left: 54, right: 54, top: 62, height: 150 },
  { left: 54, right: 54, top: 242, height: 60 },
  { left: 54, right: 54, top: 332, height: 60 },
  { left: 54, right: 54, top: 400, height: 12 },
];
export const CHART_HEIGHT = 'h-[447px]';

/** Rain as steps from below and wind as a line, each on its own axis. Hours that nobody gave stay empty. */
export function rainAndWind(
  hours: readonly WeatherHour[],
  {
    ink,
    grid,
    rain,
    speed,
    rainUnit,
  }: { ink: string; grid: string; rain: string; speed: Unit; rainUnit: Unit },
) {
  const of = (unit: Unit, value: number | null) =>
    value === null ? null : Number(fromCanonical(value, unit).toFixed(unitDef(unit).symbol === 'in' ? 2 : 1));
  const most = (values: (number | null)[], least: number) =>
    Math.max(least, ...values.map((value) => value ?? 0));
  const fell = hours.map((hour) => of(rainUnit, hour.rainMm));
  const blew = hours.map((hour) => of(speed, hour.windMs));
  const names = [t`rain ${unitDef(rainUnit).symbol}`, t`wind ${unitDef(speed).symbol}`];
  const axis = (name: string, top: number) => ({
    gridIndex: 2,
    name,
    min: 0,
    max: Math.ceil(top * 10) / 10,
    interval: Math.ceil(top * 10) / 10,
    axisLabel: { color: ink },
    nameTextStyle: { color: ink },
  });
  const on = (values: (number | null)[]) => values.map((value, i) => [Date.parse(hours[i]?.at ?? ''), value]);
  const line = { type: 'line', showSymbol: false, xAxisIndex: 2 };
  return {
    names,
    axes: [
      {
        ...axis(names[0] as string, most(fell, of(rainUnit, 2) ?? 2)),
        splitLine: { lineStyle: { color: grid } },
      },
      {
        ...axis(names[1] as string, most(blew, of(speed, 10) ?? 10)),
        splitLine: { show: false },
        position: 'right',
      },
    ],
    series: [
      {
        ...line,
        name: names[0],
        step: 'end',
        data: on(fell),
        yAxisIndex: 2,
        lineStyle: { color: rain, width: 1 },
        itemStyle: { color: rain },
        areaStyle: { color: rain, opacity: 0.5 },
      },
      {
        ...line,
        name: names[1],
        data: on(blew),
        yAxisIndex: 3,
        lineStyle: { color: ink, width: 1.4, type: 'dashed' },
        itemStyle: { color: ink },
      },
    ],
  };
}

/** Nights over every panel, and the hours that block a coat as bars in the last. */
export function shaded(
  nights: readonly Stretch[],
  blocked: readonly Stretch[],
  { ink, night }: { ink: string; night: string },
) {
  const area = (stretches: readonly Stretch[], panel: number, color: string, opacity: number) => ({
    type: 'line',
    data: [],
    silent: true,
    tooltip: { show: false },
    xAxisIndex: panel,
    yAxisIndex: panel < 3 ? panel : BLOCKED_AXIS,
    markArea: {
      silent: true,
      itemStyle: { color, opacity },
      data: stretches.map(({ from, to }) => [{ xAxis: from }, { xAxis: to }]),
    },
  });
  return [...[0, 1, 2].map((panel) => area(nights, panel, night, 0.45)), area(blocked, 3, ink, 0.6)];
}

/** The axis of the bars comes after those of temperature, humidity, rain and wind. */
const BLOCKED_AXIS = 4;
export const blockedAxis = { gridIndex: 3, min: 0, max: 1, show: false };
