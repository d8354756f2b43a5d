import type { ProductInput } from '../../contract/index.ts';
import { type CurvePoint, FILM_EVENTS, type FilmEvent, type OvercoatRule } from '../../core/cure/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import type { FormReader } from '../forms/canonical.ts';
import { durationText, parseDuration } from '../forms/duration.ts';
import { COLUMNS, type LIMITS, type SheetValues } from './sheetValues.ts';

export function sheetToValues(product: ProductInput, system: UnitSystem): SheetValues {
  const { sheet } = product;
  const unit = shownUnit('temperature', system);
  const temp = (celsius: number | null) => (celsius === null ? '' : fieldText(fromCanonical(celsius, unit)));
  const film = (microns: number) => fieldText(fromCanonical(microns, shownUnit('film', system)));
  const tables = [
    sheet.potLife,
    ...Object.values(sheet.cure.events),
    ...sheet.cure.overcoat.flatMap((rule) => [
      rule.min,
      rule.chemicalMax ?? [],
      rule.thumb?.opens ?? [],
      rule.thumb?.closes ?? [],
    ]),
  ];
  const temps = [...new Set(tables.flatMap((table) => table.map((point) => point.tempC)))]
    .sort((a, b) => a - b)
    .slice(0, COLUMNS);
  const row = (points: readonly CurvePoint[] | null | undefined) =>
    Array.from({ length: COLUMNS }, (_, i) =>
      durationText(points?.find((p) => p.tempC === temps[i])?.minutes),
    );
  return {
    name: product.name,
    family: sheet.family,
    resin: sheet.resin ?? '',
    parts: sheet.parts.map((part) => ({
      name: part.name,
      ratio: fieldText(part.ratio),
      density:
        part.densityKgPerL === null
          ? ''
          : fieldText(fromCanonical(part.densityKgPerL, shownUnit('density', system))),
    })),
    ratioBy: sheet.ratioBy,
    ratioTolerance: sheet.ratioTolerance === null ? '' : fieldText(sheet.ratioTolerance * 100),
    solids: fieldText(sheet.volumeSolids * 100),
    film: { min: film(sheet.film.min), typical: film(sheet.film.typical), max: film(sheet.film.max) },
    methods: sheet.methods,
    byMethod: sheet.byMethod.map(({ method, film: own, thinnerMax }) => ({
      method,
      min: own ? film(own.min) : '',
      typical: own ? film(own.typical) : '',
      max: own ? film(own.max) : '',
      thinner: thinnerMax === null ? '' : fieldText(thinnerMax * 100),
    })),
    thinnerName: sheet.thinner?.name ?? '',
    thinnerLimit: sheet.thinner?.maxFraction == null ? '' : fieldText(sheet.thinner.maxFraction * 100),
    induction: fieldText(sheet.inductionMin),
    stopC: temp(sheet.cure.stopC),
    limits: {
      airMinC: temp(sheet.limits.airMinC),
      airMaxC: temp(sheet.limits.airMaxC),
      surfaceMinC: temp(sheet.limits.surfaceMinC),
      surfaceMaxC: temp(sheet.limits.surfaceMaxC),
      rhMax: sheet.limits.rhMax === null ? '' : fieldText(sheet.limits.rhMax * 100),
      dewMarginC:
        sheet.limits.dewMarginC === null
          ? ''
          : fieldText(fromCanonical(sheet.limits.dewMarginC, shownUnit('temperatureDifference', system))),
    },
    temps: Array.from({ length: COLUMNS }, (_, i) => temp(temps[i] ?? null)),
    potLife: row(sheet.potLife),
    events: Object.fromEntries(FILM_EVENTS.map((event) => [event, row(sheet.cure.events[event])])) as Record<
      FilmEvent,
      string[]
    >,
    overcoat: sheet.cure.overcoat.map((rule) => ({
      by: rule.by,
      min: row(rule.min),
      chemicalMax: row(rule.chemicalMax),
      thumbOpens: row(rule.thumb?.opens),
      thumbCloses: row(rule.thumb?.closes),
      keyGrit: rule.keyGrit === null ? '' : String(rule.keyGrit),
    })),
    colours: sheet.colours,
    hazards: sheet.hazards,
    note: sheet.note,
    statesGrounds: sheet.grounds !== null,
    grounds: sheet.grounds ?? [],
    copper: sheet.copper === null ? '' : sheet.copper ? 'yes' : 'no',
    additives: sheet.additives.map(({ name, kind, maxMlPerLitre }) => ({
      name,
      kind,
      max: maxMlPerLitre === null ? '' : fieldText(maxMlPerLitre),
    })),
    packs: sheet.packs.map(({ litres, price }) => ({
      litres: fieldText(fromCanonical(litres, shownUnit('volume', system))),
      price: price === null ? '' : fieldText(price),
    })),
    shelfMonths: sheet.shelfMonths === null ? '' : fieldText(sheet.shelfMonths),
    cleanliness: sheet.preparation.cleanliness ?? '',
    profileMin: sheet.preparation.profileMinMicrons === null ? '' : film(sheet.preparation.profileMinMicrons),
    profileMax: sheet.preparation.profileMaxMicrons === null ? '' : film(sheet.preparation.profileMaxMicrons),
    cautions: sheet.cautions,
  };
}

