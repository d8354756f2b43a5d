import { t } from '../../words.ts';
import { Field, QuantityField } from '../forms/Field.tsx';
import { WetFilm } from './WetFilm.tsx';

/** What a coat is: solids, film dry and wet, how long the mix stands, and below what it does not cure. */
export function FilmFields() {
  return (
    <section aria-labelledby="film" className="space-y-3">
      <h2 id="film" className="batten pb-1 text-lg">{t`Film thickness`}</h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field name="solids" label={t`Volume solids`} unit="%" inputMode="decimal" />
        <QuantityField name="film.min" label={t`Minimum dry film`} quantity="film" />
        <QuantityField name="film.typical" label={t`Typical dry film`} quantity="film" />
        <QuantityField name="film.max" label={t`Maximum dry film`} quantity="film" />
        <Field
          name="induction"
          label={t`Standing time (induction)`}
          unit="min"
          inputMode="numeric"
          hint={t`Leave empty if not given; the bench then asks for it. Enter 0 if none is needed.`}
        />
        <QuantityField name="stopC" label={t`No cure below`} quantity="temperature" />
        <div className="col-span-2">
          <QuantityField
            name="coverage"
            label={t`Coverage on the tin`}
            quantity="spreadingRate"
            hint={t`Practical coverage per coat. Used only if volume solids is a typical value.`}
          />
        </div>
        <Field
          name="dilution"
          label={t`Water to 1 part`}
          inputMode="decimal"
          hint={t`For a diluted wash. Leave empty if used undiluted.`}
        />
      </div>
      <WetFilm name="film" />
    </section>
  );
}
