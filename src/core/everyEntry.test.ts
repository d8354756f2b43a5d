import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../demo/sheets.ts';
import { cases } from '../../test/cases.ts';
import * as air from './air/index.ts';
import * as cure from './cure/index.ts';
import * as film from './film/index.ts';
import * as hull from './hull/index.ts';
import * as inspect from './inspect/index.ts';
import * as mix from './mix/index.ts';
import * as plan from './plan/index.ts';
import * as practice from './practice/index.ts';
import * as supply from './supply/index.ts';
import * as system from './system/index.ts';
import * as units from './units/index.ts';
import * as waterline from './waterline/index.ts';

/**
 * Every entry point of the core with every figure of a sound call made impossible in turn: each call soon
 * ends in a refusal that names quantity, value and limit, or in a result without NaN or an endless figure. `own`: so
 * many first arguments are what the core itself returned, and are left as they are. `every`: a call takes long, so the suite makes
 * one of so many (all of them in `npm run soak`).
 */
type Entry = {
  // biome-ignore lint/suspicious/noExplicitAny: functions of every kind are called alike
  run: (...args: any[]) => unknown;
  args: unknown[];
  endless?: readonly string[];
  own?: number;
  every?: number;
};

const HOUR = 3_600_000;
const practiceCase = practice.PRACTICE_CASES[1] as practice.PracticeCase;
const [sheet, other] = Object.values(SHEETS) as [system.ProductSheet, system.ProductSheet];
const curve = { points: [{ tempC: 10, minutes: 960 }, { tempC: 20, minutes: 480 }], stopC: 5 }; // biome-ignore format: one line
const temps = { startMs: 0, valuesC: [12, 14, 9, 20, 18] };
const cureSheet = { stopC: 5, events: { 'tack-free': curve.points, 'latest-immersion': curve.points }, overcoat: [{ by: 'any', min: curve.points, chemicalMax: curve.points, thumb: null, keyGrit: 120 }] }; // biome-ignore format: one line
const aFilm = { laidFromMs: 0, laidToMs: HOUR, sheet: cureSheet };
const next = { kind: 'coat', family: 'varnish', same: false };
const hour = { at: 0, airC: 12, rh: 0.6, windMs: 2, rainMm: 0, surfaceC: 11 };
const hours = [0, 1, 2, 3].map((h) => ({ ...hour, at: h * HOUR }));
const surface = hours.map(({ at }) => ({ at, surfaceC: 11, lowC: 10, highC: 12 }));
const open = { kind: 'open' };
const heated = { kind: 'heated', setPointC: 15 };
const limits = { ...air.DEFAULT_LIMITS, airMinC: 5, airMaxC: 30, surfaceMaxC: 40 };
const parts = [{ name: 'base', ratio: 2, densityKgPerL: 1.4 }, { name: 'hardener', ratio: 1, densityKgPerL: 1 }]; // biome-ignore format: one line
const dims = { loaM: 10, lwlM: 9, beamM: 3, draughtM: 1.5, freeboardM: 1 };
const outline = [
  { x: 0, z: 0 },
  { x: 1, z: 0 },
  { x: 0, z: 1 },
];
const table = { stationsM: [0, 5, 10], waterlinesM: [-1, 0, 1], halfBreadthsM: [[0.2, 1, 1.2], [0.3, 1.5, 1.6], [0, 0.2, 0.4]], sheer: [{ zM: 1.2, yM: 1.3 }, { zM: 1.2, yM: 1.7 }, { zM: 1.4, yM: 0.5 }] }; // biome-ignore format: one line
const measure = { shape: { kind: 'girths', spacingM: 1, girthsM: [1, 1.2, 1], rule: 'simpson' }, count: 2, opening: false }; // biome-ignore format: one line
const marks = [[0.5, 1, 1000], [5, 1.6, 1010], [9, 0.6, 1000], [0.5, -1, 1005], [5, -1.6, 1050], [9, -0.6, 1002]].map(([xM, yM, heightMm]) => ({ xM, yM, heightMm })); // biome-ignore format: one line
const stripeShape = { gapMm: 20, heightMm: 80, bowSweepMm: 10, sternSweepMm: 0 };
const refMarks = marks.map(({ xM, yM, heightMm }, i) => ({ id: `${i}`, name: '', kind: 'line', side: (yM as number) > 0 ? 'starboard' : 'port', xM, yM: Math.abs(yM as number), readingMm: heightMm, aboveLineMm: 0 })); // biome-ignore format: one line
const linePlan = { marks: refMarks, heelDeg: null, markErrorMm: 3, addedKg: 100, densityKgM3: 1025, waterplaneM2: 20, slopMm: 50, stationStepM: 1, madeMarks: [1, 3, 5].map((xM, i) => ({ id: `${i}`, side: 'port', xM, readingMm: 1060 })), stiffness: 0.5, useFair: true, stripe: stripeShape }; // biome-ignore format: one line
const triangles = Float32Array.from([0, -1, -1, 9, -1, -1, 9, 1, -1, 0, -1, -1, 9, 1, -1, 0, 1, -1, 0, -1, -1, 0, -1, 1, 9, -1, 1, 0, -1, -1, 9, -1, 1, 9, -1, -1, 0, 1, -1, 9, 1, 1, 0, 1, 1, 0, 1, -1, 9, 1, -1, 9, 1, 1, 0, -1, -1, 0, 1, -1, 0, 1, 1, 0, -1, -1, 0, 1, 1, 0, -1, 1, 9, -1, -1, 9, 1, 1, 9, 1, -1, 9, -1, -1, 9, -1, 1, 9, 1, 1]); // biome-ignore format: one line
const placement = { unit: 'm', up: '+z', bow: '+x', half: false, heelDeg: 1, trimDeg: 1, waterlineM: 1 };
const stackStep = { sheet, coats: 2, dryMicronsPerCoat: 100, method: 'roller', thinner: 0.05, band: { name: 'band', areaM2: 2 } }; // biome-ignore format: one line
const compared = { ...stackStep, extraCoats: 1, colours: ['grey'], signal: null, before: [], sandBetween: 120, productId: 'a' }; // biome-ignore format: one line
const place = { substrate: 'grp', oldCoating: null, service: 'immersed', coldestC: 4, hottestC: 30 };
const layer = { ...system.layerOf('epoxy-barrier'), film: { min: 50, max: 150 }, thinner: 0.05, thinnerLimit: { maxFraction: 0.1 }, stopC: 5, hottestC: 30 }; // biome-ignore format: one line
const applied = [{ stepId: 's', coatNo: 0, areaM2: 12, fromMs: 0, toMs: HOUR }];

