import type {
  BareTick,
  BenchView,
  BoatView,
  Entry,
  EntryInput,
  Finding,
  FindingInput,
  HandView,
  LogView,
  OwnTemplate,
  PotView,
  ProgressView,
  SessionNoteView,
  Waterline,
  WorkView,
} from '../../contract/index.ts';
import { type Judged, judgeFinding } from '../../core/inspect/index.ts';
import { WASH } from '../../core/system/index.ts';
import { type MadeMark, withMark } from '../../core/waterline/index.ts';
import type { Waiting } from './queue.ts';

/** What waits on this device, laid over what the server gave: a screen shows a thing done once it is done here. */

const open = (waiting: readonly Waiting[]) => waiting.filter(({ refused }) => refused === null);

function entriesIn(waiting: readonly Waiting[]): EntryInput[] {
  return open(waiting).flatMap(({ method, path, body }) =>
    method === 'POST' && path === '/log' ? [body as EntryInput] : [],
  );
}

/** Pots mixed, used up, discarded and applied here. */
function pots(view: BenchView, entries: readonly EntryInput[]): Pick<BenchView, 'pots' | 'emptied'> {
  const gone = new Set<string>();
  /** Litres applied from those that were discarded. */
  const usedUp = new Map<string, number | null>();
  for (const entry of entries) {
    if (entry.kind === 'batch-end') {
      const { batchId, fate, usedL = 0 } = entry.body;
      if (fate === 'discarded' && usedL === 0) gone.add(batchId);
      else usedUp.set(batchId, fate === 'discarded' ? usedL : null);
    }
    if (entry.kind === 'coat') for (const id of entry.body.batchIds) gone.add(id);
    // Corrected, its new entry stands for the pot; voided, nothing does.
    if (entry.corrects && (entry.kind === 'batch' || entry.kind === 'strike')) gone.add(entry.corrects);
  }
  const mixed = entries.flatMap((entry): PotView[] => {
    if (entry.kind !== 'batch') return [];
    const at = (minutes: number) => new Date(Date.parse(entry.at) + minutes * 60_000).toISOString();
    return [
      {
        entryId: entry.id,
        areaId: view.area.id,
        areaName: view.area.name,
        boatId: view.boat.id,
        boatName: view.boat.name,
        productName: view.product?.name ?? '',
        mixedAt: entry.at,
        inductionEnds: at(entry.body.inductionMin),
        potEnds: entry.body.potLifeMin === null ? null : at(entry.body.potLifeMin),
        usedL: null,
        batch: entry.body,
      },
    ];
  });
  const known = new Set([...view.pots, ...view.emptied].map((pot) => pot.entryId));
  const standing = [...view.pots, ...mixed.filter((pot) => !known.has(pot.entryId))];
  const left = ({ entryId }: PotView) => !gone.has(entryId);
  return {
    pots: standing.filter((pot) => left(pot) && !usedUp.has(pot.entryId)),
    emptied: [
      ...view.emptied,
      ...standing.flatMap((pot) => {
        const usedL = usedUp.get(pot.entryId);
        return usedL === undefined ? [] : [{ ...pot, usedL }];
      }),
    ].filter(left),
  };
}

type Coat = { areaId: string; stepId: string | undefined; coatNo: number | undefined };

/** Notes of a coat in hand, with those made and voided on this device; a coat logged here ends them. */
function notesOf<Note extends { entryId: string }>(
  known: readonly Note[],
  coat: Coat,
  entries: readonly EntryInput[],
  noteIn: (entry: EntryInput) => Note | null,
): Note[] {
  let notes = [...known];
  for (const entry of entries) {
    const { kind, body, corrects } = entry;
    if (kind === 'strike') notes = notes.filter(({ entryId }) => entryId !== corrects);
    if (kind !== 'coat' && kind !== 'progress' && kind !== 'session') continue;
    if (entry.areaId !== coat.areaId || body.stepId !== coat.stepId || body.coatNo !== coat.coatNo) continue;
    if (kind === 'coat') notes = [];
    const note = noteIn(entry);
    if (note && !notes.some(({ entryId }) => entryId === note.entryId)) notes.push(note);
  }
  return notes;
}

function progressNote({ id, at, kind, body }: EntryInput): ProgressView | null {
  if (kind !== 'progress') return null;
  const { section, comb, usedL, wetEdgeMin = null, cutIn = null } = body;
  return { entryId: id, at, section, comb, usedL, wetEdgeMin, cutIn };
}

