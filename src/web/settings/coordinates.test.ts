import { describe, expect, it } from 'vitest';
import { readCoordinates } from './coordinates.ts';

describe('coordinates as a map gives them', () => {
  it.each([
    ['51.507, -0.128', 51.507, -0.128],
    ['51.507 -0.128', 51.507, -0.128],
    ['33.8688 S, 151.2093 E', -33.8688, 151.2093],
    // 26″ are 0.0072°, 40″ are 0.0111°.
    ['51°30′26″N 0°7′40″W', 51.5072, -0.1278],
    ["43°30' N, 5°15' W", 43.5, -5.25],
  ])('%s', (text, latitude, longitude) => {
    expect(readCoordinates(text)).toEqual({ latitude, longitude });
  });
  it.each(['51.507', '', '95, 10', '51,5', '-4,25', '51, 181', '12:30, 4', 'North quay', '51.507, '])(
    '“%s” is not a place',
    (text) => {
      expect(readCoordinates(text)).toBeNull();
    },
  );
});
