import { useId } from 'react';
import type { MeasuringTool } from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { toolFigure, toolsIn, withFigure } from './toolChoice.ts';

const FIGURE_WORDS: Record<MeasuringTool['kind'], string> = {
  scale: t`Smallest graduation`,
  cup: t`Smallest graduation`,
  syringe: t`Smallest graduation`,
  stick: t`Pot diameter`,
  'counted-cups': t`Cup size`,
  pump: t`Pump output`,
};

/** The measuring tool and its smallest graduation. */
export function ToolFields({
  tool,
  onChange,
}: {
  tool: MeasuringTool;
  onChange: (tool: MeasuringTool) => void;
}) {
  const id = useId();
  const { system } = useUnits();
  const tools = toolsIn(system);
  const kind = tools.find((t) => t.key === tool.kind);
  const per = kind?.per ?? 1;
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <div>
        <label htmlFor={id} className="label-caps block pb-1">{t`Measuring tool`}</label>
        <select
          id={id}
          className="select select-lg target w-full"
          value={tool.kind}
          onChange={(event) => {
            const chosen = tools.find((t) => t.key === event.target.value);
            if (chosen) onChange(chosen.tool);
          }}
        >
          {tools.map((each) => (
            <option key={each.key} value={each.key}>
              {each.name}
            </option>
          ))}
        </select>
      </div>
      <Stepper
        label={FIGURE_WORDS[tool.kind]}
        unit={kind?.unit ?? ''}
        value={Number((toolFigure(tool) / per).toFixed(6))}
        step={kind?.step ?? 1}
        min={system === 'us' ? 0.005 : 0.1}
        max={system === 'us' ? 40 : 1000}
        onChange={(value) => onChange(withFigure(tool, value * per))}
      />
    </div>
  );
}
