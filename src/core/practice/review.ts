import {
  type AirHour,
  type AirLimits,
  airAround,
  type CoatFailureCode,
  isUnderCover,
  judgeCoat,
  nightsBetween,
  type Site,
  type SurfaceBody,
  type Surroundings,
  surfaceSeries,
} from '../air/index.ts';
import {
  type CureSheet,
  type CurvePoint,
  eventTime,
  type Film,
  HOUR_MS,
  type Next,
  ruleFor,
  safeEvent,
  type TempSeries,
  type WindowState,
  windowsFor,
} from '../cure/index.ts';
import { blastDay } from '../inspect/index.ts';
import { type MixPart, planBatches, potLifeMinutes, type RatioBasis, shares } from '../mix/index.ts';
import { moment, positive, QuantityError, within } from '../units/index.ts';

/** A coat of a practice job, with its sheet. */
export interface PracticeCoat {
  name: string;
  family: string;
  sheet: CureSheet;
  /** Ratio by volume. */
  parts: readonly MixPart[];
  /** Of the ratio, as a fraction. */
  tolerance: number;
  potLife: readonly CurvePoint[];
  inductionMin: number;
  rateM2PerH: number;
  litresPerM2: number;
  /** How many times as fast as its sheet the film really cures: nobody knows it before the hand tests it. */
  realFactor: number;
}

/** A small job to practise on. Times in ms. */
export interface PracticeJob {
  hours: readonly AirHour[];
  site: Site;
  surface: SurfaceBody;
  surroundings: Surroundings;
  limits: AirLimits;
  areaM2: number;
  coats: readonly PracticeCoat[];
  /** Steel that is blasted and then primed by the same person, in so many hours; null: none is. */
  blast: { rateM2PerH: number; hours: number } | null;
}

/** How the parts were measured: shares of each part by volume or by weight. */
export interface Poured {
  parts: readonly number[];
  by: RatioBasis;
}

/** What somebody did. */
export interface PracticeDone {
  /** null: nothing is blasted. */
  blastedM2: number | null;
  coats: readonly { startMs: number; batches: number; poured: Poured; isTested: boolean }[];
  /** null: there is no launch. */
  launchMs: number | null;
}

/** A mistake, with the figures that show it. `coat` counts from 0; times in ms. */
export type PracticeFault =
  | { code: 'blasted-too-much'; blastedM2: number; mostM2: number }
  | { code: 'ratio-wrong'; coat: number; off: number }
  | { code: 'mixed-too-much'; coat: number; batchL: number; largestL: number }
  /** `atMs` is when the weather or the dark stops it; an earlier start that day would have passed. */
  | { code: 'started-late'; coat: number; why: CoatFailureCode; atMs: number; latestMs: number }
  | { code: 'weather'; coat: number; why: CoatFailureCode; atMs: number }
  | { code: 'thumb-skipped'; coat: number }
  | { code: 'too-soon'; coat: number; readyMs: number | null }
  | { code: 'too-late'; coat: number; closedMs: number }
  | { code: 'launched-too-soon'; readyMs: number | null };

const MOST_BATCHES = 100;
const STEP_MS = HOUR_MS / 2;
const DAY_MS = 24 * HOUR_MS;

const litresOf = ({ areaM2 }: PracticeJob, { litresPerM2 }: PracticeCoat): number =>
  positive('area (m²)', areaM2, 10_000) * positive('litres per m²', litresPerM2, 20);
/** Last moment of application. */
const endOf = ({ areaM2 }: PracticeJob, { rateM2PerH }: PracticeCoat, startMs: number): number =>
  startMs + (positive('area (m²)', areaM2, 10_000) / positive('rate (m²/h)', rateM2PerH, 1000)) * HOUR_MS;

/** The weather at the job, worked out once. */
function placeOf({ hours, site, surface, surroundings }: PracticeJob) {
  const readings = surfaceSeries({ hours, surface, site, surroundings });
  const temps: TempSeries = { startMs: hours[0]?.at ?? 0, valuesC: readings.map(({ surfaceC }) => surfaceC) };
  const about = hours.map((hour, i) => ({
    ...hour,
    ...airAround(hour, surroundings),
    surfaceC: readings[i]?.surfaceC,
  }));
  const underCover = isUnderCover(surroundings);
  const [first, last] = [hours[0]?.at ?? 0, hours.at(-1)?.at ?? 0];
  const nights = underCover ? [] : nightsBetween(first, last, site);
  return { readings, temps, about, underCover, nights };
}
type Place = ReturnType<typeof placeOf>;

