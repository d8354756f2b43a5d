import type { batchOf, MeasuringTool } from '../../core/mix/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { batchOrProblem } from './batchInHand.ts';
import { toolsIn } from './toolChoice.ts';

interface Props {
  batch: Omit<Parameters<typeof batchOf>[0], 'tool'>;
  tool: MeasuringTool;
  onChange: (tool: MeasuringTool) => void;
}

/** Where the tool in hand is too coarse for a batch: one that is not. */
export function FinerTool({ batch, tool, onChange }: Props) {
  const { system } = useUnits();
  const finer = toolsIn(system).find(
    (each) =>
      each.key !== tool.kind &&
      batchOrProblem({ ...batch, tool: each.tool }).batch?.result.asked.withinTolerance,
  );
  if (!finer) return <p>No usual tool is fine enough for so little: mix a larger batch.</p>;
  return (
    <button type="button" className="btn target" onClick={() => onChange(finer.tool)}>
      Measure with the {finer.name.toLowerCase()} instead
    </button>
  );
}
