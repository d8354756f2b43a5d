import type { AreaClock, PotView } from '../../contract/index.ts';
import { urgencyMs } from '../../core/cure/index.ts';
import { notBefore } from '../words/clocks.ts';

/** One line of the board: a live pot or an area, with what it asks for and the moment that decides its place. */
export type BoardLine =
  | { kind: 'pot'; pot: PotView; decides: number }
  | { kind: 'area'; clock: AreaClock; decides: number };

/** A window that ends within this is running out, and only then is the signal colour used. */
export const RUNNING_OUT_MS = 3 * 3_600_000;

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Every running line, most urgent first; then those without a running time. */
export function boardLines(pots: readonly PotView[], clocks: readonly AreaClock[]): BoardLine[] {
  const lines: BoardLine[] = [
    ...pots.map(
      (pot): BoardLine => ({ kind: 'pot', pot, decides: Date.parse(pot.potEnds ?? pot.inductionEnds) }),
    ),
    ...clocks.map((clock): BoardLine => {
      // The most urgent of its parts decides.
      const stands = [clock, ...clock.parts].map(({ state, until }) =>
        urgencyMs({ state, untilMs: ms(until) }),
      );
      return { kind: 'area', clock, decides: Math.min(...stands) };
    }),
  ];
  return lines.sort((a, b) => a.decides - b.decides);
}

/** Does this line's time run out soon, seen from `now`? Waiting for a window to open, or for a pot to induct, is not running out. */
export function isRunningOut(line: BoardLine, now: number): boolean {
  if (line.kind === 'pot')
    return now >= Date.parse(line.pot.inductionEnds) && line.decides - now < RUNNING_OUT_MS;
  const { clock } = line;
  // A part that opens soon is no hurry, one that closes is, even if the rest of its area waits.
  const closing = [clock, ...clock.parts].filter(
    ({ state, until }) =>
      until !== null &&
      (state === 'open' || state === 'thumb' || (state === 'bare' && clock.primeBy !== null)),
  );
  return closing.some(({ until }) => Date.parse(until as string) - now < RUNNING_OUT_MS);
}

/**
 * The line that needs hands next: a pot, a window that is open and closes first, then one to be keyed, then a bare
 * area; where nothing can be done, the window that opens first.
 */
export function nextLine(lines: readonly BoardLine[], now: number): BoardLine | undefined {
  const find = (states: readonly AreaClock['state'][], isFree: (clock: AreaClock) => boolean) =>
    lines.find((line) => line.kind === 'area' && states.includes(line.clock.state) && isFree(line.clock));
  const can = (states: readonly AreaClock['state'][]) =>
    find(states, (clock) => notBefore(clock, now) === null);
  return (
    lines.find((line) => line.kind === 'pot') ??
    lines.find((line) => line.kind === 'area' && line.clock.primeBy !== null) ??
    can(['thumb', 'open', 'keyed']) ??
    can(['key-first']) ??
    can(['bare']) ??
    find(['too-soon', 'thumb', 'open', 'keyed', 'key-first', 'bare'], () => true)
  );
}
