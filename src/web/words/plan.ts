import { planTaskName, planWorkName } from '../../contract/formats/planTaskName.ts';
import type {
  LeverCode,
  PlaceChange,
  PlanClash,
  PlanMoveView,
  PlanSupply,
  PlanTaskView,
  UnplannedCode,
} from '../../contract/index.ts';
import { PLAN_ASSUMES } from '../../core/plan/index.ts';
import { t } from '../../words.ts';
import type { Units } from '../units/UnitsContext.tsx';

/** The plan in words. */

/** What a task is called. */
export const sayTask = planTaskName;

/** The same in a word or two, for a bar in the chart. */
export function sayTaskShort({ kind, work, coatNo, coats }: PlanTaskView): string {
  if (kind === 'launch') return 'Launch';
  if (kind === 'work') return planWorkName(work);
  return `${(coatNo ?? 0) + 1}/${coats}`;
}

/** Of a coat by whose time the tape on the edges is too old. */
export const OLD_TAPE = t`The tape is too old by then: pull it and mask again first.`;

/** Why an area is not in the plan, and what to do about it. */
export const UNPLANNED: Record<UnplannedCode, string> = {
  'window-not-stated': t`The data sheet states no overcoating time. Enter the time under Materials.`,
  'ready-not-stated': t`The data sheet gives no time until the film is ready for the water, or dry. Enter the time under Materials.`,
  'never-ready': t`At the expected temperatures the film never gets ready for the next step. Add heat, or choose another product.`,
  'closed-for-water': t`The antifouling should have been in the water by now. Add another coat.`,
  'no-working-hour': t`No working time is long enough within suitable weather. Work other hours, add a person, or put up a shelter.`,
  'too-large-for-bare-steel': t`Blasting takes so long that the steel can’t be primed in time. Divide the area into pieces.`,
  'bare-too-long': t`The steel is bare and can’t be primed in time. Blast it again or have it inspected, then log it at the bench.`,
  'safe-not-stated': t`The data sheet doesn’t say when the film is safe from dew and rain. Enter the time under Materials.`,
  'no-hour-passes': t`No hour in the coming weeks is within the limits of the data sheet. Try a shelter or heat.`,
  'takes-too-long': t`One coat, or the work before it, takes longer than the plan covers. Check the size and the application rate, or divide the area.`,
  'behind-support': t`A support covers this area. Set the day on which it is moved under Supports, or log it as moved.`,
  'not-curing': t`A hand test found that the film isn’t curing. Decide at the bench what to do.`,
  'no-weather': t`There is no weather data.`,
  failed: t`The record can’t be used. Open the area to see why.`,
};

/** Faults of a task placed by hand. */
const FAULTS: Record<PlanTaskView['faults'][number], string> = {
  'not-placed': t`Not in the plan.`,
  'pinned-moved': t`Not at the time you chose.`,
  'start-not-allowed': t`The weather isn’t suitable at this time.`,
  'past-horizon': t`Ends after the plan.`,
  'crew-wrong': t`Not enough people.`,
  'person-not-free': t`Nobody works at this time.`,
  'person-twice': t`The same person is needed elsewhere.`,
  'equipment-not-free': t`The crane isn’t free.`,
  'equipment-twice': t`The crane is needed for another boat.`,
  'too-early': t`What comes before isn’t done or ready by then.`,
  'too-late': t`A window has closed by then.`,
  'sanded-too-early': t`The film can’t be sanded yet.`,
  'dust-on-wet': t`Dust would land on a wet film.`,
};
export const sayFaultCodes = (codes: PlanTaskView['faults']): string =>
  codes.map((code) => FAULTS[code]).join(' ');
export const sayFaults = ({ faults }: PlanTaskView): string => sayFaultCodes(faults);

const MOVED = {
  past: t`Not started by then.`,
  'by-hand': t`Placed here by hand.`,
  'tape-too-old': t`The tape would be too old by the time of the coat.`,
};

