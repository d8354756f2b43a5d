import { describe, expect, it } from 'vitest';
import {
  type CureSheet,
  clockStretches,
  delayedWindows,
  eventTime,
  explainEvent,
  FILM_EVENTS,
  type Film,
  filmEvents,
  HOUR_MS,
  type Next,
  type OvercoatRule,
  ruleFor,
  sandedWindows,
  segmentAt,
  shareDone,
  type TempSeries,
  urgencyMs,
  windowsFor,
} from './index.ts';

const at20 = (hours: number) => [{ tempC: 20, minutes: hours * 60 }];
const constant = (tempC: number, hours = 24 * 60): TempSeries => ({
  startMs: 0,
  valuesC: Array(hours).fill(tempC),
});
const rule = (over: Partial<OvercoatRule>): OvercoatRule => ({
  by: 'any',
  min: at20(8),
  chemicalMax: at20(72),
  keyGrit: 120,
  ...over,
});
const sheet = (over: Partial<CureSheet> = {}): CureSheet => ({
  stopC: 5,
  events: {},
  overcoat: [rule({})],
  ...over,
});
const film = (over: Partial<Film> = {}): Film => ({
  laidFromMs: 0,
  laidToMs: HOUR_MS,
  sheet: sheet(),
  ...over,
});
const coat = (family = 'epoxy-primer', same = false): Next => ({ kind: 'coat', family, same });
const look = (f: Film, hour: number, next: Next = coat(), temps = constant(20)) =>
  windowsFor({ film: f, next, temps, now: hour * HOUR_MS });

describe('which line of the sheet speaks for the next coat', () => {
  const lines = [rule({ by: 'any' }), rule({ by: 'epoxy-barrier' }), rule({ by: 'self' })];
  it('the same product first, then its family, then anything else', () => {
    expect(ruleFor(sheet({ overcoat: lines }), coat('epoxy-barrier', true))?.by).toBe('self');
    expect(ruleFor(sheet({ overcoat: lines }), coat('epoxy-barrier'))?.by).toBe('epoxy-barrier');
    expect(ruleFor(sheet({ overcoat: lines }), coat('varnish'))?.by).toBe('any');
    expect(ruleFor(sheet({ overcoat: [rule({ by: 'self' })] }), coat('varnish'))).toBeUndefined();
  });
  it('the water has no overcoat line at all', () => {
    expect(ruleFor(sheet({ overcoat: lines }), { kind: 'water' })).toBeUndefined();
  });
});

