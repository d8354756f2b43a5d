/** There is no such record. What is above the rows decides what that means for whoever asked. */
export class Missing extends Error {
  readonly what: string;
  readonly id: string;

  constructor(what: string, id: string) {
    super(`There is no ${what} ${id} here.`);
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
