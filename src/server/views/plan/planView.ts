import type {
  PlanBoatView,
  PlanSetup,
  PlanTaskView,
  PlanView,
  UnplannedCode,
} from '../../../contract/index.ts';
import type { PlannedTask, TimedTask } from '../../../core/plan/index.ts';
import { memoised } from '../../../core/units/index.ts';
import type { Context } from '../../context.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { underOldTape } from './masking.ts';
import { planMade } from './planMade.ts';
import type { PlannedYard } from './planRest.ts';
import { PLAN_SPAN_MS } from './planSpan.ts';
import { shedCrowds } from './shedCrowds.ts';
import type { GivenYard } from './yardToPlan.ts';

/** The plan as the screen shows it. */

const iso = (ms: number) => new Date(ms).toISOString();

export interface Named {
  given: GivenYard;
  setup: PlanSetup;
  areaNames: ReadonlyMap<string, { areaName: string; boatName: string; boatId: string }>;
}

const NO_TIME = { startMs: 0, endMs: 0, people: [] as string[], sandMs: 0, critical: false, faults: [] as TimedTask['faults'] }; // biome-ignore format: one line

export function taskView(
  task: PlannedTask & Partial<TimedTask>,
  { given, setup, areaNames }: Named,
): PlanTaskView {
  const { startMs, endMs, people, sandMs, critical, faults } = { ...NO_TIME, ...task };
  const coat = task.coatId === null ? undefined : given.named.get(task.coatId);
  const work = task.workId === null ? undefined : coat?.work.get(task.workId);
  const names = new Map(setup.people.map(({ id, name }) => [id, name]));
  const isCoat = task.kind === 'coat';
  const applyMs = startMs + task.getReadyMs;
  const start = isCoat ? given.startsOf(task.coatId ?? '').find(({ fromMs, toMs }) => fromMs <= applyMs && applyMs <= toMs) : undefined; // biome-ignore format: one line
  const boat = given.boats.find(({ boatId }) => boatId === task.boatId);
  const nameOf = (id: string | null) =>
    id === null ? '' : (given.together.get(id) ?? areaNames.get(id)?.areaName ?? '');
  return {
    id: task.id,
    kind: task.kind,
    boatId: task.boatId,
    boatName: boat?.boatName ?? '',
    areaId: task.areaId,
    areaName: nameOf(task.areaId),
    what: isCoat ? `${coat?.productName ?? ''}, ${coat?.colour ?? ''}` : (work?.note ?? ''),
    work: work?.kind ?? null,
    coatNo: coat?.coatNo ?? null,
    coats: coat?.coats ?? null,
    session: task.session[0],
    sessions: task.session[1],
    start: iso(startMs),
    end: iso(endMs),
    applyFrom: isCoat ? iso(applyMs) : null,
    applyTo: isCoat ? iso(endMs - task.cleanUpMs) : null,
    people: people.map((id) => names.get(id) ?? ''),
    sandFrom: sandMs > 0 ? iso(startMs - sandMs) : null,
    critical,
    faults,
    pinned: setup.pins.some(({ taskId }) => taskId === task.id),
    conditions: [...(start?.conditions ?? [])],
    tapeTooOld: false,
    beyondForecast: endMs > given.forecastUntilMs,
    supply: (isCoat ? coat?.supply : null) ?? null,
  };
}

/** Areas that are left out: those the yard's records leave out, and those whose sheets do. */
function unplannedViews({ plan, clashes }: PlannedYard, { given, areaNames }: Named): PlanView['unplanned'] {
  // Of a boat that clashes they stand with its clash only.
  const all = [...clashes, ...(plan ? [plan] : [])].flatMap(({ unplanned }) => unplanned);
  const bySheet = [...new Map(all.map((each) => [each.areaId, each])).values()].map(
    ({ areaId, coatId, code }) => ({
      areaId,
      areaName: areaNames.get(areaId)?.areaName ?? '',
      boatName: areaNames.get(areaId)?.boatName ?? '',
      productName: (coatId === null ? null : given.named.get(coatId)?.productName) ?? null,
      code: code as UnplannedCode,
    }),
  );
  const byRecord = given.leftOut.map(({ boatId: _, ...area }) => area);
  return [...byRecord, ...bySheet];
}