const filmOf = (job: PracticeJob, done: PracticeDone, i: number): Film => {
  const coat = job.coats[i] as PracticeCoat;
  const { startMs } = done.coats[i] as PracticeDone['coats'][number];
  const factor = within('real rate of the film', coat.realFactor, 0.01, 100);
  return { laidFromMs: startMs, laidToMs: endOf(job, coat, startMs), sheet: coat.sheet, factor };
};

const nextOf = ({ coats }: PracticeJob, i: number): Next => {
  const [coat, next] = [coats[i], coats[i + 1]];
  return next ? { kind: 'coat', family: next.family, same: next.name === coat?.name } : { kind: 'water' };
};

/** Whether a whole coat passes that begins then. */
function judged(job: PracticeJob, place: Place, coat: PracticeCoat, startMs: number) {
  const endMs = endOf(job, coat, startMs);
  const safe = safeEvent(coat.sheet);
  const curve = safe && { points: safe.points, stopC: coat.sheet.stopC };
  const safeMs = curve && eventTime({ curve, temps: place.temps, laidAt: endMs }).at;
  const { about, readings, underCover, nights } = place;
  return judgeCoat({ startMs, endMs, safeMs, hours: about, surface: readings, limits: job.limits, underCover, nights }); // biome-ignore format: one line
}

/** A coat by the weather: too late in the day, or unsuitable all day. */
function weatherFault(job: PracticeJob, place: Place, i: number, startMs: number): PracticeFault[] {
  const coat = job.coats[i] as PracticeCoat;
  const [first] = judged(job, place, coat, startMs).failures;
  if (!first) return [];
  const { code: why, at: atMs } = first;
  const knownMs = Math.max(startMs - DAY_MS / 2, job.hours[0]?.at ?? startMs);
  for (let latestMs = startMs - STEP_MS; latestMs >= knownMs; latestMs -= STEP_MS)
    if (judged(job, place, coat, latestMs).ok)
      return [{ code: 'started-late', coat: i, why, atMs, latestMs }];
  return [{ code: 'weather', coat: i, why, atMs }];
}

const READY: ReadonlySet<WindowState> = new Set(['thumb', 'open', 'keyed']);

/** A coat by the film below it, as that film really is. */
function filmFault(job: PracticeJob, done: PracticeDone, place: Place, i: number): PracticeFault[] {
  const below = i - 1;
  if (below < 0) return [];
  const { startMs, isTested } = done.coats[i] as PracticeDone['coats'][number];
  const film = filmOf(job, done, below);
  const next = nextOf(job, below);
  const { state, segments } = windowsFor({ film, next, temps: place.temps, now: startMs });
  const faults: PracticeFault[] = [];
  if (ruleFor(film.sheet, next)?.thumb && !isTested) faults.push({ code: 'thumb-skipped', coat: i });
  const readyMs = segments.find((segment) => READY.has(segment.state))?.fromMs ?? null;
  const closed = segments.find((segment) => readyMs !== null && segment.fromMs > readyMs && !READY.has(segment.state)); // biome-ignore format: one line
  if (READY.has(state)) return faults;
  if (state === 'too-soon' || readyMs === null || !closed)
    faults.push({ code: 'too-soon', coat: i, readyMs });
  else faults.push({ code: 'too-late', coat: i, closedMs: closed.fromMs });
  return faults;
}

