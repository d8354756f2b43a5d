import type { AlikeArea, BenchView, Product, Step } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { cansFor } from '../../core/mix/index.ts';
import { figure, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import { toLocalField } from '../clock/say.ts';
import { type CoatValues, litresLikely } from './coatEntries.ts';
import { type Covered, progressOf } from './together.ts';

/** Who last logged a coat on this device. */
export const HAND = 'jack-plane.hand';

/** The coat in hand, as far as the form of its entry begins with it. */
export interface CoatInHand {
  view: BenchView;
  /** Other areas applied in the same go, out of the same pots. */
  others: readonly AlikeArea[];
  step: Step;
  product: Product;
  wanted: number | null;
  zone: string;
  /** Named at the coat; none: whoever last logged one on this device. */
  people: readonly string[];
  /** Share of the area ticked off in sections; 1 where no section is ticked anywhere; null: nobody said how far it got. */
  coveredShare: number | null;
  /** How far the coat got on all areas painted in one go. */
  all: Covered;
  /** Litres noted as used so far; null: none. */
  usedL: number | null;
  /** Why it ended before the area was covered; null: it did not. */
  stopNote: string | null;
}

/** Notes older than this are of an earlier day’s work. */
const SAME_DAY_MS = 16 * HOUR_MS;

/**
 * When the first section that was ticked must have been begun, at the rate of the coat, but not before the pot it came from was
 * mixed; Infinity: none was ticked.
 */
function firstSectionMs(
  { progress, clock, rate }: BenchView,
  others: readonly Pick<AlikeArea, 'progress' | 'leftM2'>[],
  pots: BenchView['pots'],
  now: number,
): number {
  const mixed = pots.map((pot) => Date.parse(pot.mixedAt));
  const ownM2 = Math.max(0, (clock.next?.areaM2 ?? 0) - (clock.next?.coveredM2 ?? 0));
  const begun = [{ progress, leftM2: ownM2 }, ...others].flatMap(({ progress: notes, leftM2 }) =>
    notes.flatMap(({ at, section }) => {
      const ms = Date.parse(at);
      if (!section || ms < now - SAME_DAY_MS) return [];
      const paintMs = Math.min(...mixed.filter((at) => at <= ms));
      const begunMs = ms - (rate ? (leftM2 / section.of / rate.m2PerH) * HOUR_MS : 0);
      return [Number.isFinite(paintMs) ? Math.max(begunMs, paintMs) : begunMs];
    }),
  );
  return Math.min(...begun);
}

/**
 * When the coat was begun, as long as nobody says: the pot being ready, or the first section ticked if that was sooner, and the
 * film below being ready too; an hour ago where nothing tells.
 */
export function likelyStart(
  view: BenchView,
  others: readonly Pick<AlikeArea, 'progress' | 'leftM2'>[],
  pots: BenchView['pots'],
  now: number,
): number {
  const { clock } = view;
  const first = Math.min(
    firstSectionMs(view, others, pots, now),
    ...pots.map((pot) => Date.parse(pot.inductionEnds)),
  );
  const began = Number.isFinite(first) ? first : now - HOUR_MS;
  const soon = clock.segments.find(({ state }) => state === 'too-soon');
  const readyMs = soon?.to ? Math.ceil(Date.parse(soon.to) / 60_000) * 60_000 : began;
  return Math.min(Math.max(began, readyMs), now - 60_000);
}

/** Whether the litres used were noted after the last section was ticked: then they are those of all that was covered. */
function isUsedOfAll({ view, others }: Pick<CoatInHand, 'view' | 'others'>): boolean {
  const notes = [...view.progress, ...others.flatMap(({ progress }) => progress)];
  const last = (of: (note: (typeof notes)[number]) => boolean) =>
    Math.max(Number.NEGATIVE_INFINITY, ...notes.filter(of).map(({ at }) => Date.parse(at)));
  const tick = last(({ section }) => section !== null);
  return Number.isFinite(tick) && last(({ usedL }) => usedL !== null) >= tick;
}

/** Litres that the form begins with; of a coat that ended nobody knows where, those noted. */
function likelyLitres(coat: CoatInHand, fromPots: number): number | null {
  const { coveredShare, all, usedL, wanted } = coat;
  const share = all.coveredM2 > 0 ? all.coveredM2 / all.leftM2 : coveredShare;
  // More than was mixed is a slip of whoever noted it; of paint that is not mixed it is more than planned.
  const isLast = isUsedOfAll(coat) && (fromPots === 0 || (usedL ?? 0) <= fromPots);
  return share === null ? usedL : litresLikely(fromPots || wanted, share, usedL, isLast);
}

/** The names at the coat, as many as fit into its entry. */
const MOST_BY = 80;
function likelyHands(people: readonly string[]): string {
  const fitting = people.filter((_, i) => people.slice(0, i + 1).join(', ').length <= MOST_BY);
  return fitting.join(', ') || (localStorage.getItem(HAND) ?? '');
}

/** What the form of a coat begins with: as planned and mixed, and as far as the coat got. */
export function likelyValues(
  coat: CoatInHand,
  about: { fromPots: number; leftM2: number; pots: BenchView['pots']; now: number; system: UnitSystem },
): CoatValues {
  const { view, others, step, product, zone, coveredShare, all } = coat;
  const { fromPots, leftM2, pots, now, system } = about;
  const inUnit = (value: number, quantity: 'volume' | 'area') =>
    figure(fromCanonical(value, shownUnit(quantity, system)));
  const litres = likelyLitres(coat, fromPots);
  const { canLitres } = product.sheet;
  const covered = (m2: number, share = coveredShare) =>
    share === null || m2 <= 0 ? '' : inUnit(m2 * share, 'area');
  return {
    cans: canLitres && litres ? String(cansFor(litres, canLitres)) : '',
    litres: litres ? inUnit(litres, 'volume') : '',
    areaM2: covered(leftM2),
    start: toLocalField(likelyStart(view, others, pots, now), zone),
    end: toLocalField(now, zone),
    method: step.method,
    colour: view.clock.next?.colour ?? '',
    thinner: String(Math.round(step.thinner * 1000) / 10),
    by: likelyHands(coat.people),
    note: coat.stopNote ?? '',
    others: Object.fromEntries(
      others.map((each) => [
        each.areaId,
        covered(
          each.leftM2,
          progressOf(each.progress).coveredShare || (all.coveredM2 > 0 ? null : coveredShare),
        ),
      ]),
    ),
  };
}
