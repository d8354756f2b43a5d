import type { Area, Boat, CoatBody, Stand, Step, WorkBody } from '../../contract/index.ts';
import type { HandTest } from '../../core/cure/index.ts';
import { areaOf } from '../../core/hull/index.ts';
import { BARE_STEEL_HOURS } from '../../core/inspect/index.ts';
import {
  type AppliedCoat,
  coatsStanding,
  coatsWanted,
  type DoneTask,
  type Removal,
  sandedByRemoval,
  stillDone,
} from '../../core/system/index.ts';
import type { Queries } from '../db/open.ts';
import { type RunningArea, runningAreas } from '../rows/areas.ts';
import { type Counted, countedEntries } from '../rows/log.ts';
import { stepsByArea } from '../rows/stacks.ts';
import { profilesByArea, standsById } from '../rows/survey.ts';
import { grouped } from './grouped.ts';

/** A coat entry that counts: neither corrected nor struck out. */
export interface CoatOnArea extends AppliedCoat {
  entryId: string;
  body: CoatBody;
}

/** Work logged as done before one coat. */
export interface WorkOnArea extends DoneTask {
  kind: WorkBody['kind'];
  stepId: string;
  coatNo: number;
}

/** Aggregate strewn into a wet coat, for one task. */
export interface StrewnOnArea extends Pick<WorkOnArea, 'stepId' | 'coatNo' | 'taskId' | 'atMs'> {
  entryId: string;
  /** null: not weighed. */
  kg: number | null;
}

/** A removal entry that counts. */
export interface RemovalOnArea extends Removal {
  entryId: string;
  /** How long steel blasted bare with it may stand, ms; null: it was not. */
  holdsMs: number | null;
}

/** All that a clock needs to know of one area. */
export interface AreaSnapshot {
  area: Area;
  boat: Boat;
  stackVersion: number;
  steps: Step[];
  coats: CoatOnArea[];
  /** Coats that were taken off again, with when and by which entry. */
  removed: { coat: CoatOnArea; removal: RemovalOnArea }[];
  /** When it was last taken down to the ground, ms; null: never, as far as is logged. */
  groundMs: number | null;
  work: WorkOnArea[];
  /** Aggregate in a wet coat, whether swept up since or not. */
  strewn: StrewnOnArea[];
  /** Steps that are to have a coat more than planned, one mention for each. */
  rounds: string[];
  /** What the hand found on films, in the order of time. */
  handTests: (HandTest & { stepId: string; coatNo: number; entryId: string })[];
  /** When steel was last blasted here, and how long it may stand, ms; null: not told. */
  blast: { atMs: number; holdsMs: number } | null;
  /** Blast profile as last measured by tape, µm; null: not measured. */
  profileMicrons: number | null;
  /** m² of the pieces cut out of it: patches, spots, pieces. */
  cutM2: number;
  /** The stand that hides it, of a patch. */
  stand: Stand | null;
}

/** The size of an area without its split-off pieces, and its uncertainty. */
export function netAreaOf(state: Pick<AreaSnapshot, 'area' | 'cutM2'>): { areaM2: number; spread: number } {
  const { areaM2, spread } = areaOf(state.area);
  return { areaM2: Math.max(0, areaM2 - state.cutM2), spread };
}

/** Coats that each step takes here, in the order of the stack: those planned, those for wear, and every round asked for. */
export const coatsOfSteps = (state: Pick<AreaSnapshot, 'steps' | 'area' | 'rounds'>): number[] =>
  state.steps.map(
    (step) =>
      coatsWanted(step, state.area.highWear) + state.rounds.filter((stepId) => stepId === step.id).length,
  );

/** The m² of the pieces cut out of each area. One whose measures say nothing takes nothing away. */
function cutM2ByOrigin(areas: readonly Area[]): Map<string, number> {
  const cut = new Map<string, number>();
  for (const area of areas) {
    if (!area.part) continue;
    let areaM2 = 0;
    try {
      areaM2 = areaOf(area).areaM2;
    } catch {
      // Its own line says what is wrong with it.
    }
    cut.set(area.part.areaId, (cut.get(area.part.areaId) ?? 0) + areaM2);
  }
  return cut;
}

