import Joi from 'joi';
import type { CureSheet, CurvePoint, FilmEvent, OvercoatRule } from '../core/cure/index.ts';
import type { Method } from '../core/film/index.ts';
import type { AdditionLimit, MixPart } from '../core/mix/index.ts';
import type {
  Additive,
  Cleanliness,
  Family,
  Hazard,
  Pack,
  ProductSheet,
  Substrate,
} from '../core/system/index.ts';
import { above0, between, id, objectOf, oneOf, text, title } from './joi.ts';

export interface ProductInput {
  id: string;
  name: string;
  sheet: ProductSheet;
}

export interface Product extends ProductInput {
  /** Version of the sheet; a coat keeps the version it was laid with. */
  version: number;
  archived: boolean;
}

const TEN_YEARS_MIN = 5_256_000;

const points = (label: string, least = 1) =>
  Joi.array()
    .items(
      objectOf<CurvePoint>({
        tempC: between(`${label}: temperature (°C)`, -40, 80).required(),
        minutes: above0(`${label}: time (min)`, TEN_YEARS_MIN).required(),
      }),
    )
    .min(least)
    .max(5)
    .unique('tempC')
    .custom((value: CurvePoint[], helpers) => {
      const sorted = [...value].sort((a, b) => a.tempC - b.tempC);
      const wrong = sorted.find((point, i) => i > 0 && point.minutes > (sorted[i - 1] as CurvePoint).minutes);
      return wrong ? helpers.error('curve.slower', { tempC: wrong.tempC, minutes: wrong.minutes }) : value;
    })
    .messages({
      'curve.slower': '{#label}: {#minutes} min at {#tempC} °C is longer than at a lower temperature',
      'array.min': '{#label} has no time',
    })
    .label(label);

/** Every family, for schemas that name one. */
export const families: Record<Family, true> = {
  'passivating-wash': true,
  'rust-converter': true,
  'penetrating-epoxy-sealer': true,
  'zinc-epoxy-primer': true,
  'epoxy-primer': true,
  'surface-tolerant-epoxy': true,
  'epoxy-barrier': true,
  'epoxy-surfacer': true,
  'epoxy-filler': true,
  'polyester-filler': true,
  'one-pack-primer': true,
  'one-pack-undercoat': true,
  'one-pack-enamel': true,
  'two-pack-polyurethane': true,
  'epoxy-finish': true,
  'waterborne-acrylic': true,
  'one-pack-bilge': true,
  'bilge-epoxy': true,
  'tie-coat': true,
  'hard-antifouling': true,
  'ablative-antifouling': true,
  'copper-free-antifouling': true,
  varnish: true,
  'non-skid': true,
};

/** Every substrate, for schemas that name one. */
export const substrates: Record<Substrate, true> = {
  steel: true,
  aluminium: true,
  'stainless-bronze': true,
  grp: true,
  'grp-laminate': true,
  timber: true,
  'timber-epoxy': true,
  ferrocement: true,
  'existing-paint': true,
};

const methods = oneOf<Method>({
  brush: true,
  roller: true,
  'roll-and-tip': true,
  'conventional-spray': true,
  'airless-spray': true,
});

const overcoat = objectOf<OvercoatRule>({
  by: Joi.string()
    .valid('self', 'any', ...Object.keys(families))
    .label('overcoat: by')
    .required(),
  min: points('overcoat minimum').required(),
  chemicalMax: points('end of the chemical window').allow(null).required(),
  thumb: Joi.object({
    opens: points('thumb window opens').required(),
    closes: points('thumb window closes').required(),
  })
    .allow(null)
    .optional(),
  keyGrit: between('key grit', 24, 2000).integer().allow(null).required(),
});

const eventTable = (label: string) => points(label).optional();

const cure = objectOf<CureSheet>({
  stopC: between('stop temperature (°C)', -20, 40).allow(null).required(),
  events: objectOf<Record<FilmEvent, CurvePoint[]>>({
    'dew-safe': eventTable('dew-safe'),
    'tack-free': eventTable('tack-free'),
    sandable: eventTable('sandable'),
    walk: eventTable('walk on'),
    immersion: eventTable('earliest immersion'),
    'latest-immersion': eventTable('latest immersion'),
    'full-cure': eventTable('full cure'),
  }).required(),
  overcoat: Joi.array().items(overcoat).max(30).unique('by').label('overcoat windows').required(),
});

const nullable = (label: string, least: number, most: number) =>
  between(label, least, most).allow(null).required();