export function valuesToSheet(values: SheetValues, id: string, read: FormReader): ProductInput {
  const temps = values.temps.map((text, i) =>
    read.optionalQuantity(`temps.${i}`, 'temperature', text, 'temperature'),
  );
  const table = (path: string, label: string, texts: readonly string[]): CurvePoint[] =>
    texts.flatMap((text, i) => {
      if (text.trim() === '') return [];
      const tempC = temps[i];
      if (tempC === null || tempC === undefined) {
        read.refuse(`${path}.${i}`, `${label}: its column has no temperature`);
        return [];
      }
      try {
        return [{ tempC: Number(tempC.toFixed(2)), minutes: parseDuration(text) }];
      } catch (error) {
        read.refuse(`${path}.${i}`, `${label} ${(error as Error).message}`);
        return [];
      }
    });
  const overcoat = values.overcoat.map((rule, i): OvercoatRule => {
    const at = `overcoat.${i}`;
    const chemical = table(`${at}.chemicalMax`, 'end of the chemical window', rule.chemicalMax);
    const opens = table(`${at}.thumbOpens`, 'thumb window opens', rule.thumbOpens);
    const closes = table(`${at}.thumbCloses`, 'thumb window closes', rule.thumbCloses);
    if (opens.length > 0 !== closes.length > 0) {
      read.refuse(`${at}.thumbOpens.0`, 'a thumb window needs both when it opens and when it closes');
    }
    return {
      by: rule.by,
      min: table(`${at}.min`, 'overcoat minimum', rule.min),
      chemicalMax: chemical.length ? chemical : null,
      thumb: opens.length && closes.length ? { opens, closes } : null,
      keyGrit: read.optionalNumber(`${at}.keyGrit`, 'key grit', rule.keyGrit),
    };
  });
  const events: Partial<Record<FilmEvent, CurvePoint[]>> = {};
  for (const event of FILM_EVENTS) {
    const points = table(`events.${event}`, event, values.events[event]);
    if (points.length) events[event] = points;
  }
  const limit = (key: (typeof LIMITS)[number]) =>
    read.optionalQuantity(`limits.${key}`, 'limit', values.limits[key], 'temperature');
  const optionalPercent = (path: string, label: string, text: string) =>
    text.trim() === '' ? null : read.percent(path, label, text);
  return {
    id,
    name: values.name.trim(),
    sheet: {
      family: values.family,
      resin: values.resin.trim() || null,
      parts: values.parts.map((part, i) => ({
        name: part.name.trim(),
        ratio:
          values.parts.length === 1 ? 1 : read.number(`parts.${i}.ratio`, 'parts in the ratio', part.ratio),
        densityKgPerL: read.optionalQuantity(`parts.${i}.density`, 'density', part.density, 'density'),
      })),
      ratioBy: values.ratioBy,
      ratioTolerance: optionalPercent('ratioTolerance', 'ratio tolerance', values.ratioTolerance),
      volumeSolids: read.percent('solids', 'volume solids', values.solids),
      film: {
        min: read.quantity('film.min', 'least film', values.film.min, 'film'),
        typical: read.quantity('film.typical', 'typical film', values.film.typical, 'film'),
        max: read.quantity('film.max', 'most film', values.film.max, 'film'),
      },
      methods: values.methods,
      byMethod: values.byMethod.map((own, i) => {
        const at = `byMethod.${i}`;
        const stated = [own.min, own.typical, own.max].some((text) => text.trim() !== '');
        return {
          method: own.method,
          film: stated
            ? {
                min: read.quantity(`${at}.min`, 'least film', own.min, 'film'),
                typical: read.quantity(`${at}.typical`, 'typical film', own.typical, 'film'),
                max: read.quantity(`${at}.max`, 'most film', own.max, 'film'),
              }
            : null,
          thinnerMax: optionalPercent(`${at}.thinner`, 'thinner limit', own.thinner),
        };
      }),
      thinner: values.thinnerName.trim()
        ? {
            name: values.thinnerName.trim(),
            maxFraction: optionalPercent('thinnerLimit', 'thinner limit', values.thinnerLimit),
          }
        : null,
      inductionMin: read.number('induction', 'induction', values.induction),
      potLife: table('potLife', 'pot life', values.potLife),
      limits: {
        airMinC: limit('airMinC'),
        airMaxC: limit('airMaxC'),
        surfaceMinC: limit('surfaceMinC'),
        surfaceMaxC: limit('surfaceMaxC'),
        rhMax: optionalPercent('limits.rhMax', 'most relative humidity', values.limits.rhMax),
        dewMarginC: read.optionalQuantity(
          'limits.dewMarginC',
          'margin above dew point',
          values.limits.dewMarginC,
          'temperatureDifference',
        ),
      },
      cure: {
        stopC: read.optionalQuantity('stopC', 'stop temperature', values.stopC, 'temperature'),
        events,
        overcoat,
      },
      colours: values.colours,
      hazards: values.hazards,
      note: values.note,
      grounds: values.statesGrounds
        ? (values.grounds as NonNullable<ProductInput['sheet']['grounds']>)
        : null,
      copper: values.copper === '' ? null : values.copper === 'yes',
      additives: values.additives.map(({ name, kind, max }, i) => ({
        name: name.trim(),
        kind,
        maxMlPerLitre: read.optionalNumber(`additives.${i}.max`, 'additive, at most', max),
      })),
      packs: values.packs.map(({ litres, price }, i) => ({
        litres: read.quantity(`packs.${i}.litres`, 'pack', litres, 'volume'),
        price: read.optionalNumber(`packs.${i}.price`, 'price', price),
      })),
      shelfMonths: read.optionalNumber('shelfMonths', 'shelf life', values.shelfMonths),
      preparation: {
        cleanliness: values.cleanliness === '' ? null : values.cleanliness,
        profileMinMicrons: read.optionalQuantity('profileMin', 'least profile', values.profileMin, 'film'),
        profileMaxMicrons: read.optionalQuantity('profileMax', 'most profile', values.profileMax, 'film'),
      },
      cautions: values.cautions,
    },
  };
}

