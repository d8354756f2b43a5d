import { type MeasuringTool, mlPerMm, toolStep } from '../../core/mix/index.ts';
import { figure, fromCanonical, toCanonical, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';

/** How a tool's amounts, g on a scale and ml otherwise, are shown and stepped in the reader's units. */
export interface ToolAmounts {
  unit: string;
  /** One step of the tool, in that unit. */
  step: number;
  shown: (amount: number) => number;
  amountOf: (shown: number) => number;
  /** "100 ml"; "3 strokes (45 ml)"; "13 mm". */
  say: (amount: number) => string;
}

export function toolAmounts(tool: MeasuringTool, system: UnitSystem): ToolAmounts {
  const us = system === 'us';
  const step = toolStep(tool);
  const unit = tool.kind === 'scale' ? (us ? 'oz' : 'g') : us ? 'usfloz' : 'ml';
  const symbol = unit === 'usfloz' ? t`US fl oz` : unit;
  const shown = (amount: number) => Math.round(fromCanonical(amount / 1000, unit) * 100) / 100;
  const amountOf = (value: number) => toCanonical(value, unit) * 1000;
  const plain = (amount: number) => `${figure(shown(amount))} ${symbol}`;
  const say = (amount: number): string => {
    const marks = Math.round(amount / step);
    switch (tool.kind) {
      case 'counted-cups':
        return `${marks} ${marks === 1 ? 'cup' : 'cups'} (${plain(amount)})`;
      case 'pump':
        return `${marks} ${marks === 1 ? 'stroke' : 'strokes'} (${plain(amount)})`;
      case 'stick': {
        const mm = amount / mlPerMm(tool.potDiameterMm);
        return us
          ? t`${figure(Math.round((mm / 25.4) * 100) / 100)} in on the stick`
          : t`${Math.round(mm)} mm on the stick`;
      }
      default:
        return plain(amount);
    }
  };
  return { unit: symbol, step: shown(step) || 0.01, shown, amountOf, say };
}
