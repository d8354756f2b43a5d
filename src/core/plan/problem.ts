/**
 * The abstract problem that a plan solves: tasks that share people, equipment and air, over whole slots of half an hour. Times
 * count from the start of the plan; intervals are half-open, [from, to). A table has `slots + 1` entries, is indexed by the
 * slot a task ends at, and never falls; an entry beyond `slots` means never (`earliest`) or no limit (`latest`, `wetUntil`).
 */
export interface PlanProblem {
  /** The horizon: every task ends at this slot or before. */
  slots: number;
  tasks: readonly PlanTask[];
  lags: readonly PlanLag[];
  people: readonly PlanPerson[];
  /** One user at a time. */
  equipment: readonly { id: string; free: readonly Span[] }[];
  /** Cost for each slot until the last of these tasks has ended: a boat's days in the yard. */
  ends: readonly { tasks: readonly string[]; costPerSlot: number }[];
}

/** [from, to), slots. */
export type Span = readonly [from: number, to: number];

export interface PlanTask {
  id: string;
  /** Length; the task is not interrupted, and lies within one stretch of its people's time. */
  slots: number;
  /** So many different people work on it from start to end. */
  people: number;
  /** Each of its people has this skill; left out: anyone. */
  skill?: string;
  /** Ids of the equipment it holds from start to end. */
  equipment: readonly string[];
  /** Slots at which it can start; left out: any. */
  starts?: readonly Span[];
  /** Its start is given. Between two pinned tasks nothing is checked, nor `starts` of one. */
  pinned?: number;
  /** Dusty tasks harm wet films in the same air. */
  air: string;
  dusty: boolean;
  /** By the slot it ends at: until when its film is harmed by dust, from its start on. Left out: no film. */
  wetUntil?: readonly number[];
  /** Cost for each slot that it ends after this one. */
  due?: { slot: number; costPerSlot: number };
}

/** When a task can start after another has ended. */
export interface PlanLag {
  before: string;
  after: string;
  /** By the end of `before`: earliest start of `after`. */
  earliest: readonly number[];
  /** By the end of `before`: latest start of `after`. Left out: no limit. */
  latest?: readonly number[];
  /**
   * `after` can start later than `latest` if the film is sanded. The people of `after` sand in the `slots` just before its start,
   * regardless of its `starts` say and without its equipment. Sanding is dusty in the air of `after`, and starts no earlier than
   * `from` (by the end of `before`). `cost` is paid once.
   */
  late?: { cost: number; slots: number; from: readonly number[] };
}

export interface PlanPerson {
  id: string;
  skills: readonly string[];
  /** In order, not overlapping; two that touch are one stretch. `costPerSlot` 0: ordinary hours. */
  free: readonly { from: number; to: number; costPerSlot: number }[];
}

export interface Plan {
  ok: true;
  /** Start slot of each task by its id. */
  starts: Record<string, number>;
  /** People of each task by its id. */
  crew: Record<string, string[]>;
  cost: number;
  /** No plan costs less. */
  bound: number;
  /** Nothing is cheaper: `bound` equals `cost`. */
  proven: boolean;
}

export interface NoPlan {
  ok: false;
  /** Tasks that clash: none can be left out of the set. `why` are codes: what these tasks clash over. */
  clash: { tasks: string[]; why: string[] };
  /** It is proven that these tasks have no plan; else none was found with the budget given. */
  proven: boolean;
  /** It is proven that none of these tasks can be left out; else the budget ended before that. */
  minimal: boolean;
}
