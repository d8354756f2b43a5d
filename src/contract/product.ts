import Joi from 'joi';
import type { AdditionLimit, MixPart } from '../core/mix/index.ts';
import type {
  Additive,
  ByMethod,
  Cleanliness,
  Family,
  Hazard,
  Pack,
  ProductSheet,
  TypicalField,
} from '../core/system/index.ts';
import { t } from '../words.ts';
import { cureSheet, points } from './cureSheet.ts';
import { families, substrates } from './families.ts';
import { between, content, fraction, id, objectOf, oneOf, text, title, version } from './joi.ts';
import { methods } from './methods.ts';

export interface ProductInput {
  id: string;
  name: string;
  sheet: ProductSheet;
}

export interface Product extends ProductInput {
  /** Version of the sheet; a coat keeps the version it was applied with. */
  version: number;
  archived: boolean;
}

const nullable = (label: string, least: number, most: number) =>
  between(label, least, most).allow(null).required();

const film = objectOf<ProductSheet['film']>({
  min: between(t`Minimum dry film (µm)`, 0.5, 10_000).required(),
  typical: between(t`Typical dry film (µm)`, 0.5, 10_000).required(),
  max: between(t`Maximum dry film (µm)`, 0.5, 10_000).required(),
})
  .custom((film: ProductSheet['film'], helpers) =>
    film.min <= film.typical && film.typical <= film.max ? film : helpers.error('film.order', { ...film }),
  )
  .messages({
    'film.order': t`Dry film per coat must run from minimum to typical to maximum, but is {#min}, {#typical}, {#max} µm`,
  });

export const productSheet = objectOf<ProductSheet>({
  family: oneOf<Family>(families).label(t`Coating type`).required(),
  resin: title(t`Resin`).allow(null).required(),
  parts: Joi.array()
    .items(
      objectOf<MixPart>({
        name: title(t`Part name`).required(),
        ratio: between(t`Parts in the ratio`, 0.001, 1000).required(),
        densityKgPerL: between('density (kg/l)', 0.1, 10).allow(null).required(),
        reducer: Joi.boolean().label(t`reducer`).optional(),
      }),
    )
    .min(1)
    .max(4)
    .label(t`parts`)
    .required(),
  ratioBy: Joi.valid('volume', 'weight').label(t`Ratio by`).required(),
  ratioTolerance: fraction(t`Ratio tolerance`, 0, 0.5).allow(null).required(),
  volumeSolids: fraction(t`Volume solids`, 0.01, 1).required(),
  film: film.required(),
  byMethod: Joi.array()
    .items(
      objectOf<ByMethod>({
        method: methods.label(t`method`).required(),
        film: film.allow(null).required(),
        thinnerMax: fraction(t`Maximum thinner for this method`, 0, 0.5).allow(null).required(),
      }),
    )
    .unique('method')
    .max(7)
    .label(t`Figures by method`)
    .required(),
  methods: Joi.array().items(methods).unique().label(t`methods`).required(),
  thinner: objectOf<AdditionLimit>({
    name: title('thinner').required(),
    maxFraction: fraction(t`Maximum thinner`, 0, 0.5).allow(null).required(),
  })
    .allow(null)
    .required(),
  inductionMin: nullable(t`Standing time (min)`, 0, 240),
  potLife: points(t`pot life`, 0).required(),
  limits: objectOf<ProductSheet['limits']>({
    airMinC: nullable(t`Minimum air temperature (°C)`, -20, 40),
    airMaxC: nullable(t`Maximum air temperature (°C)`, 0, 60),
    surfaceMinC: nullable(t`Minimum surface temperature (°C)`, -20, 40),
    surfaceMaxC: nullable(t`Maximum surface temperature (°C)`, 0, 90),
    rhMax: fraction('Maximum RH', 0.2, 1).allow(null).required(),
    dewMarginC: nullable(t`margin above dew point (°C)`, 0, 10),
  }).required(),
  cure: cureSheet.required(),
  colours: Joi.array()
    .items(
      Joi.object({
        name: title('colour').required(),
        hex: Joi.string()
          .pattern(/^#[0-9a-f]{6}$/)
          .label(t`Display colour`)
          .required(),
      }),
    )
    .min(1)
    .max(20)
    .unique('name')
    .label(t`colours`)
    .required(),
  hazards: Joi.array()
    .items(
      oneOf<Hazard>({
        isocyanate: true,
        solvent: true,
        'epoxy-sensitiser': true,
        biocide: true,
        acid: true,
        'oxidising-rags': true,
        dust: true,
      }),
    )
    .unique()
    .label(t`hazards`)
    .required(),
  note: text(4000).label(t`note`).required(),
  grounds: Joi.array()
    .items(Joi.string().valid(...Object.keys(families), ...Object.keys(substrates)))
    .max(40)
    .unique()
    .label(t`Permitted surfaces`)
    .allow(null)
    .required(),
  copper: Joi.boolean().label(t`copper`).allow(null).required(),
  additives: Joi.array()
    .items(
      objectOf<Additive>({
        name: title('additive').required(),
        kind: oneOf<Additive['kind']>({ accelerator: true, retarder: true, roller: true, other: true })
          .label(t`Additive type`)
          .required(),
        maxMlPerLitre: between(t`Maximum amount of additive (ml/l)`, 0.01, 500).allow(null).required(),
      }),
    )
    .max(8)
    .unique('name')
    .label(t`additives`)
    .required(),
  packs: Joi.array()
    .items(
      objectOf<Pack>({
        litres: between(t`Pack size (l)`, 0.001, 1000).required(),
        price: between('price', 0, 1_000_000).allow(null).required(),
      }),
    )
    .max(12)
    .unique('litres')
    .label(t`packs`)
    .required(),
  typical: Joi.array()
    .items(
      oneOf<TypicalField>({
        ratio: true,
        volumeSolids: true,
        film: true,
        inductionMin: true,
        potLife: true,
        stopC: true,
        overcoat: true,
        events: true,
      }),
    )
    .unique()
    .label(t`Typical values`)
    .optional(),
  canLitres: between(t`Spray can contents (l)`, 0.01, 5).allow(null).optional(),
  coverageM2PerL: between('coverage (m²/l)', 0.01, 1000).allow(null).optional(),
  dilution: between(t`Parts of water to 1 part`, 0.1, 10_000).allow(null).optional(),
  openedMonths: between(t`Shelf life, opened (months)`, 0.1, 240).allow(null).optional(),
  shelfMonths: between(t`Shelf life, unopened (months)`, 0.1, 240).allow(null).required(),
  preparation: objectOf<ProductSheet['preparation']>({
    cleanliness: oneOf<Cleanliness>({
      'Sa 1': true,
      'Sa 2': true,
      'Sa 2½': true,
      'Sa 3': true,
      'St 2': true,
      'St 3': true,
    })
      .label(t`cleanliness`)
      .allow(null)
      .required(),
    profileMinMicrons: between(t`Minimum profile (µm)`, 0, 300).allow(null).required(),
    profileMaxMicrons: between(t`Maximum profile (µm)`, 0, 300).allow(null).required(),
  }).required(),
  cautions: text(4000).label(t`cautions`).required(),
});

const fields = { name: title(t`product name`).required(), sheet: productSheet.required() };

export const productInput = objectOf<ProductInput>({ id: id().required(), ...fields });
export const productUpdate = objectOf<ProductInput & { version: number }>({
  id: id().required(),
  ...fields,
  version: version(1),
});

/** Many sheets at once, as a CSV file. */
export const sheetsImport = objectOf<{ csv: string }>({
  csv: content('CSV', 2_000_000).required(),
});
