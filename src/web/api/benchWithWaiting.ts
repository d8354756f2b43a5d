import type {
  BareTick,
  BenchView,
  EntryInput,
  HandView,
  PotView,
  ProgressView,
  SessionNoteView,
  WorkView,
} from '../../contract/index.ts';
import { WASH } from '../../core/system/index.ts';
import type { Waiting } from './queue.ts';
import { entriesIn } from './waitingWrites.ts';

/** The bench with what waits on this device: a thing done here is shown at once. */

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
  const ends = entries.filter((entry) => entry.kind === 'session' && entry.body.ended);
  const left = ({ entryId }: PotView) => !gone.has(entryId);
  /** Used up in a session that ended without a coat. */
  const isOver = ({ mixedAt, batch }: PotView) =>
    ends.some(
      ({ at, kind, body }) =>
        kind === 'session' && body.stepId === batch.stepId && body.coatNo === batch.coatNo && at >= mixedAt,
    );
  return {
    pots: standing.filter((pot) => left(pot) && !usedUp.has(pot.entryId)),
    emptied: [
      ...view.emptied,
      ...standing.flatMap((pot) => {
        const usedL = usedUp.get(pot.entryId);
        return usedL === undefined ? [] : [{ ...pot, usedL }];
      }),
    ].filter((pot) => left(pot) && !isOver(pot)),
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
    if (kind === 'coat' || (kind === 'session' && body.ended)) notes = [];
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
  const { areaIds, people, device, ended = false } = body;
  return { entryId: id, at, areaIds, people, device, ended };
}

/** Work ticked, and ticks taken back, here. */
function work({ next, work: tasks }: BenchView['clock'], entries: readonly EntryInput[]): WorkView[] {
  const unplanned = entries.flatMap((entry): WorkView[] => {
    if (entry.kind !== 'work' || entry.body.taskId !== WASH) return [];
    const { taskId, kind, amount, note } = entry.body;
    return [{ taskId, kind, amount, note, doneAt: null, entryId: null, endsAt: null, fromAt: null, sandableAt: null, strewn: null }]; // biome-ignore format: one line
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
    if (!sent) return { ...task, strewn: strewn(task, next, entries) };
    return sent.kind === 'strike'
      ? { ...task, doneAt: null, entryId: null }
      : { ...task, doneAt: sent.at, entryId: sent.id, strewn: null };
  });
}

/** Aggregate strewn, and that taken back, here. */
function strewn(
  task: WorkView,
  next: BenchView['clock']['next'],
  entries: readonly EntryInput[],
): WorkView['strewn'] {
  let known = task.strewn;
  for (const { id, at, kind, body, corrects } of entries) {
    if (kind === 'strike' && corrects === known?.entryId) known = null;
    const isHere = kind === 'work' && body.taskId === task.taskId && body.stepId === next?.stepId;
    if (isHere && body.coatNo === next.coatNo && body.outcome === 'strewn')
      known = { at, kg: body.aggregate?.strewnKg ?? null, entryId: id };
  }
  return known;
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
