import { QuantityError, within } from '../units/index.ts';
import { converterCourse, solventRub } from './preparation.ts';

/** What a survey finds on an area. */
export type FindingKind =
  | 'rust'
  | 'blisters'
  | 'moisture'
  | 'adhesion'
  | 'plate'
  | 'old-paint'
  | 'salt'
  | 'profile'
  | 'solvent-rub'
  | 'converter'
  | 'other';

export const FINDING_KINDS: readonly FindingKind[] = [
  'rust',
  'blisters',
  'moisture',
  'adhesion',
  'plate',
  'old-paint',
  'salt',
  'profile',
  'solvent-rub',
  'converter',
  'other',
];

export type RustGrade = 'A' | 'B' | 'C' | 'D';
/** Observations without a measured value: a rust grade, the effect of a solvent rub, the result of a converter. */
export type FindingGrade = RustGrade | 'hard' | 'softens' | 'black' | 'red';

/** The grades of the kinds that are seen; the others are measured. */
export const GRADES_OF: Partial<Record<FindingKind, readonly FindingGrade[]>> = {
  rust: ['A', 'B', 'C', 'D'],
  'solvent-rub': ['hard', 'softens'],
  converter: ['black', 'red'],
};
/** Is there a figure to a kind? One that is seen has none, but for the coats of a converter. */
export const takesFigure = (kind: FindingKind): boolean => !GRADES_OF[kind] || kind === 'converter';

export interface Reading {
  kind: FindingKind;
  /** Blisters: how many; moisture: the meter's relative figure; adhesion: grade 0–5; plate: mm; old paint, profile: µm; salt: mg/m²; converter: coats of it on. */
  value: number | null;
  /** Of the kinds that are seen: {@link GRADES_OF}. */
  grade: FindingGrade | null;
  /** The limit agreed or stated for this reading, in its unit; null: the usual one, where there is one. */
  limit: number | null;
}

export interface Judged {
  verdict: 'fine' | 'watch' | 'bad' | 'noted';
  /** Why, with the figures in it and the source of the limit. */
  reason: string;
}

/** Salt on steel for immersed service, mg/m² as NaCl [S: IMO PSPC, MSC.215(82)]. */
export const SALT_LIMIT = 50;
/** Old paint of a worse adhesion grade comes off [S: ISO 2409 for the grade; T for the limit]. */
export const ADHESION_LIMIT = 2;

/** Rust grades of uncoated steel [S: ISO 8501-1] and what each means for coating [T]. */
const RUST: Record<RustGrade, Judged> = {
  A: { verdict: 'watch', reason: 'Grade A: mill scale adheres, little rust. Remove the scale (ISO 8501-1).' },
  B: {
    verdict: 'watch',
    reason: 'Grade B: rusting has begun, mill scale is starting to flake. Remove the scale (ISO 8501-1).',
  },
  C: { verdict: 'bad', reason: 'Grade C: mill scale has rusted away, slight pitting. Blast (ISO 8501-1).' },
  D: {
    verdict: 'bad',
    reason: 'Grade D: general pitting. Blast and measure the plate thickness (ISO 8501-1).',
  },
};

const RANGES: Record<FindingKind, readonly [name: string, least: number, most: number]> = {
  rust: ['rust grade', 0, 0],
  'solvent-rub': ['solvent rub', 0, 0],
  converter: ['coats of converter', 1, 20],
  blisters: ['blisters', 0, 100_000],
  moisture: ['moisture reading', 0, 1000],
  adhesion: ['adhesion grade', 0, 5],
  plate: ['plate thickness (mm)', 0.1, 100],
  'old-paint': ['thickness of old paint (µm)', 0, 20_000],
  salt: ['salt (mg/m²)', 0, 10_000],
  profile: ['profile (µm)', 0, 500],
  other: ['reading', -1e6, 1e6],
};

