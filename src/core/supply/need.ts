import { cansFor } from '../mix/index.ts';
import { QuantityError } from '../units/index.ts';
import { type LineNeed, lineNeed, type NeedLine } from './lineNeed.ts';
import { partShares } from './partShares.ts';
import { inTools, type Tools } from './sessions.ts';
import { type Amount, type Doubt, sumOf } from './spreads.ts';

/** What is wanted of one tin: a part of a product, in one colour where it has one. */
export interface PartAmount extends Amount {
  productId: string;
  /** Name of the part as the sheet gives it. */
  part: string;
  /** Of its coloured part; null: a hardener or reducer serves every colour. */
  colour: string | null;
  /** kg where the ratio is by weight and no density is stated. */
  unit: 'l' | 'kg';
}

/** What is wanted of one product in one colour, as mixed paint without any reducer, l. */
export interface ColourNeed extends Amount {
  productId: string;
  colour: string;
  lines: { lineId: string; litres: number }[];
  /** Whole spray cans that hold the safe need; null: it comes in tins. */
  cans: number | null;
}

/** Liquid that is bought beside the paint: thinner, and what tools are cleaned with, l. */
export interface LiquidNeed extends Amount {
  productId: string;
  /** As the sheet names it; null: it names none. */
  name: string | null;
  thin: number;
  clean: number;
}

export interface Need {
  parts: PartAmount[];
  colours: ColourNeed[];
  liquids: LiquidNeed[];
  /** How each line comes about. */
  lines: ({ id: string } & LineNeed)[];
  /** Lines that nothing can be worked out for, and why. */
  unknown: { lineId: string; reason: string }[];
  /** Times that a product is taken up, applied and cleaned away. */
  sessions: { productId: string; sessions: number; leftInTools: number }[];
}

/**
 * What is wanted of every product, part and colour for any choice of steps and areas, likely and safe (P50 and P90), with
 * what stays in the tools, the thinner and what they are cleaned with. The parts of a mix follow the own ratio where a step
 * has one. A line whose sheet states neither solids nor coverage, or no density where one is needed, is named and takes no
 * other down.
 *
 * Port and starboard bottom of 20 m², both by the same rule of thumb (± 15 %), 100 µm at 50 % solids by roller: 8.65 l
 * likely and, their errors adding up, 9.7 l safe; measured by mesh (± 2 %) 8.8 l.
 *
 * @throws {QuantityError} on figures no paint has, or two lines with the same id
 */
export function need(input: { lines: readonly NeedLine[] }): Need {
  const known: { line: NeedLine; own: LineNeed }[] = [];
  const unknown: Need['unknown'] = [];
  const seen = new Set<string>();
  for (const line of input.lines) {
    if (seen.has(line.id)) throw new QuantityError('line', `"${line.id}" twice`, 'each named once');
    seen.add(line.id);
    try {
      const own = lineNeed(line);
      // Asked of here too, so that a sheet whose parts cannot be takes down its own line only.
      partShares(line);
      known.push({ line, own });
    } catch (error) {
      // A figure that cannot be is refused; one that nobody stated yet is asked for, and the rest is told meanwhile.
      if (!(error instanceof QuantityError) || error.value !== 'not stated') throw error;
      unknown.push({ lineId: line.id, reason: error.message });
    }
  }
  const tools = inTools(known);
  return {
    ...amountsOf(known, tools),
    liquids: liquidsOf(known, tools),
    lines: known.map(({ line, own }) => ({ id: line.id, ...own })),
    unknown,
    sessions: [...tools].map(([productId, { sessions, left }]) => ({
      productId,
      sessions,
      leftInTools: left,
    })),
  };
}

interface PartSum {
  of: Omit<PartAmount, keyof Amount>;
  doubts: Doubt[];
}

interface ColourSum {
  productId: string;
  colour: string;
  canLitres: number | null;
  doubts: Doubt[];
  lines: Map<string, number>;
}

function amountsOf(
  known: readonly { line: NeedLine; own: LineNeed }[],
  tools: ReadonlyMap<string, Tools>,
): Pick<Need, 'parts' | 'colours'> {
  const parts = new Map<string, { of: Omit<PartAmount, keyof Amount>; doubts: Doubt[] }>();
  const colours = new Map<string, ColourSum>();
  for (const { line, own } of known) {
    const { productId } = line;
    const { unit, parts: mix, perLitre } = partShares(line);
    for (const [colour, litres] of byColour(own)) {
      const share = own.litres > 0 ? litres / own.litres : 0;
      const left = (tools.get(productId)?.share.get(line.id) ?? 0) * share;
      const doubt = (times: number): Doubt => ({
        amount: (litres + left) * times,
        area: own.sd.area * share * times,
        measuredBy: line.measuredBy,
        hand: own.sd.hand * share * times,
        by: line.method,
      });
      const key = `${productId} ${colour}`;
      const one: ColourSum = colours.get(key) ?? {
        productId,
        colour,
        canLitres: line.sheet.canLitres,
        doubts: [],
        lines: new Map(),
      };
      colours.set(key, one);
      one.doubts.push(doubt(1));
      one.lines.set(line.id, (one.lines.get(line.id) ?? 0) + litres + left);
      mix.forEach(({ name }, i) => {
        const own = i === 0 ? colour : null;
        const partKey = `${productId} ${i} ${own ?? ''}`;
        const part: PartSum = parts.get(partKey) ?? {
          of: { productId, part: name, colour: own, unit },
          doubts: [],
        };
        parts.set(partKey, part);
        part.doubts.push(doubt(perLitre[i] as number));
      });
    }
  }
  return {
    parts: [...parts.values()].map(({ of, doubts }) => ({ ...of, ...sumOf(doubts) })),
    colours: [...colours.values()].map(({ productId, colour, canLitres, doubts, lines }) => {
      const sum = sumOf(doubts);
      return {
        productId,
        colour,
        ...sum,
        lines: [...lines].map(([lineId, litres]) => ({ lineId, litres })),
        cans: canLitres === null || sum.safe <= 0 ? null : cansFor(sum.safe, canLitres),
      };
    }),
  };
}

function byColour({ coats }: LineNeed): Map<string, number> {
  const litres = new Map<string, number>();
  for (const coat of coats) litres.set(coat.colour, (litres.get(coat.colour) ?? 0) + coat.litres);
  return litres;
}

function liquidsOf(
  known: readonly { line: NeedLine; own: LineNeed }[],
  tools: ReadonlyMap<string, Tools>,
): LiquidNeed[] {
  const all = new Map<string, { name: string | null; doubts: Doubt[] }>();
  for (const { line, own } of known) {
    const one = all.get(line.productId) ?? { name: line.sheet.thinner, doubts: [] };
    all.set(line.productId, one);
    one.doubts.push({
      amount: own.litres * line.thinner,
      area: own.sd.area * line.thinner,
      measuredBy: line.measuredBy,
      hand: own.sd.hand * line.thinner,
      by: line.method,
    });
  }
  return [...all].map(([productId, { name, doubts }]) => {
    const thin = sumOf(doubts);
    const clean = tools.get(productId)?.clean ?? 0;
    return {
      productId,
      name,
      thin: thin.likely,
      clean,
      likely: thin.likely + clean,
      safe: thin.safe + clean,
    };
  });
}