/** What an area is, before anything was logged on it. */
export interface Ground {
  running: RunningArea[];
  stepsBy: Map<string, Step[]>;
  profileBy: Map<string, { microns: number | null; atMs: number }>;
  standsBy: Map<string, Stand>;
}

/** Log entries that say something of a film, and so of a clock. */
export const LOGGED = ['coat', 'work', 'blast', 'removal', 'round', 'hand-test'] as const;
type LoggedKind = (typeof LOGGED)[number];

/** Valid log entries of areas. */
export type Logged = Map<string, Counted<LoggedKind>[]>;

/**
 * The areas of a boat with their stacks, readings and supports; of the whole yard where none is named.
 *
 * @param profiles blast profiles by area, where they are known
 */
export async function loadGround(
  db: Queries,
  boatId: string | null,
  profiles?: Ground['profileBy'],
): Promise<Ground> {
  const running = await runningAreas(db, boatId);
  const parts = running.flatMap(({ area }) => (area.part ? [area.part] : []));
  // A piece may take the system of the area it was cut out of, be that archived or not.
  const needed =
    boatId === null
      ? null
      : [...new Set([...running.map(({ area }) => area.id), ...parts.map((part) => part.areaId)])];
  return {
    running,
    stepsBy: await stepsByArea(db, needed),
    profileBy: profiles ?? (await profilesByArea(db, boatId === null ? null : [boatId])),
    standsBy: await standsById(db, [...new Set(parts.flatMap(({ standId }) => standId ?? []))]),
  };
}

export const loadLogged = async (db: Queries, boatIds: readonly string[]): Promise<Logged> =>
  grouped(await countedEntries(db, [...LOGGED], boatIds), ({ areaId }) => areaId);

/** All that a clock needs to know of each area. */
export function areaStates(
  { running, stepsBy, profileBy, standsBy }: Ground,
  logged: Logged,
): AreaSnapshot[] {
  const cutBy = cutM2ByOrigin(running.map(({ area }) => area));
  const of = <Kind extends LoggedKind>(areaId: string, kind: Kind) =>
    (logged.get(areaId) ?? []).filter((entry): entry is Counted<Kind> => entry.kind === kind);
  return running.map(({ area, boat, stackVersion }) => {
    const { part } = area;
    const cutAt = part ? Date.parse(part.at) : 0;
    const piece = part?.kind === 'piece' ? part.areaId : null;
    const steps = stepsBy.get(part?.sharesSystem ? part.areaId : area.id) ?? [];
    const stepIds = steps.map(({ id }) => id);
    /** The log entries here and, for a piece, those of the original area until the split. */
    const all = <Kind extends LoggedKind, Made>(
      kind: Kind,
      make: (entry: Counted<Kind>) => Made[],
      before: (made: Made) => boolean,
    ) => [...(piece ? of(piece, kind).flatMap(make).filter(before) : []), ...of(area.id, kind).flatMap(make)];
    const removals = all(
      'removal',
      (entry) => [toRemoval(entry, area)],
      ({ atMs }) => atMs < cutAt,
    );
    const { standing, removed } = coatsStanding({
      coats: all('coat', toCoat, ({ toMs }) => toMs <= cutAt),
      removals,
    });
    const work = all('work', toWork, ({ atMs }) => atMs < cutAt);
    const groundMs = Math.max(...removals.flatMap(({ atMs, toGround }) => (toGround ? [atMs] : [])), 0);
    const profile = profileBy.get(area.id);
    return {
      // What lay there before the survey went with the rest.
      area: groundMs > 0 ? { ...area, oldCoating: null } : area,
      boat,
      stackVersion,
      steps,
      coats: standing,
      removed,
      groundMs: groundMs > 0 ? groundMs : null,
      work: [
        ...work.filter((each) => stillDone(each, removals, stepIds)),
        ...removals.flatMap((removal) =>
          sandedBy(removal, steps).filter((each) =>
            stillDone(
              each,
              removals.filter((other) => other !== removal),
              stepIds,
            ),
          ),
        ),
      ].sort((one, other) => one.atMs - other.atMs),
      strewn: all('work', toStrewn, ({ atMs }) => atMs < cutAt).filter((each) =>
        stillDone(each, removals, stepIds),
      ),
      // A round asked for on coats that are gone went with them.
      rounds: of(area.id, 'round').flatMap(({ at, body }) => (at.getTime() > groundMs ? [body.stepId] : [])),
      handTests: of(area.id, 'hand-test').map(toHandTest),
      blast: lastBlast(of(area.id, 'blast').map(toBlast), removals),
      // A profile measured before the steel was laid bare again is of another surface.
      profileMicrons: profile && profile.atMs >= groundMs ? profile.microns : null,
      cutM2: cutBy.get(area.id) ?? 0,
      stand: standsBy.get(part?.standId ?? '') ?? null,
    };
  });
}

