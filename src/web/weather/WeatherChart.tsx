import { DateTime } from 'luxon';
import { useMemo } from 'react';
import type { WeatherHour } from '../../contract/index.ts';
import { dewPointC } from '../../core/air/index.ts';
import { forecastBandC, HOUR_MS, type LeadError } from '../../core/cure/index.ts';
import { fromCanonical, shownUnit, unitDef } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { Chart } from '../parts/Chart.tsx';
import { themeColour } from '../state/themeColour.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { blockedAxis, CHART_HEIGHT, GRIDS, rainAndWind, type Stretch, shaded } from './weatherPanels.ts';

const NONE: readonly Stretch[] = [];

/** How far the air may be from its forecast, K, nine times of ten; measured hours are taken as they are. */
const doubtC = (hour: WeatherHour, now: number, errors: readonly LeadError[]) => {
  const leadH = (Date.parse(hour.at) - now) / HOUR_MS;
  return hour.source === 'measured' || leadH <= 0 ? 0 : forecastBandC(leadH, errors);
};

/**
 * Air, dew point, humidity, cloud, rain and wind over the coming days: the present marked, the air's forecast with its band
 * of doubt, nights shaded, and the hours that block a coat marked below.
 */
export function WeatherChart({
  hours,
  now,
  zone,
  errors,
  nights = NONE,
  blocked = NONE,
}: {
  hours: readonly WeatherHour[];
  now: number;
  zone: string;
  /** How wrong forecasts are here; left out: no band. */
  errors?: readonly LeadError[] | undefined;
  nights?: readonly Stretch[];
  /** Hours to come that don’t suit a coat outdoors. */
  blocked?: readonly Stretch[];
}) {
  const { system } = useUnits();
  const unit = shownUnit('temperature', system);
  const symbol = unitDef(unit).symbol;
  const speed = shownUnit('speed', system);
  const rain = shownUnit('rain', system);
  const option = useMemo(() => {
    const ink = themeColour('--color-base-content');
    const grid = themeColour('--color-base-300');
    const dew = themeColour('--st-too-soon');
    const shown = (celsius: number) => Number(fromCanonical(celsius, unit).toFixed(1));
    const at = (hour: WeatherHour) => Date.parse(hour.at);
    const axis = {
      type: 'time',
      min: at(hours[0] as WeatherHour),
      max: at(hours.at(-1) as WeatherHour),
      axisLine: { lineStyle: { color: ink } },
    };
    const label = (ms: number) => {
      const time = DateTime.fromMillis(ms, { zone });
      return time.hour === 0 ? time.toFormat('ccc d') : time.toFormat('HH:mm');
    };
    const nowLine = {
      silent: true,
      symbol: 'none',
      data: [
        {
          xAxis: now,
          lineStyle: { color: ink, width: 2, type: 'solid' },
          label: { formatter: 'now', color: ink },
        },
      ],
    };
    const line = (name: string, colour: string, type: string, data: (number | null)[][]) => ({
      name,
      type: 'line',
      showSymbol: false,
      data,
      lineStyle: { color: colour, type, width: 1.8 },
      itemStyle: { color: colour },
    });
    const band = (name: string, data: number[][], opacity: number) => ({
      ...line(name, ink, 'solid', data),
      lineStyle: { opacity: 0 },
      areaStyle: { color: ink, opacity },
      stack: 'doubt',
      stackStrategy: 'all',
      silent: true,
      tooltip: { show: false },
    });
    const bands = errors
      ? [
          band(
            '',
            hours.map((h) => [at(h), shown(h.airC - doubtC(h, now, errors))]),
            0,
          ),
          band(
            ' ',
            hours.map((h) => {
              const doubt = doubtC(h, now, errors);
              return [at(h), Number((shown(h.airC + doubt) - shown(h.airC - doubt)).toFixed(1))];
            }),
            0.1,
          ),
        ]
      : [];
    const wet = rainAndWind(hours, { ink, grid, rain: dew, speed, rainUnit: rain });
    return {
      animation: false,
      textStyle: { fontFamily: 'Archivo Variable', color: ink },
      legend: {
        top: 0,
        textStyle: { color: ink },
        data: [t`air ${symbol}`, t`dew point ${symbol}`, 'RH %', 'cloud %', ...wet.names],
      },
      // The page is scrolled by the wheel; with Ctrl it zooms, a drag pans, two fingers do both.
      dataZoom: [{ type: 'inside', xAxisIndex: [0, 1, 2, 3], filterMode: 'none', zoomOnMouseWheel: 'ctrl' }],
      grid: GRIDS,
      tooltip: { trigger: 'axis', renderMode: 'richText' },
      xAxis: [
        { ...axis, gridIndex: 0, axisLabel: { show: false } },
        { ...axis, gridIndex: 1, axisLabel: { show: false } },
        { ...axis, gridIndex: 2, axisLabel: { show: false } },
        { ...axis, gridIndex: 3, axisLabel: { color: ink, hideOverlap: true, formatter: label } },
      ],
      yAxis: [
        {
          gridIndex: 0,
          scale: true,
          name: symbol,
          axisLabel: { color: ink },
          nameTextStyle: { color: ink },
          splitLine: { lineStyle: { color: grid } },
        },
        {
          gridIndex: 1,
          min: 0,
          max: 100,
          interval: 50,
          name: t`RH %`,
          axisLabel: { color: ink },
          nameTextStyle: { color: ink },
          splitLine: { lineStyle: { color: grid } },
        },
        ...wet.axes,
        blockedAxis,
      ],
      series: [
        ...bands,
        ...shaded(nights, blocked, { ink, night: grid }),
        {
          ...line(
            t`air ${symbol}`,
            ink,
            'solid',
            hours.map((h) => [at(h), shown(h.airC)]),
          ),
          markLine: nowLine,
        },
        line(
          t`dew point ${symbol}`,
          dew,
          'dashed',
          hours.map((h) => [at(h), shown(dewPointC(h))]),
        ),
        {
          ...line(
            'RH %',
            themeColour('--st-finished'),
            'solid',
            hours.map((h) => [at(h), Math.round(h.rh * 100)]),
          ),
          xAxisIndex: 1,
          yAxisIndex: 1,
        },
        {
          ...line(
            'cloud %',
            themeColour('--st-key-first'),
            'dotted',
            hours.map((h) => [at(h), h.cloudTenths === null ? null : h.cloudTenths * 10]),
          ),
          xAxisIndex: 1,
          yAxisIndex: 1,
        },
        ...wet.series,
      ],
    };
  }, [hours, now, zone, unit, symbol, errors, nights, blocked, speed, rain]);
  const simulated = hours.filter((hour) => hour.simulated).length;
  return (
    <section aria-label={t`Weather forecast`}>
      <Chart
        option={option}
        className={`${CHART_HEIGHT} w-full`}
        label={t`Air temperature, dew point, humidity, cloud, rain and wind over time`}
      />
      <p className="text-sm">
        {t`Left of the line: ${simulated === hours.length ? t`past hours` : 'measured'}. Right: forecast`}
        {errors && t`, with a 90 % band`}.{nights.length > 0 && t` Nights are shaded.`}
        {blocked.length > 0 && t` The bars at the bottom are hours that don’t suit a coat outdoors.`}
        {t` Zoom: Ctrl + scroll or pinch. Pan: drag.`}
        {simulated > 0 &&
          t` ${simulated === hours.length ? t`All hours are` : t`${simulated} of ${hours.length} hours are`} simulated.`}
      </p>
    </section>
  );
}
