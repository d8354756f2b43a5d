/** A place on the globe, degrees, north and east positive. */
export interface Coordinates {
  latitude: number;
  longitude: number;
}

const NUMBER = String.raw`\d+(?:\.\d+)?`;
const ANGLE = String.raw`([+-]?${NUMBER})\s*°?\s*(?:(${NUMBER})\s*[′'’]\s*)?(?:(${NUMBER})\s*[″"”]\s*)?`;
const PAIR = new RegExp(String.raw`^\s*${ANGLE}([NS])?\s*[,;\s]\s*${ANGLE}([EWO])?\s*$`, 'i');

function degrees(parts: readonly (string | undefined)[], side: string | undefined): number {
  const [whole = '0', minutes = '0', seconds = '0'] = parts;
  const size = Math.abs(Number(whole)) + Number(minutes) / 60 + Number(seconds) / 3600;
  const isNegative = whole.startsWith('-') || /[SW]/i.test(side ?? '');
  return Math.round((isNegative ? -size : size) * 10_000) / 10_000;
}

/**
 * Coordinates as a map gives them: `51.507, -0.128`, `51°30′26″N 0°7′40″W`.
 *
 * @returns rounded to 0.0001° (some 10 m); null: the text is something else, or a place that doesn’t exist
 */
export function readCoordinates(text: string): Coordinates | null {
  // "51,5" is one number with a decimal comma, not two.
  if (/^\s*-?\d+,\d+\s*$/.test(text)) return null;
  const found = PAIR.exec(text);
  if (!found) return null;
  const latitude = degrees(found.slice(1, 4), found[4]);
  const longitude = degrees(found.slice(5, 8), found[8]?.toUpperCase() === 'O' ? 'E' : found[8]);
  return Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 ? { latitude, longitude } : null;
}
