import type { AreaClock, NextView, WorkView } from '../../contract/index.ts';
import {
  delayedWindows,
  eventTime,
  type Film,
  filmEvents,
  type Next,
  sandedWindows,
  type TempSeries,
  type Windows,
  windowsFor,
} from '../../core/cure/index.ts';
import type { FilmGiven } from '../../core/plan/index.ts';
import {
  type CoatGroup,
  type DueTask,
  filmOf,
  type ProductSheet,
  sandedAt,
  waitsUntil,
  workBefore,
} from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot, CoatOnArea } from './areaStates.ts';
import { groupFilm } from './coatFilm.ts';
import { filmAsTested, handOn, testsOn } from './handOn.ts';

/** The clock of one film: its windows for what comes next, and the work before that. */

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());

/** The tasks before the next coat, once it is known when the film below must be sanded. */
export function workFor(
  state: AreaSnapshot,
  next: NextView | null,
  film: { toMs: number; windows: Windows | null; sandableMs: number | null } | null,
): DueTask[] {
  const step = state.steps.find((each) => each.id === next?.stepId);
  if (!next || !step) return [];
  const missed = film?.windows?.segments.find((segment) => segment.state === 'key-first');
  return workBefore({
    step,
    coatNo: next.coatNo,
    key: missed ? { grit: film?.windows?.keyGrit ?? null, fromMs: missed.fromMs } : null,
    filmToMs: film?.toMs ?? null,
    sandableMs: film?.sandableMs ?? null,
    done: state.work.filter(({ stepId, coatNo }) => stepId === step.id && coatNo === next.coatNo),
  });
}

/** Work before a coat as a page shows it. */
export const workViews = (
  work: readonly DueTask[],
  { strewn }: AreaSnapshot,
  next: NextView | null,
): WorkView[] =>
  work.map(({ doneMs, endsMs, fromMs, sandableMs, ...task }) => {
    const out = strewn.findLast(
      ({ taskId, stepId, coatNo }) =>
        taskId === task.taskId && stepId === next?.stepId && coatNo === next.coatNo,
    );
    return {
      ...task,
      doneAt: iso(doneMs),
      endsAt: iso(endsMs),
      fromAt: iso(fromMs),
      sandableAt: iso(sandableMs),
      strewn:
        out && doneMs === null
          ? { at: new Date(out.atMs).toISOString(), kg: out.kg, entryId: out.entryId }
          : null,
    };
  });

export function nextKind(clock: AreaClock, catalogue: ProductCatalogue): Next | null {
  if (clock.nextIsWater) return { kind: 'water' };
  if (!clock.next) return null;
  const family = catalogue.latest.get(clock.next.productId)?.sheet.family ?? 'any';
  return { kind: 'coat', family, same: clock.next.productId === clock.film?.productId };
}

/** A lap shorter than this leaves no far end behind. */
const LAP_MS = 15 * 60_000;

/** A second lap straight on may begin where the first began, though the far end is not ready. */
function lapOf(film: Film, windows: Windows, temps: TempSeries): AreaClock['lap'] {
  const min = windows.edges.find(({ edge }) => edge === 'overcoat-min');
  if (!min?.at || film.laidToMs - film.laidFromMs < LAP_MS) return null;
  const start = eventTime({ curve: min.curve, temps, laidAt: film.laidFromMs }).at;
  return start === null
    ? null
    : { start: new Date(start).toISOString(), farEnd: new Date(min.at).toISOString() };
}

/** How many times its sheet's typical film a coat came out at, by its litres; left out where that cannot be told. */
function timesTypical(input: FilmInput): Pick<Film, 'timesTypical'> {
  const method = input.top.entries[0]?.body.method;
  const microns = groupFilm(input.top, input);
  if (microns === null || method === undefined) return {};
  return { timesTypical: microns / filmOf(input.sheet, method).typical };
}

/** What other films of the product and method of this one taught. */
export function paceOfTop(top: CoatGroup<CoatOnArea>, { paceOf }: Pick<ProductCatalogue, 'paceOf'>): number {
  const body = top.entries[0]?.body;
  return body ? paceOf(body.productId, body.method) : 1;
}

