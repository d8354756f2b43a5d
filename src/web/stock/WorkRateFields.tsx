import { useFormContext } from 'react-hook-form';
import { METHODS, TYPICAL_RATE_M2_PER_H } from '../../core/film/index.ts';
import { fieldText, fromCanonical, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { useWorkRates } from '../api/supplyQueries.ts';
import { Field } from '../forms/Field.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { METHOD_WORDS } from '../words/systems.ts';

/** The yard’s own application rates, with what its coats on record show. */
export function WorkRateFields() {
  const { system, show, symbol } = useUnits();
  const { setValue } = useFormContext();
  const learned = useWorkRates().data?.rates ?? [];
  const text = (m2: number) => fieldText(Number(fromCanonical(m2, shownUnit('area', system)).toFixed(1)));
  return (
    <details>
      <summary className="text-info target cursor-pointer py-2 underline underline-offset-2">{t`Application rates: how fast you apply a coat`}</summary>
      <p className="pb-2 text-sm">{t`Used for batch sizes, the time of a coat, the plan and labour. Leave empty to use the typical rate. Roll and tip is for two people.`}</p>
      <ul className="grid grid-cols-1 items-start gap-x-4 gap-y-3 sm:grid-cols-2 xl:grid-cols-3">
        {METHODS.map((method) => {
          const coats = learned.find((each) => each.method === method);
          return (
            <li key={method}>
              <Field
                name={`work.${method}`}
                label={METHOD_WORDS[method]}
                unit={`${symbol('area')}/h`}
                inputMode="decimal"
                placeholder={t`${text(TYPICAL_RATE_M2_PER_H[method])} (typical)`}
              />
              {coats && coats.coats > 0 && (
                <p className="flex flex-wrap items-center gap-x-3 pt-1">
                  {t`Your coats on record: ${show(coats.m2PerH, 'area', { digits: 1 })}/h (${coats.coats} coats)`}
                  <button
                    type="button"
                    className="btn btn-sm target"
                    onClick={() => setValue(`work.${method}`, text(coats.m2PerH), { shouldDirty: true })}
                  >{t`Use ${text(coats.m2PerH)} ${symbol('area')}/h`}</button>
                </p>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}
