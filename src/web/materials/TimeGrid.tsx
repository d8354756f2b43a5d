import type { ClipboardEvent, ReactNode } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { FILM_EVENTS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { EDGE_WORDS } from '../state/states.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { FAMILY_WORDS } from '../words/systems.ts';
import { COLUMNS, emptyOvercoat, type SheetValues } from './sheetValues.ts';

const BY: [string, string][] = [
  ['any', t`anything else`],
  ['self', t`itself`],
  ...(Object.entries(FAMILY_WORDS) as [string, string][]),
];
/** Temperatures a sheet is begun with. */
const USUAL_COLUMNS = 3;

/** Columns shown: three, and as many more as are used or asked for. */
function useColumns(): [number[], () => void] {
  const { control, setValue } = useFormContext<SheetValues>();
  const [temps, shown] = useWatch({ control, name: ['temps', 'columns'] });
  const used = temps.findLastIndex((temp) => temp.trim() !== '') + 1;
  const count = Math.min(COLUMNS, Math.max(USUAL_COLUMNS, used, shown));
  return [Array.from({ length: count }, (_, i) => i), () => setValue('columns', count + 1)];
}

/** The times that decide: the pot's, and every overcoat window's, over temperature. */
export function DecidingTimes() {
  const { symbol } = useUnits();
  const { control } = useFormContext<SheetValues>();
  const { fields, append, remove } = useFieldArray({ control, name: 'overcoat' });
  const [columns, more] = useColumns();
  return (
    <section aria-labelledby="times" className="space-y-5">
      <h2 id="times" className="batten pb-1 text-lg">{t`Pot life and overcoat windows`}</h2>
      <p>{t`Enter times as on the data sheet, for example 45 min, 6 h, 10 d. Leave empty what the data sheet doesn’t give; nothing is then assumed. You can paste a block of cells from a spreadsheet.`}</p>
      <Grid label={t`Times over temperature`} columns={columns}>
        <thead>
          <tr>
            <th scope="col" className="text-left">{t`At`}</th>
            {columns.map((i) => (
              <th key={i} scope="col" className="p-1">
                <Cell
                  path={`temps.${i}`}
                  label={t`Temperature ${i + 1}, ${symbol('temperature')}`}
                  unit={symbol('temperature')}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <Row path="potLife" label={t`Pot life`} columns={columns} />
        </tbody>
      </Grid>
      {columns.length < COLUMNS && (
        <button type="button" className="btn btn-sm" onClick={more}>{t`Add temperature`}</button>
      )}
      {fields.map((field, i) => (
        <fieldset key={field.id} className="border-line space-y-2 border-l-2 pl-3">
          <legend className="lettered">{t`Overcoat window ${i + 1}`}</legend>
          <div className="grid items-end gap-3 sm:grid-cols-[1fr_10rem_auto]">
            <SelectField name={`overcoat.${i}.by`} label={t`Next coat`} choices={BY} />
            <Field name={`overcoat.${i}.keyGrit`} label={t`Grit if window missed`} inputMode="numeric" />
            <button type="button" className="btn btn-ghost" onClick={() => remove(i)}>
              {t`Remove overcoat window `}
            </button>
          </div>
          <Grid label={t`Overcoat window by temperature`} columns={columns}>
            <tbody>
              <Row path={`overcoat.${i}.min`} label={t`Earliest overcoat`} columns={columns} />
              <Row path={`overcoat.${i}.chemicalMax`} label={t`Latest without sanding`} columns={columns} />
              <Row path={`overcoat.${i}.thumbOpens`} label={t`Thumbprint window opens`} columns={columns} />
              <Row path={`overcoat.${i}.thumbCloses`} label={t`Thumbprint window closes`} columns={columns} />
            </tbody>
          </Grid>
        </fieldset>
      ))}
      <button
        type="button"
        className="btn"
        onClick={() => append(emptyOvercoat())}
      >{t`Add overcoat window`}</button>
    </section>
  );
}

/** When a film is safe from dew, tack-free, sandable …, at the same temperatures. */
export function EventTimes() {
  const { symbol } = useUnits();
  const { control } = useFormContext<SheetValues>();
  const temps = useWatch({ control, name: 'temps' });
  const [columns] = useColumns();
  return (
    <Grid label={t`Other times by temperature`} columns={columns}>
      <thead>
        <tr>
          <th scope="col" className="text-left">{t`At`}</th>
          {columns.map((i) => (
            <th key={i} scope="col" className="p-1 text-left">
              {temps[i]?.trim() ? `${temps[i]} ${symbol('temperature')}` : '–'}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {FILM_EVENTS.map((event) => (
          <Row
            key={event}
            path={`events.${event}`}
            label={sentence(EDGE_WORDS[event] ?? event)}
            columns={columns}
          />
        ))}
      </tbody>
    </Grid>
  );
}

const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** A table of times: three temperatures fit a phone, more scroll within it. */
function Grid({
  label,
  columns,
  children,
}: {
  label: string;
  columns: readonly number[];
  children: ReactNode;
}) {
  return (
    <Scroller label={label}>
      <table className={`w-full table-fixed ${columns.length > USUAL_COLUMNS ? 'min-w-[40rem]' : ''}`}>
        <colgroup>
          <col className="w-24 sm:w-52" />
          {columns.map((i) => (
            <col key={i} />
          ))}
        </colgroup>
        {children}
      </table>
    </Scroller>
  );
}

function Row({ path, label, columns }: { path: string; label: string; columns: readonly number[] }) {
  return (
    <tr>
      <th scope="row" className="pr-2 text-left text-sm font-normal sm:text-base">
        {label}
      </th>
      {columns.map((i) => (
        <td key={i} className="p-1 align-top">
          <Cell path={`${path}.${i}`} label={t`${label}, column ${i + 1}`} />
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
    const widest = Math.max(...block.slice(0, 12).map((line) => line.split('\t').length));
    setValue('columns', Math.min(COLUMNS, from + widest));
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
