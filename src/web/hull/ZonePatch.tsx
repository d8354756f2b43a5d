import type { Zone } from '../../core/hull/index.ts';
import { ZONE_PAINTS } from './zonePaints.ts';

const HATCHES = [
  '',
  'M0 12L12 0',
  'M0 4h18M0 9h18',
  'M0 12L12 0M4 0l12 12',
  'M4 4h1M9 8h1M14 4h1',
  'M5 0v12M11 0v12',
];

/** The key to a zone's hatch and colour in the 3-D view. */
export function ZonePatch({ zone }: { zone: Zone }) {
  const { hatch, colour } = ZONE_PAINTS[zone];
  return (
    <svg width="18" height="12" aria-hidden="true" className="inline-block">
      <rect width="18" height="12" fill={`var(${colour})`} />
      <path d={HATCHES[hatch]} stroke="var(--line)" strokeWidth="2" fill="none" />
    </svg>
  );
}
