import { type BuiltProblem, buildProblem, launchId } from './buildProblem.ts';
import { costDone, type Done, mistakesAt, tasksTaken, withAgain } from './doneInDraw.ts';
import { LaterTables } from './laterTables.ts';
import { type Begun, lacksAt, OrdersInDraw } from './ordersInDraw.ts';
import { ANEW_SLOTS, type DrawSetup, planInDraw, type StateInDraw, yardInDraw } from './planInDraw.ts';
import { freeCrew, type Order, type RehearsalStep } from './rehearsalSteps.ts';
import type { Replanned } from './replan.ts';
import { SLOT_MS } from './slots.ts';
import type { WeatherDraw } from './weatherDraws.ts';
import { type CoatPlace, YardInWeather, type YardWeather } from './yardInWeather.ts'; // biome-ignore format: one line
import type { AreaToPlan, PlannedTask } from './yardToPlan.ts';

/** How a plan came out in one draw of the weather. */
export interface DrawOutcome {
  /** Launch of each boat, ms; null: not within the plan's horizon. */
  launches: Readonly<Record<string, number | null>>;
  /** In the smallest unit of money; null: a boat was not launched. */
  cost: number | null;
  /** Coats that were sanded for because a window had closed. */
  sanded: number;
  /** Coats that rain or dew reached before they were safe: they were sanded and applied again. */
  harmed: number;
  /** Coats that were outside a limit of their sheet for a while before they were safe. */
  outside: number;
}

const DAY_SLOTS = 48;
/** Films of coats of these days are followed so long; after that the last day known goes on. */
const CURING_SLOTS = 7 * DAY_SLOTS;
/** So often in a day the rest of it is planned again because a boat is not as the plan has it; after that such a task waits for the next morning. */
const MOST_PUT_OFF = 2;

/**
 * Follows a plan through one draw of the weather, a morning at a time: planned by what is known then, carried out by what the
 * weather turns out to be. Nobody knows what comes: a task that its plan has begin is put off where the film, the air or
 * the dust is not as the plan has it, and the rest of the day is planned again.
 */
export class DrawFollowed {
  readonly #setup: DrawSetup;
  readonly #world: YardInWeather;
  readonly #draw: WeatherDraw;
  readonly #truth: YardWeather;
  readonly #later: LaterTables;
  readonly #done = new Map<string, Done>();
  readonly #orders: OrdersInDraw;
  #held: ReadonlyMap<string, number> = new Map();
  /** The events, in the order they were decided. */
  readonly #steps: RehearsalStep[] = [];
  #areas: readonly AreaToPlan[];
  #before: ReadonlyMap<string, number>;
  #sanded = 0;
  #harmed = 0;
  #outside = 0;

  /** @param orders what somebody decides otherwise than the plan */
  constructor(
    setup: DrawSetup,
    world: YardInWeather,
    later: LaterTables,
    { draw, orders = [] }: { draw: WeatherDraw; orders?: readonly Order[] },
  ) {
    this.#setup = setup;
    this.#orders = new OrdersInDraw(orders, setup.of.yard.fromMs);
    this.#later = later;
    this.#world = world;
    this.#draw = draw;
    this.#truth = world.in(draw.truth);
    this.#areas = setup.of.yard.areas;
    this.#before = setup.before;
  }

