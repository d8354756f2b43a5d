import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView, Product, Step } from '../../contract/index.ts';
import { addition, isByGrams } from '../../core/mix/index.ts';
import { restsOn, thinnerOf } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import type { useQueued } from '../api/mutations.ts';
import { RestsOn } from '../parts/RestsOn.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { type AdditiveMl, Additives, plannedMl } from './Additives.tsx';
import { isInRatio } from './AsPoured.tsx';
import { BatchSize, PotTemperature } from './BatchSize.tsx';
import { batchOrProblem, potLifeOf } from './batchInHand.ts';
import { Cans } from './Cans.tsx';
import { conditionsFrom } from './Conditions.tsx';
import { cautionsFor } from './cautions.ts';
import { LabelCheck } from './LabelCheck.tsx';
import type { ConfirmedLots } from './LotChoice.tsx';
import { OwnRatioNote } from './OwnRatioNote.tsx';
import { PotAmounts } from './PotAmounts.tsx';
import { PotPlan } from './PotPlan.tsx';
import { planFor } from './planFor.ts';
import { extrasOf, roundUp, usePotTemp } from './potInHand.ts';
import { bodyOf, discarded, mostInPot } from './poured.ts';
import { scaleSource } from './scaleStore.ts';
import { TIN_SILENT, TinFields } from './TinFields.tsx';
import { endsBefore, TinsReach, whyAnyway } from './TinsReach.tsx';
import { ToolFields } from './ToolFields.tsx';
import { useTool } from './toolChoice.ts';

export interface MixingProps {
  view: BenchView;
  step: Step;
  product: Product;
  /** Unthinned litres still wanted for this coat. */
  wanted: number | null;
  /** m² of other areas that are applied in the same go. */
  othersM2: number;
  airC: number | null;
  onMixed: () => void;
}

