import { moment } from '../units/index.ts';
import { segmentAt } from './segmentAt.ts';
import type { WindowSegment, Windows } from './windows.ts';

/** What work between two coats does to a film's windows: sanding gives it a tooth, waiting holds the next coat back. */

/**
 * The windows of a film that was abraded for its next coat: from then on, and not before it may be overcoated at all,
 * it bonds mechanically. Fresh tooth does not run out; dust and damp are the inspection's to see.
 *
 * A window missed on Monday and sanded on Tuesday: key-first until then, keyed from then on.
 */
export function sandedWindows(windows: Windows, keyedAtMs: number, now: number): Windows {
  moment('time of sanding', keyedAtMs);
  moment('now', now);
  const min = windows.edges.find(({ edge }) => edge === 'overcoat-min');
  // A film of which nobody knows when it may be overcoated is not ready for being sanded either.
  if (min && min.at === null) return windows;
  const fromMs = Math.max(keyedAtMs, min?.at ?? keyedAtMs);
  const before = windows.segments.filter((segment) => segment.fromMs < fromMs);
  const last = before.at(-1);
  if (!last || last.state === 'not-stated') return windows;
  const segments: WindowSegment[] = [
    ...before.slice(0, -1),
    { ...last, toMs: Math.min(last.toMs ?? fromMs, fromMs) },
    { state: 'keyed', fromMs, toMs: null },
  ];
  const present = segmentAt(segments, now) as WindowSegment;
  return { ...windows, segments, state: present.state, until: present.toMs };
}

/**
 * The windows of a film whose next coat waits for work before it: not ready until the wait is over, even if the film
 * itself would allow; what closes in the meantime is closed.
 *
 * Open from 10:00, a wait until 14:00: too soon until 14:00, open from then on.
 */
export function delayedWindows(windows: Windows, untilMs: number, now: number): Windows {
  moment('end of the wait', untilMs);
  moment('now', now);
  const first = windows.segments[0];
  if (!first || first.state === 'not-stated') return windows;
  const after = windows.segments.flatMap((segment) =>
    segment.toMs !== null && segment.toMs <= untilMs
      ? []
      : [{ ...segment, fromMs: Math.max(segment.fromMs, untilMs) }],
  );
  const segments: WindowSegment[] =
    after[0]?.state === 'too-soon'
      ? [{ ...after[0], fromMs: first.fromMs }, ...after.slice(1)]
      : [{ state: 'too-soon', fromMs: first.fromMs, toMs: untilMs }, ...after];
  const present = segmentAt(segments, now) as WindowSegment;
  return { ...windows, segments, state: present.state, until: present.toMs };
}
