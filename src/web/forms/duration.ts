const SCALE: Record<string, number> = {
  min: 1,
  m: 1,
  h: 60,
  hr: 60,
  d: 1440,
  day: 1440,
  days: 1440,
  w: 10_080,
};

/**
 * Reads a time as sheets write it: "45 min", "6 h", "10 d"; a bare number is hours. Returns minutes.
 * @throws {RangeError} naming what could not be read
 */
export function parseDuration(text: string): number {
  const match = /^\s*(\d+(?:[.,]\d+)?)\s*([a-z]*)\s*$/i.exec(text);
  const scale = match && SCALE[(match[2] || 'h').toLowerCase()];
  if (!match?.[1] || !scale)
    throw new RangeError(`Can’t read “${text.trim()}” as a time. Try 45 min, 6 h or 10 d`);
  return Number(match[1].replace(',', '.')) * scale;
}

/** A time for a form field, in the largest unit that gives it without rounding: 4320 → "3 d", 4800 → "80 h". */
export function durationText(minutes: number | undefined): string {
  if (minutes === undefined) return '';
  const [unit, size] = [
    ['d', 1440],
    ['h', 60],
  ].find(
    ([, scale]) => minutes >= (scale as number) && Number.isInteger((minutes / (scale as number)) * 4),
  ) ?? ['min', 1];
  return `${minutes / (size as number)} ${unit}`;
}