/** Segments as the views carry them. */
export const segmentViews = (windows: Pick<Windows, 'segments'>): AreaClock['segments'] =>
  windows.segments.map(({ state, fromMs, toMs }) => ({
    state,
    from: new Date(fromMs).toISOString(),
    to: iso(toMs),
  }));

/** Windows as the work before the next coat leaves them: sanded, and held back by a wait. */
export function workedWindows(
  windows: Windows,
  work: readonly Pick<DueTask, 'kind' | 'doneMs' | 'endsMs'>[],
  now: number,
): Windows {
  const sandedMs = sandedAt(work);
  const sanded = sandedMs === null ? windows : sandedWindows(windows, sandedMs, now);
  const waits = waitsUntil(work);
  return waits === null ? sanded : delayedWindows(sanded, waits, now);
}

/** One grit for one joint: the coarser of what the missed window wants and what is planned there anyway. */
function oneGrit(key: number | null, work: readonly Pick<DueTask, 'kind' | 'amount'>[]): number | null {
  const planned = work.flatMap(({ kind, amount }) => (kind === 'sand' && amount !== null ? [amount] : []));
  const grits = key === null ? planned : [key, ...planned];
  return grits.length > 0 ? Math.min(...grits) : null;
}

interface FilmInput {
  sheet: ProductSheet;
  top: CoatGroup<CoatOnArea>;
  temps: TempSeries;
  now: number;
  state: AreaSnapshot;
  clock: AreaClock;
  catalogue: ProductCatalogue;
}

/** A film with what holds back what follows it, so that its times can be worked out in other weather. */
export function filmGiven(input: FilmInput): FilmGiven {
  const { temps, now, clock, state, top } = input;
  const next = nextKind(clock, input.catalogue);
  const { cure: sheet } = input.sheet;
  const asOnSheet: Film = { laidFromMs: top.fromMs, laidToMs: top.toMs, sheet, ...timesTypical(input) };
  const pace = paceOfTop(top, input.catalogue);
  const film = filmAsTested({ film: asOnSheet, next, temps }, testsOn(state, top, now), pace);
  const work = clock.work.map(({ kind, doneAt, endsAt }) => ({
    kind,
    doneMs: doneAt === null ? null : Date.parse(doneAt),
    endsMs: endsAt === null ? null : Date.parse(endsAt),
  }));
  return { film, next, sandedMs: sandedAt(work), waitsUntilMs: waitsUntil(work) };
}

export function filmClock(input: FilmInput): Partial<AreaClock> {
  const { temps, now, clock, state, top } = input;
  const asOnSheet: Film = {
    laidFromMs: top.fromMs,
    laidToMs: top.toMs,
    sheet: input.sheet.cure,
    ...timesTypical(input),
  };
  const next = nextKind(clock, input.catalogue);
  const inAir = { film: asOnSheet, next, temps };
  const pace = paceOfTop(top, input.catalogue);
  const hand = handOn({ state, top, now, clock: inAir, pace });
  const film = filmAsTested(inAir, testsOn(state, top, now), pace);
  const timed = filmEvents({ film, temps });
  const events = timed.map(({ event, at }) => ({ event, at: iso(at) }));
  const sandableMs = timed.find(({ event }) => event === 'sandable')?.at ?? null;
  if (!next) return { state: 'finished', events, hand };
  const asApplied = windowsFor({ film, next, temps, now });
  const work = workFor(state, clock.next, { toMs: top.toMs, windows: asApplied, sandableMs });
  const windows = workedWindows(asApplied, work, now);
  return {
    state: windows.state,
    until: iso(windows.until),
    segments: segmentViews(windows),
    edges: windows.edges.map((edge) => ({
      edge: edge.edge,
      at: iso(edge.at),
      points: [...edge.curve.points],
      stopC: edge.curve.stopC,
      runsOn: edge.curve.runsOn ?? false,
      from: new Date(edge.fromMs).toISOString(),
      factor: edge.factor,
    })),
    work: workViews(work, state, clock.next),
    events,
    warnings: windows.warnings,
    keyGrit: oneGrit(windows.keyGrit, work),
    ruleBy: windows.ruleBy,
    lap: lapOf(film, asApplied, temps),
    hand,
  };
}
