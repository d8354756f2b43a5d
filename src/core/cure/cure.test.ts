import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { surfaceTemps } from '../air/index.ts';
import {
  type CureSheet,
  eventTime,
  explainEvent,
  HOUR_MS,
  holdsAggregate,
  progressAt,
  readyCurve,
  spliceHours,
  type TempSeries,
  windowsFor,
} from './index.ts';

const MIN = 60_000;
const constant = (tempC: number, hours = 24 * 30): TempSeries => ({
  startMs: 0,
  valuesC: Array(hours).fill(tempC),
});
const epoxy = {
  points: [
    { tempC: 10, minutes: 960 },
    { tempC: 20, minutes: 480 },
    { tempC: 30, minutes: 300 },
  ],
  stopC: 5,
};

it('aggregate holds while the coat is wet, never after tack-free; what is not known is not taken as wet for long', () => {
  const at = (hours: number, tackFreeMs?: number | null) =>
    holdsAggregate({ toMs: 0, tackFreeMs, nowMs: hours * HOUR_MS });
  expect([at(3.99, 4 * HOUR_MS).isWet, at(4, 4 * HOUR_MS).isWet]).toEqual([true, false]);
  // Too cold to become tack-free: wet, and nobody knows until when.
  expect(at(30, null)).toEqual({ isWet: true, untilMs: null });
  expect([at(1), at(2)]).toEqual([
    { isWet: true, untilMs: null },
    { isWet: false, untilMs: null },
  ]);
});

