import type { AreaClock } from '../../contract/index.ts';

export type ClockState = AreaClock['state'];

/** How each state is told: its word, what it means, and the name of its pattern and colour. */
export const STATES: Record<ClockState, { word: string; meaning: string; paint: string }> = {
  bare: { word: 'bare', meaning: 'nothing applied yet', paint: 'bare' },
  'no-system': { word: 'no system', meaning: 'no coats chosen yet', paint: 'bare' },
  'no-weather': { word: 'no air', meaning: 'no temperatures known: the clock cannot run', paint: 'bare' },
  'not-stated': {
    word: 'not stated',
    meaning: 'the sheet gives no window for this next coat',
    paint: 'bare',
  },
  'too-soon': { word: 'not ready yet', meaning: 'not ready yet for the next coat', paint: 'too-soon' },
  thumb: {
    word: 'thumbprint',
    meaning: 'takes a thumbprint but nothing sticks: apply the next coat now',
    paint: 'thumb',
  },
  open: { word: 'open', meaning: 'overcoat without sanding', paint: 'open' },
  'key-first': {
    word: 'sand first',
    meaning: 'window missed: abrade before the next coat',
    paint: 'key-first',
  },
  keyed: { word: 'sanded', meaning: 'abraded: the next coat bonds mechanically', paint: 'keyed' },
  closed: { word: 'closed', meaning: 'stood out too long: needs a fresh coat', paint: 'closed' },
  hidden: {
    word: 'under a support',
    meaning: 'covered by a support until the support is moved',
    paint: 'hidden',
  },
  failed: {
    word: 'cannot be worked out',
    meaning: 'a figure of this area or of a sheet is impossible: put it right and the clock runs',
    paint: 'closed',
  },
  'earliest-not-stated': {
    word: 'latest launch only',
    meaning: 'the sheet states by when it must be in the water, not from when it may: ask the maker',
    paint: 'bare',
  },
  finished: { word: 'done', meaning: 'all coats of the system are on', paint: 'finished' },
};

export const EDGE_WORDS: Record<string, string> = {
  'overcoat-min': 'earliest overcoat',
  'thumb-opens': 'thumbprint: apply from',
  'thumb-closes': 'thumbprint window closes',
  'chemical-max': 'latest without sanding',
  'dew-safe': 'safe from dew',
  'tack-free': 'tack-free',
  sandable: 'sandable',
  walk: 'safe to walk on',
  immersion: 'earliest launch',
  'latest-immersion': 'latest launch',
  'full-cure': 'full cure',
};
