import { useEffect, useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import type { FieldError, StackView, Step } from '../../contract/index.ts';
import { coatsStillNeeded, type JudgedStack } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useYard } from '../api/queries.ts';
import { sayTime } from '../clock/say.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { NumberField } from '../forms/NumberField.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { StackSection } from '../parts/StackSection.tsx';
import { useAnyUnsaved } from '../state/unsaved.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { SUBSTRATE_WORDS } from '../words/systems.ts';
import { NearestFine } from './NearestFine.tsx';
import { Preparation } from './Preparation.tsx';
import { Schools } from './Schools.tsx';
import { StackTotals } from './StackTotals.tsx';
import { StackVerdict } from './StackVerdict.tsx';
import { Steps } from './Steps.tsx';
import { drawnSteps, type StackContext } from './stackContext.ts';
import { type StackValues, stackFormPath, stackToValues, valuesToStack } from './stackForm.ts';
import { type Extremes, judgeSteps } from './stackRules.ts';

interface Props {
  context: StackContext;
  stack: StackView;
}

/** The rules that refuse each step go with the reason typed for it. */
function withOverrules(steps: readonly Step[], values: StackValues, judged: JudgedStack | null): Step[] {
  return steps.map((step, i) => {
    const ruleIds = (judged?.layers[i]?.judgements ?? [])
      .filter(({ verdict }) => verdict === 'no')
      .map(({ ruleId }) => ruleId);
    const reason = values.steps[i]?.reason.trim() ?? '';
    return { ...step, overrule: ruleIds.length > 0 && reason !== '' ? { ruleIds, reason } : null };
  });
}

/** The stack of one area: its steps in the order they go on, judged, drawn, counted, and saved as a whole. */
export function StackEditor({ context, stack }: Props) {
  const { system, write } = useUnits();
  const [saved, setSaved] = useState(false);
  // Typing after that isn’t saved.
  const typed = useAnyUnsaved();
  useEffect(() => {
    if (typed) setSaved(false);
  }, [typed]);

  const submit = async (
    values: StackValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    setSaved(false);
    const read = new FormReader(system);
    const typed = valuesToStack(values, over.version ?? stack.version, read);
    const judged = judgeSteps(typed.steps, context.products, context.area);
    const input = { ...typed, steps: withOverrules(typed.steps, values, judged) };
    const errors = await refusals((c) => c.stackInput, input, read, stackFormPath);
    if (errors.length) return errors;
    const unanswered = input.steps.flatMap((step, i): FieldError[] => {
      const refused = judged?.layers[i]?.judgements.find(({ verdict }) => verdict === 'no');
      if (!refused || step.overrule) return [];
      return [
        {
          path: `steps.${i}.reason`,
          message: t`Not allowed: ${write(refused.reason)}. Change the step, or give a reason to apply it anyway`,
        },
      ];
    });
    if (unanswered.length) return unanswered;
    await api<StackView>('PUT', `/areas/${context.area.id}/stack`, input);
    setSaved(true);
    return undefined;
  };
  return (
    <RecordForm<StackValues>
      values={stackToValues(stack.steps, system)}
      submit={submit}
      base={stack}
      fieldWords={{ steps: t`the steps`, applied: t`the applied coats` }}
      button={t`Save system`}
      beside={
        <>
          {saved && <span role="status">{t`Saved.`}</span>}
          {stack.steps.length > 0 && (
            <Link className="btn ml-auto" to={`/bench/${context.area.id}`}>{t`Go to bench`}</Link>
          )}
        </>
      }
    >
      <Judged context={context} />
      <StackTotals context={context} />
      <Preparation context={context} />
    </RecordForm>
  );
}

