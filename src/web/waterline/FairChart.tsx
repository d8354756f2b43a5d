import { useMemo } from 'react';
import type { StruckLine } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { Chart } from '../parts/Chart.tsx';
import { themeColour } from '../state/themeColour.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { heightUnit } from './heights.ts';

/** Points of the fair line drawn between its ends. */
const STEPS = 60;

/** Marks made on one side and the fair line through them, heights exaggerated as if sighted along the tape. */
export function FairChart({ side, fair }: { side: string; fair: NonNullable<StruckLine['fair']['port']> }) {
  const { system } = useUnits();
  const option = useMemo(() => {
    const unit = heightUnit(system);
    const metre = system === 'us' ? 0.3048 : 1;
    const at = (xM: number, mm: number) => [
      Number((xM / metre).toFixed(3)),
      Number((mm / unit.mm).toFixed(1)),
    ];
    const [first, last] = [fair.marks[0]?.xM ?? 0, fair.marks.at(-1)?.xM ?? 0];
    const line = Array.from({ length: STEPS + 1 }, (_, i) => first + ((last - first) * i) / STEPS);
    const out = new Set(fair.line.outliers);
    const marks = fair.marks.map((mark, i) => ({ at: at(mark.xM, fair.offMm[i] ?? 0), out: out.has(i) }));
    const ink = themeColour('--line');
    const dots = (symbol: string, size: number, data: number[][], name: string) => ({
      type: 'line' as const,
      name,
      data,
      symbol,
      symbolSize: size,
      lineStyle: { opacity: 0 },
      itemStyle: { color: ink },
      emphasis: { disabled: true },
    });
    return {
      animation: false,
      textStyle: { fontFamily: 'inherit', color: ink },
      grid: { left: 56, right: 16, top: 30, bottom: 44 },
      legend: { top: 0, right: 0, textStyle: { color: ink } },
      xAxis: {
        type: 'value' as const,
        name: t`distance from aft, ${system === 'us' ? 'ft' : 'm'}`,
        nameLocation: 'middle' as const,
        nameGap: 28,
        scale: true,
        axisLabel: { color: ink },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value' as const,
        name: t`residual, ${unit.symbol}`,
        axisLabel: { color: ink },
        splitLine: { lineStyle: { color: themeColour('--color-base-300') } },
      },
      tooltip: { trigger: 'item' as const },
      series: [
        {
          type: 'line' as const,
          name: t`fair line`,
          data: line.map((xM) => at(xM, fair.line.at(xM))),
          showSymbol: false,
          lineStyle: { color: ink, width: 2 },
          itemStyle: { color: ink },
        },
        dots(
          'circle',
          8,
          marks.filter((m) => !m.out).map((m) => m.at),
          'marks',
        ),
        dots(
          'diamond',
          15,
          marks.filter((m) => m.out).map((m) => m.at),
          'outliers',
        ),
      ],
    };
  }, [fair, system]);
  return (
    <Chart
      option={option}
      label={t`Hull marks on the ${side} side and the fair line through them`}
      className="h-56 w-full"
    />
  );
}
