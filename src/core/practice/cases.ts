import type { AirHour } from '../air/index.ts';
import type { CurvePoint } from '../cure/index.ts';
import { within } from '../units/index.ts';
import type { PracticeCoat, PracticeDone, PracticeJob } from './review.ts';

/** Six jobs to learn on. Boats, products and weather are made up for practice; the rules that judge them are the handbook's. */

export type PracticeCode = 'late-start' | 'thumbprint' | 'whole-gallon' | 'blasting' | 'ratio' | 'launch';

export interface PracticeCase {
  code: PracticeCode;
  job: PracticeJob;
  /** What a hurried person would do. */
  hurried: PracticeDone;
  /** What may be decided otherwise. */
  asks: readonly ('blasted' | 'start' | 'test' | 'batches' | 'poured' | 'launch')[];
}

const HOUR_MS = 3_600_000;
/** A Monday in May, midnight at the practice yard. */
const DAY = Date.UTC(2026, 4, 4);
/** @throws {QuantityError} on a time outside the year */
export const practiceTime = (day: number, hour: number): number =>
  DAY + (within('day of practice', day, 0, 365) * 24 + within('hour of practice', hour, 0, 10_000)) * HOUR_MS;

/** Fair weather: so warm at three in the afternoon, so cold at three at night, so damp at night. */
const fair = (over: { dayC: number; nightC: number; nightRh: number; cloudTenths: number }): AirHour[] =>
  Array.from({ length: 7 * 24 }, (_, i) => {
    const share = (1 - Math.cos((((i % 24) - 3) / 24) * 2 * Math.PI)) / 2;
    const { dayC, nightC, nightRh, cloudTenths } = over;
    return {
      at: practiceTime(0, i),
      airC: nightC + share * (dayC - nightC),
      rh: nightRh - share * (nightRh - 0.5),
      windMs: 2,
      rainMm: 0,
      cloudTenths,
    };
  });

const at15 = (hours: number): CurvePoint[] => [
  { tempC: 5, minutes: hours * 60 * 2.2 },
  { tempC: 15, minutes: hours * 60 },
  { tempC: 25, minutes: hours * 60 * 0.5 },
];
const parts = (base: number) => [
  { name: 'Base', ratio: base, densityKgPerL: 1.5 },
  { name: 'Hardener', ratio: 1, densityKgPerL: 1 },
];
const barrier: PracticeCoat = {
  name: 'Practice barrier',
  family: 'epoxy-barrier',
  sheet: {
    stopC: 5,
    events: { 'dew-safe': at15(4), 'tack-free': at15(5), sandable: at15(16), immersion: at15(48) },
    overcoat: [
      { by: 'antifouling', min: at15(5), chemicalMax: at15(9), thumb: { opens: at15(5), closes: at15(9) }, keyGrit: 120 },
      { by: 'any', min: at15(6), chemicalMax: at15(48), keyGrit: 120 },
    ],
  }, // biome-ignore format: a record
  parts: parts(3),
  tolerance: 0.05,
  potLife: [{ tempC: 20, minutes: 90 }],
  inductionMin: 10,
  rateM2PerH: 12,
  litresPerM2: 0.16,
  realFactor: 1,
};
const antifouling: PracticeCoat = {
  ...barrier,
  name: 'Practice antifouling',
  family: 'antifouling',
  sheet: {
    stopC: 0,
    events: { 'dew-safe': at15(2), 'tack-free': at15(3), immersion: at15(24) },
    overcoat: [{ by: 'any', min: at15(6), chemicalMax: null, keyGrit: null }],
  },
};

const job: PracticeJob = {
  hours: fair({ dayC: 18, nightC: 11, nightRh: 0.75, cloudTenths: 8 }),
  site: { latitude: 54, longitude: 0 },
  surface: { tiltDeg: 90, headingDeg: 180, absorptance: 0.3, emissivity: 0.9, heatCapacityJPerM2K: 14_000, insideWPerM2K: 4 }, // biome-ignore format: one line
  surroundings: { kind: 'shed' },
  limits: { airMinC: 5, airMaxC: 30, surfaceMinC: 5, surfaceMaxC: 35, rhMax: 0.85, dewMarginC: 3 },
  areaM2: 20,
  coats: [barrier],
  blast: null,
};
const coat = (startMs: number) => ({
  startMs,
  batches: 2,
  poured: { parts: [3, 1], by: 'volume' as const },
  isTested: true,
});
const nothing = { blastedM2: null, launchMs: null };

export const PRACTICE_CASES: readonly PracticeCase[] = [
  {
    code: 'late-start',
    asks: ['start'],
    job: {
      ...job,
      hours: fair({ dayC: 18, nightC: 6, nightRh: 0.99, cloudTenths: 0 }),
      surroundings: { kind: 'open' },
    },
    hurried: { ...nothing, coats: [coat(practiceTime(0, 17.5))] },
  },
  {
    code: 'thumbprint',
    asks: ['start', 'test'],
    // The film really cures at two thirds of the rate on its sheet.
    job: { ...job, coats: [{ ...barrier, realFactor: 0.65 }, antifouling] },
    hurried: {
      ...nothing,
      coats: [coat(practiceTime(0, 8)), { ...coat(practiceTime(0, 15)), isTested: false }],
    },
  },
  {
    code: 'whole-gallon',
    asks: ['batches'],
    job: { ...job, hours: fair({ dayC: 26, nightC: 16, nightRh: 0.7, cloudTenths: 8 }), areaM2: 24 },
    hurried: { ...nothing, coats: [{ ...coat(practiceTime(0, 10)), batches: 1 }] },
  },
  {
    code: 'blasting',
    asks: ['blasted'],
    job: { ...job, areaM2: 60, blast: { rateM2PerH: 8, hours: 9 }, coats: [{ ...barrier, rateM2PerH: 30 }] },
    hurried: { ...nothing, blastedM2: 60, coats: [{ ...coat(practiceTime(0, 15)), batches: 4 }] },
  },
  {
    code: 'ratio',
    asks: ['poured'],
    job: { ...job, coats: [barrier, barrier] },
    hurried: {
      ...nothing,
      coats: [practiceTime(0, 8), practiceTime(1, 8)].map((startMs) => ({
        ...coat(startMs),
        poured: { parts: [3, 1], by: 'weight' as const },
      })),
    },
  },
  {
    code: 'launch',
    asks: ['launch'],
    job: { ...job, coats: [antifouling] },
    hurried: { ...nothing, coats: [coat(practiceTime(0, 13))], launchMs: practiceTime(1, 9) },
  },
];
