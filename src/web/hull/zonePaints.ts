import type { Zone } from '../../core/hull/index.ts';

/** The look of the zones of a surface in three dimensions: a hatch and a colour of the theme. */
export const ZONE_PAINTS: Record<Zone, { hatch: number; colour: string }> = {
  bottom: { hatch: 1, colour: '--st-too-soon' },
  keel: { hatch: 3, colour: '--st-thumb' },
  rudder: { hatch: 5, colour: '--st-thumb' },
  'boot-stripe': { hatch: 2, colour: '--st-key-first' },
  topsides: { hatch: 0, colour: '--st-open' },
  transom: { hatch: 5, colour: '--st-finished' },
  deck: { hatch: 4, colour: '--st-bare' },
  cabin: { hatch: 4, colour: '--st-hidden' },
  bilge: { hatch: 2, colour: '--st-closed' },
  other: { hatch: 0, colour: '--st-bare' },
};
