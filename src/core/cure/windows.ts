import { moment, QuantityError, within } from '../units/index.ts';
import { chain, type WindowSegment, type WindowState } from './chain.ts';
import { type CureSheet, dryPoints, FILM_EVENTS, type FilmEvent, type Next, ruleFor } from './cureSheet.ts';
import { type CurvePoint, type EventCurve, LONGEST_MINUTES } from './curve.ts';
import { type ClockWarning, type EventTime, eventTime } from './eventTime.ts';
import { segmentAt } from './segmentAt.ts';
import type { TempSeries } from './series.ts';

export type { WindowSegment, WindowState } from './chain.ts';
export {
  type CureSheet,
  dryPoints,
  FILM_EVENTS,
  type FilmEvent,
  type Next,
  type OvercoatRule,
  ruleFor,
  safeEvent,
} from './cureSheet.ts';

export interface Film {
  /** First and last moment of application, ms: the last corner decides "may", the first one "must". */
  laidFromMs: number;
  laidToMs: number;
  sheet: CureSheet;
  /** How many times the sheet's typical film was applied, by litres; left out: not known. */
  timesTypical?: number;
  /** How many times as fast as its sheet it cures, by what the hand found; left out: as the sheet. */
  factor?: number;
  /** As `factor`, for what must be done by then; left out: the same. */
  mustFactor?: number;
  /** Something last stuck to it then, and nothing found since says that it is dry; left out: nothing stuck. */
  stuck?: { atMs: number; notCuring: boolean };
}

/** From here on a film is heavier than its sheet's times are good for [M]: it holds its solvent longer. */
const HEAVY_TIMES = 1.5;

/** A named edge of the window, with the table it was reckoned from. */
export interface WindowEdge {
  edge: 'overcoat-min' | 'thumb-opens' | 'thumb-closes' | 'chemical-max' | FilmEvent;
  at: number | null;
  curve: EventCurve;
  /** The moment of application the edge counts from. */
  fromMs: number;
  /** Times as fast as its sheet that the film runs to it: the curve has it in already. */
  factor: number;
}

export interface Windows {
  state: WindowState;
  /** When the present state ends, ms; null: not at all, or not known. */
  until: number | null;
  segments: WindowSegment[];
  edges: WindowEdge[];
  warnings: ClockWarning[];
  keyGrit: number | null;
  /** The rule of the sheet that was used; null for the water or where none fits. */
  ruleBy: string | null;
}

/** Start and end of application in their order. */
function checkFilm({ laidFromMs, laidToMs, factor, mustFactor, sheet }: Film): void {
  moment('start of application', laidFromMs);
  moment('end of application', laidToMs);
  if (laidToMs < laidFromMs)
    throw new QuantityError('end of application', laidToMs, `at or after its start (${laidFromMs})`);
  if (factor !== undefined) within('factor of the clock', factor, 0.01, 100);
  if (mustFactor !== undefined) within('factor of the clock for what must be', mustFactor, 0.01, 100);
  for (const { keyGrit } of sheet.overcoat) if (keyGrit !== null) within('grit', keyGrit, 1, 10_000);
}

/** Warnings about a film that don’t depend on the weather. */
function filmWarnings({ timesTypical, stuck }: Film, dry: number | null): ClockWarning[] {
  const heavy =
    timesTypical !== undefined && within('film against the typical', timesTypical, 0, 1000) >= HEAVY_TIMES;
  return [
    ...(heavy ? (['heavy-film'] as const) : []),
    ...(stuck?.notCuring
      ? (['not-curing'] as const)
      : stuck && dry === null
        ? (['still-sticks'] as const)
        : []),
  ];
}

/** Edges by which something must be done; every other says from when it may. */
const MUST: ReadonlySet<WindowEdge['edge']> = new Set(['thumb-closes', 'chemical-max', 'latest-immersion']);

/** How many times as fast as its sheet a film runs to an edge. */
const timesTo = (
  edge: WindowEdge['edge'],
  { factor = 1, mustFactor = factor }: Pick<Film, 'factor' | 'mustFactor'>,
): number => (MUST.has(edge) ? mustFactor : factor);

/** A table as this film runs through it to an edge: `factor` times as fast, and on beyond it where something must be done. */
function curveTo(edge: WindowEdge['edge'], points: readonly CurvePoint[], film: Film): EventCurve {
  const times = timesTo(edge, film);
  return {
    points:
      times === 1
        ? points
        : points.map(({ tempC, minutes }) => ({
            tempC,
            minutes: Math.min(LONGEST_MINUTES, minutes / times),
          })),
    stopC: film.sheet.stopC,
    runsOn: MUST.has(edge),
  };
}

/**
 * The states of a film towards its next coat, in order, and the state at `now`.
 *
 * too-soon → (thumb) → open → key-first for a coat; too-soon → open → closed for the water, where an
 * antifouling must be wetted by a date. "May" counts from the last corner applied, "must" from the first.
 * A sheet without a rule gives the single state not-stated: nothing is assumed. A film to which something sticks is never open:
 * not before it is dry by its corrected clock, nor at all where it does not cure or no event says when it is dry.
 *
 * @throws {QuantityError} on an unusable table, an empty series, a moment that is none or an end before its start
 */