describe('the states follow each other without gap or overlap', () => {
  const thumb = { opens: at20(4), closes: at20(6) };
  it.each<[string, CureSheet, Next, string[]]>([
    ['a plain overcoat', sheet(), coat(), ['too-soon', 'open', 'key-first']],
    [
      'a sheet without a chemical end',
      sheet({ overcoat: [rule({ chemicalMax: null })] }),
      coat(),
      ['too-soon', 'open'],
    ],
    [
      'a thumb window',
      sheet({ overcoat: [rule({ min: at20(3), thumb })] }),
      coat(),
      ['too-soon', 'thumb', 'open', 'key-first'],
    ],
    [
      'the water, with a latest day',
      sheet({ events: { immersion: at20(24), 'latest-immersion': at20(200) } }),
      { kind: 'water' },
      ['too-soon', 'open', 'closed'],
    ],
    [
      'the water, without one',
      sheet({ events: { immersion: at20(24) } }),
      { kind: 'water' },
      ['too-soon', 'open'],
    ],
    [
      'the water, where only the latest day is stated',
      sheet({ events: { 'latest-immersion': at20(200) } }),
      { kind: 'water' },
      ['earliest-not-stated', 'closed'],
    ],
    ['the water, on a sheet that is silent', sheet(), { kind: 'water' }, ['not-stated']],
  ])('%s', (_what, s, next, states) => {
    const { segments } = look(film({ sheet: s }), 1, next);
    expect(segments.map((x) => x.state)).toEqual(states);
    expect(segments[0]?.fromMs).toBe(0);
    segments.slice(1).forEach((segment, i) => {
      expect(segment.fromMs).toBe(segments[i]?.toMs);
    });
    expect(segments.at(-1)?.toMs).toBeNull();
  });

  it('a thumbprint before the sheet’s own minimum is no leave to go on', () => {
    const early = film({ laidToMs: 0, sheet: sheet({ overcoat: [rule({ min: at20(5), thumb })] }) });
    expect(look(early, 4.5).state).toBe('too-soon');
    expect(look(early, 5)).toMatchObject({ state: 'thumb', until: 6 * HOUR_MS });
  });

  it('a film applied twice as thick is slower than its sheet: warned of, the hand decides', () => {
    expect(look(film({ timesTypical: 2 }), 12).warnings).toEqual(['heavy-film']);
    expect(look(film({ timesTypical: 1.2 }), 12).warnings).toEqual([]);
  });

  it('refuses an end before its start, and a now that is none', () => {
    expect(() => look(film({ laidToMs: -1 }), 1)).toThrow(
      'End of application must be at or after its start (0), but is -1',
    );
    expect(() => look(film(), Number.NaN)).toThrow('Now must be a valid time, but is NaN');
  });

  it('a coat applied so slowly that the first corner’s window has closed before the last may be overcoated', () => {
    const slow = film({ laidToMs: 70 * HOUR_MS, sheet: sheet() });
    // "May" at 70 + 8 h, "must" by 72 h: there is no open state left, the film is keyed.
    expect(look(slow, 79).segments.map((x) => x.state)).toEqual(['too-soon', 'key-first']);
  });

  it('a film in the cold is too soon for good, as far as is known, and says that it stood', () => {
    const cold = look(film(), 400, coat(), constant(1));
    expect(cold).toMatchObject({ state: 'too-soon', until: null });
    expect(cold.warnings).toContain('stood-cold');
  });

  it('an edge beyond the forecast is reckoned on with the last day, and warned of', () => {
    const short = look(film(), 3, coat(), constant(20, 24));
    expect(short.edges.find((e) => e.edge === 'chemical-max')?.at).toBe(72 * HOUR_MS);
    expect(short.warnings).toEqual(['beyond-series']);
  });

  it('a film applied before the air is known is reckoned from the first known day, and warned of', () => {
    const early = { ...constant(20), startMs: 5 * HOUR_MS };
    const windows = windowsFor({ film: film(), next: coat(), temps: early, now: 6 * HOUR_MS });
    expect(windows.edges.find((e) => e.edge === 'overcoat-min')?.at).toBe(9 * HOUR_MS);
    expect(windows.warnings).toContain('before-series');
  });

  it('tells which state holds, its end, and the grit to key with', () => {
    expect(look(film(), 12)).toMatchObject({
      state: 'open',
      until: 72 * HOUR_MS,
      keyGrit: 120,
      ruleBy: 'any',
    });
    expect(look(film(), 72)).toMatchObject({ state: 'key-first', until: null });
    expect(look(film(), -5)).toMatchObject({ state: 'too-soon' });
  });
});

describe('a film’s own events', () => {
  const events = {
    'tack-free': at20(3),
    sandable: at20(16),
    walk: at20(24),
    'full-cure': at20(168),
  } as const;
  it('come from the last corner, only those the sheet states, in the order of the trade', () => {
    const found = filmEvents({ film: film({ sheet: sheet({ events }) }), temps: constant(20) });
    expect(found.map((e) => e.event)).toEqual(FILM_EVENTS.filter((e) => e in events));
    expect(found.map((e) => (e.at as number) / HOUR_MS)).toEqual([4, 17, 25, 169]);
  });
  it('the latest immersion counts from the first corner, in the list of events as in the window', () => {
    const slow = film({
      laidToMs: 10 * HOUR_MS,
      sheet: sheet({ events: { 'latest-immersion': at20(200) } }),
    });
    const window = look(slow, 20, { kind: 'water' });
    expect(filmEvents({ film: slow, temps: constant(20) })).toEqual([
      { event: 'latest-immersion', at: 200 * HOUR_MS },
    ]);
    expect(window.until).toBe(200 * HOUR_MS);
  });
  it('do not come where the clock stands', () => {
    const found = filmEvents({ film: film({ sheet: sheet({ events }) }), temps: constant(0) });
    expect(found.map((e) => e.at)).toEqual([null, null, null, null]);
  });
});

