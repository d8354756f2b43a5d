import type { batchOf, MeasuringTool } from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { batchOrProblem } from './batchInHand.ts';
import { toolsIn } from './toolChoice.ts';

interface Props {
  batch: Omit<Parameters<typeof batchOf>[0], 'tool'>;
  tool: MeasuringTool;
  onChange: (tool: MeasuringTool) => void;
}

/** A tool that makes another batch than was asked for, by more than this share, is no help. */
const SAME_SIZE = 0.1;

/** Where the tool in hand is too coarse for a batch: one that is not. */
export function FinerTool({ batch, tool, onChange }: Props) {
  const { system } = useUnits();
  const finer = toolsIn(system).find((each) => {
    const split = batchOrProblem({ ...batch, tool: each.tool }).batch?.result.asked;
    return each.key !== tool.kind && split?.withinTolerance && Math.abs(split.sizeError) <= SAME_SIZE;
  });
  if (!finer) return <p>{t`No usual tool is fine enough for so little: mix a larger batch.`}</p>;
  return (
    <button
      type="button"
      className="btn target"
      onClick={() => onChange(finer.tool)}
    >{t`Measure with the ${finer.name.toLowerCase()} instead`}</button>
  );
}
