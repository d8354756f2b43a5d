import type { Product } from '../../contract/index.ts';
import type { Addition, Batch, MeasuringTool } from '../../core/mix/index.ts';
import { AsPoured } from './AsPoured.tsx';
import { FinerTool } from './FinerTool.tsx';
import { Pours } from './Pours.tsx';
import { SplitNotes } from './SplitNotes.tsx';
import { WeighIn } from './WeighIn.tsx';

interface Props {
  product: Product;
  batch: Batch;
  wholeBatch: Parameters<typeof FinerTool>[0]['batch'];
  tool: MeasuringTool;
  /** Most that can be applied within the pot life, in the tool’s measure; null: not known. */
  most: number | null;
  /** Amount of each part in the pot; null: poured as planned. */
  amounts: readonly number[] | null;
  thinner: Addition;
  inductionMin: number;
  /** Whether the simulated scale is offered. */
  simulates: boolean;
  onAmounts: (amounts: readonly number[] | null) => void;
  onTool: (tool: MeasuringTool) => void;
  onLitres: (litres: number) => void;
  onDiscard: () => void;
}

/** What to pour of each part, and what is in the pot: as planned, read off a connected scale, or entered. */
export function PotAmounts(props: Props) {
  const { product, batch, wholeBatch, tool, most, amounts, thinner, inductionMin } = props;
  const { sheet } = product;
  const { asked } = batch.result;
  return (
    <>
      <Pours split={asked} tool={tool} product={product.name} />
      {tool.kind === 'scale' && batch.parts.length > 1 && (
        <WeighIn
          key={batch.litres}
          tool={tool}
          split={asked}
          parts={batch.parts}
          by={sheet.ratioBy}
          simulates={props.simulates}
          onAmounts={props.onAmounts}
        />
      )}
      <AsPoured
        split={asked}
        parts={batch.parts}
        by={sheet.ratioBy}
        tolerance={sheet.ratioTolerance}
        tool={tool}
        most={most}
        amounts={amounts}
        onChange={props.onAmounts}
        onDiscard={props.onDiscard}
      />
      {!asked.withinTolerance && <FinerTool batch={wholeBatch} tool={tool} onChange={props.onTool} />}
      <SplitNotes
        sheet={sheet}
        parts={batch.parts}
        asked={asked}
        better={batch.better}
        thinner={thinner}
        inductionMin={inductionMin}
        isOtherwise={amounts !== null}
        onTake={props.onLitres}
      />
    </>
  );
}
