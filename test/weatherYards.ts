import type { AirHour, AirLimits } from '../src/core/air/index.ts';
import type { CureSheet, CurvePoint } from '../src/core/cure/index.ts';
import type { AreaToPlan, CoatToPlan, WeatherYard } from '../src/core/plan/index.ts';

/** A boat that has to leave its shed: made up, for checks of chances by weather. */

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A Monday, 07:00 UTC. */
export const SHED_FROM = Date.UTC(2026, 10, 2, 7);

const hours = (at20: number): CurvePoint[] => [
  { tempC: 5, minutes: at20 * 60 * 3 },
  { tempC: 10, minutes: at20 * 60 * 2 },
  { tempC: 20, minutes: at20 * 60 },
];
const sheet = (minH: number, maxH: number | null, waterH: number): CureSheet => ({
  stopC: 3,
  events: {
    'tack-free': hours(minH),
    'dew-safe': hours(minH / 2),
    sandable: hours(8),
    immersion: hours(waterH),
  },
  overcoat: [{ by: 'any', min: hours(minH), chemicalMax: maxH === null ? null : hours(maxH), keyGrit: 120 }],
});
const LIMITS: AirLimits = {
  airMinC: 5,
  airMaxC: 35,
  surfaceMinC: 5,
  surfaceMaxC: 40,
  rhMax: 0.9,
  dewMarginC: 2,
};

const coat = (id: string, of: CureSheet, productId: string, applyH: number): CoatToPlan => ({
  id,
  productId,
  family: 'epoxy',
  sheet: of,
  sessions: 1,
  getReadyMs: HOUR_MS / 2,
  applyMs: applyH * HOUR_MS,
  cleanUpMs: HOUR_MS / 2,
  people: 1,
  starts: [],
  sandMs: 2 * HOUR_MS,
  work: [],
});

/** Air of so many days: cold nights, damp mornings, dry or as `over` says. */
export const shedHours = (days: number, over: (i: number) => Partial<AirHour> = () => ({})): AirHour[] =>
  Array.from({ length: days * 24 }, (_, i) => {
    const hour = (7 + i) % 24;
    const airC = 7 - 5 * Math.cos(((hour - 3) / 24) * 2 * Math.PI);
    return { at: SHED_FROM - DAY_MS + i * HOUR_MS, airC, rh: hour < 8 ? 0.85 : 0.7, windMs: 2, rainMm: 0, cloudTenths: 5, ...over(i) }; // biome-ignore format: one line
  });

/** Three barrier coats and two of antifouling on the bottom, a third on the band that wears; a few areas more, if asked. */
export function shedYard({ areas = 2, days = 28, kind = 'shed' as 'shed' | 'open' } = {}): WeatherYard {
  const barrier = sheet(4, 48, 96);
  const antifouling = sheet(6, null, 12);
  const made = Array.from({ length: areas }, (_, a): AreaToPlan => {
    const coats = [0, 1, 2, 3, 4, ...(a === 1 ? [5] : [])].map((i) =>
      i < 3
        ? coat(`area${a} ${i}`, barrier, 'barrier', 1.5)
        : coat(`area${a} ${i}`, antifouling, 'antifouling', 1),
    );
    const blank = { startMs: SHED_FROM, valuesC: [10, 10] };
    return { id: `area${a}`, boatId: 'boat', air: kind, temps: blank, film: null, primeByMs: null, coats, ready: 'immersion' }; // biome-ignore format: one line
  });
  const free = Array.from({ length: days }, (_, day) => ({
    fromMs: SHED_FROM + day * DAY_MS + HOUR_MS,
    toMs: SHED_FROM + day * DAY_MS + 10 * HOUR_MS,
    costPerHour: 4000,
  })).filter((_, day) => day % 7 < 5);
  const launches = free.map(({ fromMs, toMs }) => ({ fromMs, toMs }));
  return {
    yard: {
      fromMs: SHED_FROM,
      areas: made,
      boats: [{ id: 'boat', launches, wantedMs: null, costPerDay: 4500, latePerDay: 0 }],
      people: [{ id: 'one', free }],
    },
    site: { latitude: 54, longitude: -3 },
    surfaces: [
      {
        surroundings: { kind },
        body: { tiltDeg: 120, headingDeg: 90, absorptance: 0.6, emissivity: 0.9, heatCapacityJPerM2K: 14_000, insideWPerM2K: 4 }, // biome-ignore format: one line
        indoors: false,
      },
    ],
    surfaceOf: Object.fromEntries(made.map(({ id }) => [id, 0])),
    limitsOf: Object.fromEntries(made.flatMap(({ coats }) => coats.map(({ id }) => [id, LIMITS]))),
    films: {},
  };
}
