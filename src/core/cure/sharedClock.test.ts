import { describe, expect, it } from 'vitest';
import { type CurvePoint, eventTime, explainEvent, HOUR_MS, progressAt, type TempSeries } from './index.ts';

const MIN = 60_000;
/** A series far from the epoch, an hour off the round: where it begins must not matter. */
const T0 = Date.UTC(2026, 9, 3, 7);
const hours = (n: number, tempC: (i: number) => number): TempSeries => ({
  startMs: T0,
  valuesC: Array.from({ length: n }, (_, i) => tempC(i)),
});
const table: CurvePoint[] = [
  { tempC: 10, minutes: 960 },
  { tempC: 20, minutes: 480 },
  { tempC: 30, minutes: 300 },
];
/** One law all through, a change of law every few hours, a standing clock at night, a leap of the temperature. */
const SERIES: [string, TempSeries][] = [
  ['a slow swing within one line', hours(240, (i) => 15 + 2 * Math.sin(i / 5))],
  ['over the points of the table by less than 2 K an hour', hours(240, (i) => 20 + 6 * Math.sin(i / 4))],
  ['cold nights in which it stands', hours(240, (i) => 7 + 6 * Math.sin((i * Math.PI) / 12))],
  ['hotter than the table', hours(240, (i) => 29.5 + 1.2 * Math.sin(i / 3))],
  ['leaps of 12 K', hours(240, (i) => (i % 5 === 0 ? 24 : 12))],
];

describe('one clock for many films', () => {
  it.each(SERIES)(
    'in whatever order they ask, each film is told what its own clock says: %s',
    (_what, series) => {
      const curve = { points: table, stopC: 5 };
      // Late first, then earlier, then again later: the shared clock is filled backwards and forwards.
      for (const at of [150.5, 60, 61.25, 3, 149, 200.75, 0, 60, 110]) {
        const laidAt = T0 + at * HOUR_MS;
        const shared = eventTime({ curve, temps: series, laidAt });
        const own = explainEvent({ curve: { points: [...table], stopC: 5 }, temps: series, laidAt });
        expect(Math.abs((shared.at as number) - (own.at as number))).toBeLessThan(5);
        expect([...shared.warnings].sort()).toEqual([...own.warnings].sort());
      }
    },
  );

  it('a table of one point is under one law at every temperature, colder and hotter', () => {
    const curve = { points: [{ tempC: 20, minutes: 600 }], stopC: null };
    // 0.1 K an hour: t = 600·2^((20 − T)/10) integrates to shares of 0.1/ln2·(2^(T/10 − 2)) in closed form.
    const series = hours(200, (i) => 10 + 0.05 * i);
    const at = eventTime({ curve, temps: series, laidAt: T0 }).at as number;
    const a = (0.05 * Math.LN2) / 10;
    const byHand = Math.log(1 + (a * 10) / 2 ** -1) / a;
    expect((at - T0) / HOUR_MS).toBeCloseTo(byHand, 4);
  });

  it('at the very end of what is known the last day is assumed, and the first before it', () => {
    const series = hours(49, () => 20);
    const curve = { points: table, stopC: 5 };
    const end = T0 + 48 * HOUR_MS;
    expect(eventTime({ curve, temps: series, laidAt: end })).toEqual({
      at: end + 480 * MIN,
      warnings: ['beyond-series'],
    });
    expect(eventTime({ curve, temps: series, laidAt: end - 1 }).at).toBe(end - 1 + 480 * MIN);
    expect(eventTime({ curve, temps: series, laidAt: T0 })).toEqual({ at: T0 + 480 * MIN, warnings: [] });
    expect(eventTime({ curve, temps: series, laidAt: T0 - HOUR_MS })).toEqual({
      at: T0 + 420 * MIN,
      warnings: ['before-series'],
    });
  });
});