function boatViews(
  tasks: readonly PlanTaskView[],
  unplanned: PlanView['unplanned'],
  { given, areaNames }: Named,
): PlanBoatView[] {
  return given.boats.map(({ boatId, boatName, wanted, shelters, supportMoves }) => {
    const own = tasks.filter((task) => task.boatId === boatId);
    return {
      boatId,
      boatName,
      launch: own.find(({ kind }) => kind === 'launch')?.start ?? null,
      wanted,
      shelters,
      supportMoves,
      unplanned: unplanned.filter(({ areaId }) => areaNames.get(areaId)?.boatId === boatId).length,
    };
  });
}

type About = Pick<PlanView, 'now' | 'setup' | 'isDefault' | 'currency' | 'key'>;

/** What the planner found, as the screen shows it. */
function viewOf(found: PlannedYard, named: Named, rest: About): Omit<PlanView, 'shedCrowds'> {
  const { given } = named;
  const { plan, clashes } = found;
  const unplanned = unplannedViews(found, named);
  const shown = plan?.tasks.filter(({ kind }) => kind !== 'film') ?? [];
  const inOrder = shown.map((task) => taskView(task, named)).sort((a, b) => a.start.localeCompare(b.start));
  const coatIds = new Map(shown.map(({ id, coatId }) => [id, coatId]));
  const old = underOldTape(inOrder, given.named, (id) => coatIds.get(id) ?? null);
  const tasks = inOrder.map((task) => (old.has(task.id) ? { ...task, tapeTooOld: true } : task));
  return {
    ...rest,
    from: iso(given.yard.fromMs),
    until: iso(plan?.untilMs ?? given.yard.fromMs + PLAN_SPAN_MS),
    forecastUntil: iso(given.forecastUntilMs),
    state: tasks.length > 0 ? 'planned' : clashes.length > 0 ? 'clash' : 'nothing',
    boats: boatViews(tasks, unplanned, named),
    tasks,
    cost: plan?.cost ?? null,
    bound: plan?.bound ?? null,
    proven: plan?.proven ?? false,
    freshCost: found.freshCost,
    moves: found.moves.map(({ id, fromMs, why, because }) => ({
      taskId: id,
      from: iso(fromMs),
      why,
      because,
    })),
    clashes: clashes.map(({ boatId, clash, why, proven, minimal }) => ({
      boatId,
      boatName: given.boats.find((boat) => boat.boatId === boatId)?.boatName ?? '',
      tasks: clash.map((task) => taskView(task, named)),
      why,
      proven,
      minimal,
    })),
    unplanned,
    otherBoats: given.otherBoats,
  };
}

export const areaNamesOf = memoised(
  (clocks: YardReading['clocks']): Named['areaNames'] =>
    new Map(clocks.map(({ areaId, areaName, boatName, boatId }) => [areaId, { areaName, boatName, boatId }])),
);

/** The plan of the yard as it stands now. */
export async function planView(context: Context): Promise<PlanView> {
  const { at, setup, known, made } = await planMade(context);
  const about: About = {
    now: iso(at),
    setup,
    isDefault: setup.version === 0,
    currency: known.trade.settings.currency,
    key: made?.key ?? '',
  };
  if (!made)
    return {
      ...about,
      from: iso(at),
      until: iso(at),
      forecastUntil: null,
      state: 'no-weather',
      boats: [],
      tasks: [],
      cost: null,
      bound: null,
      proven: false,
      freshCost: null,
      moves: [],
      clashes: [],
      unplanned: [],
      otherBoats: [],
      shedCrowds: shedCrowds(known, setup, { boats: [], fromMs: at }),
    };
  const view = viewOf(made.found, { given: made.given, setup, areaNames: areaNamesOf(known.clocks) }, about);
  return { ...view, shedCrowds: shedCrowds(known, setup, { boats: view.boats, fromMs: at }) };
}