/** Where the contract's paths stand in the form. */
export function sheetFormPath(path: string): string {
  return path
    .replace(/^sheet\.cure\./, '')
    .replace(/^sheet\./, '')
    .replace(/^volumeSolids$/, 'solids')
    .replace(/^inductionMin$/, 'induction')
    .replace(/\.densityKgPerL$/, '.density')
    .replace(/^thinner\.maxFraction$/, 'thinnerLimit')
    .replace(/^preparation\.profileMinMicrons$/, 'profileMin')
    .replace(/^preparation\.profileMaxMicrons$/, 'profileMax')
    .replace(
      /^(byMethod\.\d+)\.film(?:\.(min|typical|max))?$/,
      (_, at: string, key = 'min') => `${at}.${key}`,
    )
    .replace(/^(byMethod\.\d+)\.thinnerMax$/, '$1.thinner')
    .replace(/^(additives\.\d+)\.maxMlPerLitre$/, '$1.max')
    .replace(/^(potLife|events\.[\w-]+|overcoat\.\d+\.(?:min|chemicalMax))$/, '$1.0')
    .replace(/^overcoat\.(\d+)\.thumb\.opens$/, 'overcoat.$1.thumbOpens.0')
    .replace(/^overcoat\.(\d+)\.thumb\.closes$/, 'overcoat.$1.thumbCloses.0');
}
