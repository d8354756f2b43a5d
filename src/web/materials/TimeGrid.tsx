import type { ClipboardEvent } from 'react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { FILM_EVENTS } from '../../core/cure/index.ts';
import { FAMILIES } from '../../core/system/index.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { EDGE_WORDS } from '../state/states.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { COLUMNS, emptyOvercoat, type SheetValues } from './sheetValues.ts';

const columns = Array.from({ length: COLUMNS }, (_, i) => i);
const BY: [string, string][] = [
  ['any', 'anything else'],
  ['self', 'itself'],
  ...(Object.entries(FAMILIES) as [string, string][]),
];

/** The sheet's times over temperature: one grid for pot life, the film's events and every overcoat window. */
export function TimeGrid() {
  const { symbol } = useUnits();
  const { control } = useFormContext<SheetValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'overcoat' });
  return (
    <section aria-labelledby="times" className="space-y-5">
      <h2 id="times" className="batten pb-1 text-lg">
        Times over temperature
      </h2>
      <p>
        Times as the paper has them: 45 min, 6 h, 10 d. Leave empty what the sheet does not say: nothing is
        assumed for it. A block copied from a spreadsheet fills from the cell it is pasted into.
      </p>
      <Scroller label="Times over temperature">
        <table className="w-full min-w-[44rem]">
          <thead>
            <tr>
              <th scope="col" className="w-52 text-left">
                At
              </th>
              {columns.map((i) => (
                <th key={i} scope="col" className="p-1">
                  <Cell
                    path={`temps.${i}`}
                    label={`Temperature ${i + 1}, ${symbol('temperature')}`}
                    unit={symbol('temperature')}
                  />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <Row path="potLife" label="Pot life" />
            {FILM_EVENTS.map((event) => (
              <Row key={event} path={`events.${event}`} label={sentence(EDGE_WORDS[event] ?? event)} />
            ))}
          </tbody>
        </table>
      </Scroller>
      {fields.map((field, i) => (
        <fieldset key={field.id} className="border-line space-y-2 border-l-2 pl-3">
          <legend className="lettered">Overcoat window {i + 1}</legend>
          <div className="grid items-end gap-3 sm:grid-cols-[1fr_10rem_auto]">
            <SelectField name={`overcoat.${i}.by`} label="Coat on top" choices={BY} />
            <Field name={`overcoat.${i}.keyGrit`} label="Grit, if missed" inputMode="numeric" />
            <button type="button" className="btn btn-ghost" onClick={() => remove(i)}>
              Remove window
            </button>
          </div>
          <Scroller label="Times of this window">
            <table className="w-full min-w-[44rem]">
              <tbody>
                <Row path={`overcoat.${i}.min`} label="Not before" />
                <Row path={`overcoat.${i}.chemicalMax`} label="Without sanding until" />
                <Row path={`overcoat.${i}.thumbOpens`} label="Thumbprint: apply from" />
                <Row path={`overcoat.${i}.thumbCloses`} label="Thumbprint window closes" />
              </tbody>
            </table>
          </Scroller>
        </fieldset>
      ))}
      <button type="button" className="btn" onClick={() => append(emptyOvercoat())}>
        Another overcoat window
      </button>
    </section>
  );
}

const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

function Row({ path, label }: { path: string; label: string }) {
  return (
    <tr>
      <th scope="row" className="w-52 pr-2 text-left font-normal">
        {label}
      </th>
      {columns.map((i) => (
        <td key={i} className="p-1 align-top">
          <Cell path={`${path}.${i}`} label={`${label}, column ${i + 1}`} />
        </td>
      ))}
    </tr>
  );
}

/** The rows of the grid in the order they stand, as a block pasted from a spreadsheet fills them. */
const rowsFrom = (path: string): string[] => {
  const events = ['temps', 'potLife', ...FILM_EVENTS.map((event) => `events.${event}`)];
  const window = /^(overcoat\.\d+)\./.exec(path)?.[1];
  const rows = window
    ? ['min', 'chemicalMax', 'thumbOpens', 'thumbCloses'].map((row) => `${window}.${row}`)
    : events;
  return rows.slice(Math.max(0, rows.indexOf(path.replace(/\.\d+$/, ''))));
};

function Cell({ path, label, unit }: { path: string; label: string; unit?: string }) {
  const { register, getFieldState, formState, setValue } = useFormContext<SheetValues>();
  const paste = (event: ClipboardEvent<HTMLInputElement>) => {
    const block = event.clipboardData.getData('text').replace(/\r/g, '').replace(/\n$/, '').split('\n');
    if (block.length === 1 && !block[0]?.includes('\t')) return;
    event.preventDefault();
    const from = Number(/\.(\d+)$/.exec(path)?.[1] ?? 0);
    block.slice(0, 12).forEach((line, r) => {
      const row = rowsFrom(path)[r];
      if (!row) return;
      line.split('\t').forEach((text, c) => {
        if (from + c < COLUMNS) setValue(`${row}.${from + c}` as 'name', text.trim(), { shouldDirty: true });
      });
    });
  };
  const { error } = getFieldState(path as 'name', formState);
  return (
    <>
      <span className={`input input-sm w-full ${error ? 'border-error border-2' : ''}`}>
        <input
          aria-label={label}
          autoComplete="off"
          className="min-w-0 grow"
          aria-invalid={error ? true : undefined}
          {...register(path as 'name')}
          onPaste={paste}
        />
        {unit && <span className="text-xs">{unit}</span>}
      </span>
      {error?.message && <p className="text-error text-sm font-semibold">{error.message}</p>}
    </>
  );
}