function sessionNote({ id, at, kind, body }: EntryInput): SessionNoteView | null {
  if (kind !== 'session') return null;
  const { areaIds, people, device } = body;
  return { entryId: id, at, areaIds, people, device };
}

/** Work ticked, and ticks taken back, here. */
function work({ next, work: tasks }: BenchView['clock'], entries: readonly EntryInput[]): WorkView[] {
  const unplanned = entries.flatMap((entry): WorkView[] => {
    if (entry.kind !== 'work' || entry.body.taskId !== WASH) return [];
    const { taskId, kind, amount, note } = entry.body;
    return [{ taskId, kind, amount, note, doneAt: null, entryId: null, endsAt: null, fromAt: null, sandableAt: null }]; // biome-ignore format: one line
  });
  const extra = tasks.some(({ taskId }) => taskId === WASH) ? [] : unplanned.slice(-1);
  return [...tasks, ...extra].map((task) => {
    const sent = entries.findLast((entry) =>
      entry.kind === 'work'
        ? entry.body.taskId === task.taskId &&
          entry.body.stepId === next?.stepId &&
          entry.body.coatNo === next.coatNo &&
          entry.body.outcome === 'done'
        : entry.kind === 'strike' && task.entryId !== null && entry.corrects === task.entryId,
    );
    if (!sent) return task;
    return sent.kind === 'strike'
      ? { ...task, doneAt: null, entryId: null }
      : { ...task, doneAt: sent.at, entryId: sent.id };
  });
}

function ticks(bare: readonly BareTick[], entries: readonly EntryInput[]): BareTick[] {
  return bare.map((item) => {
    const last = entries.findLast((entry) => entry.kind === 'tape' && entry.body.itemId === item.id);
    return last?.kind === 'tape'
      ? { ...item, taped: last.body.on, tape: last.body.tape ?? item.tape, offBy: null }
      : item;
  });
}

/** Tests of the film on top made here, and taken back here: shown at once, though its clock moves only once they arrive. */
function hand({ film, hand: known }: BenchView['clock'], entries: readonly EntryInput[]): HandView | null {
  const made = entries.flatMap((entry) =>
    entry.kind === 'hand-test' && entry.body.stepId === film?.stepId && entry.body.coatNo === film.coatNo
      ? [{ entryId: entry.id, at: entry.at, found: entry.body.found }]
      : [],
  );
  const back = new Set(entries.flatMap(({ kind, corrects }) => (kind === 'strike' ? [corrects] : [])));
  const before = known?.tests ?? [];
  const ids = new Set(before.map(({ entryId }) => entryId));
  const tests = [...before, ...made.filter(({ entryId }) => !ids.has(entryId))].filter(
    ({ entryId }) => !back.has(entryId),
  );
  if (tests.length === before.length && tests.every(({ entryId }) => ids.has(entryId))) return known;
  return tests.length === 0 ? null : { ...(known ?? NO_EFFECT), tests, waits: true };
}

const NO_EFFECT: Omit<HandView, 'tests'> = {
  ...{ factor: 1, mustFactor: 1, low: 1, high: 1, contradicts: false, silent: false },
  ...{ stuckAt: null, notCuring: false },
  ...{ opensBySheet: null, opensNow: null },
};

export function benchWithWaiting(view: BenchView, waiting: readonly Waiting[]): BenchView {
  const all = entriesIn(waiting);
  if (all.length === 0) return view;
  const entries = all.filter(({ areaId }) => areaId === view.area.id);
  const { next } = view.clock;
  const coat = { areaId: view.area.id, stepId: next?.stepId, coatNo: next?.coatNo };
  return {
    ...view,
    ...pots(view, entries),
    progress: notesOf(view.progress, coat, all, progressNote),
    session: notesOf(view.session, coat, all, sessionNote),
    alike: view.alike.map((each) => ({
      ...each,
      progress: notesOf(each.progress, each, all, progressNote),
    })),
    bare: ticks(view.bare, entries),
    clock: { ...view.clock, work: work(view.clock, entries), hand: hand(view.clock, entries) },
  };
}