const needLine = { id: 'a', boatId: 'b', productId: 'p', sheet: { parts, ratioBy: 'volume', volumeSolids: 0.5, typicalMicrons: 100, coverageM2PerL: null, dilution: null, canLitres: null, thinner: null }, coats: [{ no: 0, colour: 'grey', areaM2: 20 }], dryMicronsPerCoat: 100, method: 'roller', thinner: 0.05, spread: 0.1, measuredBy: 'm', underCover: null, profileMicrons: 50, learned: { factor: 1.1, sd: 0.05 } }; // biome-ignore format: one line
const lotAge = { kind: 'other', madeMs: 0, receivedMs: HOUR, openedMs: 2 * HOUR, shelfMonths: 24, openedMonths: 6, frost: true, heat: true, nowMs: 3 * HOUR }; // biome-ignore format: one line

const planTable = Array.from({ length: 13 }, (_, end) => end + 1);
const planProblem = { slots: 12, tasks: [{ id: 'a', slots: 2, people: 1, equipment: ['gun'], starts: [[0, 9]], air: 'shed', dusty: true, due: { slot: 3, costPerSlot: 2 } }, { id: 'b', slots: 1, people: 1, equipment: [], air: 'shed', dusty: false, wetUntil: planTable }], lags: [{ before: 'a', after: 'b', earliest: planTable, latest: planTable.map((at) => at + 1), late: { cost: 3, slots: 1, from: planTable } }], people: [{ id: 'p', skills: [], free: [{ from: 0, to: 12, costPerSlot: 1 }] }], equipment: [{ id: 'gun', free: [[0, 12]] }], ends: [{ tasks: ['a', 'b'], costPerSlot: 1 }] }; // biome-ignore format: one line

const planSheet = { stopC: 5, events: { 'tack-free': curve.points, sandable: curve.points, immersion: curve.points }, overcoat: [{ by: 'any', min: curve.points, chemicalMax: curve.points, keyGrit: 120 }] }; // biome-ignore format: one line
const planCoat = { id: 'c', productId: 'p', family: 'epoxy', sheet: planSheet, factor: 1, mustFactor: 1, sessions: 1, getReadyMs: HOUR / 2, applyMs: HOUR, cleanUpMs: HOUR / 2, people: 1, starts: [{ fromMs: 0, toMs: 40 * HOUR }], sandMs: HOUR, work: [{ id: 'w', kind: 'work', ms: HOUR, dusty: true, bareForMs: 4 * HOUR }] }; // biome-ignore format: one line
const planYard = { fromMs: 0, areas: [{ id: 'a', boatId: 'b', air: 'shed', temps: { startMs: 0, valuesC: [12, 15, 14, 13] }, film: { appliedInMs: HOUR, segments: [{ state: 'too-soon', fromMs: -HOUR, toMs: HOUR }, { state: 'open', fromMs: HOUR, toMs: 30 * HOUR }, { state: 'key-first', fromMs: 30 * HOUR, toMs: null }], sandableMs: HOUR, wetUntilMs: HOUR }, primeByMs: 20 * HOUR, coats: [planCoat, { ...planCoat, id: 'd', work: [] }], ready: 'immersion' }], boats: [{ id: 'b', launches: [{ fromMs: 0, toMs: 48 * HOUR }], wantedMs: 30 * HOUR, costPerDay: 100, latePerDay: 200 }], people: [{ id: 'p', free: [{ fromMs: 0, toMs: 20 * HOUR, costPerHour: 50 }] }], pinned: { d: 12 * HOUR } }; // biome-ignore format: one line

const space = { areaM2: 90, uWPerM2K: 5.6, volumeM3: 60, airChangesPerH: 1 };

const removal = {
  atMs: 3 * HOUR,
  toGround: false,
  coats: [{ stepId: 's', coatNo: 0 }],
  way: 'sanded',
  grit: 120,
};

