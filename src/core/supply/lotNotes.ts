import { moment, monthsLater, within } from '../units/index.ts';

/** What is known of a lot that decides whether it may still be used. Times in ms. */
export interface LotAge {
  /** What it is, as far as age and cold matter to it. */
  kind: 'water-borne' | 'rust-converter' | 'solvent-borne' | 'other';
  madeMs: number | null;
  receivedMs: number | null;
  openedMs: number | null;
  shelfMonths: number | null;
  openedMonths: number | null;
  frost: boolean;
  heat: boolean;
  nowMs: number;
}

export interface LotNote {
  code:
    | 'out-of-date'
    | 'opened-long'
    | 'frozen'
    | 'heated'
    | 'old-converter'
    | 'settled'
    | 'ends-soon'
    | 'date-not-stated';
  text: string;
  /** It is not counted as stock until somebody says otherwise. */
  keepsOut: boolean;
  /** When it holds from, where it has a date. */
  atMs: number | null;
}

/** Said this long before the end [M]. */
const SOON_MONTHS = 1;
/** A tin that stood so long has settled, and is stirred from the bottom [T]. */
const SETTLED_MONTHS = 6;
/** An opened bottle of converter is suspect from here on [T, handbook part 4]. */
const CONVERTER_MONTHS = 24;

/** The day a lot ends: of unopened life from the day it was made, of opened life from its opening, the sooner; null: not stated. */
export function lotEndsMs(
  lot: Pick<LotAge, 'madeMs' | 'receivedMs' | 'openedMs' | 'shelfMonths' | 'openedMonths'>,
): number | null {
  // Nobody knows how old it was when it came: from then on at the latest.
  const from = lot.madeMs ?? lot.receivedMs;
  const ends = [
    ...(from !== null && lot.shelfMonths !== null
      ? [monthsLater(moment('day made', from), within('shelf life', lot.shelfMonths, 0, 1200))]
      : []),
    ...(lot.openedMs !== null && lot.openedMonths !== null
      ? [
          monthsLater(
            moment('day opened', lot.openedMs),
            within('life once opened', lot.openedMonths, 0, 1200),
          ),
        ]
      : []),
  ];
  return ends.length > 0 ? Math.min(...ends) : null;
}

/**
 * What is to be known of a lot before it is used: past its date, opened too long, frozen, an old bottle of converter,
 * settled. Shelf life is the sheet's [P]; frost ends a water-borne paint, the rest [T].
 *
 * @throws {QuantityError} on a date or a life that cannot be
 */
export function lotNotes(lot: LotAge): LotNote[] {
  const now = moment('now', lot.nowMs);
  const notes: LotNote[] = [];
  const say = (code: LotNote['code'], text: string, keepsOut: boolean, atMs: number | null = null) =>
    notes.push({ code, text, keepsOut, atMs });
  const ends = lotEndsMs(lot);
  const from = lot.madeMs ?? lot.receivedMs;
  const bySheet = lot.shelfMonths !== null && from !== null && monthsLater(from, lot.shelfMonths) <= now;
  if (ends !== null && ends <= now) {
    if (bySheet)
      say('out-of-date', 'past the shelf life of its sheet: ask its maker before it is used', true, ends);
    else say('opened-long', 'opened longer than its sheet allows: test it on a scrap first', true, ends);
  } else if (ends !== null && ends < monthsLater(now, SOON_MONTHS))
    say('ends-soon', 'its shelf life ends within a month', false, ends);
  else if (ends === null && lot.shelfMonths === null)
    say('date-not-stated', 'its sheet states no shelf life: look at the tin', false);
  if (lot.frost && lot.kind === 'water-borne')
    say('frozen', 'frozen: a water-borne paint that froze is not used', true);
  else if (lot.frost) say('frozen', 'stood in frost: warm it slowly and stir until no lump is left', false);
  if (lot.heat) say('heated', 'stood in heat: look for skins and lumps, try it on a scrap first', false);
  if (
    lot.kind === 'rust-converter' &&
    lot.openedMs !== null &&
    now >= monthsLater(lot.openedMs, CONVERTER_MONTHS)
  )
    say('old-converter', 'a bottle opened two years ago is suspect: try it on a rusty nail first', true);
  if (from !== null && now >= monthsLater(from, SETTLED_MONTHS) && lot.kind !== 'rust-converter')
    say('settled', 'has stood half a year: what settled is stirred up from the bottom first', false);
  return notes;
}

/** Where stock may stand [T, handbook part 15]; local rules come first. */
export const SOLVENT_STORE =
  'Solvent-borne stock stands outside the boat, in a ventilated place away from flame and heat; how much may be kept where is ruled locally: ask.';
