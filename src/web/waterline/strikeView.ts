import type { BoatView, Waterline } from '../../contract/index.ts';
import { formFromDimensions, type OffsetTable } from '../../core/hull/index.ts';
import { type Lying, type StruckLine, strikeLine } from '../../core/waterline/index.ts';

/** The line as struck from what is on the screen, or why it cannot be. */
export type Struck = { line: StruckLine } | { problem: string };

const parametric = new Map<string, OffsetTable>();

/** The hull a boat's line is struck on. */
export function tableOf({ boat, form }: Pick<BoatView, 'boat' | 'form'>): OffsetTable {
  if (form) return form;
  const key = JSON.stringify([boat.kind, boat.dimensions]);
  const known = parametric.get(key) ?? formFromDimensions(boat);
  parametric.set(key, known);
  return known;
}

export function tryStrike(view: Pick<BoatView, 'boat' | 'form'>, plan: Waterline): Struck {
  try {
    return { line: strikeLine({ form: tableOf(view), plan }) };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** What the marks say of each other, in a sentence. */
export function sayLying(lying: Lying, names: readonly string[]): string {
  const list = (indices: readonly number[]) => indices.map((i) => names[i]).join(', ');
  switch (lying.verdict) {
    case 'agree':
      return 'The marks agree.';
    case 'one-lies':
      return 'One of these marks lies, but with so few it cannot be told which: take one or two more.';
    case 'named':
      return `${list(lying.indices)} ${lying.indices.length === 1 ? 'lies and is' : 'lie and are'} left out.`;
    case 'one-of':
      return `One of these lies: ${list(lying.indices)}. Take another mark to tell which; none is left out yet.`;
  }
}

export const nameOf = (mark: { name: string }, i: number) =>
  mark.name ? `Mark ${i + 1} (${mark.name})` : `Mark ${i + 1}`;
