export type Matrix = number[][];

/** Inverse by Gauss–Jordan with pivoting; null when singular. */
export function inverse(matrix: Matrix): Matrix | null {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  const size = Math.max(...matrix.flat().map(Math.abs));
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k; i < n; i++) {
      if (Math.abs(rows[i]?.[k] as number) > Math.abs(rows[best]?.[k] as number)) best = i;
    }
    const pivot = rows[best] as number[];
    rows[best] = rows[k] as number[];
    rows[k] = pivot;
    const lead = pivot[k] as number;
    if (Math.abs(lead) <= size * 1e-12) return null;
    for (let j = 0; j < 2 * n; j++) pivot[j] = (pivot[j] as number) / lead;
    rows.forEach((row, i) => {
      const factor = row[k] as number;
      if (i === k || factor === 0) return;
      for (let j = 0; j < 2 * n; j++) row[j] = (row[j] as number) - factor * (pivot[j] as number);
    });
  }
  return rows.map((row) => row.slice(n));
}

export const multiply = (matrix: Matrix, vector: readonly number[]): number[] =>
  matrix.map((row) => row.reduce((sum, each, i) => sum + each * (vector[i] as number), 0));
