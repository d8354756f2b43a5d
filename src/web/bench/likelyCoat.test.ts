import { expect, it } from 'vitest';
import type { BenchView } from '../../contract/index.ts';
import { likelyStart } from './likelyCoat.ts';

const NOON = Date.parse('2026-05-14T12:00:00Z');
const MINUTE = 60_000;
const iso = (minutes: number) => new Date(NOON + minutes * MINUTE).toISOString();

/** 20 m² at 20 m² an hour; sections ticked at these minutes from noon, five in all. */
const view = (ticks: readonly number[]) =>
  ({
    clock: { segments: [], next: { areaM2: 20, coveredM2: 0 } },
    rate: { m2PerH: 20 },
    progress: ticks.map((at, no) => ({ at: iso(at), section: { no, of: 5 } })),
  }) as unknown as BenchView;
/** A pot that stands for a quarter of an hour. */
const pots = (ready: number) =>
  [{ mixedAt: iso(ready - 15), inductionEnds: iso(ready) }] as BenchView['pots'];
const minutes = (...asked: Parameters<typeof likelyStart>) => (likelyStart(...asked) - NOON) / MINUTE;

it('a coat begins with its first section or its pot, whichever is sooner; where nothing tells, an hour ago', () => {
  // A section of 4 m² takes 12 minutes.
  expect(minutes(view([-60, -30]), [], [], NOON)).toBe(-72);
  expect(minutes(view([-60]), [], pots(-90), NOON)).toBe(-90);
  expect(minutes(view([-60]), [], pots(-5), NOON)).toBe(-72);
  // Ticked sooner than the rate allows: still not before its paint was mixed.
  expect(minutes(view([-60]), [], pots(-50), NOON)).toBe(-65);
  expect(minutes(view([]), [], [], NOON)).toBe(-60);
  // Begun on the area beside it: half of 10 m² takes 15 minutes.
  const beside = { leftM2: 10, progress: [{ at: iso(-80), section: { no: 0, of: 2 } }] };
  expect(minutes(view([-60]), [beside] as never, [], NOON)).toBe(-95);
  // Sections ticked the day before say nothing of today.
  expect(minutes(view([-24 * 60]), [], [], NOON)).toBe(-60);
});