  outcome(seed: number): DrawOutcome {
    const { slots, morning } = this.#setup;
    let putOff = 0;
    let next = morning > 0 ? morning : DAY_SLOTS;
    for (let now = 0; now < slots && !this.#isOver(); ) {
      for (let order = this.#orders.takeBegun(now); order; order = this.#orders.takeBegun(now))
        this.#beginAt(now, order);
      this.#held = this.#orders.heldAt(now);
      const until = Math.min(next, slots, this.#orders.nextAfter(now));
      const stopped = this.#dayFrom(now, { until, seed, isLast: putOff >= MOST_PUT_OFF });
      if (stopped !== null && stopped < until) {
        now = stopped;
        putOff++;
        continue;
      }
      now = until;
      if (now < next) continue;
      next += DAY_SLOTS;
      putOff = 0;
    }
    const launches = Object.fromEntries(this.#boats().map((id) => [id, this.#launchOf(id)]));
    return {
      launches,
      cost: this.#isOver() ? costDone(this.#setup.of.yard, this.#done) : null,
      sanded: this.#sanded,
      harmed: this.#harmed,
      outside: this.#outside,
    };
  }

  /** The events, in the order they were decided. */
  steps(): RehearsalStep[] {
    const { yard } = this.#setup.of;
    const areas = this.#areas.map((area) => this.#truth.area(area, yard.fromMs, () => null));
    const done = Object.fromEntries([...this.#done].map(([id, { start }]) => [id, this.#ms(start)]));
    const { problem } = buildProblem({ ...yard, areas, pinned: {}, done }, this.#setup.slots, { onlyPinned: true }); // biome-ignore format: one line
    const kinds = new Map([...this.#done].map(([id, { task }]) => [id, task.kind]));
    const ready = new Map<string, number>();
    for (const { before, after, earliest } of problem.lags) {
      const end = this.#done.get(before)?.end;
      const slot = end === undefined ? undefined : earliest[end];
      if (slot === undefined || slot > problem.slots || kinds.get(after) === 'work') continue;
      ready.set(before, Math.max(this.#ms(slot), ready.get(before) ?? Number.NEGATIVE_INFINITY));
    }
    return this.#steps.map((step) => step.kind === 'done' ? { ...step, readyMs: ready.get(step.task.id) ?? null } : step); // biome-ignore format: one line
  }

  /** Boats that have a launch in the plan. */
  #boats(): string[] {
    const { of, before } = this.#setup;
    return of.yard.boats.flatMap(({ id }) => (before.has(launchId(id)) ? [id] : []));
  }
  #launchOf(boat: string): number | null {
    const launch = this.#done.get(launchId(boat));
    return launch ? this.#ms(launch.start) : null;
  }
  #isOver(): boolean {
    return this.#boats().every((boat) => this.#done.has(launchId(boat)));
  }
  /** The yard as it stands in this draw. */
  #state(): StateInDraw {
    return {
      setup: this.#setup,
      areas: this.#areas,
      done: this.#done,
      held: this.#held,
      before: this.#before,
    };
  }
  #ms(slot: number): number {
    return this.#setup.of.yard.fromMs + slot * SLOT_MS;
  }

  /** Begins a task in any case, if the tasks before it are done and somebody is free. */
  #beginAt(now: number, { taskId, atMs }: Begun): void {
    if (this.#done.has(taskId)) return;
    const yard = yardInDraw(this.#state(), this.#truth, now, null);
    const pinned = { [taskId]: this.#ms(now) };
    const { films } = this.#truth;
    const built = buildProblem({ ...yard, pinned }, this.#setup.slots, { onlyPinned: true, films });
    const what = built.tasks.find(({ id }) => id === taskId);
    const own = built.problem.tasks.find(({ id }) => id === taskId);
    const found = own && mistakesAt(built.problem, this.#done, { id: taskId, slot: now });
    const crew = found ? freeCrew(built.problem.people, own, now) : null;
    const lacks = what
      ? lacksAt(
          this.#areas.find(({ id }) => id === what.areaId),
          what,
          atMs,
        )
      : null;
    if (!what || !found || !crew || lacks) {
      const why = what && found ? (lacks ?? 'nobody-free') : 'not-next';
      this.#steps.push({ kind: 'refused', taskId, atMs, why });
      return;
    }
    const each: Done = { task: what, start: now, end: now + own.slots, from: now, crew };
    const place = this.#place(what);
    const mistakes = found.map(({ slot, ...rest }) => ({
      ...rest,
      ms: slot === null ? null : this.#ms(slot),
    }));
    if (place && !this.#truth.passes(place, this.#ms(now) + what.getReadyMs)) mistakes.push({ code: 'weather', ms: null }); // biome-ignore format: one line
    this.#carryOut(each, { isOrdered: true, mistakes });
  }

  /** Carries a task out. @returns whether its coat must be applied again */
  #carryOut(
    each: Done,
    { isOrdered, mistakes }: Pick<Extract<RehearsalStep, { kind: 'done' }>, 'isOrdered' | 'mistakes'>,
  ): boolean {
    const { task, start, end, from, crew } = each;
    this.#done.set(task.id, each);
    if (from < start) this.#sanded++;
    const place = this.#place(task);
    const safeMs = place ? this.#truth.safeAfter(place, this.#ms(end) - task.cleanUpMs) : null;
    const times = {
      fromMs: this.#ms(from),
      startMs: this.#ms(start),
      endMs: this.#ms(end),
      safeMs,
      readyMs: null,
    };
    this.#steps.push({ kind: 'done', task, ...times, crew, isOrdered, mistakes });
    if (!place) return false;
    const wetted = this.#wetted(each, place, safeMs);
    const bond = mistakes.find(({ code }) => code === 'too-soon' || code === 'too-late');
    if (!wetted && !bond) return false;
    this.#harmed++;
    this.#areas = this.#areas.map((area) => (area.id === place.areaId ? { ...area, coats: withAgain(area.coats, place.coat) } : area)); // biome-ignore format: one line
    const by = wetted?.by ?? (bond?.code as 'too-soon' | 'too-late');
    this.#steps.push({ kind: 'spoilt', task, atMs: wetted?.at ?? this.#ms(start), by });
    return true;
  }

  /** Plans and works from a slot to the next morning. @returns the slot from which it has to be planned again; null: the next morning */
  #dayFrom(
    now: number,
    { until, seed, isLast }: { until: number; seed: number; isLast: boolean },
  ): number | null {
    const nowMs = this.#ms(now);
    if (!this.#isWorked(nowMs, this.#ms(until))) return null;
    const aheadMs = this.#ms(now + ANEW_SLOTS + CURING_SLOTS);
    const known = this.#world.in(this.#draw.knownAt(nowMs, aheadMs), {
      weather: this.#truth,
      sinceMs: nowMs,
    });
    const found = planInDraw(this.#state(), known, { now, seed, later: this.#later });
    if (!found) return null;
    this.#before = new Map([...found.tasks].map(([id, { start }]) => [id, start]));
    return this.#work(found.built, found.tasks, { now, until, isLast });
  }

  /** Whether anybody works or any boat can be launched between two moments. */
  #isWorked(fromMs: number, toMs: number): boolean {
    const { people, boats } = this.#setup.of.yard;
    const free = [...people.flatMap((who) => who.free), ...boats.flatMap(({ launches }) => launches)];
    return free.some((each) => each.fromMs < toMs && each.toMs > fromMs);
  }

  /** Carries out what is planned until the next morning. */
  #work(
    built: BuiltProblem,
    planned: ReadonlyMap<string, Replanned>,
    { now, until, isLast }: { now: number; until: number; isLast: boolean },
  ): number | null {
    const what = new Map(built.tasks.map((task) => [task.id, task]));
    const unplaced = new Set(
      built.problem.tasks.flatMap(({ id }) => {
        const areaId = what.get(id)?.areaId ?? null;
        return planned.has(id) || areaId === null ? [] : [areaId];
      }),
    );
    const today = [...planned]
      .map(([id, each]) => ({ ...each, task: what.get(id) as PlannedTask }))
      .filter(
        ({ task, start }) =>
          task.kind !== 'film' &&
          !this.#done.has(task.id) &&
          start >= now &&
          start < until &&
          !unplaced.has(task.areaId ?? ''),
      )
      .sort((a, b) => a.from - b.from);
    if (today.length === 0) return null;
    const takes = this.#boat(today, now);
    const stopped = new Set<string>();
    for (const each of today) {
      // A boat whose coat was spoilt today is not launched today.
      if (stopped.has(each.task.areaId ?? each.task.boatId)) continue;
      const why = takes(each);
      if (why) {
        this.#steps.push({ kind: 'put-off', task: each.task, atMs: this.#ms(each.from), why });
        if (!isLast) return Math.max(now, each.from) + 1;
        stopped.add(each.task.areaId ?? each.task.boatId);
        continue;
      }
      if (this.#carryOut(each, { isOrdered: false, mistakes: [] }))
        stopped.add(each.task.boatId).add(each.task.areaId ?? '');
    }
    return null;
  }

  /** The boats as they turn out to be: why they do not take a task at its time; null: they do. */
  #boat(today: readonly Done[], now: number): (each: Done) => 'not-ready' | 'weather' | null {
    const yard = yardInDraw(this.#state(), this.#truth, now, null);
    const pinned = Object.fromEntries(today.map(({ task, start }) => [task.id, this.#ms(start)]));
    const { films } = this.#truth;
    const { problem } = buildProblem({ ...yard, pinned }, this.#setup.slots, { onlyPinned: true, films });
    const takes = tasksTaken(problem, this.#done);
    return (each) => (!takes(each) ? 'not-ready' : this.#airLets(each) ? null : 'weather');
  }

  /** Whether the air of the moment lets a coat begin. */
  #airLets({ task, start }: Done): boolean {
    const place = this.#place(task);
    if (!place) return true;
    return this.#truth.about(place).air.passesAt(this.#ms(start) + task.getReadyMs, 'applying');
  }

  #place({ areaId, coatId, kind }: PlannedTask): CoatPlace | null {
    const area = this.#areas.find(({ id }) => id === areaId);
    const coat = area?.coats.find(({ id }) => id === coatId);
    return kind === 'coat' && area && coat ? { coat, areaId: area.id } : null;
  }

  /** Rain or dew on a coat before it is safe; counts a coat outside a limit. */
  #wetted(
    { task, start }: Done,
    place: CoatPlace,
    safeMs: number | null,
  ): { at: number; by: 'rain' | 'dew' } | null {
    const fromMs = this.#ms(start) + task.getReadyMs;
    if (!this.#truth.passes(place, fromMs)) this.#outside++;
    return this.#truth.surface(place.areaId).wettedAt(fromMs, safeMs ?? this.#ms(this.#setup.slots));
  }
}

/** Follows draws of a yard's weather, one by one. */
export function drawsFollowed(
  setup: DrawSetup,
  drawOf: (seed: number) => WeatherDraw,
): (
  seed: number,
  orders?: readonly Order[],
) => { outcome: DrawOutcome; steps: () => RehearsalStep[]; draw: WeatherDraw } {
  const world = new YardInWeather(setup.of, setup.slots);
  const later = new LaterTables();
  buildProblem(setup.of.yard, setup.slots, { later });
  later.isKept = true;
  return (seed, orders = []) => {
    const draw = drawOf(seed);
    const followed = new DrawFollowed(setup, world, later, { draw, orders });
    return { outcome: followed.outcome(seed), steps: () => followed.steps(), draw };
  };
}
