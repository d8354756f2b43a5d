import { cansFor } from '../mix/index.ts';
import { NotStatedError, QuantityError } from '../units/index.ts';
import { type LineNeed, lineNeed, type NeedLine } from './lineNeed.ts';
import { partShares } from './partShares.ts';
import { inTools, type Tools } from './sessions.ts';
import { type Amount, DoubtfulSum } from './spreads.ts';

/** The need of a part of a product, in one colour where it has one. */
export interface PartAmount extends Amount {
  productId: string;
  /** Name of the part as the sheet gives it. */
  part: string;
  /** Of its coloured part; null: a hardener or reducer serves every colour. */
  colour: string | null;
  /** kg where the ratio is by weight and no density is stated. */
  unit: 'l' | 'kg';
}

/** The need of one product in one colour, as mixed paint without reducer, l. */
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

/** An additive of a product's sheet that its steps put into the pot, l. */
export interface AdditiveNeed extends Amount {
  productId: string;
  name: string;
}

export interface Need {
  parts: PartAmount[];
  colours: ColourNeed[];
  liquids: LiquidNeed[];
  additives: AdditiveNeed[];
  /** How each line comes about. */
  lines: ({ id: string } & LineNeed)[];
  /** Lines that nothing can be worked out for, and why. */
  unknown: { lineId: string; reason: string }[];
  /** Times that a product is taken up, applied and cleaned away. */
  sessions: { productId: string; sessions: number; leftInTools: number }[];
}

/**
 * The need of every product, part and colour for any choice of steps and areas, likely and safe (P50 and P90), with
 * what stays in the tools, the thinner, the additives and what tools are cleaned with. The parts of a mix follow the own
 * ratio where a step has one. A line whose sheet states neither solids nor coverage, or no density where one is needed, is named and takes no
 * other down.
 *
 * Port and starboard bottom of 20 m², both by the same rule of thumb (± 15 %), 100 µm at 50 % solids by roller: 8.75 l
 * likely and, their errors adding up, 10.5 l safe; measured by mesh (± 2 %) 10.0 l, what remains being how far kinds lie from their
 * sheets and coats from each other.
 *
 * @throws {QuantityError} on figures no paint has, or two lines with the same id
 */
export function need(input: { lines: readonly NeedLine[] }): Need {
  const known: Known[] = [];
  const unknown: Need['unknown'] = [];
  const seen = new Set<string>();
  for (const line of input.lines) {
    if (seen.has(line.id)) throw new QuantityError('line', `in the list twice (${line.id})`, 'named once');
    seen.add(line.id);
    try {
      const own = lineNeed(line);
      // Asked of here too, so that a sheet whose parts cannot be takes down its own line only.
      partShares(line);
      known.push({ line, own });
    } catch (error) {
      // An impossible figure is refused. A missing figure is asked for, and the other lines are still worked out.
      if (!(error instanceof NotStatedError)) throw error;
      unknown.push({ lineId: line.id, reason: error.message });
    }
  }
  const byProduct = new Map<string, Known[]>();
  for (const each of known) {
    const own = byProduct.get(each.line.productId);
    if (own) own.push(each);
    else byProduct.set(each.line.productId, [each]);
  }
  const found: Need = {
    parts: [],
    colours: [],
    liquids: [],
    additives: [],
    lines: known.map(({ line, own }) => ({ id: line.id, ...own })),
    unknown,
    sessions: [],
  };
  for (const [productId, own] of byProduct) {
    const tools = inTools(own);
    addAmounts(found, productId, own, tools);
    found.liquids.push(liquidOf(productId, own, tools));
    if (tools.sessions > 0)
      found.sessions.push({ productId, sessions: tools.sessions, leftInTools: tools.left });
  }
  return found;
}

/** Millilitres in a litre. */
const ML = 1000;

interface Known {
  line: NeedLine;
  own: LineNeed;
}

interface ColourSum {
  sum: DoubtfulSum;
  canLitres: number | null;
  lines: ColourNeed['lines'];
}

/** The litres of each colour of a line, and what its coats by themselves may be wrong by, as a standard deviation. */
function byColour({ coats, scatter }: LineNeed): Map<string, { litres: number; coats: number }> {
  const colours = new Map<string, { litres: number; coats: number }>();
  for (const { colour, litres } of coats) {
    const known = colours.get(colour) ?? { litres: 0, coats: 0 };
    colours.set(colour, {
      litres: known.litres + litres,
      coats: Math.hypot(known.coats, litres * scatter),
    });
  }
  return colours;
}

/** The sums of one product: its base and its mix in each colour, its other parts over all colours. */
function addAmounts(found: Need, productId: string, known: readonly Known[], tools: Tools): void {
  const parts = new Map<string, { of: Omit<PartAmount, keyof Amount>; sum: DoubtfulSum }>();
  const colours = new Map<string, ColourSum>();
  const additives = new Map<string, DoubtfulSum>();
  known.forEach(({ line, own }, at) => {
    const { unit, parts: mix, perLitre } = partShares(line);
    for (const [colour, { litres, coats }] of byColour(own)) {
      const share = own.litres > 0 ? litres / own.litres : 0;
      const mixed = litres + (tools.share[at] as number) * share;
      const doubt = {
        area: own.sd.area * share,
        measuredBy: line.measuredBy,
        hand: own.sd.hand * share,
        by: line.method,
        coats,
      };
      const one = colours.get(colour) ?? {
        sum: new DoubtfulSum(),
        canLitres: line.sheet.canLitres,
        lines: [],
      };
      colours.set(colour, one);
      one.sum.add(mixed, doubt, 1);
      one.lines.push({ lineId: line.id, litres: mixed });
      for (const { name, mlPerLitre } of line.additives ?? []) {
        const additive = additives.get(name) ?? new DoubtfulSum();
        additives.set(name, additive);
        additive.add(mixed, doubt, mlPerLitre / ML);
      }
      mix.forEach(({ name }, i) => {
        const coloured = i === 0 ? colour : null;
        // A colour could be called like a part, but not in front of one.
        const key = i === 0 ? ` ${colour}` : name;
        const part = parts.get(key) ?? {
          of: { productId, part: name, colour: coloured, unit },
          sum: new DoubtfulSum(),
        };
        parts.set(key, part);
        part.sum.add(mixed, doubt, perLitre[i] as number);
      });
    }
  });
  for (const { of, sum } of parts.values()) found.parts.push({ ...of, ...sum.amount });
  for (const [colour, { sum, canLitres, lines }] of colours) {
    const { likely, safe } = sum.amount;
    const cans = canLitres === null || safe <= 0 ? null : cansFor(safe, canLitres);
    found.colours.push({ productId, colour, likely, safe, lines, cans });
  }
  for (const [name, sum] of additives) found.additives.push({ productId, name, ...sum.amount });
}

function liquidOf(productId: string, known: readonly Known[], { clean }: Tools): LiquidNeed {
  const thin = new DoubtfulSum();
  for (const { line, own } of known)
    thin.add(
      own.litres,
      {
        area: own.sd.area,
        measuredBy: line.measuredBy,
        hand: own.sd.hand,
        by: line.method,
        coats: own.scatter * Math.hypot(...own.coats.map(({ litres }) => litres)),
      },
      line.thinner,
    );
  const { likely, safe } = thin.amount;
  const name = known[0]?.line.sheet.thinner ?? null;
  return { productId, name, thin: likely, clean, likely: likely + clean, safe: safe + clean };
}
