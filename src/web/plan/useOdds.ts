import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { LeverCode, PlanOddsReply, PlanOutcome, PlanView } from '../../contract/index.ts';
import type { DrawOutcome } from '../../core/plan/index.ts';
import { api } from '../api/client.ts';

/** Draws asked for at a time, without being asked, and on request. */
const AT_A_TIME = 2;
export const FIRST_DRAWS = 20;
export const MORE_DRAWS = 100;
/** Requests under way at once: the server has two threads for all heavy work. */
const AT_ONCE = 2;

export const askOdds = (levers: readonly LeverCode[], first: number, count: number): Promise<PlanOddsReply> =>
  api<PlanOddsReply>('GET', `/plan/odds?levers=${levers.join()}&first=${first}&count=${count}`);

/** Asked again a few times: while the yard is planned, the server may take longer than an answer may. */
export async function patiently<T>(ask: () => Promise<T>, times = 3): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (times <= 1) throw error;
    return patiently(ask, times - 1);
  }
}

/** An outcome as the core has it. */
export const outcomeOf = ({ launches, ...rest }: PlanOutcome): DrawOutcome => ({
  ...rest,
  launches: Object.fromEntries(
    launches.map(({ boatId, at }) => [boatId, at === null ? null : Date.parse(at)]),
  ),
});

export interface Odds {
  outcomes: DrawOutcome[];
  /** Draws that are asked for; as many outcomes: it is done. */
  wanted: number;
  isRunning: boolean;
  /** Rain is drawn; null: not known yet. */
  rain: boolean | null;
  failed: boolean;
  more: (count: number) => void;
  stop: () => void;
}

/** Outcomes of a plan in draws of the weather, a few at a time; another plan begins again. */
export function useOdds({ key, boats }: PlanView): Odds {
  const client = useQueryClient();
  const [state, setState] = useState({ key, outcomes: new Map<number, DrawOutcome[]>(), rain: null as boolean | null, failed: false }); // biome-ignore format: one line
  const [wanted, setWanted] = useState(FIRST_DRAWS);
  const underWay = useRef(new Set<number>());
  const hasPlan = boats.some(({ launch }) => launch !== null);
  if (state.key !== key) setState({ key, outcomes: new Map(), rain: null, failed: false });
  const outcomes = [...state.outcomes].sort(([a], [b]) => a - b).flatMap(([, each]) => each);
  const isRunning = hasPlan && !state.failed && outcomes.length < wanted;
  useEffect(() => {
    if (!isRunning) return;
    let left = false;
    const next = async () => {
      for (let first = 0; first < wanted && !left; first += AT_A_TIME) {
        const id = first;
        if (state.outcomes.has(id) || underWay.current.has(id)) continue;
        underWay.current.add(id);
        try {
          const reply = await patiently(() => askOdds([], id, AT_A_TIME));
          if (reply.key !== key) {
            // The yard has been planned again meanwhile.
            await client.invalidateQueries({ queryKey: ['plan'], exact: true });
            return;
          }
          setState((was) =>
            was.key === key
              ? {
                  ...was,
                  rain: reply.rain,
                  outcomes: new Map(was.outcomes).set(id, reply.outcomes.map(outcomeOf)),
                }
              : was,
          );
        } catch {
          setState((was) => ({ ...was, failed: true }));
        } finally {
          underWay.current.delete(id);
        }
        return;
      }
    };
    while (underWay.current.size < AT_ONCE) {
      const before = underWay.current.size;
      void next();
      if (underWay.current.size === before) break;
    }
    return () => {
      left = true;
    };
  }, [isRunning, wanted, key, state.outcomes, client]);
  const more = useCallback((count: number) => {
    setState((was) => ({ ...was, failed: false }));
    setWanted(count);
  }, []);
  return {
    outcomes,
    wanted,
    isRunning,
    rain: state.rain,
    failed: state.failed,
    more,
    stop: () => setWanted(outcomes.length),
  };
}