describe('why then: the clock day by day', () => {
  const curve = { points: at20(48), stopC: 5 };
  it('the shares of the days add up to the whole, standing hours are counted', () => {
    // A day at 20 °C, a day at 2 °C in which it stands, then 20 °C again.
    const valuesC = [...Array(24).fill(20), ...Array(25).fill(2), ...Array(48).fill(20)];
    const { steps, at } = explainEvent({ curve, temps: { startMs: 0, valuesC }, laidAt: 0 });
    const days = clockStretches({ steps, boundariesMs: [0, 24, 48, 72].map((h) => h * HOUR_MS) });
    expect(days.reduce((sum, day) => sum + day.share, 0)).toBeCloseTo(1, 9);
    expect(days.map((d) => Math.round(d.stoodMs / HOUR_MS))).toEqual([0, 24, 0, 0]);
    expect(days.map((d) => Math.round(d.meanC))).toEqual([20, 2, 20, 20]);
    expect(days.at(-1)?.toMs).toBeCloseTo(at as number, 0);
  });
  it('a stretch beyond the forecast is marked as assumed', () => {
    const { steps } = explainEvent({ curve, temps: constant(20, 25), laidAt: 0 });
    const days = clockStretches({ steps, boundariesMs: [0, 24 * HOUR_MS] });
    expect(days.map((d) => d.known)).toEqual([true, false]);
  });
});

describe('what needs hands first', () => {
  it('what opens or closes soonest, then what is open for good, then what stands still', () => {
    const order = [
      { state: 'open', untilMs: 5000 },
      { state: 'too-soon', untilMs: 9000 },
      { state: 'open', untilMs: null },
      { state: 'key-first', untilMs: null },
      { state: 'closed', untilMs: null },
      { state: 'bare', untilMs: null },
      { state: 'finished', untilMs: null },
      { state: 'no-system', untilMs: null },
    ] as const;
    const sorted = [...order].reverse().sort((a, b) => urgencyMs(a) - urgencyMs(b));
    expect(sorted).toEqual(order);
  });
  it('the present state is the last that has begun', () => {
    const segments = [{ fromMs: 0 }, { fromMs: 10 }, { fromMs: 20 }];
    expect(segmentAt(segments, 15)).toBe(segments[1]);
    expect(segmentAt(segments, 20)).toBe(segments[2]);
    expect(segmentAt(segments, -1)).toBe(segments[0]);
    expect(segmentAt([], 5)).toBeUndefined();
  });
});

describe('tables that cannot drive a clock are refused by name', () => {
  const run = (points: { tempC: number; minutes: number }[]) =>
    eventTime({ curve: { points, stopC: null }, temps: constant(20), laidAt: 0 });
  it.each([
    ['no point', [], 'Number of points of the event table must be between 1 and 5, but is 0'],
    ['a time of 0', [{ tempC: 20, minutes: 0 }], 'Event time must be above 0, but is 0'],
    [
      'one temperature twice',
      [
        { tempC: 20, minutes: 5 },
        { tempC: 20, minutes: 6 },
      ],
      'Event temperature must be given once, but is in the table twice (20 °C)',
    ],
    [
      'an impossible temperature',
      [{ tempC: 400, minutes: 5 }],
      'Event temperature must be between -40 and 80, but is 400',
    ],
  ])('%s', (_what, points, message) => {
    expect(() => run(points)).toThrow(message);
  });
  it('an air of no hours at all', () => {
    const empty = { startMs: 0, valuesC: [] };
    expect(() => eventTime({ curve: { points: at20(1), stopC: null }, temps: empty, laidAt: 0 })).toThrow(
      'Number of hours in the temperature series must be 1 or more, but is 0',
    );
  });
});

