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
export const OLD_TAPE = 'The tape is too old by then: pull it and mask again first.';

/** Why an area is not in the plan, and what to do about it. */
export const UNPLANNED: Record<UnplannedCode, string> = {
  'window-not-stated': 'The data sheet states no overcoating time. Enter the time under Materials.',
  'ready-not-stated':
    'The data sheet gives no time until the film is ready for the water, or dry. Enter the time under Materials.',
  'never-ready':
    'At the expected temperatures the film never gets ready for the next step. Add heat, or choose another product.',
  'closed-for-water': 'The antifouling should have been in the water by now. Add another coat.',
  'no-working-hour':
    'No working time is long enough within suitable weather. Work other hours, add a person, or put up a shelter.',
  'too-large-for-bare-steel':
    'Blasting takes so long that the steel can’t be primed in time. Divide the area into pieces.',
  'bare-too-long':
    'The steel is bare and can’t be primed in time. Blast it again or have it inspected, then log it at the bench.',
  'safe-not-stated':
    'The data sheet doesn’t say when the film is safe from dew and rain. Enter the time under Materials.',
  'no-hour-passes':
    'No hour in the coming weeks is within the limits of the data sheet. Try a shelter or heat.',
  'takes-too-long':
    'One coat, or the work before it, takes longer than the plan covers. Check the size and the application rate, or divide the area.',
  'behind-support':
    'A support covers this area. Set the day on which it is moved under Supports, or log it as moved.',
  'not-curing': 'A hand test found that the film isn’t curing. Decide at the bench what to do.',
  'no-weather': 'There is no weather data.',
  failed: 'The record can’t be used. Open the area to see why.',
};

/** Faults of a task placed by hand. */
const FAULTS: Record<PlanTaskView['faults'][number], string> = {
  'not-placed': 'Not in the plan.',
  'pinned-moved': 'Not at the time you chose.',
  'start-not-allowed': 'The weather isn’t suitable at this time.',
  'past-horizon': 'Ends after the plan.',
  'crew-wrong': 'Not enough people.',
  'person-not-free': 'Nobody works at this time.',
  'person-twice': 'The same person is needed elsewhere.',
  'equipment-not-free': 'The crane isn’t free.',
  'equipment-twice': 'The crane is needed for another boat.',
  'too-early': 'What comes before isn’t done or ready by then.',
  'too-late': 'A window has closed by then.',
  'sanded-too-early': 'The film can’t be sanded yet.',
  'dust-on-wet': 'Dust would land on a wet film.',
};
export const sayFaultCodes = (codes: PlanTaskView['faults']): string =>
  codes.map((code) => FAULTS[code]).join(' ');
export const sayFaults = ({ faults }: PlanTaskView): string => sayFaultCodes(faults);

const MOVED = {
  past: 'Not started by then.',
  'by-hand': 'Placed here by hand.',
  'tape-too-old': 'The tape would be too old by the time of the coat.',
};

/** Why a task is not where it was agreed to be. @param because the task that it waits for or meets there */
export function sayMove(why: PlanMoveView['why'], because: string | undefined): string {
  if (why.length === 0) return 'Nothing is wrong with the agreed time. It moves with the others.';
  const words = why
    .map((code) => MOVED[code as keyof typeof MOVED] ?? FAULTS[code as keyof typeof FAULTS])
    .join(' ');
  return because ? `${words} See: ${because}.` : words;
}

/** What the paint of a coat waits for. @param day the day a delivery is due, in words */
export function sayPlanSupply({ code }: PlanSupply, day: string): string {
  const words: Record<PlanSupply['code'], string> = {
    delivery: `Paint on order, due ${day}.`,
    'delivery-overdue': `Paint on order, was due ${day}. Ask the supplier.`,
    'delivery-undated': 'Paint on order without a delivery date. Ask the supplier.',
    'not-in-stock': 'Not enough paint in stock, and none on order.',
  };
  return words[code];
}

/** Where a boat stands from a time on: "Kittiwake stands in the open". */
export function sayPlaceChange(boatName: string, { surroundings }: PlaceChange, show: Units['show']): string {
  const where: Record<PlaceChange['surroundings']['kind'], string> = {
    open: 'stands in the open',
    shaded: 'stands in the shade',
    tent: 'is under a tent',
    shed: 'is in the shed',
    heated:
      surroundings.kind === 'heated' ? `is heated to ${show(surroundings.setPointC, 'temperature')}` : '',
  };
  return `${boatName} ${where[surroundings.kind]}`;
}

/** What each change compared is called. */
export const leverNames = (show: Units['show']): Record<LeverCode, string> => ({
  'second-person': 'A second person, same hours',
  'longer-days': `${PLAN_ASSUMES.longerDayH} hours longer every working day`,
  weekends: 'Work at weekends too',
  'any-launch-day': 'Launch on any day of the week',
  'later-launch': `The crane ${PLAN_ASSUMES.laterLaunchDays} days later`,
  tent: 'A tent over everything outdoors',
  heated: `Everything under cover, heated to ${show(PLAN_ASSUMES.heatedToC, 'temperature')}`,
  spray: 'Airless spray where the data sheet allows it',
  'quicker-products': 'Products that can be overcoated sooner',
  'one-pack': 'One-pack paint above the water',
  'one-coat-fewer': 'One coat fewer in every step of two or more',
});

/** What each change takes or gives up. */
export const LEVER_TAKES: Record<LeverCode, string> = {
  'second-person': 'Another person on the same days',
  'longer-days': 'Overtime',
  weekends: 'Overtime, no days off',
  'any-launch-day': 'A crane at weekends',
  'later-launch': 'Another date with the yard; if the boat waits for it, the yard days until then',
  tent: 'A tent, and time to put it up',
  heated: 'A heated place and its energy',
  spray: 'Masking, more paint lost, protection from spray mist; no spraying beside other boats',
  'quicker-products':
    'Other paint of the same type, in its own colours; its thinner too. What is in stock is left over',
  'one-pack':
    'Other paint, in its own colours. Gives up hardness and gloss that last, and two-pack can’t go over it later',
  'one-coat-fewer': 'Gives up film: the system no longer reaches its thickness and wears out sooner',
};

/** What clashes, from the planner's codes: the part of each before its first space. */
const WHY: Record<string, string> = {
  latest: 'a window that closes too early',
  people: 'too few working hours',
  equipment: 'the crane',
  starts: 'too few suitable hours',
  dust: 'dust beside a wet film',
  wait: 'waiting times',
  horizon: 'the eight weeks of the plan',
  pinned: 'times placed by hand',
};
export function sayClash({ why, proven, minimal }: Pick<PlanClash, 'why' | 'proven' | 'minimal'>): string {
  const words = new Set(why.flatMap((code) => WHY[code.split(' ')[0] ?? ''] ?? []));
  if (!proven && words.size === 0)
    return 'no plan was found in the time available. There may be one: plan again later, or with fewer wishes.';
  const found = proven ? 'no plan fits within eight weeks' : 'no plan was found in the time available';
  return `${found}. ${minimal ? 'These tasks clash' : 'The clash is among these tasks'}: ${[...words].join(', ')}.`;
}
