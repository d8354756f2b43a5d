import type {
  BoatView,
  Entry,
  Finding,
  FindingInput,
  LogView,
  OwnTemplate,
  Waterline,
} from '../../contract/index.ts';
import { type Judged, judgeFinding } from '../../core/inspect/index.ts';
import { type MadeMark, withMark } from '../../core/waterline/index.ts';
import type { Waiting } from './queue.ts';
import { entriesIn, openWrites, removedHere } from './waitingWrites.ts';

/** The screens of a boat with what waits on this device: a thing done here is shown at once. */

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

/** Templates saved and archived here. */
export function templatesWithWaiting(templates: OwnTemplate[], waiting: readonly Waiting[]): OwnTemplate[] {
  const items = openWrites(waiting);
  const removed = removedHere(items);
  const known = new Set(templates.map(({ id }) => id));
  const made = items
    .filter(({ method, path }) => method === 'POST' && path === '/templates')
    .map(({ body }) => body as OwnTemplate);
  return [...templates, ...made.filter(({ id }) => !known.has(id))].filter(({ id }) => !removed.has(id));
}

const MADE_MARKS = /^\/boats\/([^/]+)\/made-marks$/;

export function lineWithWaiting(line: Waterline, waiting: readonly Waiting[]): Waterline {
  const marks = openWrites(waiting).flatMap(({ path, body }) =>
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
  const items = openWrites(waiting);
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
