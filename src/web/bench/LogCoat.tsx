import { useEffect, useRef, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import type {
  BenchView,
  CoatCheck,
  EntryInput,
  FieldError,
  LoggedConditions,
  Product,
  Step,
} from '../../contract/index.ts';
import { isUnderCover, judgeConditions } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import type { Method } from '../../core/film/index.ts';
import { cansFor } from '../../core/mix/index.ts';
import { coatLimitsOf } from '../../core/system/index.ts';
import { figure, fromCanonical, shownUnit } from '../../core/units/index.ts';
import { logEntry } from '../api/logEntry.ts';
import { useCoatCheck } from '../api/queries.ts';
import { fromLocalField, sayTime, toLocalField } from '../clock/say.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, QuantityField, SelectField, TextArea } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { workLeft } from '../state/workStates.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { type Show, sayFailure, sayReason } from '../words/airReasons.ts';
import { choices } from '../words/survey.ts';
import { METHOD_WORDS, sayTask } from '../words/systems.ts';

interface CoatValues {
  /** Of a product that comes in spray cans; else empty. */
  cans: string;
  litres: string;
  areaM2: string;
  start: string;
  end: string;
  method: Method;
  colour: string;
  thinner: string;
  by: string;
  note: string;
}

interface Props {
  view: BenchView;
  step: Step;
  product: Product;
  conditions: LoggedConditions | null;
  wanted: number | null;
  zone: string;
  onLogged: (how: 'arrived' | 'kept') => void;
}

/** What was applied: litres, from when to when, and how much of the area it covered. */
export function LogCoat({ view, step, product, conditions, wanted, zone, onLogged }: Props) {
  const { system, show } = useUnits();
  const id = useRef(uuidv7());
  const next = view.clock.next;
  const coatNo = next?.coatNo ?? 0;
  const pots = view.pots.filter((pot) => pot.batch.stepId === step.id);
  const fromPots = pots.reduce((sum, pot) => sum + pot.batch.litres, 0);
  const leftM2 = Math.max(0, (next?.areaM2 ?? view.clock.areaM2) - (next?.coveredM2 ?? 0));
  const now = Date.now();
  const left = workLeft(view.clock.work, now);
  const [span, setSpan] = useState<Span>({ from: null, to: null });
  const { data: check } = useCoatCheck(view.area.id, span);
  const isNow = span.to === null || Date.parse(span.to) > now - HOUR_MS;
  // A reading typed now says nothing of a coat that was done hours ago.
  const typed = conditions?.source === 'typed' && isNow ? conditions : null;
  const against = againstIt({ view, product, method: step.method, typed, check, isNow }, zone, show);
  const inUnit = (value: number, quantity: 'volume' | 'area') =>
    figure(fromCanonical(value, shownUnit(quantity, system)));
  const litres = fromPots || wanted;
  const canLitres = product.sheet.canLitres ?? null;
  const colours = [...new Set([next?.colour ?? '', ...product.sheet.colours.map(({ name }) => name)])].filter(
    Boolean,
  );

  const submit = async (values: CoatValues): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const at = fromLocalField(values.start, zone);
    const endedAt = fromLocalField(values.end, zone);
    if (!at) read.refuse('start', `start "${values.start}" is not a time`);
    if (!endedAt) read.refuse('end', `end "${values.end}" is not a time`);
    const entry: EntryInput = {
      id: id.current,
      areaId: view.area.id,
      at: at ?? '',
      corrects: null,
      kind: 'coat',
      body: {
        stepId: step.id,
        coatNo,
        productId: product.id,
        sheetVersion: product.version,
        colour: values.colour,
        method: values.method,
        litres: canLitres
          ? read.number('cans', 'cans used', values.cans) * canLitres
          : read.quantity('litres', 'litres used', values.litres, 'volume'),
        thinner: read.number('thinner', 'thinner (%)', values.thinner) / 100,
        areaM2: read.quantity('areaM2', 'area covered', values.areaM2, 'area'),
        endedAt: endedAt ?? '',
        conditions: typed,
        batchIds: pots.map((pot) => pot.entryId),
        ...(values.by.trim() !== '' && { by: values.by.trim() }),
        note: against
          ? `Applied although ${against}. ${values.note}`.trim().slice(0, NOTE_MOST)
          : values.note,
      },
    };
    const errors = await refusals((c) => c.entryInput, entry, read, formPathOf);
    if (against && values.note.trim() === '')
      errors.push({ path: 'note', message: 'reason: say why it was applied anyway' });
    if (errors.length) return errors;
    localStorage.setItem(HAND, values.by.trim());
    const how = await logEntry(entry);
    id.current = uuidv7();
    onLogged(how);
    return undefined;
  };

  return (
    <section aria-labelledby="log-coat" className="space-y-4">
      <h2 id="log-coat" className="batten pb-1 text-lg">
        Log the coat
      </h2>
      <p>
        Coat {coatNo + 1} of {next?.coats ?? step.coats}, {product.name}
        {next?.colour && `, ${next.colour}`}. If you covered only part of the area, enter how much. The rest
        stays on the list.
      </p>
      {left.length > 0 && (
        <p className="text-warning font-semibold">
          Not ticked yet: {left.map((task) => sayTask({ ...task, note: '' })).join(', ')}. The coat can be
          logged all the same; the record then shows no such work.
        </p>
      )}
      {against && (
        <p className="text-warning font-semibold">
          Outside the limits: {against}. Enter a reason to log it anyway. The record then shows both.
        </p>
      )}
      <RecordForm<CoatValues>
        values={{
          cans: canLitres && wanted ? String(cansFor(wanted, canLitres)) : '',
          litres: litres ? inUnit(litres, 'volume') : '',
          areaM2: leftM2 > 0 ? inUnit(leftM2, 'area') : '',
          start: toLocalField(likelyStart(view, pots, now), zone),
          end: toLocalField(now, zone),
          method: step.method,
          colour: next?.colour ?? '',
          thinner: String(Math.round(step.thinner * 1000) / 10),
          by: localStorage.getItem(HAND) ?? '',
          note: '',
        }}
        submit={submit}
        button="Log this coat"
        large
      >
        <WatchSpan zone={zone} onChange={setSpan} />
        <div className="grid grid-cols-2 gap-3">
          {canLitres ? (
            <Field
              name="cans"
              label="Cans used"
              inputMode="decimal"
              large
              hint={`of ${show(canLitres, 'volume')}; half a can counts as 0.5`}
            />
          ) : (
            <QuantityField
              name="litres"
              label="Used, without thinner"
              quantity="volume"
              large
              hint={fromPots > 0 ? `${show(fromPots, 'volume')} mixed` : undefined}
            />
          )}
          <QuantityField name="areaM2" label="Area covered" quantity="area" large />
        </div>
        <div className="grid gap-3 sm:grid-cols-2">
          <Field name="start" label="Started" type="datetime-local" large />
          <Field name="end" label="Application finished" type="datetime-local" large />
        </div>
        <details className="border-base-300 border-y py-2">
          <summary className="target cursor-pointer py-2">
            Applied as planned ({METHOD_WORDS[step.method].toLowerCase()}
            {next?.colour && `, ${next.colour}`}, {Math.round(step.thinner * 100)} % thinner). Change
          </summary>
          <div className="grid gap-3 pt-2 sm:grid-cols-3">
            <SelectField name="method" label="Method" choices={choices(METHOD_WORDS)} />
            {colours.length > 1 ? (
              <SelectField
                name="colour"
                label="Colour"
                choices={colours.map((name) => [name, name] as const)}
              />
            ) : (
              <Field name="colour" label="Colour" large />
            )}
            <Field name="thinner" label="Thinner" unit="%" inputMode="decimal" large />
          </div>
        </details>
        <Field
          name="by"
          label="Applied by"
          large
          hint="Remembered on this device. Used to learn each person’s paint use."
        />
        <TextArea name="note" label={against ? 'Reason to apply it anyway' : 'Note'} />
      </RecordForm>
    </section>
  );
}