/** The areas of a boat with their stacks and the coats that count on them. */
export async function loadAreaStates(db: Queries, boatId: string): Promise<AreaSnapshot[]> {
  const ground = await loadGround(db, boatId);
  return ground.running.length === 0 ? [] : areaStates(ground, await loadLogged(db, [boatId]));
}

const toBlast = ({ at, body }: Counted<'blast'>) => ({
  atMs: at.getTime(),
  holdsMs: body.holdsHours * 3_600_000,
});

const toRemoval = ({ id, at, body }: Counted<'removal'>, { substrate }: Area): RemovalOnArea => {
  // Steel blasted bare has its hours, told or not.
  const bares = body.toGround && body.way === 'blasted' && substrate === 'steel';
  const holdsHours = bares ? (body.holdsHours ?? BARE_STEEL_HOURS) : null;
  return {
    ...body,
    entryId: id,
    atMs: at.getTime(),
    holdsMs: holdsHours === null ? null : holdsHours * 3_600_000,
  };
};

/** The last blasting that still counts: one from before the area was stripped to the ground does not. */
function lastBlast(blasts: NonNullable<AreaSnapshot['blast']>[], removals: readonly RemovalOnArea[]) {
  const ground = removals
    .filter(({ toGround }) => toGround)
    .sort((a, b) => a.atMs - b.atMs)
    .at(-1);
  const since = blasts.filter(({ atMs }) => atMs > (ground?.atMs ?? 0));
  const bared = ground && ground.holdsMs !== null ? [{ atMs: ground.atMs, holdsMs: ground.holdsMs }] : [];
  return [...bared, ...since].at(-1) ?? null;
}

/** Sanding coats off sands the film below them. */
function sandedBy(removal: RemovalOnArea, steps: readonly Step[]): WorkOnArea[] {
  const [lowest] = removal.coats;
  if (!lowest) return [];
  const step = steps.find(({ id }) => id === lowest.stepId) ?? null;
  return sandedByRemoval(removal, step).map((taskId) => ({
    ...lowest,
    taskId,
    kind: 'sand',
    entryId: null,
    atMs: removal.atMs,
    ...(removal.grit !== null && { grit: removal.grit }),
  }));
}

const toHandTest = ({ id, at, body }: Counted<'hand-test'>) => ({
  entryId: id,
  atMs: at.getTime(),
  found: body.found,
  stepId: body.stepId,
  coatNo: body.coatNo,
});

/** An inspection that found faults leaves its work due, and so does aggregate that is not swept up. */
function toWork({ id, at, body }: Counted<'work'>): WorkOnArea[] {
  const { stepId, coatNo, taskId, kind, outcome } = body;
  if (outcome !== 'done') return [];
  return [{ stepId, coatNo, taskId, kind, entryId: id, atMs: at.getTime() }];
}

const toStrewn = ({ id, at, body }: Counted<'work'>): StrewnOnArea[] =>
  body.outcome === 'strewn'
    ? [{ ...body, entryId: id, atMs: at.getTime(), kg: body.aggregate?.strewnKg ?? null }]
    : [];

const toCoat = ({ id, at, body }: Counted<'coat'>): CoatOnArea[] => [
  {
    entryId: id,
    body,
    stepId: body.stepId,
    coatNo: body.coatNo,
    areaM2: body.areaM2,
    fromMs: at.getTime(),
    toMs: Date.parse(body.endedAt),
  },
];
