/** Safe names for downloaded files. */

/** A name with nothing in it that a file system or a header could trip over: `A/B "x"` → `A B x`. */
export const safeName = (name: string): string =>
  name
    .replaceAll(/[^\p{L}\p{N} ._'-]+/gu, ' ')
    .replaceAll(/\s+/g, ' ')
    .replaceAll(/^[ .]+|[ .]+$/g, '')
    .slice(0, 80) || 'file';

/** A CSV file to hand out. */
export const csvFile = (name: string, content: string) => ({
  name: `${safeName(name)}.csv`,
  type: 'text/csv',
  content,
});