describe('a wait before the next coat', () => {
  const of = (untilH: number) =>
    delayedWindows(look(film(), 20), untilH * HOUR_MS, 20 * HOUR_MS).segments.map(({ state, fromMs }) => [
      state,
      fromMs / HOUR_MS,
    ]);
  it('moves the opening, and what closes meanwhile is closed', () => {
    // By its sheet open from 9 h to 72 h, then to be sanded.
    expect(of(30)).toEqual([
      ['too-soon', 0],
      ['open', 30],
      ['key-first', 72],
    ]);
    expect(of(5)).toEqual([
      ['too-soon', 0],
      ['open', 9],
      ['key-first', 72],
    ]);
    expect(of(80)).toEqual([
      ['too-soon', 0],
      ['key-first', 80],
    ]);
  });
});

describe('abraded for its next coat', () => {
  const missed = look(film(), 200);
  it('a missed window stays to be keyed until it is, and bonds by tooth from then on', () => {
    const keyed = sandedWindows(missed, 150 * HOUR_MS, 200 * HOUR_MS);
    expect([missed.state, keyed.state, keyed.until]).toEqual(['key-first', 'keyed', null]);
    expect(keyed.segments.map(({ state, fromMs }) => [state, fromMs / HOUR_MS])).toEqual([
      ['too-soon', 0],
      ['open', 9],
      ['key-first', 72],
      ['keyed', 150],
    ]);
    expect(segmentAt(keyed.segments, 100 * HOUR_MS)?.state).toBe('key-first');
  });
  it('sanded inside the window it no longer closes, and nothing goes on before the overcoat minimum', () => {
    const early = sandedWindows(look(film(), 20), 3 * HOUR_MS, 20 * HOUR_MS);
    expect(early.segments.map(({ state, fromMs }) => [state, fromMs / HOUR_MS])).toEqual([
      ['too-soon', 0],
      ['keyed', 9],
    ]);
  });
  it('sanding does not give a sheet a window that it does not state', () => {
    const silent = look(film({ sheet: sheet({ overcoat: [] }) }), 10);
    expect(sandedWindows(silent, HOUR_MS, 10 * HOUR_MS)).toEqual(silent);
  });
});

describe('heat beyond the table', () => {
  const hot = { startMs: 0, valuesC: Array<number>(200).fill(40) };
  const edgesAt40 = (points: (minutes: number) => { tempC: number; minutes: number }[]) => {
    const sheet = {
      stopC: null,
      events: { sandable: points(1200), 'latest-immersion': points(9600) },
      overcoat: [
        { by: 'any' as const, min: points(600), chemicalMax: points(4800), thumb: null, keyGrit: null },
      ],
    };
    const film = { laidFromMs: 0, laidToMs: 0, sheet };
    const minutes = (at: number | null | undefined) => (at ?? Number.NaN) / 60_000;
    const { edges } = windowsFor({
      film,
      next: { kind: 'coat', family: 'x', same: false },
      temps: hot,
      now: 0,
    });
    const events = filmEvents({ film, temps: hot });
    return {
      may: minutes(edges.find(({ edge }) => edge === 'overcoat-min')?.at),
      must: minutes(edges.find(({ edge }) => edge === 'chemical-max')?.at),
      sandable: minutes(events.find(({ event }) => event === 'sandable')?.at),
      wet: minutes(events.find(({ event }) => event === 'latest-immersion')?.at),
    };
  };
  it('opens nothing sooner, and closes by half for each 10 °C more where the sheet has one temperature', () => {
    expect(edgesAt40((minutes) => [{ tempC: 20, minutes }])).toEqual({
      may: 600,
      must: 1200,
      sandable: 1200,
      wet: 2400,
    });
  });
  it('closes by the law of the last stretch where it has more: ln t linear in 1/T', () => {
    const { may, must } = edgesAt40((minutes) => [
      { tempC: 10, minutes: minutes * 2 },
      { tempC: 20, minutes },
    ]);
    // By hand: ln 2 over 1/283.15 − 1/293.15, carried on to 1/313.15.
    const steps = (1 / 293.15 - 1 / 313.15) / (1 / 283.15 - 1 / 293.15);
    expect([may, must]).toEqual([600, expect.closeTo(4800 / 2 ** steps, 3)]);
  });
});