const ENTRIES: Record<string, Entry> = {
  toCanonical: { run: units.toCanonical, args: [4, 'mil'] },
  fromCanonical: { run: units.fromCanonical, args: [100, 'mil'] },
  formatQuantity: { run: units.formatQuantity, args: [100, 'film', 'us'] },
  figure: { run: units.figure, args: [12.3] },
  monthsLater: { run: units.monthsLater, args: [1_760_000_000_000, 6] },
  fieldText: { run: units.fieldText, args: [12.3] },
  writeSentence: {
    run: units.writeSentence,
    args: [['at most ', { value: 100, quantity: 'film' }], 'metric'],
  },
  dewPointC: { run: air.dewPointC, args: [{ airC: 20, rh: 0.5 }] },
  rhWhenWarmed: { run: air.rhWhenWarmed, args: [{ airC: 5, rh: 0.9, toC: 20 }] },
  checkHour: { run: air.checkHour, args: [hour] },
  surfaceTempC: { run: air.surfaceTempC, args: [hour, heated] },
  surfaceTemps: { run: air.surfaceTemps, args: [hours, open] },
  airAround: { run: air.airAround, args: [hour, heated] },
  holdsAggregate: { run: cure.holdsAggregate, args: [{ toMs: 0, tackFreeMs: 4 * HOUR, nowMs: HOUR }] },
  movedTo: { run: air.movedTo, args: [{ surroundings: open }, open, 3 * HOUR] },
  airAbout: { run: air.airAbout, args: [[hour], { surroundings: heated }] },
  sunPlace: { run: air.sunPlace, args: [0, { latitude: 50, longitude: -3 }] },
  surfaceSeries: {
    run: air.surfaceSeries,
    args: [
      {
        hours: hours.map((each) => ({ ...each, cloudTenths: 5 })),
        surface: {
          tiltDeg: 90,
          headingDeg: 180,
          absorptance: 0.9,
          emissivity: 0.9,
          heatCapacityJPerM2K: 10_000,
          insideWPerM2K: 3,
        },
        site: { latitude: 50, longitude: -3 },
        surroundings: heated,
      },
    ],
  },
  judgeConditions: { run: air.judgeConditions, args: [{ conditions: { airC: 10, rh: 0.9, surfaceC: 9, rainMm: 1 }, limits }] }, // biome-ignore format: one line
  absorptanceOf: { run: air.absorptanceOf, args: ['#336699'] },
  surfaceBodyOf: {
    run: air.surfaceBodyOf,
    args: [
      {
        zone: 'topsides',
        side: 'port',
        substrate: 'grp',
        inside: false,
        colour: '#336699',
        coated: true,
        boatHeadingDeg: 120,
      },
    ],
  },
  soundReadings: {
    run: air.soundReadings,
    args: [
      {
        readings: [
          { at: 0, airC: 10, rh: 0.8, windMs: 2, rainMm: 0, surfaceC: 9, cloudTenths: 4 },
          { at: HOUR, airC: 11, rh: 0.8 },
        ],
        measuredBy: 2 * HOUR,
      },
    ],
  },
  dayOrder: {
    run: air.dayOrder,
    args: [
      {
        jobs: [
          { id: 'a', applyMs: HOUR, stretches: [{ fromMs: 0, toMs: HOUR }] },
          { id: 'b', applyMs: HOUR, stretches: [{ fromMs: 0, toMs: 2 * HOUR }] },
        ],
        nowMs: 0,
      },
    ],
  },
  nightsBetween: { run: air.nightsBetween, args: [0, 24 * HOUR, { latitude: 50, longitude: 0 }] },
  judgeHours: { run: air.judgeHours, args: [{ hours, limits, surroundings: heated }] },
  judgeCoat: { run: air.judgeCoat, args: [{ startMs: 0, endMs: HOUR, safeMs: 2 * HOUR, hours, surface, limits, underCover: false }] }, // biome-ignore format: one line
  typedForecast: { run: air.typedForecast, args: [{ fromMs: 0, days: 2, lowC: -7, highC: 2, rh: 0.8, rainMm: 0.2, utcOffsetH: 1 }] }, // biome-ignore format: one line
  dampStarts: {
    run: (input) => air.dampStarts({ ...input, safeAfter: (endMs: number) => endMs + HOUR / 2 }),
    args: [{ hours, surface, limits, underCover: false, applyMs: HOUR / 2, fromMs: 0, toMs: 3 * HOUR }],
  },
  bestStarts: {
    run: (input) => air.bestStarts({ ...input, safeAfter: (endMs: number) => endMs + HOUR / 2 }),
    args: [{ hours, surface, limits, underCover: false, applyMs: HOUR / 2, fromMs: 0, toMs: 3 * HOUR }],
  },
  dryFromComb: {
    run: film.dryFromComb,
    args: [{ wetToothMicrons: 150, dryToothMicrons: 175, volumeSolids: 0.57, thinner: 0.1, paintShare: 0.8 }],
  },
  sectionsOf: { run: film.sectionsOf, args: [34, 'roller'] },
  lapReady: { run: film.lapReady, args: [{ startMs: 0, farEndMs: 3_600_000, sections: 5, nowMs: 60_000 }] },
  coatSession: {
    run: film.coatSession,
    args: [[{ id: 'a', atMs: 0, areaIds: ['keel'], people: ['Ana'], device: { id: 'p', kind: 'phone' } }]],
  },
  coatProgress: {
    run: film.coatProgress,
    args: [
      [
        {
          id: 'a',
          atMs: 0,
          section: { no: 0, of: 4 },
          comb: { wetMicrons: 150, dryMicrons: 175 },
          usedL: 0.5,
        },
      ],
    ],
  },
  willItReach: { run: film.willItReach, args: [{ litresLeft: 1, areaLeftM2: 12, coveredM2: 8, usedL: 0.8 }] },
  wetMicrons: { run: film.wetMicrons, args: [{ dryMicrons: 100, volumeSolids: 0.5, thinner: 0.1 }] },
  dryMicrons: { run: film.dryMicrons, args: [{ wetMicrons: 175, volumeSolids: 0.57, thinner: 0.1 }] },
  spreadingRateM2PerL: { run: film.spreadingRateM2PerL, args: [{ dryMicrons: 100, volumeSolids: 0.5 }] },
  deadVolumeLPerM2: { run: film.deadVolumeLPerM2, args: [75] },
  paintLitres: { run: film.paintLitres, args: [{ areaM2: 20, dryMicrons: 100, volumeSolids: 0.5, loss: 0.1, deadVolume: 0.02 }] }, // biome-ignore format: one line
  dryMicronsFromLitres: { run: film.dryMicronsFromLitres, args: [{ litres: 4, areaM2: 20, volumeSolids: 0.5, loss: 0.1, deadVolume: 0.02 }] }, // biome-ignore format: one line
  applyHours: { run: film.applyHours, args: [24, 'roller'] },
  hoursAt: { run: film.hoursAt, args: [24, 12] },
  workRates: { run: film.workRates, args: [{ roller: 9 }] },
  learnWorkRates: { run: film.learnWorkRates, args: [[1, 2, 3].map(() => ({ method: 'roller', areaM2: 12, hours: 2 }))] }, // biome-ignore format: one line
  enoughNineInTen: { run: film.enoughNineInTen, args: [10, 1] },
  kindDoubt: { run: film.kindDoubt, args: [1.1, 1.2] },
  coatsNeeded: { run: film.coatsNeeded, args: [{ targetDryMicrons: 300, dryMicronsPerCoat: 100, maxDryMicronsPerCoat: 150 }] }, // biome-ignore format: one line
  checkCurve: { run: cure.checkCurve, args: ['event', curve] },
  readyCurve: { run: (c, at) => cure.readyCurve('event', c).minutesAt(at), args: [curve, 15], endless: [''] },
  eventTime: { run: cure.eventTime, args: [{ curve, temps, laidAt: HOUR / 2 }] },
  explainEvent: {
    run: cure.explainEvent,
    args: [{ curve, temps, laidAt: HOUR / 2 }],
    endless: ['minutesAtTemp'],
  },
  progressAt: {
    run: cure.progressAt,
    args: [cure.explainEvent({ curve, temps, laidAt: 0 }).steps, HOUR],
    own: 1,
  },
  windowsFor: { run: cure.windowsFor, args: [{ film: aFilm, next, temps, now: HOUR }] },
  shareDone: { run: cure.shareDone, args: [{ curve, temps, fromMs: 0, toMs: 3 * HOUR }] },
  forecastSdC: { run: cure.forecastSdC, args: [36] },
  settingSpeed: { run: air.settingSpeed, args: [{ surfaceC: 30, rh: 0.5, windMs: 1 }] },
  darkBeforeEnd: { run: air.darkBeforeEnd, args: [{ startMs: HOUR, endMs: 3 * HOUR, nights: [{ fromMs: 2 * HOUR, toMs: 9 * HOUR }] }] }, // biome-ignore format: one line
  isDark: { run: air.isDark, args: [HOUR, [{ fromMs: 2 * HOUR, toMs: 9 * HOUR }]] },
  learnPace: { run: cure.learnPace, args: [[{ low: 0.5, high: 0.9, contradicts: false, silent: false }]] },
  byLearnedPace: { run: cure.byLearnedPace, args: [0.8] },
  heatLossWPerK: { run: air.heatLossWPerK, args: [space] },
  heaterWarmsK: { run: air.heaterWarmsK, args: [{ ...space, watts: 2000 }] },
  heatNeededW: { run: air.heatNeededW, args: [{ ...space, warmerK: 20 }] },
  warmUpHours: { run: air.warmUpHours, args: [{ ...space, storeKJPerM2K: 22 }] },
  cubeAreaM2: { run: air.cubeAreaM2, args: [60] },
  heatedAirC: { run: air.heatedAirC, args: [5, { setPointC: 20, warmsK: 8 }] },
  thermostatKWh: { run: air.thermostatKWh, args: [{ ...space, watts: 2000, setPointC: 15, hours: [{ at: 0, airC: 5 }, { at: HOUR, airC: 6 }] }] }, // biome-ignore format: one line
  airOver: { run: air.airOver, args: [{ hours, surface, limits, underCover: false, startMs: HOUR, endMs: 2 * HOUR }] }, // biome-ignore format: one line
  coatsByLaunch: { run: cure.coatsByLaunch, args: [{ coats: [{ starts: [{ fromMs: 0, toMs: HOUR }], applyMs: HOUR, sheet: (aFilm as cure.Film).sheet, next: null }], temps, launchMs: 90 * HOUR, ready: 'tack-free' }] }, // biome-ignore format: one line
  takesCoat: { run: cure.takesCoat, args: [{ segments: [{ state: 'open', fromMs: 0, toMs: HOUR }], now: 0, sandableMs: null, sandFirst: false }] }, // biome-ignore format: one line
  rhWithMoisture: { run: air.rhWithMoisture, args: [{ airC: 20, rh: 0.5, litresPerH: 0.2, roomM3: 60, airChangesPerH: 1 }] }, // biome-ignore format: one line
  endsBeforeCoat: { run: supply.endsBeforeCoat, args: [{ reachLitres: 4.2, wantedLitres: 4.3 }] },
  cheapestPacks: { run: supply.cheapestPacks, args: [{ need: [{ part: 'a', litres: 3 }], packs: [{ id: 'p', price: 20, contents: { a: 1 }, stock: 9 }] }] }, // biome-ignore format: one line
  litresInPot: {
    run: mix.litresInPot,
    args: [
      { litres: 0.2, pours: [{ amount: 135, unit: 'ml' }], thinnerLitres: 0.01, additives: [{ ml: 2 }] },
    ],
  },
  lossAt: { run: film.lossAt, args: ['roller', false] },
  lineNeed: { run: supply.lineNeed, args: [needLine] },
  need: { run: supply.need, args: [{ lines: [needLine, { ...needLine, id: 'b' }] }] },
  perLitreOfPaint: { run: supply.perLitreOfPaint, args: [parts, 'volume'] },
  sharedOut: { run: supply.sharedOut, args: [[{ id: 'a', inTin: 2 }, { id: 'b', inTin: 0.5 }], 2.3] }, // biome-ignore format: one line
  kitContents: { run: supply.kitContents, args: [parts, 'volume', 3] },
  residueLitres: { run: supply.residueLitres, args: ['roller', 4] },
  labourHours: {
    run: supply.labourHours,
    args: [{ areaM2: 20, coats: 2, method: 'roller', work: ['sand'] }],
  },
  learnSpread: { run: supply.learnSpread, args: [[{ id: 'a', key: 'k', litres: 4.4, bySheet: 4 }]] },
  lotEndsMs: { run: supply.lotEndsMs, args: [lotAge] },
  lotNotes: { run: supply.lotNotes, args: [lotAge] },
  inOrderOfUse: { run: supply.inOrderOfUse, args: [[{ id: 'a', openedMs: null, endsMs: null, usable: true }, { id: 'b', openedMs: null, endsMs: HOUR, usable: true }]] }, // biome-ignore format: one line
  takeFrom: { run: supply.takeFrom, args: [[{ id: 'a', inTin: 0.5, openedMs: 0, endsMs: null, usable: true }, { id: 'b', inTin: 2, openedMs: null, endsMs: HOUR, usable: true }], 1.2] }, // biome-ignore format: one line
  stockAfter: {
    run: supply.stockAfter,
    args: [
      { inTin: 1.5, kept: 0.1, openedMs: null, differences: [], belowNothingSinceMs: null },
      [{ id: 'a', kind: 'counted', amount: 1.2, atMs: 0 }],
    ],
  },
  stockOf: { run: supply.stockOf, args: [[{ id: 'a', kind: 'received', amount: 2, atMs: 0 }]] },
  toMinor: { run: supply.toMinor, args: [12.5, 'EUR'] },
  fromMinor: { run: supply.fromMinor, args: [1250, 'EUR'] },
  minorDigits: { run: supply.minorDigits, args: ['EUR'] },
  timesRate: { run: supply.timesRate, args: [1999, 0.077, 'CHF'] },
  shareOut: { run: supply.shareOut, args: [100, [1, 2], 'EUR'] },
  billOf: { run: supply.billOf, args: [{ lines: [1000, 2345], taxRate: 0.19, step: 5, currency: 'CHF' }] },
  cheapestPurchase: { run: supply.cheapestPurchase, args: [{ need: [{ part: 'a', litres: 3 }], packs: [{ id: 'p', supplierId: 's', price: 20, contents: { a: 1 }, discounts: [{ from: 2, price: 18 }] }], suppliers: [{ id: 's', delivery: 5, minOrder: 40 }] }] }, // biome-ignore format: one line
  costOf: { run: supply.costOf, args: [{ id: 'p', price: 20, contents: {}, discounts: [{ from: 2, price: 18 }] }, 3] }, // biome-ignore format: one line
  reconcile: { run: supply.reconcile, args: [{ parts, ratioBy: 'volume', measuredBy: 'weight', tolerance: 0.05, start: [12, 6], left: [6, 2], mark: 0.1, batches: [{ id: 'a', poured: [4, 2] }], ahead: 3 }] }, // biome-ignore format: one line
  smallNeed: { run: supply.smallNeed, args: [{ litres: 0.1, packs: [{ litres: 0.75, price: 25 }], remainders: [{ what: 'a', litres: 0.3 }], shared: [{ what: 'b', litres: 2 }], alternatives: [{ what: 'c', litres: 0.1, price: 9 }] }] }, // biome-ignore format: one line
  sundries: { run: supply.sundries, args: [{ sessions: [{ method: 'roller', areaM2: 20, batches: 2, hours: 2, inside: true }], wipedM2: 2, tackedM2: 2, strippedM2: 2, sandedM2: { byMachine: 2, byHand: 2 }, edges: [{ lengthM: 9, tapings: 1 }], strewnM2: 2 }, { tape: 1.2 }] }, // biome-ignore format: one line
  hourBands: {
    run: cure.hourBands,
    args: [{ airC: 10, dewC: 6, surface: { surfaceC: 8, lowC: 7, highC: 9 }, leadH: 24 }],
  },
  forecastBandC: { run: cure.forecastBandC, args: [24] },
  learnedErrors: { run: cure.learnedErrors, args: [[{ leadH: 24, hours: 100, squaresK2: 200 }]] },
  eventSpread: { run: cure.eventSpread, args: [{ curve: { ...curve, points: [{ tempC: 20, minutes: 90 }] }, temps, laidAt: 0, nowMs: HOUR / 2 }] }, // biome-ignore format: one line
  correctFromHandTest: {
    run: cure.correctFromHandTest,
    args: [{ film: aFilm, next, temps, tests: [{ atMs: 2 * HOUR, found: 'sticks' }, { atMs: 9 * HOUR, found: 'prints' }] }], // biome-ignore format: one line
  },
  sandedBefore: { run: system.sandedBefore, args: [{ sandBetween: 120, sandGrits: [null, 220] }, 2] },
  unthinnedShare: { run: mix.unthinnedShare, args: [{ parts: [...parts, { name: 'reducer', ratio: 1, densityKgPerL: 0.9, reducer: true }], by: 'weight' }] }, // biome-ignore format: one line
  atOwnRatio: { run: mix.atOwnRatio, args: [parts, [6, 5]] },
  sandedWindows: { run: cure.sandedWindows, args: [cure.windowsFor({ film: aFilm as cure.Film, next: next as cure.Next, temps, now: HOUR }), HOUR, 2 * HOUR], own: 1 }, // biome-ignore format: one line
  delayedWindows: {
    run: cure.delayedWindows,
    args: [
      cure.windowsFor({ film: aFilm as cure.Film, next: next as cure.Next, temps, now: HOUR }),
      HOUR,
      2 * HOUR,
    ],
    own: 1,
  },
  filmEvents: { run: cure.filmEvents, args: [{ film: aFilm, temps }] },
  extremesFrom: { run: cure.extremesFrom, args: [temps, HOUR] },
  spliceHours: { run: cure.spliceHours, args: [{ measured: hours.slice(0, 2), forecast: hours, now: HOUR }] },
  clockStretches: { run: (steps, boundariesMs) => cure.clockStretches({ steps, boundariesMs }), args: [cure.explainEvent({ curve, temps, laidAt: 0 }).steps, [0]], own: 1 }, // biome-ignore format: one line
  segmentAt: { run: cure.segmentAt, args: [[{ fromMs: 0 }, { fromMs: 10 }], 5] },
  urgencyMs: { run: cure.urgencyMs, args: [{ state: 'open', untilMs: 5 }] },
  shares: { run: mix.shares, args: [{ parts, by: 'volume', as: 'weight' }] },
  batchOf: { run: mix.batchOf, args: [{ litres: 0.6, parts, by: 'volume', tolerance: 0.05, tool: { kind: 'scale', stepG: 1 } }] }, // biome-ignore format: one line
  cansFor: { run: mix.cansFor, args: [1.2, 0.4] },
  heatingCost: {
    run: air.heatingCost,
    args: [{ watts: 2000, fromMs: 0, toMs: 3_600_000, pricePerKWh: 0.3 }],
  },
  wellClear: { run: air.wellClear, args: [{ code: 'dew-margin', value: 5, limit: 3 }] },
  nextPotMs: { run: mix.nextPotMs, args: [{ pots: [{ readyMs: HOUR, setsMs: 3 * HOUR, litres: 1 }], rateM2PerH: 10, litresPerM2: 0.2, inductionMin: 15 }] }, // biome-ignore format: one line
  judgeContents: {
    run: mix.judgeContents,
    args: [{ additives: [{ name: 'Fast', kind: 'accelerator', maxMlPerLitre: 20 }], was: { Fast: 1 }, now: { Fast: 8 }, foreign: 'none', litres: 1, potLifeMin: 120, ageMin: 10 }], // biome-ignore format: one line
  },
  weighIn: { run: mix.weighIn, args: [{ ratios: [2, 1], firstG: 100, poured: [110], onScaleG: 130 }] },
  isSettled: { run: mix.isSettled, args: [[{ atMs: 1000, grams: 5 }], 2000] },
  correctPour: {
    run: mix.correctPour,
    args: [{ parts, poured: [400, 250], tolerance: 0.05, wanted: { maxTotal: 900 } }],
  },
  pouredPot: { run: mix.pouredPot, args: [{ parts, by: 'volume', measure: 'weight', amounts: [560, 190] }] },
  splitParts: { run: mix.splitParts, args: [{ total: { litres: 0.6 }, parts, by: 'volume', tool: { kind: 'scale', stepG: 1 }, tolerance: 0.05 }] }, // biome-ignore format: one line
  toolStep: { run: mix.toolStep, args: [{ kind: 'stick', potDiameterMm: 100, stepMm: 1 }] },
  mlPerMm: { run: mix.mlPerMm, args: [100] },
  addition: { run: mix.addition, args: [{ batchLitres: 0.6, fraction: 0.05, limit: { name: 'thinner', maxFraction: 0.1 } }] }, // biome-ignore format: one line
  potLifeMinutes: { run: mix.potLifeMinutes, args: [{ points: curve.points, tempC: 15 }] },
  planBatches: { run: mix.planBatches, args: [{ litres: 6, rateM2PerH: 12, litresPerM2: 0.2, potLifeMin: 90, inductionMin: 20, marginMin: 10 }] }, // biome-ignore format: one line
  areaFromMeasures: { run: hull.areaFromMeasures, args: [{ measures: [measure], spread: 0.05 }] },
  shapeArea: { run: hull.shapeArea, args: [{ kind: 'trapezium', sideAM: 1, sideBM: 2, heightM: 1 }] },
  simpson: { run: hull.simpson, args: [1, [1, 2, 1]] },
  trapezoid: { run: hull.trapezoid, args: [1, [1, 2, 1]] },
  areaFromPaint: { run: hull.areaFromPaint, args: [{ litres: 12, m2PerLitre: 8 }] },
  mumfordM2: { run: hull.mumfordM2, args: [{ lwlM: 9, draughtM: 1.5, volumeM3: 6 }] },
  bottomByRule: { run: hull.bottomByRule, args: [{ kind: 'fin-keel', dimensions: dims }] },
  breadthOutAt: { run: hull.breadthOutAt, args: [table, 4, 0.1] },
  ofItsHulls: { run: hull.ofItsHulls, args: [table, { kind: 'catamaran', dimensions: dims }] },
  topsidesByRule: { run: hull.topsidesByRule, args: [dims] },
  deckByRule: { run: hull.deckByRule, args: [dims] },
  startingAreas: { run: hull.startingAreas, args: [{ kind: 'fin-keel', dimensions: dims }] },
  areaByRule: {
    run: hull.areaByRule,
    args: [{ kind: 'fin-keel', dimensions: dims, zone: 'topsides', side: 'port' }],
  },
  disagreements: { run: hull.disagreements, args: [[{ way: 'hand', areaM2: 20, spread: 0.05 }, { way: 'rule', areaM2: 30, spread: 0.1 }]] }, // biome-ignore format: one line
  chosenWay: { run: hull.chosenWay, args: [[{ way: 'hand', areaM2: 20, spread: 0.05 }], null] },
  waysOf: { run: hull.waysOf, args: [{ measures: [measure], spread: 0.05, estimates: [{ way: 'rule', areaM2: 20, spread: 0.1 }] }] }, // biome-ignore format: one line
  areaOf: { run: hull.areaOf, args: [{ measures: [measure], spread: 0.05, estimates: [], chosenWay: null }] },
  checkOffsets: { run: hull.checkOffsets, args: [table] },
  areaFromOffsets: { run: hull.areaFromOffsets, args: [{ table, fromZ: -1, toZ: 0.5 }] },
  areasFromOffsets: { run: hull.areasFromOffsets, args: [{ table, topOfPaintM: 0.05, stripe: { lowerM: 0.1, upperM: 0.2 } }] }, // biome-ignore format: one line
  hydrostatics: { run: hull.hydrostatics, args: [{ table, densityKgM3: 1025 }] },
  halfBreadthAt: { run: hull.halfBreadthAt, args: [table, 4, 0.2] },
  sheerAt: { run: hull.sheerAt, args: [table, 4] },
  sectionAt: { run: hull.sectionAt, args: [table, 4] },
  lerpAt: { run: hull.lerpAt, args: [[0, 1], [2, 3], 0.5] },
  alongSkinM: {
    run: hull.alongSkinM,
    args: [
      [
        { y: 0, z: 0 },
        { y: 1, z: 1 },
      ],
      0,
      1,
    ],
  },
  formFromDimensions: {
    run: hull.formFromDimensions,
    args: [{ kind: 'fin-keel', dimensions: dims, fine: 1 }],
  },
  profileLines: { run: hull.profileLines, args: [{ kind: 'fin-keel', dimensions: dims }] },
  tapedEdges: { run: hull.tapedEdges, args: [{ kind: 'fin-keel', dimensions: dims, form: null }] },
  between: { run: hull.between, args: [outline, 0.2, 0.8] },
  equalStrips: { run: hull.equalStrips, args: [[outline], 3] },
  hullLines: { run: hull.hullLines, args: [{ kind: 'fin-keel', dimensions: dims, form: null }] },
  placeMesh: { run: hull.placeMesh, args: [triangles, placement] },
  guessPlacement: { run: hull.guessPlacement, args: [triangles, { loaM: 9, draughtM: 1 }] },
  areasFromMesh: { run: hull.areasFromMesh, args: [{ triangles, planes: [{ name: 'w', n: [0, 0, 1], at: 0 }], zones: [{ name: 'b', where: [['w', 'below']] }] }] }, // biome-ignore format: one line
  hydrostaticsOfMesh: { run: hull.hydrostaticsOfMesh, args: [{ triangles, densityKgM3: 1025 }] },
  offsetsFromMesh: { run: hull.offsetsFromMesh, args: [{ triangles, stations: 11, waterlines: 10 }] },
  checkMesh: { run: hull.checkMesh, args: [triangles] },
  thinMesh: { run: hull.thinMesh, args: [triangles, 6] },
  withoutFaces: { run: hull.withoutFaces, args: [triangles, [1]] },
  hullCuts: {
    run: hull.hullCuts,
    args: [
      {
        topOfPaintM: 0.05,
        stripe: { lowerM: 0.1, upperM: 0.2 },
        transomXM: 0.1,
        keel: { aftM: 2, foreM: 4, topM: -0.5 },
        sheer: { aftM: 1, foreM: 1.2, lengthM: 9 },
        stationsM: [3, 6],
      },
    ],
  },
  checkMeshSize: { run: hull.checkMeshSize, args: ['a', 1000] },
  boundsOf: { run: hull.boundsOf, args: [triangles] },
  stackNeed: {
    run: system.stackNeed,
    args: [{ areaM2: 20, spread: 0.05, steps: [stackStep], profileMicrons: 60 }],
  },
  fineFigures: {
    run: system.fineFigures,
    args: [{ method: 'airless-spray', dryMicronsPerCoat: 400, thinner: 0.2 }, sheet],
  },
  stackFigures: {
    run: system.stackFigures,
    args: [{ steps: [compared], areaM2: 20, tempC: 15, highWear: true }],
  },
  nextCoat: {
    run: system.nextCoat,
    args: [
      [2, 3],
      [2, 1],
    ],
  },
  coatsStanding: { run: system.coatsStanding, args: [{ coats: applied, removals: [removal] }] },
  sandedByRemoval: { run: system.sandedByRemoval, args: [removal, { sandBetween: 120, before: [] }] },
  coatGroups: { run: system.coatGroups, args: [{ coats: applied, areaM2: 20 }] },
  coatsWanted: { run: system.coatsWanted, args: [{ coats: 2, extraCoats: 1 }, true] },
  stepAreaM2: { run: system.stepAreaM2, args: [{ band: { name: 'b', areaM2: 2 } }, 20] },
  coatLimitsOf: { run: system.coatLimitsOf, args: [sheet, 'roller'] },
  limitsOf: { run: system.limitsOf, args: [sheet] },
  checkStack: { run: system.checkStack, args: [[layer, layer], place] },
  judgeNext: { run: system.judgeNext, args: [[layer], layer, place] },
  profileUnder: { run: system.profileUnder, args: [{ substrate: 'steel', oldCoating: null, measuredMicrons: 60, first: sheet }] }, // biome-ignore format: one line
  coatsStillNeeded: { run: system.coatsStillNeeded, args: [{ targetMicrons: 300, appliedMicrons: 120, sheet: { film: { min: 75, typical: 100, max: 125 }, byMethod: [] }, method: 'roller' }] }, // biome-ignore format: one line
  prepHours: { run: system.prepHours, args: [system.prepareFor({ substrate: 'grp', oldCoating: null, service: 'immersed', preparation: null }), 20], own: 1 }, // biome-ignore format: one line
  sheetNotes: { run: system.sheetNotes, args: [other] },
  workBefore: { run: system.workBefore, args: [{ step: { before: [{ id: 'a', kind: 'wait', amount: 4, note: '' }], sandBetween: 120 }, coatNo: 0, key: { grit: 120, fromMs: 5 }, filmToMs: 0, done: [] }] }, // biome-ignore format: one line
  taskState: { run: system.taskState, args: [{ doneMs: null, endsMs: 5, fromMs: 1 }, 3] },
  fitPlane: { run: waterline.fitPlane, args: [{ marks, errorMm: 3 }] },
  marksNeeded: { run: waterline.marksNeeded, args: [{ heelDeg: 1, trimDeg: null }] },
  planeOf: { run: waterline.planeOf, args: [{ form: table, plan: linePlan }] },
  strikeLine: { run: waterline.strikeLine, args: [{ form: table, plan: linePlan }] },
  fairMarks: { run: waterline.fairMarks, args: [{ marks: [{ xM: 0, offMm: 1 }, { xM: 1, offMm: 3 }, { xM: 2, offMm: 2 }], stiffness: 0.5 }] }, // biome-ignore format: one line
  stripe: {
    run: waterline.stripe,
    args: [{ form: table, shape: stripeShape, topOfPaintMm: 50, stations: 10 }],
  },
  sinkageMm: { run: waterline.sinkageMm, args: [{ addedKg: 200, waterplaneM2: 19.5, densityKgM3: 1025 }] },
  waterplaneByRule: { run: waterline.waterplaneByRule, args: [{ lwlM: 9, beamM: 3, cwp: 0.7 }] },
  alongSkinByFlare: { run: waterline.alongSkinByFlare, args: [{ riseMm: 80, flareDeg: 60 }] },
  stationsEvery: { run: waterline.stationsEvery, args: [table, 0.5] },
  heightAboveDatum: { run: waterline.heightAboveDatum, args: [{ aMm: 1000, bMmPerM: 10, cMmPerM: 5 }, { xM: 1, yM: 1, riseMm: 50 }] }, // biome-ignore format: one line
  judgeFinding: { run: inspect.judgeFinding, args: [{ kind: 'salt', value: 30, grade: null, limit: 50 }] },
  openFaults: {
    run: inspect.openFaults,
    args: [[{ kind: 'salt', atMs: HOUR, verdict: 'bad', place: null }], 0],
  },
  paintedOverMs: { run: inspect.paintedOverMs, args: [HOUR, [2 * HOUR]] },
  profileFromTape: {
    run: inspect.profileFromTape,
    args: [{ readingsMicrons: [110, 120], tape: 'coarse', film: 50 }],
  },
  saltFromConductivity: { run: inspect.saltFromConductivity, args: [{ microSiemensPerCm: 12, blank: 2, millilitres: 15, patchMm2: 1250 }] }, // biome-ignore format: one line
  washLitres: { run: inspect.washLitres, args: [200, 50] },
  blastDay: {
    run: inspect.blastDay,
    args: [{ areaM2: 100, blastM2PerH: 8, primeM2PerH: 40, hours: 8, bareHours: 4 }],
  },
  converterCourse: { run: inspect.converterCourse, args: [{ rounds: [{ red: true }], openedYears: 1 }] },
  adhesionTest: { run: inspect.adhesionTest, args: [200] },
  overfull: { run: plan.overfull, args: [{ stays: [{ id: 'a', fromMs: 0, untilMs: 1 }], places: 1 }] },
  schedule: { run: plan.schedule, args: [planProblem, { seed: 1, steps: 5 }] },
  typicalHours: { run: air.typicalHours, args: [hours, 9 * HOUR] },
  buildProblem: { run: plan.buildProblem, args: [planYard, 96], every: 5 },
  chanceOf: { run: plan.chanceOf, args: [7, 10] },
  wetShareOf: { run: plan.wetShareOf, args: [[{ ...hours[0], rainMm: 1 }, hours[1]]] },
  weatherDraws: {
    run: (input, seed) =>
      plan
        .weatherDraws(input)(seed)
        .knownAt(4 * HOUR),
    args: [{ hours, fromMs: HOUR, morningMs: 3 * HOUR, wetShare: 0.2 }, 1],
  },
  coatAir: {
    run: (input, at) => air.coatAir(input).reasonsAt(at, 'applying'),
    args: [{ hours, surface, limits, underCover: false }, HOUR],
  },
  reviewPractice: { run: practice.reviewPractice, args: [practiceCase.job, practiceCase.hurried], every: 5 },
  thumbOn: {
    run: practice.thumbOn,
    args: [practiceCase.job, practiceCase.hurried, 0, practice.practiceTime(0, 15)],
  },
  practiceTime: { run: practice.practiceTime, args: [1, 8] },
  plannedInOneGo: { run: plan.plannedInOneGo, args: [[{ id: 'a', startMs: HOUR, applyMs: HOUR }], 'a'] },
  planFaults: {
    run: plan.planFaults,
    args: [planProblem, { starts: { a: 0, b: 3 }, crew: { a: ['p'], b: ['p'] } }],
    endless: ['.cost'],
  },
};

