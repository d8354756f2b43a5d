import { Field, QuantityField } from '../forms/Field.tsx';
import { WetFilm } from './WetFilm.tsx';

/** What a coat is: solids, film dry and wet, how long the mix stands, and below what it does not cure. */
export function FilmFields() {
  return (
    <section aria-labelledby="film" className="space-y-3">
      <h2 id="film" className="batten pb-1 text-lg">
        Film thickness
      </h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <Field name="solids" label="Volume solids" unit="%" inputMode="decimal" />
        <QuantityField name="film.min" label="Minimum dry film" quantity="film" />
        <QuantityField name="film.typical" label="Typical dry film" quantity="film" />
        <QuantityField name="film.max" label="Maximum dry film" quantity="film" />
        <Field
          name="induction"
          label="Standing time (induction)"
          unit="min"
          inputMode="numeric"
          hint="Leave empty if not given; the bench then asks for it. Enter 0 if none is needed."
        />
        <QuantityField name="stopC" label="No cure below" quantity="temperature" />
        <div className="col-span-2">
          <QuantityField
            name="coverage"
            label="Coverage on the tin"
            quantity="spreadingRate"
            hint="Practical coverage per coat. Used only if volume solids is a typical value."
          />
        </div>
        <Field
          name="dilution"
          label="Water to 1 part"
          inputMode="decimal"
          hint="For a diluted wash. Leave empty if used undiluted."
        />
      </div>
      <WetFilm name="film" />
    </section>
  );
}