describe('why then, told stretch by stretch', () => {
  const cold = { points: table, stopC: 5 };
  it('within an hour the clock is one stretch running or standing, at the pace it had', () => {
    // From 0 to 10 °C in an hour: it stands for the first half, runs for the second; then at 10 °C.
    const series = { startMs: T0, valuesC: [0, 10, ...Array(30).fill(10)] };
    const { steps } = explainEvent({ curve: cold, temps: series, laidAt: T0 });
    expect(
      steps.slice(0, 3).map(({ fromMs, toMs, known }) => [(fromMs - T0) / MIN, (toMs - T0) / MIN, known]),
    ).toEqual([
      [0, 30, true],
      [30, 60, true],
      [60, 120, true],
    ]);
    expect(steps[0]).toMatchObject({ share: 0, tempC: 2.5, minutesAtTemp: Number.POSITIVE_INFINITY });
    expect(steps[1]?.tempC).toBeCloseTo(7.5, 9);
    expect(steps[1]?.minutesAtTemp).toBeCloseTo(30 / (steps[1]?.share as number), 9);
    expect(steps[2]?.minutesAtTemp).toBeCloseTo(960, 9);
    expect(steps[2]?.share).toBeCloseTo(60 / 960, 12);
  });

  it('an hour over a point of the table is one stretch: its mean temperature, its whole share', () => {
    const series = { startMs: T0, valuesC: [15, 25, ...Array(30).fill(25)] };
    const { steps } = explainEvent({ curve: cold, temps: series, laidAt: T0 });
    expect(steps[0]).toMatchObject({ fromMs: T0, toMs: T0 + HOUR_MS });
    expect(steps[0]?.tempC).toBeCloseTo(20, 9);
    expect(steps[0]?.minutesAtTemp).toBeCloseTo(60 / (steps[0]?.share as number), 9);
  });

  it('how far it is at a moment: what is behind it, and its part of the stretch it is in', () => {
    const steps = [
      { fromMs: T0, toMs: T0 + 100, tempC: 20, minutesAtTemp: 1, share: 0.2, known: true },
      { fromMs: T0 + 100, toMs: T0 + 300, tempC: 20, minutesAtTemp: 1, share: 0.6, known: true },
    ];
    const at = [-1, 0, 50, 100, 150, 200, 300, 900].map((ms) =>
      Number(progressAt(steps, T0 + ms).toFixed(9)),
    );
    expect(at).toEqual([0, 0, 0.1, 0.2, 0.35, 0.5, 0.8, 0.8]);
  });

  it('what is left when nothing more is known runs at the last day’s mean, as long as anything may', () => {
    const warm = hours(5, () => 10);
    const { steps } = explainEvent({ curve: cold, temps: warm, laidAt: T0 });
    expect(steps.at(-1)).toMatchObject({
      known: false,
      tempC: 10,
      fromMs: T0 + 4 * HOUR_MS,
      toMs: T0 + 16 * HOUR_MS,
    });
    const { at, steps: none } = explainEvent({ curve: cold, temps: hours(5, () => 2), laidAt: T0 });
    expect([at, none.every(({ known }) => known)]).toEqual([null, true]);
    // Ten years of four hours a share still end; of a share that never ends nothing is promised.
    const slow = (minutes: number) => ({ points: [{ tempC: 20, minutes: minutes / 2 }], stopC: null });
    const tenYears = 3650 * 24 * 60;
    expect(eventTime({ curve: slow(tenYears - 60), temps: warm, laidAt: T0 }).at).not.toBeNull();
    expect(eventTime({ curve: slow(tenYears + 60), temps: warm, laidAt: T0 }).at).toBeNull();
  });
});

describe('two nights, worked by hand (docs/twoNights.md)', () => {
  it('the event comes on the third day, 4 h 8 min after the second morning is warm again', () => {
    // 17:00 to 20:00 at 20 °C, an hour down to 0 °C, ten hours there, an hour up again at 07:00; eleven hours of day from
    // 08:00 to 19:00; the same night from 19:00 on; then 20 °C.
    const night = [...Array(11).fill(0), 20];
    const valuesC = [20, 20, 20, 20, ...night, ...Array(11).fill(20), ...night, ...Array(12).fill(20)];
    const curve = { points: [{ tempC: 20, minutes: 1200 }], stopC: 5 };
    const at = eventTime({ curve, temps: { startMs: T0, valuesC }, laidAt: T0 }).at as number;
    const ramp = (60 / 1200) * 0.75 * ((1 - 2 ** -1.5) / (1.5 * Math.LN2));
    const left = 1 - 3 / 20 - 11 / 20 - 4 * ramp;
    // Hours to the second warm morning: 3 + 12 + 11 + 12.
    expect((at - T0) / HOUR_MS).toBeCloseTo(38 + left * 20, 5);
    expect(left * 20).toBeCloseTo(4.135, 3);
  });
});
