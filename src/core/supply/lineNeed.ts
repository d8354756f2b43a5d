import {
  COAT_SCATTER,
  deadVolumeLPerM2,
  kindDoubt,
  lossAt,
  type Method,
  paintLitres,
  SEALING,
  SEALING_UPPER,
  SPAN_SD,
  TEXTURED,
} from '../film/index.ts';
import type { MixPart, RatioBasis } from '../mix/index.ts';
import { NotStatedError, positive, QuantityError, within } from '../units/index.ts';

/** What need has to know of a sheet. */
export interface NeedSheet {
  parts: readonly MixPart[];
  ratioBy: RatioBasis;
  /** Fraction 0–1; null: not stated, and the coverage holds. */
  volumeSolids: number | null;
  /** Typical dry film of a coat, µm, that the stated coverage belongs to; null: not stated. */
  typicalMicrons: number | null;
  /** m² that a litre covers in one coat, as the tin says; null: not stated. */
  coverageM2PerL: number | null;
  /** Parts of water to one of the concentrate, of a wash; null: used as it is. */
  dilution: number | null;
  /** What one spray can holds, l; null: it comes in tins. */
  canLitres: number | null;
  /** Name of its thinner; null: none is named. */
  thinner: string | null;
}

/** A coat that hasn’t been applied yet. */
export interface CoatWanted {
  /** Its number in the step, from 0: the first ones fill a profile or seal an aggregate. */
  no: number;
  colour: string;
  /** m² of it still bare. */
  areaM2: number;
}

/** One step on one area: its coats that haven’t been applied yet. */
export interface NeedLine {
  id: string;
  boatId: string;
  productId: string;
  sheet: NeedSheet;
  coats: readonly CoatWanted[];
  dryMicronsPerCoat: number;
  method: Method;
  /** Thinner as a fraction of the mixed paint. */
  thinner: number;
  /** Spread of the area as a fraction. */
  spread: number;
  /** Areas that share a way of measuring are wrong together: lines with the same word here add their spreads. */
  measuredBy: string;
  /** Whether it is applied under a cover; null: not told. */
  underCover: boolean | null;
  /** Its coats seal a broadcast aggregate. */
  sealsAggregate?: boolean;
  /** Blast profile that its coat 0 fills, µm; null or left out: none. */
  profileMicrons?: number | null;
  /** The surface below is old, weathered or textured: coat 0 takes more. */
  textured?: boolean;
  /** Parts of another ratio than the sheet's, on purpose; null or left out: by the sheet. */
  ownParts?: readonly number[] | null;
  /** Additives in every pot of it, ml to a litre of mixed paint; left out: none. */
  additives?: readonly { name: string; mlPerLitre: number }[];
  /**
   * Litres really used against those by the sheet, as learned, with its standard error and how far one coat lies from the next (a standard
   * deviation of the logarithm; left out: the usual); null or left out: not learned.
   */
  learned?: { factor: number; sd: number; scatter?: number } | null;
}

/** One coat's litres, and how they come about. */
export interface CoatNeed {
  no: number;
  colour: string;
  areaM2: number;
  /** A smooth coat at the usual loss, l. */
  smooth: number;
  /** What sealing an aggregate or a textured surface multiplies it by; 1: a smooth surface. */
  factor: number;
  /** What fills the blast profile, l. */
  dead: number;
  litres: number;
}

/** The litres of a line, unthinned, with what they may be wrong by. */
export interface LineNeed {
  route: 'film' | 'coverage';
  coats: CoatNeed[];
  litres: number;
  /** Standard deviations of its litres by its own areas, and by what the hand loses and the kind takes, l. */
  sd: { area: number; hand: number };
  /** Of each coat by itself, a fraction of its litres. */
  scatter: number;
  loss: { likely: number; upper: number };
}

/** A coverage off the tin is taken to be met within this [M]. */
const COVERAGE_SPREAD = 0.15;

