import type { ProductInput } from '../../contract/index.ts';
import { type CurvePoint, FILM_EVENTS, type FilmEvent, type OvercoatRule } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import type { FormReader } from '../forms/canonical.ts';
import { parseDuration } from '../forms/duration.ts';
import type { LIMITS, SheetValues } from './sheetValues.ts';

/** A sheet as typed, in canonical units; what cannot be read is refused at its field. */
export function valuesToSheet(values: SheetValues, id: string, read: FormReader): ProductInput {
  const temps = values.temps.map((text, i) =>
    read.optionalQuantity(`temps.${i}`, 'temperature', text, 'temperature'),
  );
  const table = (path: string, label: string, texts: readonly string[]): CurvePoint[] =>
    texts.flatMap((text, i) => {
      if (text.trim() === '') return [];
      const tempC = temps[i];
      if (tempC === null || tempC === undefined) {
        read.refuse(`${path}.${i}`, t`${label}: enter a temperature for this column`);
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
    const chemical = table(`${at}.chemicalMax`, t`latest without sanding`, rule.chemicalMax);
    const opens = table(`${at}.thumbOpens`, t`thumbprint: apply from`, rule.thumbOpens);
    const closes = table(`${at}.thumbCloses`, t`thumbprint window closes`, rule.thumbCloses);
    if (opens.length > 0 !== closes.length > 0) {
      read.refuse(`${at}.thumbOpens.0`, t`Enter both when the thumbprint window opens and when it closes.`);
    }
    return {
      by: rule.by,
      min: table(`${at}.min`, t`Earliest overcoat`, rule.min),
      chemicalMax: chemical.length ? chemical : null,
      thumb: opens.length && closes.length ? { opens, closes } : null,
      keyGrit: read.optionalNumber(`${at}.keyGrit`, t`Grit if window missed`, rule.keyGrit),
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
  const chosen = <T extends string>(path: string, value: T | '', ask: string, otherwise: T): T => {
    if (value === '') read.refuse(path, ask);
    return value || otherwise;
  };
  return {
    id,
    name: values.name.trim(),
    sheet: {
      family: chosen('family', values.family, t`Select a coating type.`, 'epoxy-primer'),
      resin: values.resin.trim() || null,
      parts: values.parts.map((part, i) => ({
        name: part.name.trim(),
        ratio:
          values.parts.length === 1 ? 1 : read.number(`parts.${i}.ratio`, t`parts in the ratio`, part.ratio),
        densityKgPerL: read.optionalQuantity(`parts.${i}.density`, 'density', part.density, 'density'),
        ...(i > 1 && roleOf(part, `parts.${i}.role`, read)),
      })),
      // A one-pack has no ratio to be by anything.
      ratioBy:
        values.parts.length === 1
          ? 'volume'
          : chosen('ratioBy', values.ratioBy, t`Select volume or weight, as on the data sheet.`, 'volume'),
      ratioTolerance: optionalPercent('ratioTolerance', t`ratio tolerance`, values.ratioTolerance),
      volumeSolids: read.percent('solids', t`volume solids`, values.solids),
      film: {
        min: read.quantity('film.min', t`min film`, values.film.min, 'film'),
        typical: read.quantity('film.typical', t`typical film`, values.film.typical, 'film'),
        max: read.quantity('film.max', t`max film`, values.film.max, 'film'),
      },
      methods: values.methods,
      byMethod: values.byMethod.map((own, i) => {
        const at = `byMethod.${i}`;
        const stated = [own.min, own.typical, own.max].some((text) => text.trim() !== '');
        return {
          method: own.method,
          film: stated
            ? {
                min: read.quantity(`${at}.min`, t`min film`, own.min, 'film'),
                typical: read.quantity(`${at}.typical`, t`typical film`, own.typical, 'film'),
                max: read.quantity(`${at}.max`, t`max film`, own.max, 'film'),
              }
            : null,
          thinnerMax: optionalPercent(`${at}.thinner`, t`Maximum thinner`, own.thinner),
        };
      }),
      thinner: values.thinnerName.trim()
        ? {
            name: values.thinnerName.trim(),
            maxFraction: optionalPercent('thinnerLimit', t`Maximum thinner`, values.thinnerLimit),
          }
        : null,
      inductionMin: read.optionalNumber('induction', t`standing time`, values.induction),
      potLife: table('potLife', t`pot life`, values.potLife),
      limits: {
        airMinC: limit('airMinC'),
        airMaxC: limit('airMaxC'),
        surfaceMinC: limit('surfaceMinC'),
        surfaceMaxC: limit('surfaceMaxC'),
        rhMax: optionalPercent('limits.rhMax', 'Maximum RH', values.limits.rhMax),
        dewMarginC: read.optionalQuantity(
          'limits.dewMarginC',
          t`margin above dew point`,
          values.limits.dewMarginC,
          'temperatureDifference',
        ),
      },
      cure: {
        stopC: read.optionalQuantity('stopC', t`No cure below`, values.stopC, 'temperature'),
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
        maxMlPerLitre: read.optionalNumber(`additives.${i}.max`, t`Maximum amount of additive`, max),
      })),
      ...(values.parts.length === 1 &&
        values.canLitres.trim() !== '' && {
          canLitres: read.quantity('canLitres', t`Spray can contents`, values.canLitres, 'volume'),
        }),
      ...(values.coverage.trim() !== '' && {
        coverageM2PerL: read.quantity('coverage', 'coverage', values.coverage, 'spreadingRate'),
      }),
      ...(values.dilution.trim() !== '' && {
        dilution: read.number('dilution', t`Parts of water to 1 part`, values.dilution),
      }),
      ...(values.openedMonths.trim() !== '' && {
        openedMonths: read.number('openedMonths', t`shelf life once opened`, values.openedMonths),
      }),
      packs: values.packs.map(({ litres, price }, i) => ({
        litres: read.quantity(`packs.${i}.litres`, 'pack', litres, 'volume'),
        price: read.optionalNumber(`packs.${i}.price`, 'price', price),
      })),
      shelfMonths: read.optionalNumber('shelfMonths', t`shelf life`, values.shelfMonths),
      preparation: {
        cleanliness: values.cleanliness === '' ? null : values.cleanliness,
        profileMinMicrons: read.optionalQuantity('profileMin', t`Minimum profile`, values.profileMin, 'film'),
        profileMaxMicrons: read.optionalQuantity('profileMax', t`Maximum profile`, values.profileMax, 'film'),
      },
      cautions: values.cautions,
    },
  };
}

/** What a third part is has to be said: a reducer makes no film. */
function roleOf(
  { role, name }: SheetValues['parts'][number],
  path: string,
  read: FormReader,
): { reducer?: true } {
  if (role === '') read.refuse(path, t`Select the role of ${name.trim() || t`this part`}.`);
  return role === 'reducer' ? { reducer: true } : {};
}

/** Where the contract's paths stand in the form. */
export function sheetFormPath(path: string): string {
  return path
    .replace(/^sheet\.cure\./, '')
    .replace(/^sheet\./, '')
    .replace(/^volumeSolids$/, 'solids')
    .replace(/^inductionMin$/, 'standing time')
    .replace(/^coverageM2PerL$/, 'coverage')
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
