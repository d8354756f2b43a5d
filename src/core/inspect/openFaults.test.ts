import { expect, it } from 'vitest';
import { type FoundOnArea, openFaults, paintedOverMs } from './openFaults.ts';

/** What settles a finding is common practice, no source; the limits are those of the findings themselves. */
const found = (
  kind: FoundOnArea['kind'],
  atMs: number,
  verdict: FoundOnArea['verdict'],
  place: object | null = null,
) => ({ kind, atMs, verdict, place }) satisfies FoundOnArea;

it('a bad reading stands until the next one of its kind, and only bad ones stand', () => {
  const [salt, washed] = [found('salt', 10, 'bad'), found('salt', 20, 'fine')];
  expect(openFaults([salt, found('rust', 5, 'watch')], null)).toEqual([salt]);
  expect(openFaults([salt, washed], null)).toEqual([]);
  // Read in any order; an older good reading settles nothing.
  expect(openFaults([found('salt', 1, 'fine'), salt], null)).toEqual([salt]);
  const again = found('salt', 30, 'bad');
  expect(openFaults([salt, washed, again], null)).toEqual([again]);
});

it('one place says nothing of another, the whole area something of each', () => {
  const [bow, stern] = [
    { xM: 8, zM: 0, side: 'port' },
    { xM: 1, zM: 0, side: 'port' },
  ];
  const blister = found('blisters', 10, 'bad', bow);
  expect(openFaults([blister, found('blisters', 20, 'fine', stern)], null)).toEqual([blister]);
  expect(openFaults([blister, found('blisters', 20, 'fine', bow)], null)).toEqual([]);
  expect(openFaults([blister, found('blisters', 20, 'fine')], null)).toEqual([]);
});

it('blasting takes rust and blisters with it; salt is measured again', () => {
  const [rust, salt] = [found('rust', 10, 'bad'), found('salt', 10, 'bad')];
  expect(openFaults([rust, salt], 20)).toEqual([salt]);
  expect(openFaults([found('rust', 30, 'bad')], 20)).toHaveLength(1);
  expect(() => openFaults([{ ...rust, atMs: Number.NaN }], null)).toThrow(
    /Time of a finding must be a valid time, but is NaN/,
  );
});

it('painted over by the first coat that ends after it was found, or in its minute; not by one before', () => {
  const minute = 60_000;
  const found = 600 * minute + 13_000;
  expect(paintedOverMs(found, [570 * minute])).toBeNull();
  expect(paintedOverMs(found, [])).toBeNull();
  expect(paintedOverMs(found, [570 * minute, 800 * minute, 720 * minute])).toBe(720 * minute);
  expect(paintedOverMs(found, [600 * minute])).toBe(600 * minute);
});
