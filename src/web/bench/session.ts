import { useMemo, useRef } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView } from '../../contract/index.ts';
import { type CoatSession, coatSession, type SessionDevice } from '../../core/film/index.ts';
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

/** Who applies the coat in hand, and what is painted in one go with it. */
export interface BenchSession {
  /** null: nothing is noted of it yet. */
  session: CoatSession | null;
  change: (to: Partial<Pick<CoatSession, 'areaIds' | 'people'>>) => void;
  /** Adds this device, and whoever last logged a coat on it. */
  join: () => void;
}

export function useSession(view: BenchView): BenchSession {
  const { mutate: log } = useQueued();
  const { next } = view.clock;
  const session = useMemo(
    () => coatSession(view.session.map(({ entryId, at, ...rest }) => ({ id: entryId, atMs: Date.parse(at), ...rest }))), // biome-ignore format: one line
    [view.session],
  );
  /** The coat that this device has joined: a slow answer makes no second note. */
  const joined = useRef<string | null>(null);
  const coat = `${next?.stepId} ${next?.coatNo} ${next?.coveredM2}`;
  const hand = localStorage.getItem(HAND) ?? '';
  const people = session?.people ?? [];
  const withHand = hand !== '' && !people.includes(hand) ? [...people, hand] : people;
  const change: BenchSession['change'] = (to) => {
    if (!next) return;
    const { stepId, coatNo } = next;
    const state = { areaIds: session?.areaIds ?? [], people: withHand, ...to };
    joined.current = coat;
    log(
      entryWrite({
        ...{ id: uuidv7(), areaId: view.area.id, at: new Date().toISOString(), corrects: null },
        kind: 'session',
        body: { stepId, coatNo, ...state, device: thisDevice() },
      }),
    );
  };
  return {
    session,
    change,
    join: () => {
      const { id } = thisDevice();
      if (joined.current === coat || session?.devices.some((each) => each.id === id)) return;
      change({});
    },
  };
}