/** Mixing one batch: how much, with what, what to pour, the labels read, and the clocks set going. */
export function OneBatch({
  view,
  step,
  product,
  othersM2,
  airC,
  missing,
  onMixed,
  log,
  sending,
}: MixingProps & {
  missing: number | null;
  log: ReturnType<typeof useQueued>['mutate'];
  sending: boolean;
}) {
  const { sheet } = product;
  const twoPart = sheet.parts.length > 1;
  // A ratio from memory may ruin the whole coat: an own one is the painter's word.
  const ratioUnread = restsOn(sheet, 'mix').includes('ratio') && !step.ownRatio;
  const { system } = useUnits();
  const [tool, chooseTool] = useTool(system);
  const [potTempC, setPotTempC] = usePotTemp(airC);
  const [tin, setTin] = useState(TIN_SILENT);
  const [additives, setAdditives] = useState<AdditiveMl>({});
  const [asked, setAsked] = useState<number | null>(null);
  const [poured, setInstead] = useState<readonly number[] | null>(null);
  const [anyway, setAnyway] = useState('');
  const potLife = potLifeOf(product, potTempC, tin.potLifeMin);
  const inductionMin = sheet.inductionMin ?? tin.inductionMin;
  const next = view.clock.next;
  const tinsEnd = endsBefore(view.tins, missing);
  const refused = tinsEnd && anyway.trim().length < 3;
  const plan = planFor({ wanted: missing, potLife, view, inductionMin });
  const usual = missing === null ? 0.5 : missing || 0.1;
  const suggested = plan && !('problem' in plan) ? (plan.batches[0]?.litres ?? usual) : usual;
  const litres = asked ?? roundUp(suggested, system);
  const wholeBatch = {
    litres,
    parts: sheet.parts,
    ownParts: step.ownRatio?.parts ?? null,
    by: sheet.ratioBy,
    tolerance: sheet.ratioTolerance,
  };
  const { batch, problem } = batchOrProblem({ ...wholeBatch, tool });
  const body = batch && bodyOf(batch, sheet.ratioBy, poured);
  const paintLitres = body?.litres ?? batch?.litres ?? litres;
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

  // Amounts as poured are those of one tool and one batch.
  const takeTool: typeof chooseTool = (next) => {
    setInstead(null);
    chooseTool(next);
  };
  const takeLitres = (next: number) => {
    setInstead(null);
    setAsked(next);
  };
  const offRatio =
    batch !== null &&
    poured !== null &&
    !isInRatio({ ...wholeBatch, parts: batch.parts, split: batch.result.asked, amounts: poured });

  const logMixed = ({
    thrownAway = false,
    lots = [],
    despite = '',
  }: {
    thrownAway?: boolean;
    lots?: ConfirmedLots;
    despite?: string;
  } = {}) => {
    // biome-ignore format: one line
    if (!body) return;
    const id = uuidv7();
    log(
      entryWrite({
        id,
        areaId: view.area.id,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'batch',
        body: {
          stepId: step.id,
          coatNo: view.clock.next?.coatNo ?? 0,
          productId: product.id,
          sheetVersion: product.version,
          ...body,
          ...(lots.length > 0 && { lots }),
          tool,
          ...(step.ownRatio && { ownRatio: step.ownRatio }),
          // A pot thrown away at once got neither.
          ...(put.length > 0 && !thrownAway && { additives: put }),
          thinnerLitres: thrownAway ? 0 : thinner.litres,
          potTempC,
          inductionMin,
          potLifeMin: potLife,
        },
      }),
      {
        onSuccess: () => {
          if (tinsEnd)
            log(
              whyAnyway(
                view,
                t`Mixed although the tins hold too little to finish the coat: ${anyway.trim()}`,
              ),
            );
          if (despite) log(whyAnyway(view, despite));
          if (poured && tool.kind === 'scale' && scaleSource() === 'simulated')
            log(whyAnyway(view, t`Weighed on the simulated scale, so not a real pot.`));
          setAnyway('');
          setAdditives({});
          setInstead(null);
          if (thrownAway) log(discarded(view.area.id, id));
          else onMixed();
        },
      },
    );
  };

  return (
    <>
      {view.tins && missing !== null && missing > 0 && (
        <TinsReach
          tins={view.tins}
          missing={missing}
          mixed={twoPart}
          areaM2={(next ? Math.max(0, next.areaM2 - next.coveredM2) : 0) + othersM2}
          reason={anyway}
          onReason={setAnyway}
        />
      )}
      <RestsOn productId={product.id} sheet={sheet} figures={twoPart ? ['litres', 'mix'] : ['litres']} />
      {sheet.canLitres ? (
        <Cans wanted={missing} canLitres={sheet.canLitres} />
      ) : (
        <>
          {plan && view.rate && missing !== null && (
            <PotPlan
              plan={plan}
              sheet={sheet}
              rate={view.rate}
              potLife={potLife}
              potTempC={potTempC}
              inductionMin={inductionMin}
              missing={missing}
              litres={litres}
            />
          )}
          {step.ownRatio && <OwnRatioNote product={product} own={step.ownRatio} />}
          <BatchSize
            litres={litres}
            onLitres={takeLitres}
            byGrams={isByGrams(sheet.parts, sheet.ratioBy, tool)}
          />
          <TinFields sheet={sheet} says={tin} onChange={setTin} />
          {problem && <p className="text-error font-semibold">{problem}</p>}
          {batch && (
            <PotAmounts
              {...{ product, batch, wholeBatch, tool, thinner, inductionMin }}
              most={mostInPot(plan, batch)}
              amounts={poured}
              simulates={conditionsFrom(view)?.source === 'simulated'}
              onAmounts={setInstead}
              onTool={takeTool}
              onLitres={takeLitres}
              onDiscard={() => logMixed({ thrownAway: true })}
            />
          )}
          <ToolFields tool={tool} onChange={takeTool} />
          {sheet.potLife.length > 0 && <PotTemperature potTempC={potTempC} onPotTemp={setPotTempC} />}
          <Additives
            sheet={sheet}
            litres={paintLitres}
            planned={step.additives.map(({ name }) => name)}
            put={{ ...planned, ...additives }}
            onChange={(name, ml) => setAdditives({ ...additives, [name]: ml })}
          />
        </>
      )}
      <ul className="border-line space-y-1 border-l-4 pl-3 text-sm">
        {cautionsFor(sheet.hazards, view.area, step.method).map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
        <li>{t`The product's safety data sheet and local regulations come first.`}</li>
      </ul>
      {twoPart && ratioUnread && (
        <p
          role="alert"
          className="text-error font-semibold"
        >{t`The mixing ratio is a typical value, not from your tin. Check the tin and confirm the ratio before you mix.`}</p>
      )}
      {twoPart && (
        <LabelCheck
          product={product}
          tins={view.tins}
          extras={extrasOf(put, thinner, inductionMin)}
          disabled={!batch || ratioUnread || refused || offRatio}
          sending={sending}
          onMixed={(lots, despite) => logMixed({ lots, despite })}
        />
      )}
    </>
  );
}