export function windowsFor(input: { film: Film; next: Next; temps: TempSeries; now: number }): Windows {
  const { film, next, temps } = input;
  const now = moment('now', input.now);
  checkFilm(film);
  const { sheet } = film;
  const edges: WindowEdge[] = [];
  const dry = dryAt(film, next, temps);
  const warnings = new Set<ClockWarning>(filmWarnings(film, dry));
  /** What may be done, not before the film is dry; null: nobody knows when. */
  const onceDry = (at: number | null) => (at === null || dry === null ? null : Math.max(at, dry));
  const edge = (name: WindowEdge['edge'], points: readonly CurvePoint[], fromMs: number): number | null => {
    const curve = curveTo(name, points, film);
    const time: EventTime = eventTime({ curve, temps, laidAt: fromMs });
    const at = MUST.has(name) ? time.at : onceDry(time.at);
    edges.push({ edge: name, at, curve, fromMs, factor: timesTo(name, film) });
    for (const warning of time.warnings) warnings.add(warning);
    return at;
  };
  const finish = (segments: WindowSegment[], keyGrit: number | null, ruleBy: string | null): Windows => {
    const present = segmentAt(segments, now) as WindowSegment;
    return {
      state: present.state,
      until: present.toMs,
      segments,
      edges,
      warnings: [...warnings],
      keyGrit,
      ruleBy,
    };
  };

  if (next.kind === 'water') {
    const { immersion } = sheet.events;
    const latest = sheet.events['latest-immersion'];
    if (!immersion && !latest)
      return finish([{ state: 'not-stated', fromMs: film.laidFromMs, toMs: null }], null, null);
    const opens = immersion ? edge('immersion', immersion, film.laidToMs) : null;
    const closes = latest ? edge('latest-immersion', latest, film.laidFromMs) : null;
    const before: readonly (readonly [WindowState, number | null])[] = immersion
      ? [
          ['too-soon', opens],
          ['open', closes],
        ]
      : [
          ['too-soon', film.stuck ? dry : film.laidFromMs],
          ['earliest-not-stated', closes],
        ];
    return finish(chain(film.laidFromMs, [...before, ['closed', null]]), null, null);
  }

  const rule = ruleFor(sheet, next);
  if (!rule) return finish([{ state: 'not-stated', fromMs: film.laidFromMs, toMs: null }], null, null);
  const min = edge('overcoat-min', rule.min, film.laidToMs);
  const chemical = rule.chemicalMax ? edge('chemical-max', rule.chemicalMax, film.laidFromMs) : null;
  if (!rule.thumb) {
    return finish(
      chain(film.laidFromMs, [
        ['too-soon', min],
        ['open', chemical],
        ['key-first', null],
      ]),
      rule.keyGrit,
      rule.by,
    );
  }
  // A print taken before the sheet's own minimum is no leave: "may" comes late.
  const prints = edge('thumb-opens', rule.thumb.opens, film.laidToMs);
  const opens = min === null || prints === null ? null : Math.max(min, prints);
  const hard = edge('thumb-closes', rule.thumb.closes, film.laidFromMs);
  // A print taken after the chemical window has closed is no leave either.
  const closes = hard === null || chemical === null ? (hard ?? chemical) : Math.min(hard, chemical);
  return finish(
    chain(film.laidFromMs, [
      ['too-soon', opens],
      ['thumb', closes],
      ['open', chemical],
      ['key-first', null],
    ]),
    rule.keyGrit,
    rule.by,
  );
}

/** When nothing sticks any more to a film that something stuck to; −∞: nothing did; null: it does not cure, or nobody knows when. */
function dryAt(film: Film, next: Next, temps: TempSeries): number | null {
  const { stuck } = film;
  if (!stuck) return Number.NEGATIVE_INFINITY;
  const points = dryPoints(film.sheet, next);
  if (stuck.notCuring || !points) return null;
  const { at } = eventTime({ curve: curveTo('tack-free', points, film), temps, laidAt: film.laidToMs });
  return at === null ? null : Math.max(at, moment('time of the test', stuck.atMs));
}

/**
 * Times of the film's own events that its sheet states, in the order they come. What may be done counts from the last
 * corner applied; the latest immersion, which must be met, from the first.
 */
export function filmEvents(input: {
  film: Film;
  temps: TempSeries;
}): { event: FilmEvent; at: number | null }[] {
  checkFilm(input.film);
  const { sheet, laidFromMs, laidToMs, stuck } = input.film;
  const events = FILM_EVENTS.flatMap((event) => {
    const points = sheet.events[event];
    if (!points) return [];
    const must = MUST.has(event);
    // Of a film that does not cure nobody knows when anything may be done.
    if (stuck?.notCuring && !must) return [{ event, at: null }];
    const laidAt = must ? laidFromMs : laidToMs;
    const { at } = eventTime({ curve: curveTo(event, points, input.film), temps: input.temps, laidAt });
    return [{ event, at }];
  });
  return events.sort((a, b) => (a.at ?? Number.POSITIVE_INFINITY) - (b.at ?? Number.POSITIVE_INFINITY) || 0);
}
