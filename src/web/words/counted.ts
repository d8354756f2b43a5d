/** Names in a row: "Ana, Bo and Cy". */
export const andList = (names: readonly string[]): string => new Intl.ListFormat('en-GB').format(names);

/** A number with its noun: `counted(1, 'area')` → "1 area", `counted(3, 'coat')` → "3 coats". */
export const counted = (count: number, noun: string, plural = `${noun}s`): string =>
  `${count} ${count === 1 ? noun : plural}`;
