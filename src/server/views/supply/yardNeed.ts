import type { MaterialsQuery } from '../../../contract/index.ts';
import { type LearnedSpread, type Need, type NeedLine, need } from '../../../core/supply/index.ts';
import { memoised, remembering } from '../../../core/units/index.ts';
import type { BoatMemory } from '../../memory/boatMemory.ts';
import { grouped } from '../../memory/grouped.ts';
import { kindOf, learnedIn } from '../../memory/learned.ts';
import { type AreaLines, needLinesOf, type YardLine } from '../../memory/needLines.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';

/** What the yard, or a part of it, still takes: by what coats applied here took, and by the sheets alone. */
export interface YardNeed {
  lines: YardLine[];
  byProduct: ReadonlyMap<string, readonly YardLine[]>;
  /** How each line comes about, by its id. */
  own: ReadonlyMap<string, Need['lines'][number]>;
  unknown: AreaLines['unknown'];
  need: Need;
  bySheet: Need;
  /** Rates learned that have a say in it, by kind. */
  learned: Map<string, LearnedSpread>;
  /** The hull each boat is drawn by. */
  hulls: ReadonlyMap<string, BoatMemory>;
  /** Of the lines whose need follows a learned rate, by what. */
  factors: Map<string, number>;
}

/** A rate that coats say as good as nothing of is the sheet's. */
const LEAST_COATS = 2;

/** A line with its learned rate, the same as long as that stays. */
const rated = memoised(
  (line: NeedLine, { factor, sd, scatter }: LearnedSpread): NeedLine => ({
    ...line,
    learned: { factor, sd, scatter },
  }),
);

type Known = Pick<YardReading, 'states' | 'catalogue' | 'boats'>;

/** The hull each boat is drawn by. */
export const hullsOf = ({ boats }: Pick<YardReading, 'boats'>): YardNeed['hulls'] =>
  new Map(boats.map((each) => [each.boat.id, each]));

/** Answers kept for one snapshot: purchases and needs are asked for in turn. */
const MOST_ASKED = 20;
const kept = remembering<YardNeed>(MOST_ASKED);

export function yardNeed(known: Known, query: MaterialsQuery, useLearned: boolean): YardNeed {
  const question = [known.catalogue, query.boatId, query.areaId, query.productId, useLearned];
  return kept(known.states, question, () => madeNeed(known, query, useLearned));
}

const keptOfProduct = remembering<Need>(2 * MOST_ASKED);

/** As {@link need}, of each product by itself: a product none of whose lines changed isn’t worked out again. */
function needByProduct(lines: readonly NeedLine[]): Need {
  const needs = [...grouped(lines, ({ productId }) => productId).values()].map((own) =>
    keptOfProduct(own[0] as NeedLine, own, () => need({ lines: own })),
  );
  return {
    parts: needs.flatMap((each) => each.parts),
    colours: needs.flatMap((each) => each.colours),
    liquids: needs.flatMap((each) => each.liquids),
    additives: needs.flatMap((each) => each.additives),
    lines: needs.flatMap((each) => each.lines),
    unknown: needs.flatMap((each) => each.unknown),
    sessions: needs.flatMap((each) => each.sessions),
  };
}

function madeNeed(known: Known, query: MaterialsQuery, useLearned: boolean): YardNeed {
  const states = known.states.filter(
    ({ area, boat }) =>
      (query.boatId === undefined || boat.id === query.boatId) &&
      (query.areaId === undefined || area.id === query.areaId),
  );
  const all = states.map((state) => needLinesOf(state, known.catalogue));
  const ofProduct = (productId: string) => query.productId === undefined || productId === query.productId;
  const lines = all.flatMap((each) => each.lines).filter(({ line }) => ofProduct(line.productId));
  const unknown = all.flatMap((each) => each.unknown).filter(({ productId }) => ofProduct(productId));
  const rates = learnedIn(known.states, known.catalogue);
  const learned = new Map<string, LearnedSpread>();
  const factors = new Map<string, number>();
  const byRate = lines.map(({ line, state }) => {
    const kind = kindOf(line.productId, line.method, state.area.substrate);
    const rate = rates.get(kind);
    if (!rate || rate.coats < LEAST_COATS) return line;
    learned.set(kind, rate);
    if (useLearned) factors.set(line.id, rate.factor);
    return useLearned ? rated(line, rate) : line;
  });
  const bySheet = needByProduct(lines.map(({ line }) => line));
  const own = useLearned && learned.size > 0 ? needByProduct(byRate) : bySheet;
  return {
    lines,
    byProduct: grouped(lines, ({ line }) => line.productId),
    own: new Map(own.lines.map((each) => [each.id, each])),
    unknown,
    need: own,
    bySheet,
    learned,
    hulls: hullsOf(known),
    factors,
  };
}
