import type { AreaClock } from '../../contract/index.ts';

export type ClockState = AreaClock['state'];

/** Each state’s word, meaning, and the name of its pattern and colour. */
export const STATES: Record<ClockState, { word: string; meaning: string; paint: string }> = {
  bare: { word: 'bare', meaning: 'nothing applied yet', paint: 'bare' },
  'no-system': { word: 'no system', meaning: 'no coats chosen yet', paint: 'bare' },
  'no-weather': { word: 'no weather data', meaning: 'cure times can’t be worked out', paint: 'bare' },
  'not-stated': {
    word: 'not on data sheet',
    meaning: 'no overcoat window given for the next coat',
    paint: 'bare',
  },
  'too-soon': { word: 'not ready yet', meaning: 'the coat below needs more time', paint: 'too-soon' },
  thumb: {
    word: 'thumbprint',
    meaning: 'takes a thumbprint but nothing sticks: apply the next coat now',
    paint: 'thumb',
  },
  open: { word: 'open', meaning: 'can be overcoated without sanding', paint: 'open' },
  'key-first': {
    word: 'sand first',
    meaning: 'window missed: sand before the next coat',
    paint: 'key-first',
  },
  keyed: { word: 'sanded', meaning: 'the next coat will bond mechanically', paint: 'keyed' },
  closed: { word: 'closed', meaning: 'out of the water too long, needs a fresh coat', paint: 'closed' },
  hidden: {
    word: 'under a support',
    meaning: 'covered by a support until the support is moved',
    paint: 'hidden',
  },
  failed: {
    word: 'can’t be worked out',
    meaning: 'a figure for this area or on a data sheet is impossible. Correct the figure to get cure times.',
    paint: 'closed',
  },
  'earliest-not-stated': {
    word: 'no earliest launch',
    meaning: 'the data sheet gives only the latest launch. Ask the manufacturer.',
    paint: 'bare',
  },
  finished: { word: 'done', meaning: 'all coats of the system applied', paint: 'finished' },
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