/** The stack as it is being typed, judged once for the drawing and the steps. */
function Judged({ context }: { context: StackContext }) {
  const { control } = useFormContext<StackValues>();
  const { system } = useUnits();
  const values = useWatch({ control }) as StackValues;
  const { steps } = valuesToStack(values, 1, new FormReader(system));
  const [typed, setTyped] = useState<Partial<Extremes>>({});
  const { extremes } = context;
  const air: Extremes = {
    coldestC: typed.coldestC ?? extremes?.coldest.tempC ?? null,
    hottestC: typed.hottestC ?? extremes?.hottest.tempC ?? null,
  };
  const judged = judgeSteps(steps, context.products, context.area, {
    missedStepId: context.missedStepId,
    ...air,
    applied: context.applied,
  });
  const drawn = drawnSteps(steps, context, judged);
  const families = steps.flatMap(
    (step) => context.products.find((product) => product.id === step.productId)?.sheet.family ?? [],
  );
  return (
    <div className="grid grid-cols-1 items-start gap-6 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
      <div className="space-y-3">
        <div className="board p-3">
          {drawn.length > 0 ? (
            <StackSection steps={drawn} substrate={SUBSTRATE_WORDS[context.area.substrate]} />
          ) : (
            <p className="p-6 opacity-80">{t`Add a coat to see a scale drawing of the system.`}</p>
          )}
        </div>
        <ComingAir context={context} air={air} onChange={(some) => setTyped({ ...typed, ...some })} />
        <AppliedWrong context={context} steps={steps} />
        <AppliedThin context={context} steps={steps} />
        <Schools context={context} />
        {judged?.verdict === 'no' && <NearestFine families={families} context={context} air={air} />}
      </div>
      <div className="space-y-4">
        <StackVerdict judged={judged} context={context} air={air} />
        <Steps steps={steps} context={context} judged={judged} />
      </div>
    </div>
  );
}

/** The coldest and hottest that the coats will see: of the forecast, or as one knows better. */
function ComingAir({
  context,
  air,
  onChange,
}: {
  context: StackContext;
  air: Extremes;
  onChange: (some: Partial<Extremes>) => void;
}) {
  const yard = useYard();
  const field = (word: 'coldest' | 'hottest', usual: number) => {
    const value = air[`${word}C`];
    const forecast = context.extremes?.[word];
    const hint =
      forecast && value === forecast.tempC
        ? t`from the forecast, ${sayTime(forecast.at, yard.data?.zone ?? 'utc', Date.now())}`
        : value === null
          ? t`No forecast. Not checked until you enter a temperature.`
          : t`Your value (not saved)`;
    return (
      <NumberField
        label={t`${word === 'coldest' ? 'Coldest' : 'Hottest'} the surface will be`}
        quantity="temperature"
        value={Math.round((value ?? usual) * 10) / 10}
        onChange={(next) => onChange({ [`${word}C`]: next })}
        hint={hint}
      />
    );
  };
  return (
    <div className="grid grid-cols-2 gap-3">
      {field('coldest', 15)}
      {field('hottest', 20)}
    </div>
  );
}

/** Joints that the log finds fault with: applied too soon, or after the window with nothing to hold to. */
function AppliedWrong({ context, steps }: { context: StackContext; steps: readonly Step[] }) {
  const wrong = steps.flatMap((step) => {
    const name = context.products.find((each) => each.id === step.productId)?.name ?? 'a product';
    return (context.bonds[step.id] ?? []).flatMap((bond, coat) =>
      bond?.fault
        ? [{ key: `${step.id}${coat}`, coatName: t`${name}, coat ${coat + 1}`, fault: bond.fault }]
        : [],
    );
  });
  return wrong.map(({ key, coatName, fault }) => (
    <p key={key} className="text-warning font-semibold">
      {coatName}{' '}
      {fault === 'too-soon'
        ? t`was started before the coat below could be overcoated: solvent may be trapped.`
        : t`was applied after the overcoat window of the coat below had closed, and no sanding is logged: it may not adhere.`}
    </p>
  ));
}

/** Steps whose coats came out thin by their litres: what is missing, and how many coats that takes. */
function AppliedThin({ context, steps }: { context: StackContext; steps: readonly Step[] }) {
  const { show } = useUnits();
  const short = steps.flatMap((step) => {
    const product = context.products.find((p) => p.id === step.productId);
    const applied = context.asApplied[step.id] ?? [];
    if (!product || applied.length < step.coats || applied.length === 0) return [];
    const appliedMicrons = applied.reduce((sum, each) => sum + each, 0);
    const still = coatsStillNeeded({
      targetMicrons: step.coats * step.dryMicronsPerCoat,
      appliedMicrons,
      sheet: product.sheet,
      method: step.method,
    });
    return still.missingMicrons >= 1 ? [{ step, product, appliedMicrons, ...still }] : [];
  });
  return short.map(({ step, product, appliedMicrons, missingMicrons, coats }) => (
    <p key={step.id} className={coats > 0 ? 'text-warning font-semibold' : ''}>
      {t`${product.name}: ${show(appliedMicrons, 'film')} from the litres used, ${show(missingMicrons, 'film')} short of the target. ${coats > 0 ? t`Apply ${counted(coats, 'more coat')}.` : t`That is within the accuracy of litres.`}`}
    </p>
  ));
}
