import { sayMinutes } from '../clock/say.ts';

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
    throw new RangeError(`"${text.trim()}" is not a time such as 45 min, 6 h or 10 d`);
  return Number(match[1].replace(',', '.')) * scale;
}

export const durationText = (minutes: number | undefined) =>
  minutes === undefined ? '' : sayMinutes(minutes);
