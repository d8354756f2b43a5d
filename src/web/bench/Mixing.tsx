import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView, Product, Step } from '../../contract/index.ts';
import { addition, isByGrams } from '../../core/mix/index.ts';
import { restsOn, thinnerOf } from '../../core/system/index.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { RestsOn } from '../parts/RestsOn.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { type AdditiveMl, Additives, plannedMl } from './Additives.tsx';
import { BatchSize } from './BatchSize.tsx';
import { batchOrProblem, mixedFor, potLifeOf } from './batchInHand.ts';
import { Cans } from './Cans.tsx';
import { cautionsFor } from './cautions.ts';
import { LabelCheck } from './LabelCheck.tsx';
import { OwnRatioNote } from './OwnRatioNote.tsx';
import { PotPlan } from './PotPlan.tsx';
import { Pours } from './Pours.tsx';
import { planFor } from './planFor.ts';
import { pouredOf } from './poured.ts';
import { SplitNotes } from './SplitNotes.tsx';
import { TIN_SILENT, TinFields } from './TinFields.tsx';
import { endsBefore, TinsReach, whyAnyway } from './TinsReach.tsx';
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

/** How warm the pot is: as the air, until somebody says otherwise. */
function usePotTemp(airC: number | null): [number, (tempC: number) => void] {
  const [own, setOwn] = useState<number | null>(null);
  return [own ?? airC ?? 18, setOwn];
}

/** Mixing one batch: how much, with what, what to pour, the labels read, and the clocks set going. */
export function Mixing({ view, step, product, wanted, airC, onMixed }: Props) {
  const { sheet } = product;
  const twoPart = sheet.parts.length > 1;
  // A ratio from memory may ruin the whole coat: an own one is the painter's word.
  const ratioUnread = restsOn(sheet, 'mix').includes('ratio') && !step.ownRatio;
  const [tool, chooseTool] = useTool();
  const [potTempC, setPotTempC] = usePotTemp(airC);
  const [tin, setTin] = useState(TIN_SILENT);
  const [additives, setAdditives] = useState<AdditiveMl>({});
  const [asked, setAsked] = useState<number | null>(null);
  const [anyway, setAnyway] = useState('');
  const { mutate: log, isPending: sending } = useQueued();
  const potLife = potLifeOf(product, potTempC, tin.potLifeMin);
  const inductionMin = sheet.inductionMin ?? tin.inductionMin;
  const mixed = mixedFor(view, step);
  const missing = wanted === null ? null : Math.max(0, wanted - mixed);
  const next = view.clock.next;
  const tinsEnd = endsBefore(view.tins, missing);
  const refused = tinsEnd && anyway.trim().length < 3;
  const plan = planFor({ wanted: missing, potLife, view, step, inductionMin });
  const suggested = plan && !('problem' in plan) ? (plan.batches[0]?.litres ?? 0.5) : (missing ?? 0.5);
  const litres = asked ?? Math.max(0.01, Math.ceil(suggested * 100) / 100);
  const { batch, problem } = batchOrProblem({
    litres,
    parts: sheet.parts,
    ownParts: step.ownRatio?.parts ?? null,
    by: sheet.ratioBy,
    tolerance: sheet.ratioTolerance,
    tool,
  });
  const paintLitres = batch?.litres ?? litres;
  const thinner = addition({
    batchLitres: paintLitres,
    fraction: step.thinner,
    limit: thinnerOf(sheet, step.method),
  });
  // As planned for the pot in hand, until somebody says otherwise.
  const planned = plannedMl(step.additives, paintLitres);
  const put = sheet.additives.flatMap(({ name }) => {
    const ml = additives[name] ?? planned[name] ?? 0;
    return ml > 0 ? [{ name, ml }] : [];
  });

  const logMixed = () => {
    if (!batch) return;
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
          ...pouredOf(batch),
          tool,
          ...(step.ownRatio && { ownRatio: step.ownRatio }),
          ...(put.length > 0 && { additives: put }),
          thinnerLitres: thinner.litres,
          potTempC,
          inductionMin,
          potLifeMin: potLife,
        },
      }),
      {
        onSuccess: () => {
          if (tinsEnd) log(whyAnyway(view, anyway));
          setAnyway('');
          setAdditives({});
          onMixed();
        },
      },
    );
  };

  return (
    <section aria-labelledby="mixing" className="space-y-4">
      <h2 id="mixing" className="batten pb-1 text-lg">
        {twoPart ? 'Mix' : sheet.canLitres ? 'Spray' : 'Pour'}
      </h2>
      <Wanted view={view} wanted={wanted} mixed={mixed} missing={missing} />
      {view.tins && missing !== null && missing > 0 && (
        <TinsReach
          tins={view.tins}
          missing={missing}
          mixed={twoPart}
          areaM2={next ? Math.max(0, next.areaM2 - next.coveredM2) : 0}
          reason={anyway}
          onReason={setAnyway}
        />
      )}
      <RestsOn productId={product.id} sheet={sheet} figures={twoPart ? ['litres', 'mix'] : ['litres']} />
      {sheet.canLitres ? (
        <Cans wanted={missing} canLitres={sheet.canLitres} />
      ) : (
        <>
          {plan && (
            <PotPlan
              plan={plan}
              sheet={sheet}
              method={step.method}
              potLife={potLife}
              potTempC={potTempC}
              inductionMin={inductionMin}
            />
          )}
          {step.ownRatio && <OwnRatioNote product={product} own={step.ownRatio} />}
          <BatchSize
            product={product}
            litres={litres}
            onLitres={setAsked}
            byGrams={isByGrams(sheet.parts, sheet.ratioBy, tool)}
            potTempC={potTempC}
            onPotTemp={setPotTempC}
          />
          <TinFields sheet={sheet} says={tin} onChange={setTin} />
          <ToolFields tool={tool} onChange={chooseTool} />
          {problem && <p className="text-error font-semibold">{problem}</p>}
          {batch && (
            <>
              <Pours split={batch.result.asked} tool={tool} product={product.name} />
              <SplitNotes
                sheet={sheet}
                parts={batch.parts}
                asked={batch.result.asked}
                better={batch.better}
                thinner={thinner}
                inductionMin={inductionMin}
                onTake={setAsked}
              />
            </>
          )}
          <Additives
            sheet={sheet}
            litres={paintLitres}
            put={{ ...planned, ...additives }}
            onChange={(name, ml) => setAdditives({ ...additives, [name]: ml })}
          />
        </>
      )}
      <ul className="border-line space-y-1 border-l-4 pl-3 text-sm">
        {cautionsFor(sheet.hazards, view.area).map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
        <li>The product's safety data sheet and local codes come first.</li>
      </ul>
      {twoPart && ratioUnread && (
        <p role="alert" className="text-error font-semibold">
          The ratio is from memory. Read it off the tin and confirm it before anything is mixed.
        </p>
      )}
      {twoPart && (
        <LabelCheck
          product={product}
          besides={put.map(({ name }) => name)}
          disabled={!batch || ratioUnread || refused}
          sending={sending}
          onMixed={logMixed}
        />
      )}
    </section>
  );
}

/** What the coat takes, what is mixed of it, and what is still missing. */
function Wanted({
  view,
  wanted,
  mixed,
  missing,
}: {
  view: BenchView;
  wanted: number | null;
  mixed: number;
  missing: number | null;
}) {
  const { show } = useUnits();
  if (wanted === null) return null;
  return (
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
  );
}