/** Entries made here stand in the log at once, newest first; what they correct is struck through. */
export function logWithWaiting(view: LogView, waiting: readonly Waiting[]): LogView {
  const known = new Set(view.entries.map(({ id }) => id));
  const areas = new Set(view.areas.map(({ id }) => id));
  const entries = entriesIn(waiting).filter(({ id, areaId }) => areas.has(areaId) && !known.has(id));
  if (entries.length === 0) return view;
  const made = entries.map(
    (entry): Entry => ({
      ...entry,
      boatId: view.boat.id,
      recordedAt: entry.at,
      correctedBy: null,
      air: null,
    }),
  );
  const by = new Map(entries.flatMap(({ corrects, id }) => (corrects ? [[corrects, id] as const] : [])));
  return {
    ...view,
    entries: [...made, ...view.entries]
      .map((entry) => ({ ...entry, correctedBy: by.get(entry.id) ?? entry.correctedBy }))
      .sort((a, b) => Date.parse(b.at) - Date.parse(a.at)),
  };
}

const RECORD = /^\/(?:findings|bare-items|stands|areas|templates)\/([^/]+)(\/restore)?$/;

/** Records removed here and not brought back since. */
function removedHere(items: readonly Waiting[]): Set<string> {
  const removed = new Set<string>();
  for (const { method, path } of items) {
    const [, id, restored] = RECORD.exec(path) ?? [];
    if (id === undefined) continue;
    if (method === 'DELETE') removed.add(id);
    if (restored) removed.delete(id);
  }
  return removed;
}

/** Templates saved and archived here. */
export function templatesWithWaiting(templates: OwnTemplate[], waiting: readonly Waiting[]): OwnTemplate[] {
  const items = open(waiting);
  const removed = removedHere(items);
  const known = new Set(templates.map(({ id }) => id));
  const made = items
    .filter(({ method, path }) => method === 'POST' && path === '/templates')
    .map(({ body }) => body as OwnTemplate);
  return [...templates, ...made.filter(({ id }) => !known.has(id))].filter(({ id }) => !removed.has(id));
}

const MADE_MARKS = /^\/boats\/([^/]+)\/made-marks$/;

export function lineWithWaiting(line: Waterline, waiting: readonly Waiting[]): Waterline {
  const marks = open(waiting).flatMap(({ path, body }) =>
    MADE_MARKS.exec(path)?.[1] === line.boatId ? (body as { marks: MadeMark[] }).marks : [],
  );
  return marks.length === 0
    ? line
    : { ...line, madeMarks: marks.reduce<MadeMark[]>(withMark, line.madeMarks) };
}

/** What a finding means; null for one that the server is about to refuse. */
function judge(finding: FindingInput): Judged | null {
  try {
    return judgeFinding(finding);
  } catch {
    return null;
  }
}

/** Findings made and changed here. */
function findingsMade(findings: Finding[], boatId: string, { method, path, body }: Waiting): Finding[] {
  const made = body as FindingInput & { version?: number };
  if (method === 'POST' && path === '/findings') {
    const judged = judge(made);
    if (!judged || made.boatId !== boatId || findings.some(({ id }) => id === made.id)) return findings;
    return [...findings, { ...made, ...judged, version: 1, archived: false }];
  }
  if (method !== 'PUT' || !path.startsWith('/findings/')) return findings;
  // Once it arrives it is the next version: what is changed here again is written against that.
  const version = made.version ?? 0;
  return findings.map((each) =>
    each.id === made.id && each.version <= version
      ? { ...each, ...made, ...judge(made), version: version + 1 }
      : each,
  );
}

const MOVED = /^\/stands\/([^/]+)\/(shift|put-back)$/;

/** Findings made here, and what was removed or moved here. */
export function boatWithWaiting(view: BoatView, waiting: readonly Waiting[]): BoatView {
  const items = open(waiting);
  const removed = removedHere(items);
  const moved = new Map(
    items.flatMap(({ path }) => {
      const [, id, act] = MOVED.exec(path) ?? [];
      return id ? [[id, act === 'shift' ? new Date().toISOString() : null] as const] : [];
    }),
  );
  const left = <T extends { id: string }>(records: T[]) => records.filter(({ id }) => !removed.has(id));
  const findings = items.reduce((list, item) => findingsMade(list, view.boat.id, item), view.findings);
  return {
    ...view,
    findings: left(findings),
    bareItems: left(view.bareItems),
    areas: left(view.areas),
    stands: left(view.stands).map((each) => {
      const shiftedAt = moved.get(each.id);
      return shiftedAt === undefined ? each : { ...each, shiftedAt };
    }),
  };
}
