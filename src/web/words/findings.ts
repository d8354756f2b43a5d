import type { Finding } from '../../contract/index.ts';
import type { FindingGrade, FindingKind } from '../../core/inspect/index.ts';

/** Each kind of finding: its name, what its figure is, and the figure's unit. */
export const FINDING_WORDS: Record<FindingKind, { word: string; reading: string; unit: string }> = {
  rust: { word: 'Rust', reading: 'Grade (ISO 8501-1)', unit: '' },
  blisters: { word: 'Blisters', reading: 'Number of blisters', unit: '' },
  moisture: { word: 'Moisture', reading: 'Meter reading (relative)', unit: '' },
  adhesion: { word: 'Adhesion of old paint', reading: 'Cross-cut or X-cut grade (0–5)', unit: '' },
  plate: { word: 'Plate thickness', reading: 'Thickness', unit: 'mm' },
  'old-paint': { word: 'Old paint thickness', reading: 'Thickness', unit: 'µm' },
  salt: { word: 'Salt', reading: 'Salt (as NaCl)', unit: 'mg/m²' },
  profile: { word: 'Blast profile', reading: 'Peak to valley', unit: 'µm' },
  'solvent-rub': { word: 'Solvent rub', reading: 'Effect of the solvent', unit: '' },
  converter: { word: 'Rust converter', reading: 'Coats applied', unit: '' },
  other: { word: 'Other finding', reading: 'Reading (optional)', unit: '' },
};

export const GRADE_WORDS: Record<FindingGrade, string> = {
  A: 'A',
  B: 'B',
  C: 'C',
  D: 'D',
  hard: 'paint stays hard',
  softens: 'paint softens',
  black: 'all black',
  red: 'red still shows',
};

export const VERDICT_WORDS: Record<Finding['verdict'], string> = {
  fine: 'OK',
  watch: 'watch',
  bad: 'not OK',
  noted: 'noted',
};
