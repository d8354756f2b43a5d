import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { LeverCode, PlanOddsReply, PlanOutcome, PlanView } from '../../contract/index.ts';
import type { DrawOutcome } from '../../core/plan/index.ts';
import { api } from '../api/client.ts';

/** Draws asked for at a time, without being asked, and on request. */
const AT_A_TIME = 2;
export const FIRST_DRAWS = 20;
export const MORE_DRAWS = 100;
/** So long a plan stands before its draws begin by themselves, ms: whoever is still changing it waits for no draws of plans that are gone. */
const SETTLED_MS = 3000;
/** Requests under way at once where they were asked for; else one: the server has two threads for all heavy work. */
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

/** Outcomes of so many draws with some changes; asked for again until all are there. */
export async function allOutcomes(
  levers: readonly LeverCode[],
  first: number,
  count: number,
): Promise<DrawOutcome[]> {
  const outcomes: DrawOutcome[] = [];
  while (outcomes.length < count) {
    const { outcomes: some } = await patiently(() =>
      askOdds(levers, first + outcomes.length, Math.min(AT_A_TIME, count - outcomes.length)),
    );
    if (some.length === 0) break;
    outcomes.push(...some.map(outcomeOf));
  }
  return outcomes;
}

interface Drawn {
  key: string;
  outcomes: ReadonlyMap<number, DrawOutcome>;
  rain: boolean | null;
  failed: boolean;
}
const noneOf = (key: string): Drawn => ({ key, outcomes: new Map(), rain: null, failed: false });

/** Outcomes of a plan in draws of the weather, a few at a time; another plan begins again. */
export function useOdds({ key, boats }: PlanView): Odds {
  const client = useQueryClient();
  const [drawn, setDrawn] = useState(() => noneOf(key));
  const [wanted, setWanted] = useState(FIRST_DRAWS);
  const [settled, setSettled] = useState<string | null>(null);
  /** Draws that are under way, of this plan. */
  const underWay = useRef({ key, draws: new Set<number>() });
  const hasPlan = boats.some(({ launch }) => launch !== null);
  if (drawn.key !== key) setDrawn(noneOf(key));
  const outcomes = [...drawn.outcomes].sort(([a], [b]) => a - b).map(([, each]) => each);
  const isRunning = hasPlan && !drawn.failed && outcomes.length < wanted;
  const isDue = settled === key || wanted > FIRST_DRAWS;
  useEffect(() => {
    const timer = setTimeout(() => setSettled(key), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [key]);
  useEffect(() => {
    if (!isRunning || !isDue || drawn.key !== key) return;
    if (underWay.current.key !== key) underWay.current = { key, draws: new Set() };
    const { draws } = underWay.current;
    const isOpen = (i: number) => i < wanted && !drawn.outcomes.has(i) && !draws.has(i);
    const ask = async (first: number, count: number) => {
      const mine = Array.from({ length: count }, (_, i) => first + i);
      for (const i of mine) draws.add(i);
      try {
        const reply = await patiently(() => askOdds([], first, count));
        for (const i of mine) draws.delete(i);
        // The server has made a new plan.
        if (reply.key !== key) {
          await client.invalidateQueries({ queryKey: ['plan'], exact: true });
          setDrawn((was) => (was.key === key ? { ...was, failed: true } : was));
        } else
          setDrawn((was) =>
            was.key === key
              ? { ...was, rain: reply.rain, outcomes: new Map([...was.outcomes, ...reply.outcomes.map((each, i) => [first + i, outcomeOf(each)] as const)]) } // biome-ignore format: one line
              : was,
          );
      } catch {
        for (const i of mine) draws.delete(i);
        setDrawn((was) => (was.key === key ? { ...was, failed: true } : was));
      }
    };
    const most = (wanted > FIRST_DRAWS ? AT_ONCE : 1) * AT_A_TIME;
    for (let first = 0; first < wanted && draws.size + AT_A_TIME <= most; first++) {
      if (!isOpen(first)) continue;
      const count = isOpen(first + 1) ? AT_A_TIME : 1;
      void ask(first, count);
    }
  }, [isRunning, isDue, wanted, key, drawn, client]);
  const more = useCallback((count: number) => {
    setDrawn((was) => ({ ...was, failed: false }));
    setWanted(count);
  }, []);
  return {
    outcomes,
    wanted,
    isRunning,
    rain: drawn.rain,
    failed: drawn.failed,
    more,
    stop: () => setWanted(outcomes.length),
  };
}
