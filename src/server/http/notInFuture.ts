import { t } from '../../words.ts';
import { badFields } from './problem.ts';

/** Nothing is told further ahead than this: a clock set wrong is likelier than a tin from the future. */
const AHEAD_MS = 60 * 60_000;

/** @throws {HttpProblem} 422 where a moment is in the future */
export function notInFuture(at: string, now: number, path: string): void {
  if (Date.parse(at) > now + AHEAD_MS)
    throw badFields([{ path, message: t`The time ${at} is in the future` }]);
}