function judgeGrade(kind: FindingKind, grade: FindingGrade, value: number | null): Judged {
  if (kind === 'solvent-rub') {
    const { pack, why } = solventRub(grade === 'softens');
    return { verdict: pack === 'one-pack' ? 'watch' : 'fine', reason: why };
  }
  if (kind === 'converter') {
    const coats = within(RANGES.converter[0], value ?? Number.NaN, RANGES.converter[1], RANGES.converter[2]);
    if (!Number.isInteger(coats)) throw new QuantityError(RANGES.converter[0], coats, 'a whole number');
    const rounds = Array.from({ length: coats }, (_, i) => ({ red: grade === 'red' || i < coats - 1 }));
    const { next, why } = converterCourse({ rounds, openedYears: 0 }).step;
    const verdict = next === 'prime' ? 'fine' : next === 'choose' ? 'bad' : 'watch';
    return { verdict, reason: `${coats} ${coats === 1 ? 'coat' : 'coats'} on: ${why}` };
  }
  return RUST[grade as RustGrade];
}

/**
 * What a reading means against its limit. Where the trade has no limit and none is given, it is noted and not judged.
 *
 * `judgeFinding({ kind: 'adhesion', value: 3, grade: null, limit: null })` → bad: worse than 2 comes off.
 *
 * @throws {QuantityError} on a reading that its instrument cannot give
 */
// biome-ignore lint/complexity/noExcessiveCognitiveComplexity: one case a kind of finding, in the order of the handbook
export function judgeFinding({ kind, value, grade, limit }: Reading): Judged {
  const grades = GRADES_OF[kind];
  if (grades) {
    if (grade === null || !grades.includes(grade)) {
      throw new QuantityError(RANGES[kind][0], grade, `one of ${grades.join(', ')}`);
    }
    return judgeGrade(kind, grade, value);
  }
  if (value === null) {
    if (kind === 'other') return { verdict: 'noted', reason: 'No reading.' };
    throw new QuantityError(RANGES[kind][0], value, 'entered');
  }
  const [name, least, most] = RANGES[kind];
  const read = within(name, value, least, most);
  if (limit !== null) within(`limit for ${name}`, limit, least, most);
  const judgement = (verdict: Judged['verdict'], reason: string): Judged => ({ verdict, reason });
  switch (kind) {
    case 'blisters':
      if (read === 0) return judgement('fine', 'No blisters.');
      return judgement(
        'bad',
        `${read === 1 ? '1 blister' : `${read} blisters`}. Open, dry, wash and fill before applying a barrier coat.`,
      );
    case 'adhesion': {
      if (!Number.isInteger(read)) throw new QuantityError(name, read, 'a whole number from 0 to 5');
      const most = limit ?? ADHESION_LIMIT;
      return read > most
        ? judgement('bad', `Grade ${read} is worse than the limit of ${most}. Remove this paint (ISO 2409).`)
        : judgement('fine', `Grade ${read}, limit ${most} (ISO 2409).`);
    }
    case 'salt': {
      const most = limit ?? SALT_LIMIT;
      const source = limit === null ? 'IMO PSPC for immersed steel' : 'your limit';
      return read > most
        ? judgement('bad', `${read} mg/m² is above the limit of ${most} (${source}). Wash and test again.`)
        : judgement('fine', `${read} mg/m², limit ${most} (${source})`);
    }
    case 'plate':
      if (limit === null) return judgement('noted', `${read} mm. No minimum thickness entered.`);
      return read < limit
        ? judgement('bad', `${read} mm is below the minimum of ${limit} mm. Repair before coating.`)
        : judgement('fine', `${read} mm, minimum ${limit} mm.`);
    case 'moisture':
      if (limit === null) return judgement('noted', `${read} (relative). No limit entered for this meter.`);
      return read > limit
        ? judgement('bad', `${read} is above the limit of ${limit}. Let it dry further before coating.`)
        : judgement('fine', `${read}, limit ${limit}`);
    case 'profile':
      if (limit === null)
        return judgement('noted', `${read} µm. Compare with the profile on the data sheet.`);
      return read < limit
        ? judgement('bad', `${read} µm is below the required ${limit} µm. Blast again (ISO 8503-5).`)
        : judgement('fine', `${read} µm, required at least ${limit} µm (ISO 8503-5).`);
    default:
      if (limit === null) return judgement('noted', `${read}. No limit entered.`);
      return read > limit
        ? judgement('bad', `${read} is above the limit of ${limit}.`)
        : judgement('fine', `${read}, limit ${limit}`);
  }
}
