import type { FindingInput, Place } from '../../contract/index.ts';
import type { FindingGrade } from '../../core/inspect/index.ts';

/** A finding as typed. */
export interface FindingValues {
  kind: FindingInput['kind'];
  areaId: string;
  value: string;
  grade: FindingGrade;
  limit: string;
  xM: string;
  zM: string;
  side: Place['side'];
  photoIds: string[];
  note: string;
}
