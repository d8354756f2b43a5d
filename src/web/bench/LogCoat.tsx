import { useEffect, useRef, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type { AlikeArea, FieldError, LoggedConditions } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { useCoatCheck, useCoatChecks } from '../api/benchQueries.ts';
import { logEntry } from '../api/logEntry.ts';
import { fromLocalField } from '../clock/say.ts';
import { FormReader } from '../forms/canonical.ts';
import { Field, QuantityField, SelectField, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { TimeField } from '../forms/TimeField.tsx';
import { workLeft } from '../state/workStates.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { FINDING_WORDS } from '../words/findings.ts';
import { choices } from '../words/survey.ts';
import { METHOD_WORDS, sayTask } from '../words/systems.ts';
import { litresIn, ofCoat } from './batchInHand.ts';
import { againstIt, againstOthers } from './coatAgainst.ts';
import { type CoatValues, coatEntries, refusalsOfAll } from './coatEntries.ts';
import { type CoatInHand, HAND, likelyValues } from './likelyCoat.ts';

interface Props extends CoatInHand {
  /** Litres for this area alone; null: not known. */
  own: number | null;
  conditions: LoggedConditions | null;
  /** Called before the coat is logged. */
  onLogging: () => Promise<void>;
  /** @param as how the coat was applied, by its entry */
  onLogged: (how: 'arrived' | 'kept', as: Pick<CoatValues, 'method' | 'colour'>) => void;
}

/** The applied coat: litres, start and end, and the area covered. */
export function LogCoat(props: Props) {
  const { view, others, own, step, product, zone, onLogged } = props;
  const { system, show } = useUnits();
  const ids = useRef<Record<string, string>>({});
  const next = view.clock.next;
  const coatNo = next?.coatNo ?? 0;
  const pots = ofCoat([...view.emptied, ...view.pots], view, step);
  const fromPots = litresIn(pots);
  const leftM2 = Math.max(0, (next?.areaM2 ?? view.clock.areaM2) - (next?.coveredM2 ?? 0));
  const now = Date.now();
  const left = workLeft(view.clock.work, now);
  const [span, setSpan] = useState<Span>({ from: null, to: null });
  const { typed, against } = useAgainst(props, span, now);
  const canLitres = product.sheet.canLitres ?? null;
  const colours = [...new Set([next?.colour ?? '', ...product.sheet.colours.map(({ name }) => name)])].filter(
    Boolean,
  );

  const submit = async (values: CoatValues): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const { entries, parts } = coatEntries(values, read, {
      ...{ view, others, own, step, product, zone, against, leftM2, pots, conditions: typed },
      idOf: (areaId) => {
        ids.current[areaId] ??= uuidv7();
        return ids.current[areaId] as string;
      },
    });
    const errors = await refusalsOfAll(entries, parts, read);
    // Why it stopped is no reason to have begun.
    if (against && values.note.trim() === (props.stopNote ?? ''))
      errors.push({ path: 'note', message: t`State why the coat is applied anyway` });
    if (errors.length) return errors;
    await props.onLogging();
    if (!values.by.includes(',')) localStorage.setItem(HAND, values.by.trim());
    // Its own area last: once that has its coat, this form is of the next one.
    let how: 'arrived' | 'kept' = 'arrived';
    for (const entry of entries) how = await logEntry(entry);
    ids.current = {};
    onLogged(how, values);
    return undefined;
  };

  return (
    <section aria-labelledby="log-coat" className="space-y-4">
      <h2 id="log-coat" tabIndex={-1} className="batten scroll-mt-20 pb-1 text-lg">{t`Log coat`}</h2>
      <p>
        {t`Coat ${coatNo + 1} of ${next?.coats ?? step.coats}, ${product.name}`}
        {next?.colour && `, ${next.colour}`}
        {t`. If you covered only part of the area, enter how much. The rest stays on the list.`}
      </p>
      {left.length > 0 && (
        <p className="text-warning font-semibold">{t`Not ticked off: ${left.map((task) => sayTask({ ...task, note: '' })).join(', ')}. You can still log the coat, but the record won’t show this work.`}</p>
      )}
      {against && (
        <p className="text-warning font-semibold">{t`Against this coat as entered: ${against}. Enter a reason to log it anyway. The record then shows both.`}</p>
      )}
      <RecordForm<CoatValues>
        values={likelyValues(props, { fromPots, leftM2, pots, now, system })}
        submit={submit}
        button={t`Log coat`}
        workedOut
        large
      >
        <WatchSpan zone={zone} onChange={setSpan} />
        <div className="grid grid-cols-2 gap-3">
          {canLitres ? (
            <Field
              name="cans"
              label={t`Cans used`}
              inputMode="decimal"
              large
              hint={t`${show(canLitres, 'volume')} per can. Enter half a can as 0.5.`}
            />
          ) : (
            <QuantityField
              name="litres"
              label={others.length > 0 ? t`Used on all, without thinner` : t`Paint used (without thinner)`}
              quantity="volume"
              large
              hint={fromPots > 0 ? t`${show(fromPots, 'volume')} mixed` : undefined}
            />
          )}
          <CoveredFields own={view.area.name} others={others} />
        </div>
        <div className="grid gap-3 sm:grid-cols-2">
          <TimeField name="start" label={t`Started`} large stepped />
          <TimeField name="end" label={t`Finished`} large stepped />
        </div>
        <details className="border-base-300 border-y py-2">
          <summary className="target cursor-pointer py-2">
            {t`Applied as planned (${METHOD_WORDS[step.method].toLowerCase()}`}
            {next?.colour && `, ${next.colour}`}
            {t`, ${Math.round(step.thinner * 100)} % thinner). Change`}
          </summary>
          <div className="grid gap-3 pt-2 sm:grid-cols-3">
            <SelectField name="method" label={t`Method`} choices={choices(METHOD_WORDS)} />
            {colours.length > 1 ? (
              <SelectField
                name="colour"
                label={t`Colour`}
                choices={colours.map((name) => [name, name] as const)}
              />
            ) : (
              <Field name="colour" label={t`Colour`} large />
            )}
            <Field name="thinner" label={t`Thinner`} unit="%" inputMode="decimal" large />
          </div>
        </details>
        <Field
          name="by"
          label={t`Applied by`}
          large
          hint={t`Remembered on this device. Used to learn each person’s paint use.`}
        />
        <TextArea
          name="note"
          label={against ? t`Reason to apply it anyway` : t`Note`}
          rows={against ? 2 : 1}
        />
      </RecordForm>
    </section>
  );
}

/** What speaks against the coat in the hours typed, and the air measured at the boat that holds for them. */
function useAgainst({ view, others, product, step, conditions, zone }: Props, span: Span, now: number) {
  const { show } = useUnits();
  const { data: check } = useCoatCheck(view.area.id, span);
  const checks = useCoatChecks(
    others.map(({ areaId }) => areaId),
    span,
  );
  const isNow = span.to === null || Date.parse(span.to) > now - HOUR_MS;
  // A reading typed now says nothing of a coat that was done hours ago.
  const typed = conditions?.source === 'typed' && isNow ? conditions : null;
  // What has been painted over already stands in the record with its reason.
  const open = view.faults.flatMap(({ kind, reason, paintedOverAt }) =>
    paintedOverAt == null
      ? [t`open finding: ${FINDING_WORDS[kind].word.toLowerCase()}, ${reason.replace(/\.$/, '')}`]
      : [],
  );
  const here = againstIt({ view, product, method: step.method, typed, check, isNow }, zone, show);
  // Of several areas it is said which.
  const named = here && others.length > 0 ? `${view.area.name}, ${here}` : here;
  const inAir = named ?? againstOthers(others, checks, { zone, now, show });
  const against = [...(inAir === null ? [] : [inAir]), ...open].join('; ');
  return { typed, against: against || null };
}

/** The covered part of each area. */
function CoveredFields({ own, others }: { own: string; others: readonly AlikeArea[] }) {
  const label = others.length > 0 ? t`Covered of ${own}` : t`Area covered`;
  return (
    <>
      <QuantityField name="areaM2" label={label} quantity="area" large />
      {others.map(({ areaId, areaName }) => (
        <QuantityField
          key={areaId}
          name={`others.${areaId}`}
          label={t`Covered of ${areaName}`}
          quantity="area"
          large
        />
      ))}
    </>
  );
}

interface Span {
  from: string | null;
  to: string | null;
}

/** Tells when the times of the form change: what speaks against the coat is that of its own hours. */
function WatchSpan({ zone, onChange }: { zone: string; onChange: (span: Span) => void }) {
  const [start, end] = useWatch<CoatValues, ['start', 'end']>({ name: ['start', 'end'] });
  const from = fromLocalField(start, zone);
  const to = fromLocalField(end, zone);
  useEffect(() => onChange({ from, to }), [from, to, onChange]);
  return null;
}