/** When the coat was begun, as long as nobody says: the pot being ready and the film below too, an hour ago at most. */
function likelyStart({ clock }: BenchView, pots: BenchView['pots'], now: number): number {
  const began = pots.length ? Math.min(...pots.map((pot) => Date.parse(pot.inductionEnds))) : now - HOUR_MS;
  const soon = clock.segments.find(({ state }) => state === 'too-soon');
  const readyMs = soon?.to ? Math.ceil(Date.parse(soon.to) / 60_000) * 60_000 : began;
  return Math.min(Math.max(began, readyMs), now - 60_000);
}

const NOTE_MOST = 2000;
/** Who last logged a coat on this device. */
const HAND = 'jack-plane.hand';

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

/**
 * What speaks against the coat in the hours it was applied in, and against one applied just now in those to come; null: nothing
 * that is known.
 */
function againstIt(
  {
    view,
    product,
    method,
    typed,
    check,
    isNow,
  }: {
    view: BenchView;
    product: Product;
    method: Method;
    typed: LoggedConditions | null;
    check: CoatCheck | undefined;
    isNow: boolean;
  },
  zone: string,
  show: Show,
): string | null {
  const nowMs = Date.parse(view.now);
  if (check?.tooSoon)
    return check.tooSoon.until
      ? `the film below was not ready before ${sayTime(check.tooSoon.until, zone, nowMs)}`
      : 'the film below was not ready';
  if (typed) {
    const [reason] = judgeConditions({
      conditions: { ...typed, surfaceC: typed.surfaceC ?? typed.airC },
      limits: coatLimitsOf(product.sheet, method),
      underCover: isUnderCover(view.area.surroundings),
    }).reasons;
    if (reason) return `as measured: ${sayReason(reason, show)}`;
  }
  const met =
    (typed ? [] : (check?.air?.failures ?? [])).at(0) ??
    (isNow
      ? (view.outlook?.failures ?? []).find(({ at, code }) => Date.parse(at) > nowMs && code !== 'not-known')
      : undefined);
  return met ? `${sayTime(met.at, zone, nowMs)}: ${sayFailure(met, show)}` : null;
}

/** Where the contract's paths stand in this form. */
function formPathOf(path: string): string {
  if (path === 'at') return 'start';
  if (path === 'body.endedAt') return 'end';
  return path.replace(/^body\./, '');
}
