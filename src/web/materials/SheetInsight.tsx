import { Suspense } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { type ProductSheet, type SheetNote, sheetNotes } from '../../core/system/index.ts';
import { QuantityError } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { FormReader } from '../forms/canonical.ts';
import { lazyPart } from '../parts/lazyPart.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { saySheetNote } from '../words/sheetNotes.ts';
import type { SheetValues } from './sheetValues.ts';
import { valuesToSheet } from './valuesToSheet.ts';

const TimesChart = lazyPart(async () => (await import('./TimesChart.tsx')).TimesChart);

/** What can hardly be meant; nothing yet where a figure is still half typed, which its field tells. */
function notesOf(sheet: ProductSheet): SheetNote[] {
  try {
    return sheetNotes(sheet);
  } catch (error) {
    if (error instanceof QuantityError) return [];
    throw error;
  }
}

/** What the sheet as typed looks like: its times over temperature, and what can hardly be meant. */
export function SheetInsight() {
  const { control } = useFormContext<SheetValues>();
  const { system, show } = useUnits();
  const values = useWatch({ control }) as SheetValues;
  const read = new FormReader(system);
  const { sheet } = valuesToSheet(values, '', read);
  const enough = [sheet.volumeSolids, sheet.film.max].every(Number.isFinite);
  const notes = enough ? notesOf(sheet) : [];
  const { events, overcoat } = sheet.cure;
  const timed = [sheet.potLife, ...Object.values(events), ...overcoat.map((rule) => rule.min)];
  return (
    <section aria-labelledby="insight" className="space-y-3">
      <h2 id="insight" className="batten pb-1 text-lg">{t`Checks and chart`}</h2>
      {notes.length > 0 ? (
        <ul className="border-warning list-disc border-l-4 pl-8" role="status">
          {notes
            .map((note) => saySheetNote(note, show))
            .map((text) => (
              <li key={text}>{t`Please check: ${text}.`}</li>
            ))}
        </ul>
      ) : (
        <p role="status">
          {enough
            ? t`No contradictions found.`
            : t`Enter volume solids and dry film to check the data sheet.`}
        </p>
      )}
      {timed.some((points) => points.length > 0) ? (
        <Suspense fallback={<p>{t`Loading chart…`}</p>}>
          <TimesChart sheet={sheet} />
        </Suspense>
      ) : (
        <p>{t`Enter times to see them charted against temperature.`}</p>
      )}
    </section>
  );
}
