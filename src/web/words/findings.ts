import type { Finding } from '../../contract/index.ts';
import type { FindingGrade, FindingKind } from '../../core/inspect/index.ts';

/** Each kind of finding: its name, what its figure is, and the figure's unit. */
export const FINDING_WORDS: Record<FindingKind, { word: string; reading: string; unit: string }> = {
  rust: { word: 'Rust', reading: 'Grade (ISO 8501-1)', unit: '' },
  blisters: { word: 'Blisters', reading: 'How many', unit: '' },
  moisture: { word: 'Moisture', reading: 'Meter reading, relative', unit: '' },
  adhesion: { word: 'Adhesion of old paint', reading: 'Cross-cut or X-cut grade 0–5', unit: '' },
  plate: { word: 'Thickness of plate', reading: 'Thickness', unit: 'mm' },
  'old-paint': { word: 'Thickness of old paint', reading: 'Thickness', unit: 'µm' },
  salt: { word: 'Salt', reading: 'As NaCl', unit: 'mg/m²' },
  profile: { word: 'Blast profile', reading: 'Peak to valley', unit: 'µm' },
  'solvent-rub': { word: 'Solvent rub', reading: 'Rubbed with solvent it', unit: '' },
  converter: { word: 'Rust converter', reading: 'Coats of it on', unit: '' },
  other: { word: 'Other', reading: 'Reading, if any', unit: '' },
};

export const GRADE_WORDS: Record<FindingGrade, string> = {
  A: 'A',
  B: 'B',
  C: 'C',
  D: 'D',
  hard: 'stays hard',
  softens: 'softens',
  black: 'all black',
  red: 'red still shows',
};

export const VERDICT_WORDS: Record<Finding['verdict'], string> = {
  fine: 'fine',
  watch: 'watch',
  bad: 'not suitable',
  noted: 'noted',
};
