import type { PlanView, Shelter, TradeView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { momentOf, startOfDay, wallOf } from '../clock/wallClock.ts';
import type { Units } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayPlaceChange, sayTask } from '../words/plan.ts';
import { sayClock, sayMoment } from './planTimes.ts';

/** An entry of a day in the yard calendar. */
export interface CalendarEntry {
  /** Of its own in the whole calendar. */
  id: string;
  kind: 'launch' | 'wanted' | 'place' | 'delivery' | 'work';
  text: string;
}

const ORDER: Record<CalendarEntry['kind'], number> = { launch: 0, wanted: 1, place: 2, delivery: 3, work: 4 };

type Put = (atMs: number, entry: CalendarEntry) => void;

function putWork({ tasks }: PlanView, zone: string, put: Put): void {
  for (const task of tasks) {
    const at = task.sandFrom ?? task.start;
    if (task.kind === 'launch')
      put(Date.parse(at), { id: task.id, kind: 'launch', text: t`${sayClock(at, zone)} Launch: ${task.boatName}` }); // biome-ignore format: one line
    else
      put(Date.parse(at), {
        id: task.id,
        kind: 'work',
        text: `${sayClock(at, zone)} ${task.boatName}, ${task.areaName}: ${sayTask(task)}`,
      });
  }
}

/** The calendar of a yard by the beginning of its days, ms: launches, dates wanted, deliveries and work. */
export function calendarOf(
  view: PlanView,
  trade: Pick<TradeView, 'purchases' | 'suppliers'>,
  zone: string,
  show: Units['show'],
): Map<number, CalendarEntry[]> {
  const days = new Map<number, CalendarEntry[]>();
  const put: Put = (atMs, entry) => {
    const day = startOfDay(atMs, zone);
    days.set(day, [...(days.get(day) ?? []), entry]);
  };
  for (const { boatId, boatName, wanted } of view.boats)
    if (wanted)
      put(Date.parse(wanted), {
        id: `wanted ${boatId}`,
        kind: 'wanted',
        text: t`Launch wanted by: ${boatName}`,
      });
  for (const { boatId, boatName, supportMoves } of view.boats)
    for (const { name, on } of supportMoves)
      put(noonOf(on, zone), { id: `support ${boatId} ${name}`, kind: 'place', text: t`Move support: ${boatName}, ${name}` }); // biome-ignore format: one line
  for (const change of view.setup.placeChanges ?? []) {
    const boat = view.boats.find(({ boatId }) => boatId === change.boatId);
    if (boat)
      put(Date.parse(change.at), {
        id: `place ${change.boatId} ${change.at}`,
        kind: 'place',
        text: `${sayClock(change.at, zone)} ${sayPlaceChange(boat.boatName, change, show)}`,
      });
  }
  for (const { from, to } of view.setup.launchStops ?? [])
    put(Date.parse(from), {
      id: `stop ${from}`,
      kind: 'place',
      text: t`${sayClock(from, zone)} No launching until ${sayMoment(to, zone)}`,
    });
  for (const { id, dueOn, receivedAt, archived, supplierId, lines } of trade.purchases) {
    if (!dueOn || receivedAt !== null || archived) continue;
    const from = trade.suppliers.find((each) => each.id === supplierId)?.name;
    const packs = lines.reduce((sum, { count }) => sum + count, 0);
    put(noonOf(dueOn, zone), { id, kind: 'delivery', text: t`Delivery: ${counted(packs, 'pack')}${from ? t` from ${from}` : ''}` }); // biome-ignore format: one line
  }
  putWork(view, zone, put);
  // A day that has no room for all shows these first.
  for (const own of days.values()) own.sort((a, b) => ORDER[a.kind] - ORDER[b.kind]);
  return days;
}

/** A boat in a place under cover: since a time (null: already now) and until one (null: no date yet). */
export interface ShelterStay {
  kind: Shelter;
  boatName: string;
  from: string | null;
  until: string | null;
}

const isShelter = (kind: string): kind is Shelter => ['tent', 'shed', 'heated'].includes(kind);

/** Which boats take up the places under cover, and until when: their launch, or a change of place before it. */
export function shelterStays({ boats, setup, from }: PlanView): ShelterStay[] {
  return boats.flatMap(({ boatId, boatName, shelters, launch }) => {
    const changes = (setup.placeChanges ?? [])
      .filter((each) => each.boatId === boatId && each.at > from && (launch === null || each.at < launch))
      .toSorted((a, b) => a.at.localeCompare(b.at));
    const leaves = changes[0]?.at ?? launch;
    return [
      ...shelters.map((kind) => ({ kind, boatName, from: null, until: leaves })),
      ...changes.flatMap(({ at, surroundings: { kind } }, i): ShelterStay[] =>
        isShelter(kind) ? [{ kind, boatName, from: at, until: changes[i + 1]?.at ?? launch }] : [],
      ),
    ];
  });
}

/** Noon of a day of the calendar in the yard, ms. */
function noonOf(date: string, zone: string): number {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  return momentOf({ year, month, day, hour: 12, minute: 0 }, zone);
}

/** The days of a month in whole weeks from Monday, or of one week, by their beginnings, ms. */
export function daysShown(atMs: number, zone: string, span: 'month' | 'week'): number[] {
  const wall = wallOf(atMs, zone);
  const first = span === 'month' ? startOfDay(atMs, zone, 1 - wall.day) : startOfDay(atMs, zone);
  const monday = startOfDay(first, zone, -weekdayOf(first, zone));
  if (span === 'week') return Array.from({ length: 7 }, (_, i) => startOfDay(monday, zone, i));
  const days: number[] = [];
  for (let i = 0; i < 42; i++) {
    const day = startOfDay(monday, zone, i);
    if (i % 7 === 0 && i > 0 && wallOf(day, zone).month !== wall.month) break;
    days.push(day);
  }
  return days;
}

/** 0 Monday … 6 Sunday. */
function weekdayOf(ms: number, zone: string): number {
  const { year, month, day } = wallOf(ms, zone);
  return (new Date(Date.UTC(year, month - 1, day)).getUTCDay() + 6) % 7;
}

/** A day of the week before or after, or the first of the month before or after, ms. */
export function moved(atMs: number, zone: string, span: 'month' | 'week', by: 1 | -1): number {
  if (span === 'week') return startOfDay(atMs, zone, 7 * by);
  const { year, month } = wallOf(atMs, zone);
  return momentOf({ year, month: month + by, day: 1, hour: 0, minute: 0 }, zone);
}