describe('days that nobody has forecast', () => {
  /** Nights at 4 °C, days at 14: a mean of 9 °C, under the stop of 10. */
  const day = (h: number) => 9 + 5 * Math.sin(((h - 6) * Math.PI) / 12);
  const known = { startMs: 0, valuesC: Array.from({ length: 49 }, (_, h) => day(h)) };
  const months = { startMs: 0, valuesC: Array.from({ length: 24 * 90 + 1 }, (_, h) => day(h)) };
  const curve = { points: [{ tempC: 20, minutes: 4000 }], stopC: 10 };
  it.each([30, 48, 60, 200])('are like the last known one hour by hour, for a coat of hour %i', (hour) => {
    const laidAt = hour * 3_600_000;
    const at = eventTime({ curve, temps: months, laidAt }).at as number;
    expect(eventTime({ curve, temps: known, laidAt }).at).toBeCloseTo(at, -3);
    const { steps, at: hoursTyped } = explainEvent({ curve, temps: known, laidAt });
    expect(hoursTyped).toBeCloseTo(at, -3);
    expect(steps.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
    expect(shareDone({ curve, temps: known, fromMs: laidAt, toMs: at })).toBeCloseTo(1, 4);
  });
  it('and those before the first known one are like that', () => {
    const shifted = { startMs: 60 * 24 * 3_600_000, valuesC: known.valuesC };
    const laidAt = 55.3 * 24 * 3_600_000;
    const at = eventTime({ curve, temps: months, laidAt }).at as number;
    expect(eventTime({ curve, temps: shifted, laidAt }).at).toBeCloseTo(at, -3);
    const early = eventTime({
      curve: { ...curve, points: [{ tempC: 20, minutes: 900 }] },
      temps: months,
      laidAt,
    }).at;
    expect(
      eventTime({ curve: { ...curve, points: [{ tempC: 20, minutes: 900 }] }, temps: shifted, laidAt }).at,
    ).toBeCloseTo(early as number, -3);
  });
  it('“must” is never “never” where some hours cure; where none does, it is', () => {
    expect(eventTime({ curve, temps: known, laidAt: 0 }).at).not.toBeNull();
    expect(eventTime({ curve: { ...curve, stopC: 15 }, temps: known, laidAt: 0 }).at).toBeNull();
  });
});

it('a sheet whose every time is given below the temperature at which it stops is refused by name', () => {
  const curve = { points: [{ tempC: 5, minutes: 600 }], stopC: 10 };
  const temps = { startMs: 0, valuesC: [20, 20] };
  expect(() => eventTime({ curve, temps, laidAt: 0 })).toThrow(
    /Highest temperature of the event table must be at least the minimum curing temperature \(10 °C\), but is 5 °C/,
  );
  expect(() => explainEvent({ curve, temps, laidAt: 0 })).toThrow(/event table .*, but is 5 °C/);
});

it('the events of a film come in the order of their times', () => {
  const at = (minutes: number) => [{ tempC: 20, minutes }];
  const sheet = {
    stopC: null,
    events: { 'dew-safe': at(500), 'tack-free': at(240), 'full-cure': at(100) },
    overcoat: [],
  };
  const events = filmEvents({
    film: { laidFromMs: 0, laidToMs: 0, sheet },
    temps: { startMs: 0, valuesC: [20, 20] },
  });
  expect(events.map(({ event }) => event)).toEqual(['full-cure', 'tack-free', 'dew-safe']);
});
