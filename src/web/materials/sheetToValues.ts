import type { ProductInput } from '../../contract/index.ts';
import { type CurvePoint, FILM_EVENTS, type FilmEvent } from '../../core/cure/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import { durationText } from '../forms/duration.ts';
import { COLUMNS, type SheetValues } from './sheetValues.ts';

/** A sheet as its form shows it, in the user's units. */
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
    parts: sheet.parts.map((part, i) => ({
      name: part.name,
      ratio: fieldText(part.ratio),
      density:
        part.densityKgPerL === null
          ? ''
          : fieldText(fromCanonical(part.densityKgPerL, shownUnit('density', system))),
      role: i < 2 ? ('' as const) : part.reducer ? ('reducer' as const) : ('paint' as const),
    })),
    canLitres: sheet.canLitres ? fieldText(fromCanonical(sheet.canLitres, shownUnit('volume', system))) : '',
    coverage: sheet.coverageM2PerL
      ? fieldText(fromCanonical(sheet.coverageM2PerL, shownUnit('spreadingRate', system)))
      : '',
    dilution: sheet.dilution ? fieldText(sheet.dilution) : '',
    openedMonths: sheet.openedMonths ? fieldText(sheet.openedMonths) : '',
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
    induction: sheet.inductionMin === null ? '' : fieldText(sheet.inductionMin),
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
    columns: 0,
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
