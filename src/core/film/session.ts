import { moment, QuantityError } from '../units/index.ts';

/** Who applies a coat, where and with which devices, from what each device notes of it. */

/** Most areas that are painted in one go. */
export const MOST_TOGETHER = 30;
/** Most people at one coat. */
export const MOST_PEOPLE = 12;

/** A phone, tablet or computer at a coat. */
export interface SessionDevice {
  id: string;
  kind: 'phone' | 'tablet' | 'computer';
}

/** One state of a session as a device noted it. */
export interface SessionNote {
  id: string;
  atMs: number;
  /** The other areas painted in one go with this one. */
  areaIds: readonly string[];
  people: readonly string[];
  device: SessionDevice;
  /** The session ended here without a coat. */
  ended?: boolean;
}

/** A coat being applied. */
export interface CoatSession {
  startedMs: number;
  areaIds: string[];
  people: string[];
  /** In the order in which they joined. */
  devices: SessionDevice[];
}

function checkNote({ atMs, areaIds, people }: SessionNote): void {
  moment('time of a note', atMs);
  if (areaIds.length > MOST_TOGETHER)
    throw new QuantityError('areas in one go', areaIds.length, `at most ${MOST_TOGETHER}`);
  if (people.length > MOST_PEOPLE) throw new QuantityError('people', people.length, `at most ${MOST_PEOPLE}`);
}

/**
 * The session of a coat from notes of several devices. The order in which they arrive makes no difference: it starts with the
 * earliest, and the latest says which areas and people are in it. One that ended without a coat is over: what is noted later is
 * another.
 *
 * @returns null where nothing is noted, or nothing since it ended
 * @throws {QuantityError} on a time that is none, or too many areas or people
 */
export function coatSession(notes: readonly SessionNote[]): CoatSession | null {
  for (const note of notes) checkNote(note);
  const inOrder = [...notes].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
  const inHand = inOrder.slice(inOrder.findLastIndex(({ ended }) => ended) + 1);
  const [first] = inHand;
  const last = inHand.at(-1);
  if (!first || !last) return null;
  const devices = new Map<string, SessionDevice>();
  for (const { device } of inHand) if (!devices.has(device.id)) devices.set(device.id, device);
  return {
    startedMs: first.atMs,
    areaIds: [...new Set(last.areaIds)],
    people: [...new Set(last.people)],
    devices: [...devices.values()],
  };
}
