import { useMemo } from 'react';
import { type CurvePoint, readyCurve } from '../../core/cure/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { fromCanonical, shownUnit, unitDef } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { Chart } from '../parts/Chart.tsx';
import { EDGE_WORDS } from '../state/states.ts';
import { themeColour } from '../state/themeColour.ts';
import { useUnits } from '../units/UnitsContext.tsx';

const FROM_C = 0;
const TO_C = 35;
/** Straight in ln t over 1/T: warm to the left as kelvin are taken to the minus one, so the axis runs backwards. */
const over = (tempC: number) => 1000 / (tempC + 273.15);
const SYMBOLS = ['circle', 'rect', 'triangle', 'diamond', 'roundRect', 'pin', 'arrow'];

/** The tables a sheet gives, by what they are called. */
function tablesOf(sheet: ProductSheet): { name: string; points: readonly CurvePoint[] }[] {
  const rule = sheet.cure.overcoat[0];
  return [
    { name: t`Pot life`, points: sheet.potLife },
    ...Object.entries(sheet.cure.events).map(([event, points]) => ({
      name: EDGE_WORDS[event] ?? event,
      points,
    })),
    ...(rule
      ? [
          { name: `${EDGE_WORDS['overcoat-min']}`, points: rule.min },
          { name: `${EDGE_WORDS['chemical-max']}`, points: rule.chemicalMax ?? [] },
        ]
      : []),
  ].filter((table) => table.points.length > 0);
}

/** A sheet's times over temperature as the clock reckons with them: the line between its points is straight in 1/T. */
export function TimesChart({ sheet }: { sheet: ProductSheet }) {
  const { system } = useUnits();
  const key = JSON.stringify([sheet.potLife, sheet.cure]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: drawn again only when a table changed
  const option = useMemo(() => {
    const ink = themeColour('--line');
    const unit = shownUnit('temperature', system);
    const celsius = (x: number) => 1000 / x - 273.15;
    const series = tablesOf(sheet).flatMap(({ name, points }, i) => {
      try {
        const curve = readyCurve(name, { points, stopC: sheet.cure.stopC });
        const temps = Array.from({ length: 36 }, (_, k) => FROM_C + k);
        const all = [...new Set([...temps, ...points.map((p) => p.tempC)])].sort((a, b) => a - b);
        return [
          {
            type: 'line' as const,
            name,
            data: all.flatMap((tempC) => {
              const minutes = curve.minutesAt(tempC);
              if (!Number.isFinite(minutes)) return [];
              const stated = points.some((p) => p.tempC === tempC);
              return [
                {
                  value: [over(tempC), minutes / 60],
                  symbol: stated ? (SYMBOLS[i % SYMBOLS.length] as string) : 'none',
                  symbolSize: 9,
                },
              ];
            }),
            lineStyle: { color: ink, width: 1.4, type: [4 + i * 2, i] as number[] },
            itemStyle: { color: ink },
            symbol: SYMBOLS[i % SYMBOLS.length] as string,
          },
        ];
      } catch {
        // A table that is not finished yet has no line.
        return [];
      }
    });
    return {
      animation: false,
      textStyle: { fontFamily: 'inherit', color: ink },
      grid: { left: 60, right: 16, top: 60, bottom: 44 },
      legend: { top: 0, textStyle: { color: ink } },
      tooltip: { trigger: 'item' as const },
      xAxis: {
        type: 'value' as const,
        min: over(TO_C),
        max: over(FROM_C),
        inverse: true,
        name: t`Temperature, ${unitDef(unit).symbol} (1/T scale)`,
        nameLocation: 'middle' as const,
        nameGap: 28,
        axisLabel: {
          color: ink,
          formatter: (x: number) => fromCanonical(celsius(x), unit).toFixed(0),
        },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'log' as const,
        name: t`Time, h (log scale)`,
        axisLabel: { color: ink },
        splitLine: { lineStyle: { color: themeColour('--color-base-300') } },
      },
      series,
    };
  }, [key, system]);
  return <Chart option={option} label={t`Data sheet times by temperature`} className="h-80 w-full" />;
}
