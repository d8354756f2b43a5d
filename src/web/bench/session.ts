import { useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView, SessionNoteView } from '../../contract/index.ts';
import { type CoatSession, coatSession, MOST_PEOPLE, type SessionDevice } from '../../core/film/index.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { HAND } from './likelyCoat.ts';

const DEVICE = 'jack-plane.device';
/** Screens narrower than this are a phone’s, px. */
const PHONE_BELOW = 600;

/** This device, under the id that it keeps. */
function thisDevice(): SessionDevice {
  const id = localStorage.getItem(DEVICE) ?? uuidv7();
  localStorage.setItem(DEVICE, id);
  if (!window.matchMedia('(pointer: coarse)').matches) return { id, kind: 'computer' };
  return { id, kind: Math.min(screen.width, screen.height) < PHONE_BELOW ? 'phone' : 'tablet' };
}

const hasJoined = (session: CoatSession | null, device: SessionDevice) =>
  session?.devices.some(({ id }) => id === device.id) ?? false;

/** The people at a coat, and whoever last logged one on this device. */
function withHand(people: readonly string[]): string[] {
  const hand = localStorage.getItem(HAND) ?? '';
  const isNew = hand !== '' && !people.includes(hand) && people.length < MOST_PEOPLE;
  return isNew ? [...people, hand] : [...people];
}

/** Who applies the coat in hand, and what is painted in one go with it. */
export interface BenchSession {
  /** null: nothing is noted of it yet. */
  session: CoatSession | null;
  change: (to: Partial<Pick<CoatSession, 'areaIds' | 'people'>>) => void;
  /** Adds this device, and whoever last logged a coat on it. */
  join: () => void;
  /** Ends it without a coat, on all areas in one go. */
  end: () => void;
}

export function useSession(view: BenchView): BenchSession {
  const { mutate: log } = useQueued();
  const { next } = view.clock;
  const coat = `${next?.stepId} ${next?.coatNo} ${next?.coveredM2}`;
  /** The last note made here: counted at once, before the device has kept it. */
  const [made, setMade] = useState<{ coat: string; note: SessionNoteView } | null>(null);
  const session = useMemo(() => {
    const isNew = made?.coat === coat && view.session.every(({ entryId }) => entryId !== made.note.entryId);
    const notes = isNew ? [...view.session, made.note] : view.session;
    return coatSession(
      notes.map(({ entryId, at, ...rest }) => ({ id: entryId, atMs: Date.parse(at), ...rest })),
    );
  }, [view.session, made, coat]);
  /** The coat that this device has joined: a slow answer makes no second note. */
  const joined = useRef<string | null>(null);
  // Later than what another device noted, though that one’s clock runs ahead: the last change is the one that counts.
  const afterMs = Math.max(0, ...view.session.map(({ at }) => Date.parse(at)));
  const change: BenchSession['change'] = (to) => {
    if (!next) return;
    const { stepId, coatNo } = next;
    const device = thisDevice();
    const { areaIds, people } = session ?? { areaIds: [], people: [] };
    const at = new Date(Math.max(Date.now(), afterMs + 1)).toISOString();
    const state = { areaIds, people: hasJoined(session, device) ? people : withHand(people), ...to };
    joined.current = coat;
    const id = uuidv7();
    const body = { stepId, coatNo, ...state, device };
    setMade({ coat, note: { entryId: id, at, ...state, device, ended: false } });
    log(entryWrite({ id, areaId: view.area.id, at, corrects: null, kind: 'session', body }));
  };
  return {
    session,
    change,
    join: () => {
      if (joined.current !== coat && !hasJoined(session, thisDevice())) change({});
    },
    end: () => {
      if (!next) return;
      const others = view.alike.filter(({ areaId }) => session?.areaIds.includes(areaId));
      // Later than all that it ends, though another device’s clock runs ahead.
      const noted = [view.progress, ...others.map(({ progress }) => progress)].flat();
      const lastMs = [...noted.map((each) => each.at), ...view.emptied.map((pot) => pot.mixedAt)].map(
        Date.parse,
      );
      const at = new Date(Math.max(Date.now(), afterMs + 1, ...lastMs)).toISOString();
      const device = thisDevice();
      for (const { areaId, stepId, coatNo } of [{ areaId: view.area.id, ...next }, ...others]) {
        const body = { stepId, coatNo, areaIds: [], people: [], device, ended: true as const };
        log(entryWrite({ id: uuidv7(), areaId, at, corrects: null, kind: 'session', body }));
      }
      setMade(null);
      joined.current = null;
    },
  };
}
