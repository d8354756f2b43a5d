import type { AreaClock } from '../../contract/index.ts';
import { t } from '../../words.ts';

export type ClockState = AreaClock['state'];

/** Each state’s word, meaning, and the name of its pattern and colour. */
export const STATES: Record<ClockState, { word: string; meaning: string; paint: string }> = {
  bare: { word: t`bare`, meaning: t`nothing applied yet`, paint: 'bare' },
  'no-system': { word: t`no system`, meaning: t`no coats chosen yet`, paint: 'bare' },
  'no-weather': { word: t`no weather data`, meaning: t`cure times can’t be worked out`, paint: 'bare' },
  'not-stated': {
    word: t`not on data sheet`,
    meaning: t`no overcoat window given for the next coat`,
    paint: 'bare',
  },
  'too-soon': { word: t`not ready yet`, meaning: t`the coat below needs more time`, paint: 'too-soon' },
  thumb: {
    word: t`thumbprint`,
    meaning: t`takes a thumbprint but nothing sticks: apply the next coat now`,
    paint: 'thumb',
  },
  open: { word: t`open`, meaning: t`can be overcoated without sanding`, paint: 'open' },
  'key-first': {
    word: t`sand first`,
    meaning: t`window missed: sand before the next coat`,
    paint: 'key-first',
  },
  keyed: { word: t`sanded`, meaning: t`the next coat will bond mechanically`, paint: 'keyed' },
  closed: { word: t`closed`, meaning: t`out of the water too long, needs a fresh coat`, paint: 'closed' },
  hidden: {
    word: t`under a support`,
    meaning: t`covered by a support until the support is moved`,
    paint: 'hidden',
  },
  failed: {
    word: t`can’t be worked out`,
    meaning: t`a figure for this area or on a data sheet is impossible. Correct the figure to get cure times.`,
    paint: 'closed',
  },
  'earliest-not-stated': {
    word: t`no earliest launch`,
    meaning: t`the data sheet gives only the latest launch. Ask the manufacturer.`,
    paint: 'bare',
  },
  finished: { word: t`done`, meaning: t`all coats of the system applied`, paint: 'finished' },
};

export const EDGE_WORDS: Record<string, string> = {
  'overcoat-min': t`earliest overcoat`,
  'thumb-opens': t`thumbprint: apply from`,
  'thumb-closes': t`thumbprint window closes`,
  'chemical-max': t`latest without sanding`,
  'dew-safe': t`safe from dew`,
  'tack-free': 'tack-free',
  sandable: 'sandable',
  walk: t`safe to walk on`,
  immersion: t`earliest launch`,
  'latest-immersion': t`latest launch`,
  'full-cure': t`full cure`,
};