/** Why a task is not where it was agreed to be. @param because the task that it waits for or meets there */
export function sayMove(why: PlanMoveView['why'], because: string | undefined): string {
  if (why.length === 0) return t`Nothing is wrong with the agreed time. It moves with the others.`;
  const words = why
    .map((code) => MOVED[code as keyof typeof MOVED] ?? FAULTS[code as keyof typeof FAULTS])
    .join(' ');
  return because ? t`${words} See: ${because}.` : words;
}

/** What the paint of a coat waits for. @param day the day a delivery is due, in words */
export function sayPlanSupply({ code }: PlanSupply, day: string): string {
  const words: Record<PlanSupply['code'], string> = {
    delivery: t`Paint on order, due ${day}.`,
    'delivery-overdue': t`Paint on order, was due ${day}. Ask the supplier.`,
    'delivery-undated': t`Paint on order without a delivery date. Ask the supplier.`,
    'not-in-stock': t`Not enough paint in stock, and none on order.`,
  };
  return words[code];
}

/** Where a boat stands from a time on: "Kittiwake stands in the open". */
export function sayPlaceChange(boatName: string, { surroundings }: PlaceChange, show: Units['show']): string {
  const where: Record<PlaceChange['surroundings']['kind'], string> = {
    open: t`stands in the open`,
    shaded: t`stands in the shade`,
    tent: t`is under a tent`,
    shed: t`is in the shed`,
    heated:
      surroundings.kind === 'heated' ? t`is heated to ${show(surroundings.setPointC, 'temperature')}` : '',
  };
  return `${boatName} ${where[surroundings.kind]}`;
}

/** What each change compared is called. */
export const leverNames = (show: Units['show']): Record<LeverCode, string> => ({
  'second-person': t`A second person, same hours`,
  'longer-days': t`${PLAN_ASSUMES.longerDayH} hours longer every working day`,
  weekends: t`Work at weekends too`,
  'any-launch-day': t`Launch on any day of the week`,
  'later-launch': t`The crane ${PLAN_ASSUMES.laterLaunchDays} days later`,
  tent: t`A tent over everything outdoors`,
  heated: t`Everything under cover, heated to ${show(PLAN_ASSUMES.heatedToC, 'temperature')}`,
  spray: t`Airless spray where the data sheet allows it`,
  'quicker-products': t`Products that can be overcoated sooner`,
  'one-pack': t`One-pack paint above the water`,
  'one-coat-fewer': t`One coat fewer in every step of two or more`,
});

/** What each change takes or gives up. */
export const LEVER_TAKES: Record<LeverCode, string> = {
  'second-person': t`Another person on the same days`,
  'longer-days': t`Overtime`,
  weekends: t`Overtime, no days off`,
  'any-launch-day': t`A crane at weekends`,
  'later-launch': t`Another date with the yard; if the boat waits for it, the yard days until then`,
  tent: t`A tent, and time to put it up`,
  heated: t`A heated place and its energy`,
  spray: t`Masking, more paint lost, protection from spray mist; no spraying beside other boats`,
  'quicker-products': t`Other paint of the same type, in its own colours; its thinner too. What is in stock is left over`,
  'one-pack': t`Other paint, in its own colours. Gives up hardness and gloss that last, and two-pack can’t go over it later`,
  'one-coat-fewer': t`Gives up film: the system no longer reaches its thickness and wears out sooner`,
};

/** What clashes, from the planner's codes: the part of each before its first space. */
const WHY: Record<string, string> = {
  latest: t`a window that closes too early`,
  people: t`too few working hours`,
  equipment: t`the crane`,
  starts: t`too few suitable hours`,
  dust: t`dust beside a wet film`,
  wait: t`waiting times`,
  horizon: t`the eight weeks of the plan`,
  pinned: t`times placed by hand`,
};
export function sayClash({ why, proven, minimal }: Pick<PlanClash, 'why' | 'proven' | 'minimal'>): string {
  const words = new Set(why.flatMap((code) => WHY[code.split(' ')[0] ?? ''] ?? []));
  if (!proven && words.size === 0)
    return t`no plan was found in the time available. There may be one: plan again later, or with fewer wishes.`;
  const found = proven ? t`no plan fits within eight weeks` : t`no plan was found in the time available`;
  return `${found}. ${minimal ? t`These tasks clash` : t`The clash is among these tasks`}: ${[...words].join(', ')}.`;
}