/** Functions that take no figure, or hand one on as they were given it. */
const WITHOUT_FIGURES = [
  'typicalSheet',
  'gramsInLine',
  'isByGrams',
  'restsOn',
  'stillTypical',
  'unconfirmed',
  'hasHull', 'memoised', 'memoisedByKey', 'remembering',
  'finite', 'moment', 'positive', 'within', 'parseNumber', 'parseQuantity', 'shownUnit', 'sentence', 'film', 'degrees', 'unitDef', 'QuantityError', 'NotStatedError',
  'widestOf', 'lastPassing', 'meanOf', 'withoutOutliers', 'usualColours', 'hullsOf', 'launchEvent', 'isUnderCover', 'surroundingsAt', 'nextChange', 'windOver', 'ruleFor', 'safeEvent', 'isCumulative', 'toolBasis', 'readStl', 'readObj', 'writeStl', 'writeObj', 'facesOf',
  'judgeJoint', 'judgeGrounds', 'nearestFine', 'withOtherProducts', 'layerOf', 'layerOfStep', 'prepareFor', 'gradeOf', 'prepTasks', 'isCuprous', 'filmOf', 'thinnerOf',
  'methodsOf', 'lossOf', 'upperLossOf', 'firstFilm', 'isConverted', 'stillDone', 'colourOf', 'appliedBond', 'schoolInForce', 'switchSchool', 'fillTemplate', 'templatesFor', 'sandedAt', 'waitsUntil',
  'planYard', 'placesOf', 'planKeeping', 'cheapestWay', 'followPlan', 'planFollower', 'rehearse', 'oddsOf', 'joined', 'filmIn', 'yardInWeather', 'passing', 'cleaningLitres', 'solventRub', 'takesFigure', 'withMark', 'markSheet', 'checkDimensions', 'uprightness', 'otherSide', 'sweepMm', 'flareDegAt',
]; // biome-ignore format: a list

