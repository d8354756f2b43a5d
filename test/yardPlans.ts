import type { PlanLag, PlanProblem, PlanTask, Span } from '../src/core/plan/index.ts';
import { diceOf } from './planProblems.ts';

const DAY = 48;
const DAYS = 28;

/** Slots of work done at this end slot as a film sees it: half as fast in the twelve hours of night. */
const cured = (slot: number): number => {
  const [day, at] = [Math.floor(slot / DAY), slot % DAY];
  const light = Math.max(0, Math.min(at, 40) - 16);
  return day * 36 + light + (at - light) / 2;
};

/** First slot at which a film that ended at `end` has cured for so many slots of daylight; a table by `end`. */
function cureTable(slots: number, work: number): number[] {
  let at = 0;
  return Array.from({ length: slots + 1 }, (_, end) => {
    at = Math.max(at, end);
    while (cured(at) < cured(end) + work && at <= slots) at++;
    return at;
  });
}

const task = (over: Partial<PlanTask> & { id: string; air: string }): PlanTask => ({
  slots: 2,
  people: 1,
  equipment: [],
  dusty: false,
  ...over,
});

/** The coats of an area: after sanding, one after the other, and before the launch. */
function anArea(
  dice: Dice,
  slots: number,
  dry: readonly Span[],
  of: Area,
): { tasks: PlanTask[]; lags: PlanLag[] } {
  const { name, air, coats, launch } = of;
  const outside = dice.chance(50);
  const tasks = [task({ id: `${name} sand`, air, dusty: true, slots: dice.from(2, 6) })];
  const lags: PlanLag[] = [];
  for (let c = 0; c < coats; c++) {
    const id = `${name} coat ${c}`;
    const wait = c === 0 ? 0 : dice.from(8, 20);
    const room = c === 0 ? 8 : dice.from(30, 90);
    tasks.push(
      task({
        id,
        air,
        slots: dice.from(2, 5),
        people: dice.chance(15) ? 2 : 1,
        wetUntil: cureTable(slots, 6),
        ...(outside && { starts: dry }),
      }),
    );
    lags.push({
      before: c === 0 ? `${name} sand` : `${name} coat ${c - 1}`,
      after: id,
      earliest: cureTable(slots, wait),
      latest: cureTable(slots, wait + room),
      ...(c > 0 && { late: { cost: dice.from(20, 60), slots: 4, from: cureTable(slots, 16) } }),
    });
  }
  lags.push({ before: `${name} coat ${coats - 1}`, after: launch, earliest: cureTable(slots, 48) });
  return { tasks, lags };
}

type Dice = ReturnType<typeof diceOf>;
interface Area {
  name: string;
  air: string;
  coats: number;
  launch: string;
}

/**
 * A yard of a fortnight, with as long again for what does not fit: boats of some areas each, every area sanded, primed, coated and launched by a
 * crane; two painters with overtime; hours of rain; windows that are kept or paid for with sanding.
 */
export function aYardPlan(seed: number, boats: number, areas: number, coats: number): PlanProblem {
  const dice = diceOf(seed);
  const slots = DAYS * DAY;
  const days = Array.from({ length: DAYS }, (_, day) => day);
  const dry = days.flatMap((day): Span[] =>
    dice.chance(20) ? [] : [[day * DAY + 18, day * DAY + dice.from(26, 32)]],
  );
  const tasks: PlanTask[] = [];
  const lags: PlanLag[] = [];
  for (let b = 0; b < boats; b++) {
    const launch = `b${b} launch`;
    for (let a = 0; a < areas; a++) {
      const air = dice.chance(60) ? `shed ${b % 2}` : `boat ${b} ${a}`;
      const area = anArea(dice, slots, dry, { name: `b${b} a${a}`, air, coats, launch });
      tasks.push(...area.tasks);
      lags.push(...area.lags);
    }
    const due = { slot: 10 * DAY, costPerSlot: 2 };
    tasks.push(task({ id: launch, people: 2, equipment: ['crane'], air: 'out', due }));
  }
  const hours = (overtime: number) =>
    days
      .filter((day) => day % 7 < 5)
      .flatMap((day) => [
        { from: day * DAY + 16, to: day * DAY + 34, costPerSlot: 0 },
        { from: day * DAY + 34, to: day * DAY + 34 + overtime, costPerSlot: 15 },
      ]);
  const ofBoat = (b: number) => tasks.flatMap(({ id }) => (id.startsWith(`b${b} `) ? [id] : []));
  return {
    slots,
    tasks,
    lags,
    people: [
      { id: 'one', skills: [], free: hours(4) },
      { id: 'two', skills: [], free: hours(2) },
    ],
    equipment: [{ id: 'crane', free: days.map((day): Span => [day * DAY + 16, day * DAY + 32]) }],
    ends: Array.from({ length: boats }, (_, b) => ({ tasks: ofBoat(b), costPerSlot: 1 })),
  };
}
