/** The fields of a mark, of either kind, that identify its point of the hull. */
interface Point {
  id: string;
  side: string;
  xM: number;
  kind?: string;
  name?: string;
}

/** The same point of the hull: of fittings there may be several at one place, told apart by their names. */
const keyOf = ({ side, xM, kind, name }: Point) =>
  [kind ?? 'made', side, Math.round(xM * 1000), kind === 'fitting' ? (name ?? '') : ''].join(' ');

/** Marks here with those of a file: a point that is here already takes the file's reading, the others are added. */
export function mergeMarks<T extends Point>(
  here: readonly T[],
  read: readonly T[],
): { marks: T[]; replaced: number; added: number } {
  const of = new Map(read.map((mark) => [keyOf(mark), mark]));
  const known = new Set(here.map(keyOf));
  const marks = here.map((mark) => {
    const again = of.get(keyOf(mark));
    return again ? { ...again, id: mark.id } : mark;
  });
  const added = [...of].flatMap(([key, mark]) => (known.has(key) ? [] : [mark]));
  return { marks: [...marks, ...added], replaced: of.size - added.length, added: added.length };
}
