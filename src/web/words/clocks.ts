import type { AreaClock } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { workLeft } from '../state/workStates.ts';
import { sayTask } from './systems.ts';

/** The next task on an area. */
export function taskOf(clock: AreaClock, now: number): string {
  const next = clock.next;
  if (clock.failed !== null) return t`Can’t be worked out: ${clock.failed}`;
  if (clock.hand?.notCuring) return t`This coat isn’t curing. Don’t apply anything over it.`;
  if (clock.nextIsWater) {
    if (clock.state === 'open') return t`Ready for launch`;
    if (clock.state === 'closed')
      return t`Out of the water too long: apply a fresh coat of antifouling before launch`;
    return t`Not ready for launch yet`;
  }
  if (!next) {
    if (clock.state === 'no-system') return t`Choose a system`;
    const cured = clock.events.find(({ event }) => event === 'full-cure')?.at ?? null;
    return cured !== null && Date.parse(cured) <= now ? t`All coats applied` : t`All coats applied, curing`;
  }
  const coat = t`${next.productName}, coat ${next.coatNo + 1} of ${next.coats}`;
  if (next.coveredM2 > 0) return t`Finish ${coat}`;
  switch (clock.state) {
    case 'hidden':
      return t`Move ${clock.hiddenBy?.name ?? t`the stand`} first, then apply ${coat}`;
    case 'bare':
      if (isPastPriming(clock, now)) return t`Re-blast, or inspect for flash rust`;
      return clock.primeBy ? t`Bare steel: prime with ${coat}` : t`First coat: ${coat}`;
    case 'too-soon':
      return `Next: ${coat}`;
    case 'key-first':
      return t`Sand${clock.keyGrit ? t` with ${clock.keyGrit} grit` : ''}, then apply ${coat}`;
    case 'not-stated':
      return t`${coat}: overcoat window not on the data sheet`;
    default:
      return t`Apply ${coat}`;
  }
}

/** The tasks left before the next coat, in a few words, with the times they wait for; empty if there is no task. */
export function workWords(clock: AreaClock, now: number, zone: string): string {
  const ahead = (at: string | null) => at !== null && Date.parse(at) > now;
  const left = workLeft(clock.work, now).map(({ kind, amount, endsAt, sandableAt }) => {
    const task = sayTask({ kind, amount, note: '' });
    if (ahead(sandableAt)) return t`${task} (not before ${sayTime(sandableAt as string, zone, now)})`;
    return kind === 'wait' && ahead(endsAt)
      ? t`${task} (until ${sayTime(endsAt as string, zone, now)})`
      : task;
  });
  return left.length === 0 ? '' : t`Do first: ${left.join(', ')}`;
}

/** Whether steel has stood bare longer than it may before its primer. */
export const isPastPriming = (clock: Pick<AreaClock, 'state' | 'primeBy'>, now: number): boolean =>
  clock.state === 'bare' && clock.primeBy !== null && Date.parse(clock.primeBy) <= now;

/** What the countdown counts to; empty: nothing is counted. */
export function countdownWord(clock: AreaClock, now: number): string {
  if (isPastPriming(clock, now)) return '';
  if (clock.state === 'bare' && clock.primeBy) return t`prime within`;
  if (clock.state === 'too-soon') return clock.nextIsWater ? t`ready in` : t`opens in`;
  if (clock.state === 'open' || clock.state === 'thumb') return t`closes in`;
  return '';
}

/**
 * Before when nothing goes on: the film below is not ready, a wait runs, or the film clogs the paper of a sanding that comes
 * first; whichever is last. null: nothing is waited for, or nobody knows until when.
 */
export function notBefore(clock: AreaClock, now: number): { at: string; clogs: boolean } | null {
  const ahead = (at: string | null) => at !== null && Date.parse(at) > now;
  const waits = clock.work.filter(
    ({ kind, doneAt, endsAt }) => kind === 'wait' && doneAt === null && ahead(endsAt),
  );
  const sandings = workLeft(clock.work, now).filter(({ sandableAt }) => ahead(sandableAt));
  const all = [
    ...(clock.state === 'too-soon' && clock.until !== null ? [{ at: clock.until, clogs: false }] : []),
    ...waits.map(({ endsAt }) => ({ at: endsAt as string, clogs: false })),
    ...sandings.map(({ sandableAt }) => ({ at: sandableAt as string, clogs: true })),
  ];
  return all.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at)).at(-1) ?? null;
}

/**
 * Why an area can’t be coated now in any weather: the film below, or steel that was bare too long; null: it can.
 *
 * @returns a headline, the reason, and whether that is the work before the coat
 */
export function heldBack(
  clock: AreaClock,
  now: number,
  sayWhen: (at: string) => string,
): { headline: string; reason: string; byWork?: true } | null {
  if (isPastPriming(clock, now))
    return {
      headline: t`Not suitable now`,
      reason: t`the steel had to be primed by ${sayWhen(clock.primeBy ?? '')}: re-blast it, or inspect it for flash rust`,
    };
  if (clock.hand?.notCuring)
    return {
      headline: t`Not suitable now`,
      reason: t`the coat below isn’t curing: check the mixing ratio`,
    };
  if (clock.hiddenBy)
    return { headline: t`Not yet`, reason: t`covered by ${clock.hiddenBy.name} until the support is moved` };
  const waits = notBefore(clock, now);
  if (clock.state === 'too-soon' && clock.until === null)
    return { headline: t`Not yet`, reason: t`unknown when the coat below is ready: do a hand test` };
  if (waits)
    return {
      headline: t`Not yet`,
      reason: waits.clogs
        ? t`the coat below is sanded first, and clogs sandpaper until ${sayWhen(waits.at)}`
        : t`not before ${sayWhen(waits.at)}: the coat below isn’t ready, or a waiting time isn’t over`,
    };
  if (clock.state === 'not-stated')
    return {
      headline: t`Unknown`,
      reason: t`the data sheet doesn’t say when the next coat can go on: ask the manufacturer`,
    };
  const left = workLeft(clock.work, now);
  if (left.length > 0)
    return {
      headline: t`Prepare first`,
      byWork: true,
      reason: t`still to do before the coat: ${left.map(({ kind, amount }) => sayTask({ kind, amount, note: '' })).join(', ')}`,
    };
  return null;
}
