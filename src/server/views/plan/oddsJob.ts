import { type DrawOutcome, type OddsInput, planFollower } from '../../../core/plan/index.ts';

/** So long an answer is worked on, ms: then it has as many draws as were done. */
const LONGEST_MS = 6000;

/** Follows draws of the weather in a thread of its own: at least one, and no more than fit the time. */
export function oddsJob(input: OddsInput, { first, count }: { first: number; count: number }): DrawOutcome[] {
  const until = performance.now() + LONGEST_MS;
  const follow = planFollower(input);
  const outcomes: DrawOutcome[] = [];
  for (let i = 0; i < count && (i === 0 || performance.now() < until); i++) outcomes.push(follow(first + i));
  return outcomes;
}