/** The mix of a coat: its ratio, and how much stands in one pot. */
function mixFaults(job: PracticeJob, done: PracticeDone, i: number): PracticeFault[] {
  const coat = job.coats[i] as PracticeCoat;
  const { startMs, batches, poured } = done.coats[i] as PracticeDone['coats'][number];
  const { parts, tolerance, potLife, inductionMin, rateM2PerH, litresPerM2 } = coat;
  const asPoured = parts.map((part, k) => ({ ...part, ratio: poured.parts[k] as number }));
  const sheetShare = shares({ parts, by: 'volume', as: 'volume' });
  const pouredShare = shares({ parts: asPoured, by: poured.by, as: 'volume' });
  const ratio = ([base, hardener]: number[]) => (hardener as number) / (base as number);
  const off = ratio(pouredShare) / ratio(sheetShare) - 1;
  const faults: PracticeFault[] = [];
  if (Math.abs(off) > within('tolerance', tolerance, 0, 0.5))
    faults.push({ code: 'ratio-wrong', coat: i, off });
  const airC = job.hours.findLast(({ at }) => at <= startMs)?.airC;
  if (airC === undefined)
    throw new QuantityError('start of a coat', startMs, 'within the weather of the job');
  const litres = litresOf(job, coat);
  const potLifeMin = potLifeMinutes({ points: potLife, tempC: airC });
  const { largestLitres } = planBatches({ litres, rateM2PerH, litresPerM2, potLifeMin, inductionMin });
  if (!Number.isInteger(within('batches', batches, 1, MOST_BATCHES)))
    throw new QuantityError('batches', batches, 'a whole number');
  if (litres / batches > largestLitres * (1 + 1e-9))
    faults.push({ code: 'mixed-too-much', coat: i, batchL: litres / batches, largestL: largestLitres });
  return faults;
}

/** Steel blasted that cannot be primed while it is clean. */
function blastFault({ blast, areaM2, coats }: PracticeJob, blastedM2: number | null): PracticeFault[] {
  const [primer] = coats;
  if (!blast || !primer || blastedM2 === null) return [];
  const { rateM2PerH, hours } = blast;
  const { areaM2: mostM2 } = blastDay({
    areaM2,
    blastM2PerH: rateM2PerH,
    primeM2PerH: primer.rateM2PerH,
    hours,
  });
  return within('m² blasted', blastedM2, 0, 10_000) > mostM2 * (1 + 1e-9)
    ? [{ code: 'blasted-too-much', blastedM2, mostM2 }]
    : [];
}

function launchFault(job: PracticeJob, done: PracticeDone, place: Place): PracticeFault[] {
  if (done.launchMs === null) return [];
  const film = filmOf(job, done, job.coats.length - 1);
  const now = moment('launch', done.launchMs);
  const { segments } = windowsFor({ film, next: { kind: 'water' }, temps: place.temps, now });
  const readyMs = segments.find(({ state }) => state === 'open')?.fromMs ?? null;
  return readyMs === null || now < readyMs ? [{ code: 'launched-too-soon', readyMs }] : [];
}

function checkDone({ coats }: PracticeJob, done: PracticeDone): void {
  if (done.coats.length !== coats.length)
    throw new QuantityError('coats applied', done.coats.length, `the ${coats.length} of the job`);
  for (const { startMs, poured } of done.coats) {
    moment('start of a coat', startMs);
    if (poured.parts.length !== 2) throw new QuantityError('parts poured', poured.parts.length, '2');
  }
}

/**
 * Lists the mistakes in a practice job, in the order of the work: blasting, then of each coat its ratio, its pot, the weather and the
 * film below, and the launch.
 *
 * Every verdict is that of the core's own rules: {@link blastDay}, {@link planBatches}, {@link judgeCoat}, {@link windowsFor}.
 *
 * @throws {QuantityError} on a job or on figures that cannot be
 */
export function reviewPractice(job: PracticeJob, done: PracticeDone): PracticeFault[] {
  checkDone(job, done);
  const place = placeOf(job);
  return [
    ...blastFault(job, done.blastedM2),
    ...job.coats.flatMap((_, i) => [
      ...mixFaults(job, done, i),
      ...weatherFault(job, place, i, (done.coats[i] as PracticeDone['coats'][number]).startMs),
      ...filmFault(job, done, place, i),
    ]),
    ...launchFault(job, done, place),
  ];
}

/**
 * Result of a thumb test on the film of a coat, by the real rate of curing.
 *
 * @returns `sticks` before the thumbprint window, `prints` in the window, `no-print` after the window
 * @throws {QuantityError} on a job or on figures that cannot be
 */
export function thumbOn(
  job: PracticeJob,
  done: PracticeDone,
  coat: number,
  atMs: number,
): 'sticks' | 'prints' | 'no-print' {
  checkDone(job, done);
  if (!job.coats[coat]) throw new QuantityError('coat', coat, `0–${job.coats.length - 1}`);
  const { temps } = placeOf(job);
  const now = moment('time of the test', atMs);
  const { state } = windowsFor({ film: filmOf(job, done, coat), next: nextOf(job, coat), temps, now });
  return state === 'too-soon' ? 'sticks' : state === 'thumb' ? 'prints' : 'no-print';
}