export const productSheet = objectOf<ProductSheet>({
  family: oneOf<Family>(families).label('family').required(),
  parts: Joi.array()
    .items(
      objectOf<MixPart>({
        name: title('name of the part').required(),
        ratio: above0('parts in the ratio', 1000).required(),
        densityKgPerL: above0('density (kg/l)', 10).allow(null).required(),
      }),
    )
    .min(1)
    .max(4)
    .label('parts')
    .required(),
  ratioBy: Joi.valid('volume', 'weight').label('ratio by').required(),
  ratioTolerance: between('ratio tolerance (fraction)', 0, 0.5).allow(null).required(),
  volumeSolids: above0('volume solids (fraction)', 1).required(),
  film: objectOf<ProductSheet['film']>({
    min: above0('least film (µm)', 10_000).required(),
    typical: above0('typical film (µm)', 10_000).required(),
    max: above0('most film (µm)', 10_000).required(),
  })
    .custom((film: ProductSheet['film'], helpers) =>
      film.min <= film.typical && film.typical <= film.max ? film : helpers.error('film.order', { ...film }),
    )
    .messages({
      'film.order': 'film a coat: least {#min}, typical {#typical}, most {#max} µm are not in order',
    })
    .required(),
  methods: Joi.array().items(methods).min(1).unique().label('methods').required(),
  thinner: objectOf<AdditionLimit>({
    name: title('thinner').required(),
    maxFraction: between('thinner limit (fraction)', 0, 0.5).allow(null).required(),
  })
    .allow(null)
    .required(),
  inductionMin: between('induction (min)', 0, 240).required(),
  potLife: points('pot life', 0).required(),
  limits: objectOf<ProductSheet['limits']>({
    airMinC: nullable('least air temperature (°C)', -20, 40),
    airMaxC: nullable('most air temperature (°C)', 0, 60),
    surfaceMinC: nullable('least surface temperature (°C)', -20, 40),
    surfaceMaxC: nullable('most surface temperature (°C)', 0, 90),
    rhMax: nullable('most relative humidity (fraction)', 0.2, 1),
    dewMarginC: nullable('margin above dew point (°C)', 0, 10),
  }).required(),
  cure: cure.required(),
  colours: Joi.array()
    .items(
      Joi.object({
        name: title('colour').required(),
        hex: Joi.string()
          .pattern(/^#[0-9a-f]{6}$/)
          .label('drawn colour')
          .required(),
      }),
    )
    .min(1)
    .max(20)
    .unique('name')
    .label('colours')
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
    .label('hazards')
    .required(),
  note: text(4000).label('note').required(),
  grounds: Joi.array()
    .items(Joi.string().valid(...Object.keys(families), ...Object.keys(substrates)))
    .max(40)
    .unique()
    .label('grounds allowed')
    .allow(null)
    .required(),
  copper: Joi.boolean().label('copper').allow(null).required(),
  additives: Joi.array()
    .items(
      objectOf<Additive>({
        name: title('additive').required(),
        kind: oneOf<Additive['kind']>({ accelerator: true, retarder: true, roller: true, other: true })
          .label('kind of additive')
          .required(),
        maxMlPerLitre: above0('additive, at most (ml/l)', 500).allow(null).required(),
      }),
    )
    .max(8)
    .unique('name')
    .label('additives')
    .required(),
  packs: Joi.array()
    .items(
      objectOf<Pack>({
        litres: above0('pack (l)', 1000).required(),
        price: between('price', 0, 1_000_000).allow(null).required(),
      }),
    )
    .max(12)
    .unique('litres')
    .label('packs')
    .required(),
  shelfMonths: above0('shelf life (months)', 240).allow(null).required(),
  preparation: objectOf<ProductSheet['preparation']>({
    cleanliness: oneOf<Cleanliness>({
      'Sa 1': true,
      'Sa 2': true,
      'Sa 2½': true,
      'Sa 3': true,
      'St 2': true,
      'St 3': true,
    })
      .label('cleanliness')
      .allow(null)
      .required(),
    profileMinMicrons: between('least profile (µm)', 0, 300).allow(null).required(),
    profileMaxMicrons: between('most profile (µm)', 0, 300).allow(null).required(),
  }).required(),
  cautions: text(4000).label('cautions').required(),
});

const fields = { name: title('product name').required(), sheet: productSheet.required() };

export const productInput = objectOf<ProductInput>({ id: id().required(), ...fields });
export const productUpdate = objectOf<ProductInput & { version: number }>({
  id: id().required(),
  ...fields,
  version: Joi.number().integer().min(1).required(),
});

/** Many sheets at once, as a CSV file. */
export const sheetsImport = objectOf<{ csv: string }>({
  csv: Joi.string().min(1).max(2_000_000).label('CSV').required(),
});
