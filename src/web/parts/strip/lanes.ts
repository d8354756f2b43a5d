import type { SegmentView } from '../../../contract/index.ts';

/** A lane of a strip: whose it is, and its stretches of time. */
export interface Lane {
  key: string;
  name: string;
  segments: readonly SegmentView[];
}
