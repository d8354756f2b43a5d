import { moment, monthsLater, within } from '../units/index.ts';

/** The facts about a lot that decide whether it can still be used. Times in ms. */
export interface LotAge {
  /** The type of product, as far as age and cold matter. */
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
      ? [monthsLater(moment('Date made', from), within('shelf life', lot.shelfMonths, 0, 1200))]
      : []),
    ...(lot.openedMs !== null && lot.openedMonths !== null
      ? [
          monthsLater(
            moment('Date opened', lot.openedMs),
            within('Shelf life, opened', lot.openedMonths, 0, 1200),
          ),
        ]
      : []),
  ];
  return ends.length > 0 ? Math.min(...ends) : null;
}

/**
 * Notes on a lot before it is used: past its date, opened too long, frozen, an old bottle of converter,
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
      say(
        'out-of-date',
        'Past its shelf life, so not counted. Ask the manufacturer before using it.',
        true,
        ends,
      );
    else
      say(
        'opened-long',
        'Open for longer than the data sheet allows, so not counted. Test on a scrap first.',
        true,
        ends,
      );
  } else if (ends !== null && ends < monthsLater(now, SOON_MONTHS))
    say('ends-soon', 'Shelf life ends within a month.', false, ends);
  else if (ends === null && lot.shelfMonths === null)
    say('date-not-stated', 'The data sheet gives no shelf life. Check the tin.', false);
  if (lot.frost && lot.kind === 'water-borne')
    say('frozen', 'Has been frozen, so not counted. Don’t use water-borne paint that has frozen.', true);
  else if (lot.frost)
    say('frozen', 'Has been in frost. Warm slowly and stir until no lumps are left.', false);
  if (lot.heat)
    say('heated', 'Has been in heat. Check for skins and lumps, and test on a scrap first.', false);
  if (
    lot.kind === 'rust-converter' &&
    lot.openedMs !== null &&
    now >= monthsLater(lot.openedMs, CONVERTER_MONTHS)
  )
    say('old-converter', 'Opened two years ago or more, so not counted. Test on a rusty nail first.', true);
  if (from !== null && now >= monthsLater(from, SETTLED_MONTHS) && lot.kind !== 'rust-converter')
    say(
      'settled',
      'Has stood for six months or more. Stir up settled material from the bottom first.',
      false,
    );
  return notes;
}

/** Where stock may stand [T, handbook part 15]; local rules come first. */
export const SOLVENT_STORE =
  'Store solvent-borne stock outside the boat, in a ventilated place away from flames and heat. Local rules limit how much may be stored where: check them.';
