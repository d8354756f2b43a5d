import { useEffect, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView, Product, Step } from '../../contract/index.ts';
import { TYPICAL_RATE_M2_PER_H } from '../../core/film/index.ts';
import { addition, potLifeMinutes, type SplitResult, splitParts } from '../../core/mix/index.ts';
import { thinnerOf } from '../../core/system/index.ts';
import { fromCanonical, toCanonical } from '../../core/units/index.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { sayMinutes } from '../clock/say.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { cautionsFor } from './cautions.ts';
import { LabelCheck } from './LabelCheck.tsx';
import { Pours } from './Pours.tsx';
import { planFor } from './planFor.ts';
import { SplitNotes } from './SplitNotes.tsx';
import { TIN_SILENT, TinFields } from './TinFields.tsx';
import { ToolFields } from './ToolFields.tsx';
import { useTool } from './toolChoice.ts';

interface Props {
  view: BenchView;
  step: Step;
  product: Product;
  /** Unthinned litres still wanted for this coat. */
  wanted: number | null;
  airC: number | null;
  onMixed: () => void;
}

/** Litres mixed for the coat in hand and still in use. */
function mixedFor(view: BenchView, step: Step): number {
  const coatNo = view.clock.next?.coatNo ?? 0;
  return view.pots
    .filter(({ batch }) => batch.stepId === step.id && batch.coatNo === coatNo)
    .reduce((sum, { batch }) => sum + batch.litres, 0);
}

