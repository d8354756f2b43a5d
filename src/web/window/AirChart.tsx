import { DateTime } from 'luxon';
import { useMemo } from 'react';
import type { ClockDetail } from '../../contract/index.ts';
import { fromCanonical, shownUnit, unitDef } from '../../core/units/index.ts';
import { Chart } from '../parts/Chart.tsx';
import { STATES } from '../state/states.ts';
import { themeColour } from '../state/themeColour.ts';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  detail: ClockDetail;
  range: { from: number; to: number };
  now: number;
  zone: string;
}

/** The film's temperature hour by hour, measured and forecast told apart, the window's states behind it. */
export function AirChart({ detail, range, now, zone }: Props) {
  const { system } = useUnits();
  const unit = shownUnit('temperature', system);
  const symbol = unitDef(unit).symbol;
  const option = useMemo(() => {
    const ink = themeColour('--color-base-content');
    const grid = themeColour('--color-base-300');
    const shown = (celsius: number) => Number(fromCanonical(celsius, unit).toFixed(1));
    const hours = detail.hours.filter((h) => Date.parse(h.at) >= range.from && Date.parse(h.at) <= range.to);
    const points = (measured: boolean) =>
      hours
        .filter((h) => Date.parse(h.at) <= now === measured || Math.abs(Date.parse(h.at) - now) < 3_600_000)
        .map((h) => [Date.parse(h.at), shown(h.filmC)]);
    const stop = detail.clock.edges.find((edge) => edge.stopC !== null)?.stopC;
    const areas = detail.clock.segments.flatMap((segment) => {
      const from = Math.max(range.from, Date.parse(segment.from));
      const to = segment.to ? Math.min(range.to, Date.parse(segment.to)) : range.to;
      if (to <= from) return [];
      const { word, paint } = STATES[segment.state];
      // A word that would not fit its stretch is left to the band below.
      const roomy = (to - from) / (range.to - range.from) > 0.08;
      return [
        [
          {
            xAxis: from,
            name: roomy ? word : '',
            itemStyle: { color: themeColour(`--st-${paint}`), opacity: 0.16 },
            label: { color: ink, position: 'insideTop', fontWeight: 600 },
          },
          { xAxis: to },
        ],
      ];
    });
    const marks = [
      {
        xAxis: now,
        lineStyle: { color: ink, width: 2, type: 'solid' },
        label: { formatter: 'now', color: ink },
      },
      ...(stop === null || stop === undefined
        ? []
        : [
            {
              yAxis: shown(stop),
              lineStyle: { color: ink, type: 'dotted' },
              label: { formatter: `stands below ${shown(stop)}`, position: 'insideEndBottom', color: ink },
            },
          ]),
    ];
    return {
      animation: false,
      textStyle: { fontFamily: 'Archivo Variable', color: ink },
      grid: { left: 54, right: 14, top: 30, bottom: 26 },
      tooltip: {
        trigger: 'axis',
        renderMode: 'richText',
        valueFormatter: (value: unknown) => `${String(value)} ${symbol}`,
      },
      xAxis: {
        type: 'time',
        min: range.from,
        max: range.to,
        axisLine: { lineStyle: { color: ink } },
        axisLabel: {
          color: ink,
          hideOverlap: true,
          formatter: (at: number) => {
            const time = DateTime.fromMillis(at, { zone });
            return time.hour === 0 ? time.toFormat('ccc d') : time.toFormat('HH:mm');
          },
        },
      },
      yAxis: {
        type: 'value',
        scale: true,
        // Room above the curve for the words of the states.
        max: ({ min, max }: { min: number; max: number }) => Math.ceil(max + Math.max(2, (max - min) * 0.25)),
        name: symbol,
        axisLabel: { color: ink },
        nameTextStyle: { color: ink },
        splitLine: { lineStyle: { color: grid } },
      },
      series: [
        {
          name: 'film, measured',
          type: 'line',
          showSymbol: false,
          data: points(true),
          lineStyle: { color: ink, width: 2 },
          itemStyle: { color: ink },
          markArea: { silent: true, data: areas },
          markLine: { silent: true, symbol: 'none', data: marks },
        },
        {
          name: 'film, forecast',
          type: 'line',
          showSymbol: false,
          data: points(false),
          lineStyle: { color: ink, width: 1.5, type: 'dashed' },
          itemStyle: { color: ink },
        },
      ],
    };
  }, [detail, range.from, range.to, now, zone, unit, symbol]);
  return (
    <Chart
      option={option}
      className="h-72 w-full"
      label={`Film temperature of ${detail.clock.areaName} over time, with the states of its window`}
    />
  );
}