const HOSTILE = [Number.NaN, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, -1e9, 0, 1e300, undefined];

/** Every copy of `value` with one figure made hostile, or one list emptied or turned round, and what was done. */
function* spoilt(value: unknown, path = ''): Generator<[unknown, string]> {
  if (typeof value === 'number') {
    for (const bad of HOSTILE) if (!Object.is(bad, value)) yield [bad, `${path} = ${bad}`];
  } else if (value instanceof Float32Array) {
    for (const bad of HOSTILE) yield [value.with(1, bad ?? Number.NaN), `${path}[1] = ${bad}`];
    yield [new Float32Array(0), `${path} empty`];
  } else if (Array.isArray(value)) {
    yield [[], `${path} empty`];
    if (value.length > 1) yield [value.toReversed(), `${path} reversed`];
    for (const [i, each] of value.slice(0, 3).entries())
      for (const [bad, what] of spoilt(each, `${path}[${i}]`)) yield [value.with(i, bad), what];
  } else if (value && typeof value === 'object') {
    for (const [key, each] of Object.entries(value))
      for (const [bad, what] of spoilt(each, `${path}.${key}`)) yield [{ ...value, [key]: bad }, what];
  }
}

/** The path to a figure that is none in a result; null: every figure is one. */
function impossible(value: unknown, endless: readonly string[], path = ''): string | null {
  if (typeof value === 'number') {
    const key = path.split('.').at(-1) ?? '';
    return Number.isNaN(value) || (!Number.isFinite(value) && !endless.includes(key))
      ? `${path} ${value}`
      : null;
  }
  if (ArrayBuffer.isView(value))
    return [...(value as Float32Array)].some(Number.isNaN) ? `${path} NaN` : null;
  if (typeof value === 'string')
    return /\b(NaN|Infinity|undefined)\b/.test(value) ? `${path} "${value}"` : null;
  if (!value || typeof value !== 'object') return null;
  for (const [key, each] of Object.entries(value)) {
    const found = impossible(each, endless, Array.isArray(value) ? path : `${path}.${key}`);
    if (found) return found;
  }
  return null;
}

