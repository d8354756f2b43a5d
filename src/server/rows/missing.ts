/** There is no such record. What is above the rows decides what that means for whoever asked. */
export class Missing extends Error {
  readonly what: string;
  readonly id: string;

  constructor(what: string, id: string) {
    super(`No ${what} found with id ${id}.`);
    this.name = 'Missing';
    this.what = what;
    this.id = id;
  }
}

/** The record, or {@link Missing}. */
export function found<T>(record: T | undefined, what: string, id: string): T {
  if (record === undefined) throw new Missing(what, id);
  return record;
}

/** The record was changed by somebody else between being read and being written. Whoever wrote looks again. */
export class Stale extends Error {
  constructor(what: string) {
    super(`Someone else changed this ${what}. Open it again and repeat your change.`);
    this.name = 'Stale';
  }
}

/** The one row that an update against a version wrote. @throws {Stale} if the version is no longer the latest */
export function written<Row>(rows: readonly Row[], what: string): Row {
  const [row] = rows;
  if (row === undefined) throw new Stale(what);
  return row;
}