/**
 * What one step on one area still takes, unthinned litres: A × DFT / (1000 × VS × (1 − loss)) + A × dead volume
 * [handbook part 6]; where no volume solids are known, A / coverage, scaled to the film where the sheet says which film
 * its coverage makes.
 *
 * 20 m², 100 µm, 50 % solids, by roller: 4.32 l.
 *
 * @throws {QuantityError} on figures no paint has, or a sheet that states neither solids nor coverage
 */
export function lineNeed(line: NeedLine): LineNeed {
  const { method } = line;
  const spread = within('spread', line.spread, 0, 1);
  const learned = line.learned ?? null;
  if (learned) {
    positive('Learned rate', learned.factor, 10);
    within('Error of the learned rate', learned.sd, 0, 10);
  }
  within('thinner', line.thinner, 0, 0.5);
  for (const { name, mlPerLitre } of line.additives ?? []) within(`${name} (ml/l)`, mlPerLitre, 0, 500);
  const loss = lossAt(method, line.underCover);
  const perM2 = perSquareMetre(line, loss.likely);
  const upper = perM2.route === 'film' ? (1 - loss.likely) / (1 - loss.upper) : 1 + COVERAGE_SPREAD;
  const profile = line.profileMicrons ?? 0;
  const coats = line.coats.map(({ no, colour, areaM2 }): CoatNeed => {
    if (!Number.isInteger(within('Coat number', no, 0, 1000)))
      throw new QuantityError('Coat number', no, 'a whole number');
    const smooth = within('area', areaM2, 0, 100_000) * perM2.litres * (learned?.factor ?? 1);
    const sealing = line.sealsAggregate ? (SEALING[no] ?? 1) : 1;
    const factor = sealing * (line.textured && no === 0 ? TEXTURED.likely : 1);
    const dead = no === 0 ? areaM2 * deadVolumeLPerM2(profile) : 0;
    return { no, colour, areaM2, smooth, factor, dead, litres: smooth * factor + dead };
  });
  const litres = coats.reduce((sum, each) => sum + each.litres, 0);
  const film = coats.reduce((sum, each) => sum + each.smooth * each.factor, 0);
  const atMost = coats.reduce((sum, each) => sum + each.smooth * each.factor * roughness(line, each.no), 0);
  const rough = film > 0 ? atMost / film : 1;
  // A rate learned from coats applied here takes the place of the trade's span of losses.
  const hand =
    film *
    (learned ? Math.hypot(learned.sd / learned.factor, (rough - 1) / SPAN_SD) : kindDoubt(upper, rough));
  return {
    route: perM2.route,
    coats,
    litres,
    sd: { area: (litres * spread) / SPAN_SD, hand },
    scatter: within('scatter of coats', learned?.scatter ?? COAT_SCATTER, 0, 2),
    loss,
  };
}

/** What a coat takes at the upper end of what lies below it, against its likely litres. */
const roughness = ({ sealsAggregate, textured }: NeedLine, no: number): number =>
  (sealsAggregate && no < SEALING.length ? SEALING_UPPER : 1) *
  (textured && no === 0 ? TEXTURED.upper / TEXTURED.likely : 1);

/** Unthinned litres for a smooth coat on one m², and by which of the sheet's figures. */
function perSquareMetre(line: NeedLine, loss: number): { litres: number; route: LineNeed['route'] } {
  const { volumeSolids, coverageM2PerL, typicalMicrons, dilution } = line.sheet;
  const dryMicrons = positive('Dry film per coat', line.dryMicronsPerCoat, 20_000);
  if (volumeSolids !== null)
    return { litres: paintLitres({ areaM2: 1, dryMicrons, volumeSolids, loss }), route: 'film' };
  if (coverageM2PerL === null)
    throw new NotStatedError('volume solids', 'on the data sheet, or the coverage');
  // A wash forms no film that its coverage could be scaled to.
  const film =
    dilution === null && typicalMicrons !== null
      ? dryMicrons / positive('typical film', typicalMicrons, 20_000)
      : 1;
  const water = dilution === null ? 1 : positive('Parts of water to 1 part', dilution, 10_000);
  return { litres: film / positive('coverage (m²/l)', coverageM2PerL, 10_000) / water, route: 'coverage' };
}
