import type { AreaClock, NextView, WorkView } from '../../contract/index.ts';
import {
  delayedWindows,
  eventTime,
  type Film,
  filmEvents,
  keyedWindows,
  type Next,
  type TempSeries,
  type Windows,
  windowsFor,
} from '../../core/cure/index.ts';
import { dryMicronsFromLitres } from '../../core/film/index.ts';
import {
  type CoatGroup,
  type DueTask,
  filmOf,
  keyedAt,
  lossOf,
  type ProductSheet,
  waitsUntil,
  workBefore,
} from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot, CoatOnArea } from './areaStates.ts';

/** The clock of one film: its windows for what comes next, and the work before that. */

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());

/** What is to be done before the next coat, once it is known when the film below wants keying. */
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

export const workView = ({ doneMs, endsMs, fromMs, sandableMs, ...task }: DueTask): WorkView => ({
  ...task,
  doneAt: iso(doneMs),
  endsAt: iso(endsMs),
  fromAt: iso(fromMs),
  sandableAt: iso(sandableMs),
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

/** How many times its sheet's typical film a coat came out at, by its litres. */
function timesTypical(top: CoatGroup<CoatOnArea>, sheet: ProductSheet): number {
  const first = top.entries[0]?.body;
  if (!first || !(top.coveredM2 > 0)) return 1;
  const litres = top.entries.reduce((sum, { body }) => sum + body.litres, 0);
  const { volumeSolids } = sheet;
  const microns = dryMicronsFromLitres({
    litres,
    areaM2: top.coveredM2,
    volumeSolids,
    loss: lossOf(first.method),
  });
  return microns / filmOf(sheet, first.method).typical;
}

export function filmClock(input: {
  sheet: ProductSheet;
  top: CoatGroup<CoatOnArea>;
  temps: TempSeries;
  now: number;
  state: AreaSnapshot;
  clock: AreaClock;
  catalogue: ProductCatalogue;
}): Partial<AreaClock> {
  const { temps, now, clock, state, top } = input;
  const film = {
    laidFromMs: top.fromMs,
    laidToMs: top.toMs,
    sheet: input.sheet.cure,
    timesTypical: timesTypical(top, input.sheet),
  };
  const timed = filmEvents({ film, temps });
  const events = timed.map(({ event, at }) => ({ event, at: iso(at) }));
  const sandableMs = timed.find(({ event }) => event === 'sandable')?.at ?? null;
  const next = nextKind(clock, input.catalogue);
  if (!next) return { state: 'finished', events };
  const asLaid = windowsFor({ film, next, temps, now });
  const work = workFor(state, clock.next, { toMs: top.toMs, windows: asLaid, sandableMs });
  const keyed = keyedAt(work);
  const sanded = keyed === null ? asLaid : keyedWindows(asLaid, keyed, now);
  const waits = waitsUntil(work);
  const windows = waits === null ? sanded : delayedWindows(sanded, waits, now);
  return {
    state: windows.state,
    until: iso(windows.until),
    segments: windows.segments.map((s) => ({
      state: s.state,
      from: new Date(s.fromMs).toISOString(),
      to: iso(s.toMs),
    })),
    edges: windows.edges.map((edge) => ({
      edge: edge.edge,
      at: iso(edge.at),
      points: [...edge.curve.points],
      stopC: edge.curve.stopC,
      from: new Date(edge.fromMs).toISOString(),
    })),
    work: work.map(workView),
    events,
    warnings: windows.warnings,
    keyGrit: windows.keyGrit,
    ruleBy: windows.ruleBy,
    lap: lapOf(film, asLaid, temps),
  };
}