/** Mixing one batch: how much, with what, what to pour, the labels read, and the clocks set going. */
// biome-ignore lint/complexity/noExcessiveCognitiveComplexity: to be taken apart with the figures of the bench
export function Mixing({ view, step, product, wanted, airC, onMixed }: Props) {
  const { show, system } = useUnits();
  const { sheet } = product;
  const twoPart = sheet.parts.length > 1;
  const [tool, chooseTool] = useTool();
  const [potTempC, setPotTempC] = useState(airC ?? 18);
  const [ownTemp, setOwnTemp] = useState(false);
  useEffect(() => {
    if (!ownTemp && airC !== null) setPotTempC(airC);
  }, [airC, ownTemp]);
  const [tin, setTin] = useState(TIN_SILENT);
  const potLife = sheet.potLife.length
    ? potLifeMinutes({ points: sheet.potLife, tempC: potTempC })
    : twoPart && tin.potLifeMin > 0
      ? tin.potLifeMin
      : null;
  const inductionMin = sheet.inductionMin ?? tin.inductionMin;
  const mixed = mixedFor(view, step);
  const missing = wanted === null ? null : Math.max(0, wanted - mixed);
  const plan = planFor({ wanted: missing, potLife, view, step, inductionMin });
  const suggested = plan && !('problem' in plan) ? (plan.batches[0]?.litres ?? 0.5) : (missing ?? 0.5);
  const [litres, setLitres] = useState<number | null>(null);
  const batch = litres ?? Math.max(0.01, Math.ceil(suggested * 100) / 100);
  const { mutate: log, isPending: sending } = useQueued();

  let result: SplitResult | null = null;
  let splitProblem: string | null = null;
  try {
    result = splitParts({
      total: { litres: batch },
      parts: sheet.parts,
      by: sheet.ratioBy,
      tool,
      ...(sheet.ratioTolerance === null ? {} : { tolerance: sheet.ratioTolerance }),
    });
  } catch (error) {
    splitProblem = (error as Error).message;
  }
  const split = result?.asked;
  const thinner = addition({
    batchLitres: split?.litres ?? batch,
    fraction: step.thinner,
    limit: thinnerOf(sheet, step.method),
  });
  const volumeUnit = system === 'us' ? 'usfloz' : 'ml';

  const logMixed = () => {
    if (!split) return;
    log(
      entryWrite({
        id: uuidv7(),
        areaId: view.area.id,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'batch',
        body: {
          stepId: step.id,
          coatNo: view.clock.next?.coatNo ?? 0,
          productId: product.id,
          sheetVersion: product.version,
          litres: Number((split.litres ?? batch).toFixed(4)),
          pours: split.pours.map((pour) => ({
            name: pour.name,
            amount: Number(pour.amount.toFixed(2)),
            unit: split.measure === 'weight' ? 'g' : 'ml',
          })),
          tool,
          ratioError: split.ratioError,
          thinnerLitres: thinner.litres,
          potTempC,
          inductionMin,
          potLifeMin: potLife,
        },
      }),
      { onSuccess: onMixed },
    );
  };

  return (
    <section aria-labelledby="mixing" className="space-y-4">
      <h2 id="mixing" className="batten pb-1 text-lg">
        {twoPart ? 'Mix' : 'Pour'}
      </h2>
      {wanted !== null && (
        <p>
          This coat takes <strong>{show(wanted, 'volume')}</strong>
          {view.clock.next && view.clock.next.coveredM2 > 0 && ' for what is still bare of it'}
          {mixed > 0 && missing !== null && (
            <>
              ; {show(mixed, 'volume')} mixed,{' '}
              <strong>{missing > 0 ? `${show(missing, 'volume')} still missing` : 'none missing'}</strong>
            </>
          )}
          .
        </p>
      )}
      {plan && 'problem' in plan && <p className="text-error font-semibold">{plan.problem}</p>}
      {plan && !('problem' in plan) && potLife !== null && (
        <Why
          figure={
            plan.fitsOnePot ? (
              <span>It fits one pot.</span>
            ) : (
              <strong>
                Too much for one pot: {plan.batches.length} batches of{' '}
                {show(plan.batches[0]?.litres ?? 0, 'volume')}, one every{' '}
                {sayMinutes((plan.batches[1]?.mixAtMin ?? 0) - (plan.batches[0]?.mixAtMin ?? 0))}
              </strong>
            )
          }
        >
          <p>
            Pot life {sayMinutes(potLife)}{' '}
            {sheet.potLife.length > 0
              ? `at ${show(potTempC, 'temperature')} (sheet, halved for each +10 °C: common practice)`
              : '(the tin)'}{' '}
            − {inductionMin} min standing time{sheet.inductionMin === null && ' (the tin)'} − 10 min in hand ={' '}
            {Math.round(plan.usableMinutes)} min. At {TYPICAL_RATE_M2_PER_H[step.method]} m²/h that lays{' '}
            {show(plan.largestLitres, 'volume')}.
          </p>
        </Why>
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <Stepper
          label="This batch"
          unit={system === 'us' ? 'US fl oz' : 'ml'}
          value={Math.round(fromCanonical(batch, volumeUnit) * 10) / 10}
          step={system === 'us' ? 1 : 50}
          min={system === 'us' ? 0.2 : 5}
          max={system === 'us' ? 2000 : 60_000}
          onChange={(value) => setLitres(toCanonical(value, volumeUnit))}
        />
        {sheet.potLife.length > 0 && (
          <Stepper
            label="Temperature of the pot"
            unit={system === 'us' ? '°F' : '°C'}
            value={Math.round(fromCanonical(potTempC, system === 'us' ? 'degF' : 'degC'))}
            step={1}
            min={system === 'us' ? 14 : -10}
            max={system === 'us' ? 122 : 50}
            onChange={(value) => {
              setOwnTemp(true);
              setPotTempC(toCanonical(value, system === 'us' ? 'degF' : 'degC'));
            }}
          />
        )}
      </div>
      <TinFields sheet={sheet} says={tin} onChange={setTin} />
      <ToolFields tool={tool} onChange={chooseTool} />
      {splitProblem && <p className="text-error font-semibold">{splitProblem}</p>}
      {split && (
        <>
          <Pours split={split} tool={tool} product={product.name} />
          <SplitNotes
            sheet={sheet}
            result={result as SplitResult}
            thinner={thinner}
            inductionMin={inductionMin}
            onTake={(better) => setLitres(better)}
          />
        </>
      )}
      <ul className="border-line space-y-1 border-l-4 pl-3 text-sm">
        {cautionsFor(sheet.hazards, view.area).map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
        <li>The product's safety data sheet and local codes come first.</li>
      </ul>
      {twoPart && <LabelCheck product={product} disabled={!split} sending={sending} onMixed={logMixed} />}
    </section>
  );
}
