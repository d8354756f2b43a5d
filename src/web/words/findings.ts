import type { Finding } from '../../contract/index.ts';
import type { FindingGrade, FindingKind } from '../../core/inspect/index.ts';
import { t } from '../../words.ts';

/** Each kind of finding: its name, what its figure is, and the figure's unit. */
export const FINDING_WORDS: Record<FindingKind, { word: string; reading: string; unit: string }> = {
  rust: { word: t`Rust`, reading: t`Grade (ISO 8501-1)`, unit: '' },
  blisters: { word: t`Blisters`, reading: t`Number of blisters`, unit: '' },
  moisture: { word: t`Moisture`, reading: t`Meter reading (relative)`, unit: '' },
  adhesion: { word: t`Adhesion of old paint`, reading: t`Cross-cut or X-cut grade (0–5)`, unit: '' },
  plate: { word: t`Plate thickness`, reading: t`Thickness`, unit: 'mm' },
  'old-paint': { word: t`Old paint thickness`, reading: t`Thickness`, unit: 'µm' },
  salt: { word: t`Salt`, reading: t`Salt (as NaCl)`, unit: 'mg/m²' },
  profile: { word: t`Blast profile`, reading: t`Peak to valley`, unit: 'µm' },
  'solvent-rub': { word: t`Solvent rub`, reading: t`Effect of the solvent`, unit: '' },
  converter: { word: t`Rust converter`, reading: t`Coats applied`, unit: '' },
  other: { word: t`Other finding`, reading: t`Reading (optional)`, unit: '' },
};

export const GRADE_WORDS: Record<FindingGrade, string> = {
  A: 'A',
  B: 'B',
  C: 'C',
  D: 'D',
  hard: t`paint stays hard`,
  softens: t`paint softens`,
  black: t`all black`,
  red: t`red still shows`,
};

export const VERDICT_WORDS: Record<Finding['verdict'], string> = {
  fine: t`OK`,
  watch: t`watch`,
  bad: t`not OK`,
  noted: t`noted`,
};
