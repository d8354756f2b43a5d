/**
 * What a litre of each part is worth where packs could be bought in fractions: the dual of the fractional purchase,
 * max Σ need·y under Σ contents·y ≤ price for every pack, y ≥ 0, by the simplex method with Bland's rule [S: any text of
 * linear programming]. No set of whole packs that covers the need, or any rest of it, costs less than Σ need·y.
 *
 * `fractionalPrices({ need: [3], contents: [[1], [5]], prices: [20, 60] })` → [12]: the litre of the large tin.
 *
 * @param need litres of each part still wanted, 0 or more
 * @param contents for each pack the litres of each part in it
 * @param prices of the packs, 0 or more
 * @returns money for each litre of each part
 */
export function fractionalPrices(input: {
  need: readonly number[];
  contents: readonly (readonly number[])[];
  prices: readonly number[];
}): number[] {
  const { need, contents, prices } = input;
  const [rows, parts] = [contents.length, need.length];
  const width = parts + rows + 1;
  // A row a pack: its contents, its slack, its price. The last row: what each part still brings.
  const table = contents.map((row, i) => [
    ...row,
    ...Array.from({ length: rows }, (_, k) => (k === i ? 1 : 0)),
    prices[i] as number,
  ]);
  const gain = [...need.map((litres) => -litres), ...Array<number>(rows + 1).fill(0)];
  const basis = contents.map((_, i) => parts + i);
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const enters = gain.findIndex((value, k) => k < width - 1 && value < -EPSILON);
    if (enters < 0) break;
    const leaves = leavingRow(table, enters, basis);
    // A part that no pack holds would be worth anything: nothing bounds it.
    if (leaves < 0) break;
    pivot(table, gain, leaves, enters);
    basis[leaves] = enters;
  }
  const worth = Array<number>(parts).fill(0);
  basis.forEach((column, i) => {
    if (column < parts) worth[column] = Math.max(0, table[i]?.[width - 1] as number);
  });
  return worth;
}

const EPSILON = 1e-12;
const MOST_TURNS = 500;

/** The row that bounds what enters first; of rows alike the one of the lowest column, so that no circle is run. */
function leavingRow(table: readonly (readonly number[])[], enters: number, basis: readonly number[]): number {
  let [leaves, least] = [-1, Number.POSITIVE_INFINITY];
  table.forEach((row, i) => {
    const rate = row[enters] as number;
    if (rate <= EPSILON) return;
    const bound = (row.at(-1) as number) / rate;
    const first = leaves < 0 || (basis[i] as number) < (basis[leaves] as number);
    if (bound < least - EPSILON || (bound < least + EPSILON && first)) {
      leaves = i;
      least = Math.min(least, bound);
    }
  });
  return leaves;
}

function pivot(table: number[][], gain: number[], leaves: number, enters: number): void {
  const row = table[leaves] as number[];
  const by = row[enters] as number;
  for (let k = 0; k < row.length; k++) row[k] = (row[k] as number) / by;
  for (const other of [...table.filter((each) => each !== row), gain]) {
    const times = other[enters] as number;
    if (times === 0) continue;
    for (let k = 0; k < row.length; k++) other[k] = (other[k] as number) - times * (row[k] as number);
  }
}