describe('the cure clock', () => {
  it('at constant temperature reads its own table back', () => {
    for (const { tempC, minutes } of epoxy.points) {
      expect(eventTime({ curve: epoxy, temps: constant(tempC), laidAt: 90 * MIN }).at).toBe(
        (90 + minutes) * MIN,
      );
    }
  });

  it('integrates along the straight lines between readings: a ramp by hand, and by 3600 steps an hour', () => {
    // One point alone halves per +10 °C: t(T) = 600·2^((20−T)/10). From 10 to 20 °C in one hour the share is
    // ∫₀¹ 60/600·2^(x−1) dx = 0.1·(1 − 1/2)/ln 2, in closed form; the rest runs at 20 °C.
    const single = { points: [{ tempC: 20, minutes: 600 }], stopC: null };
    const ramp = { startMs: 0, valuesC: [10, ...Array(100).fill(20)] };
    const byHand = 60 + (1 - 0.05 / Math.LN2) * 600;
    expect((eventTime({ curve: single, temps: ramp, laidAt: 0 }).at as number) / MIN).toBeCloseTo(byHand, 2);

    const valuesC = [18, 31, 3, 9, 4, 12, 26, 22, 22, 15, 7, 2, 8, 20, 20];
    const at = eventTime({ curve: epoxy, temps: { startMs: 0, valuesC }, laidAt: 20 * MIN }).at as number;
    let done = 0;
    const ready = readyCurve('x', epoxy);
    for (let ms = 20 * MIN + 500; ms < at; ms += 1000) {
      const i = Math.floor(ms / HOUR_MS);
      const [a, b] = [valuesC[i] as number, valuesC[i + 1] as number];
      done += 1000 / MIN / ready.minutesAt(a + (ms / HOUR_MS - i) * (b - a));
    }
    expect(done).toBeGreaterThan(0.999);
    expect(done).toBeLessThan(1.001);
  });

  it('an event that is due at the very moment the cold sets in does not wait for the thaw', () => {
    const temps = { startMs: 0, valuesC: [...Array(9).fill(20), ...Array(16).fill(2), ...Array(9).fill(20)] };
    expect(eventTime({ curve: epoxy, temps, laidAt: 0 })).toEqual({ at: 8 * HOUR_MS, warnings: [] });
    expect(explainEvent({ curve: epoxy, temps, laidAt: 0 }).at).toBe(8 * HOUR_MS);
    // The line falls from 20 to 2 in an hour and passes 5, where the clock stands, after fifty minutes.
    const late = eventTime({ curve: epoxy, temps, laidAt: 50 * MIN + 1000 }).at as number;
    expect(late / HOUR_MS).toBeGreaterThan(24);
  });

  it('a start that is no moment is refused by name, and spoils nothing for the next film', () => {
    const temps = constant(20);
    expect(() => eventTime({ curve: epoxy, temps, laidAt: Number.NaN })).toThrow(
      'Time of application must be a valid time, but is NaN',
    );
    expect(eventTime({ curve: epoxy, temps, laidAt: 0 }).at).toBe(480 * MIN);
    const hole = { startMs: 0, valuesC: [20, Number.NaN, 20] };
    expect(() => eventTime({ curve: epoxy, temps: hole, laidAt: 0 })).toThrow(
      'Film temperature of hour 1 must be between -60 and 120, but is NaN',
    );
  });

  it('for one activation energy is the equivalent age of ASTM C1074', () => {
    // t_e = Σ exp(−Q (1/T_a − 1/T_s)) Δt, the event at t_e = its time at the reference temperature.
    const Q = 5000;
    const ts = 293.15;
    const timeAt = (c: number) => 600 * Math.exp(Q * (1 / (c + 273.15) - 1 / ts));
    const curve = { points: [5, 35].map((tempC) => ({ tempC, minutes: timeAt(tempC) })), stopC: null };
    const valuesC = Array.from({ length: 200 }, (_, h) => 15 + 8 * Math.sin((h * Math.PI) / 12));
    const at = eventTime({ curve, temps: { startMs: 0, valuesC }, laidAt: 0 }).at as number;
    let age = 0;
    for (let minute = 0; minute < at / MIN; minute += 1) {
      const h = Math.floor(minute / 60);
      const [from, to] = [valuesC[h] as number, valuesC[h + 1] as number];
      const kelvin = from + (minute / 60 - h) * (to - from) + 273.15;
      age += Math.exp(-Q * (1 / kelvin - 1 / ts));
    }
    expect(age / 600).toBeCloseTo(1, 2);
  });

  it('one point alone halves per +10 °C (common practice); hotter than the table runs no faster, and warns', () => {
    const single = { points: [{ tempC: 20, minutes: 600 }], stopC: null };
    expect(readyCurve('x', single).minutesAt(10)).toBeCloseTo(1200);
    const hot = eventTime({ curve: single, temps: constant(35), laidAt: 0 });
    expect(hot).toEqual({ at: 600 * MIN, warnings: ['hotter-than-table'] });
  });

  it('stands below the stop temperature: a cold night moves the event by its whole length', () => {
    const warm = { startMs: 0, valuesC: Array(48).fill(20) };
    // Ten readings at 2 °C: nine hours of cold, and on either side the line passes 5 °C a sixth of an hour from it.
    const coldNight = { startMs: 0, valuesC: [20, 20, ...Array(10).fill(2), ...Array(36).fill(20)] };
    const a = eventTime({ curve: epoxy, temps: warm, laidAt: 0 });
    const b = eventTime({ curve: epoxy, temps: coldNight, laidAt: 0 });
    const later = ((b.at as number) - (a.at as number)) / HOUR_MS;
    expect(later).toBeGreaterThan(9 + 2 / 6);
    expect(later).toBeLessThan(11);
    expect(b.warnings).toContain('stood-cold');
    expect(eventTime({ curve: epoxy, temps: constant(2), laidAt: 0 }).at).toBeNull();
  });

  it('explains itself: the shares sum to one and half-way is half done', () => {
    const { steps, at } = explainEvent({ curve: epoxy, temps: constant(20), laidAt: 0 });
    expect(steps.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 12);
    expect(progressAt(steps, (at as number) / 2)).toBeCloseTo(0.5, 12);
  });

  it('colder is never sooner', () => {
    const temps = fc.array(fc.double({ min: -10, max: 40, noNaN: true }), { minLength: 24, maxLength: 300 });
    fc.assert(
      fc.property(temps, fc.double({ min: 0, max: 15, noNaN: true }), (valuesC, colder) => {
        const a = eventTime({ curve: epoxy, temps: { startMs: 0, valuesC }, laidAt: 0 }).at;
        const b = eventTime({
          curve: epoxy,
          temps: { startMs: 0, valuesC: valuesC.map((t) => t - colder) },
          laidAt: 0,
        }).at;
        expect(b ?? Number.POSITIVE_INFINITY).toBeGreaterThanOrEqual(a ?? Number.POSITIVE_INFINITY);
      }),
    );
  });

  it('by bisection and hour by hour it is the same clock', () => {
    const temps = fc.array(fc.double({ min: -5, max: 40, noNaN: true }), { minLength: 48, maxLength: 400 });
    fc.assert(
      fc.property(temps, fc.double({ min: 0, max: 40, noNaN: true }), (valuesC, appliedHour) => {
        const input = {
          curve: epoxy,
          temps: { startMs: 0, valuesC },
          laidAt: Math.floor(appliedHour * HOUR_MS),
        };
        const { steps: _, ...stepped } = explainEvent(input);
        const found = eventTime(input);
        expect(found.warnings.toSorted()).toEqual(stepped.warnings.toSorted());
        if (found.at === null || stepped.at === null) expect(found.at).toBe(stepped.at);
        else expect(Math.abs(found.at - stepped.at)).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('holds to 0.1 % on a table as steep as any, against 3600 steps an hour', () => {
    // A hundred times as fast a degree warmer, a stop, and the weather crossing both.
    const steep = {
      points: [
        { tempC: 18, minutes: 20_000 },
        { tempC: 19, minutes: 200 },
      ],
      stopC: 17,
    };
    const valuesC = [
      18.2, 18.6, 17.4, 18.1, 18.9, 17.2, 16.5, 18.8, 19.5, 18.3, 18.3, 18.3, 18.9, 19.4, 19.2, 18.7, 19.3,
      19.3, 19.3, 19.3,
    ];
    const temps = { startMs: 0, valuesC };
    const ready = readyCurve('x', steep);
    for (const laidAt of [0, 25 * MIN, 200 * MIN]) {
      const at = eventTime({ curve: steep, temps, laidAt }).at as number;
      let done = 0;
      for (let ms = laidAt + 500; ms < at; ms += 1000) {
        const i = Math.floor(ms / HOUR_MS);
        const [a, b] = [valuesC[i] as number, valuesC[i + 1] as number];
        done += 1000 / MIN / ready.minutesAt(a + (ms / HOUR_MS - i) * (b - a));
      }
      expect(Math.abs(done - 1)).toBeLessThan(0.001);
      const stepped = explainEvent({ curve: steep, temps, laidAt }).at as number;
      expect(Math.abs(stepped - at)).toBeLessThan(1000);
    }
  });

  it('refuses a table that is slower when hotter, naming the point', () => {
    const wrong = {
      points: [
        { tempC: 10, minutes: 100 },
        { tempC: 20, minutes: 200 },
      ],
      stopC: null,
    };
    expect(() => eventTime({ curve: wrong, temps: constant(20), laidAt: 0 })).toThrow('at 20 °C');
  });
});

describe('windows for the next coat', () => {
  const at20 = (hours: number) => [{ tempC: 20, minutes: hours * 60 }];
  const sheet: CureSheet = {
    stopC: 5,
    events: { immersion: at20(24), 'latest-immersion': at20(24 * 30) },
    overcoat: [
      { by: 'any', min: at20(8), chemicalMax: at20(72), keyGrit: 120 },
      {
        by: 'ablative-antifouling',
        min: at20(3),
        chemicalMax: at20(6),
        thumb: { opens: at20(3), closes: at20(5) },
        keyGrit: 80,
      },
    ],
  };
  const film = { laidFromMs: 0, laidToMs: 2 * HOUR_MS, sheet };
  const state = (family: string, hour: number) =>
    windowsFor({
      film,
      next: { kind: 'coat', family, same: false },
      temps: constant(20),
      now: hour * HOUR_MS,
    });

  it('too soon counts from the last corner applied, the end of the chemical window from the first', () => {
    expect(state('epoxy-primer', 9.9).state).toBe('too-soon');
    expect(state('epoxy-primer', 10)).toMatchObject({ state: 'open', until: 72 * HOUR_MS, keyGrit: 120 });
    expect(state('epoxy-primer', 72)).toMatchObject({ state: 'key-first', until: null });
  });

  it('antifouling over epoxy goes on while it still takes a thumbprint', () => {
    expect(state('ablative-antifouling', 4).state).toBe('too-soon');
    expect(state('ablative-antifouling', 5.5).state).toBe('open');
    const early = windowsFor({
      film: { ...film, laidToMs: HOUR_MS },
      next: { kind: 'coat', family: 'ablative-antifouling', same: false },
      temps: constant(20),
      now: 4.5 * HOUR_MS,
    });
    expect(early).toMatchObject({ state: 'thumb', until: 5 * HOUR_MS });
  });

  it('the water: too soon, open, and closed for good once an antifouling has stood out too long', () => {
    const water = (hour: number) =>
      windowsFor({ film, next: { kind: 'water' }, temps: constant(20), now: hour * HOUR_MS }).state;
    expect([water(20), water(27), water(24 * 31)]).toEqual(['too-soon', 'open', 'closed']);
  });

  it('assumes nothing where the sheet is silent', () => {
    const silent = { ...sheet, overcoat: [] };
    const next = { kind: 'coat', family: 'varnish', same: false } as const;
    const windows = windowsFor({ film: { ...film, sheet: silent }, next, temps: constant(20), now: 0 });
    expect(windows.state).toBe('not-stated');
  });
});

describe('measured and forecast air are spliced at now', () => {
  it('measured wins up to now, forecast after, gaps are filled and said to be', () => {
    const hour = (h: number, airC: number) => ({ at: h * HOUR_MS, airC, rh: 0.5 });
    const hours = spliceHours({
      measured: [hour(0, 10), hour(3, 16), hour(6, 99)],
      forecast: [hour(0, 1), hour(4, 20), hour(5, 21)],
      now: 3.5 * HOUR_MS,
    });
    expect(hours.map((h) => [h.airC, h.source])).toEqual([
      [10, 'measured'],
      [12, 'filled'],
      [14, 'filled'],
      [16, 'measured'],
      [20, 'forecast'],
      [21, 'forecast'],
    ]);
    expect(surfaceTemps(hours, { kind: 'heated', setPointC: 15 })).toEqual([15, 15, 15, 16, 20, 21]);
  });
});