const MOST_WORK_US = 5e6;

describe('nothing impossible travels', () => {
  it('every function that the core offers is looked at here', () => {
    const offered = [
      units,
      air,
      film,
      cure,
      mix,
      hull,
      system,
      supply,
      waterline,
      inspect,
      plan,
      practice,
    ].flatMap((module) =>
      Object.entries(module).flatMap(([name, value]) => (typeof value === 'function' ? [name] : [])),
    );
    expect(offered.filter((name) => !(name in ENTRIES) && !WITHOUT_FIGURES.includes(name))).toEqual([]);
  });

  it.each(Object.entries(ENTRIES))('%s', (_name, { run, args, endless = [], own = 0, every = 1 }) => {
    expect(impossible(run(...args), endless)).toBeNull();
    const faults: string[] = [];
    const calls = args
      .flatMap((arg, i) =>
        (i < own ? [] : [...spoilt(arg, `${i}`)]).map(([bad, what]) => [args.with(i, bad), what] as const),
      )
      .filter((_, i) => i % cases(every, 1) === 0);
    for (const [bad, what] of calls) {
      const before = process.cpuUsage();
      try {
        const found = impossible(run(...bad), endless);
        if (found) faults.push(`${what} gives ${found}`);
      } catch (error) {
        // RangeError: QuantityError, and the readers of what a person typed.
        if (
          !(error instanceof RangeError) ||
          !/\S .*(must be \S|isn’t|is not|is required|did you mean)/s.test(error.message)
        )
          faults.push(`${what} throws ${error}`);
        if (error instanceof units.QuantityError && !(error.quantity.trim() && error.limit.trim()))
          faults.push(`${what} is refused without a name: ${error}`);
      }
      // Work done, not time passed: a busy machine proves nothing.
      if (process.cpuUsage(before).user > MOST_WORK_US) faults.push(`${what} never seems to end`);
    }
    expect(faults.join('\n')).toBe('');
  });
});
