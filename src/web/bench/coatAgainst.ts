import type { AlikeArea, BenchView, CoatCheck, LoggedConditions, Product } from '../../contract/index.ts';
import { type CoatFailureCode, isUnderCover, judgeConditions } from '../../core/air/index.ts';
import type { Method } from '../../core/film/index.ts';
import { coatLimitsOf } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { type Show, sayFailure, sayReason } from '../words/airReasons.ts';

/** Failures that matter only before a coat is finished: after that it needs no light. */
const ONLY_AHEAD: readonly CoatFailureCode[] = ['not-known', 'too-dark'];

/**
 * What speaks against the coat in the hours it was applied in, and against one applied just now in those to come; null: nothing
 * that is known.
 */
export function againstIt(
  {
    view,
    product,
    method,
    typed,
    check,
    isNow,
  }: {
    view: BenchView;
    product: Product;
    method: Method;
    typed: LoggedConditions | null;
    check: CoatCheck | undefined;
    isNow: boolean;
  },
  zone: string,
  show: Show,
): string | null {
  const nowMs = Date.parse(view.now);
  if (check?.tooSoon) return sayTooSoon(check.tooSoon, zone, nowMs);
  if (typed) {
    const [reason] = judgeConditions({
      conditions: { ...typed, surfaceC: typed.surfaceC ?? typed.airC },
      limits: coatLimitsOf(product.sheet, method),
      underCover: isUnderCover(view.area.surroundings),
    }).reasons;
    if (reason) return t`as measured: ${sayReason(reason, show)}`;
  }
  const met =
    (typed ? [] : (check?.air?.failures ?? [])).at(0) ??
    (isNow
      ? (view.outlook?.failures ?? []).find(
          ({ at, code }) => Date.parse(at) > nowMs && !ONLY_AHEAD.includes(code),
        )
      : undefined);
  return met ? `${sayTime(met.at, zone, nowMs)}: ${sayFailure(met, show)}` : null;
}

const sayTooSoon = ({ until }: NonNullable<CoatCheck['tooSoon']>, zone: string, now: number): string =>
  until
    ? t`the film below was not ready before ${sayTime(until, zone, now)}`
    : t`the film below was not ready`;

/** What speaks first against the coat on one of the other areas it was applied on in the same go. */
export function againstOthers(
  others: readonly AlikeArea[],
  checks: readonly (CoatCheck | undefined)[],
  { zone, now, show }: { zone: string; now: number; show: Show },
): string | null {
  for (const [i, { areaName }] of others.entries()) {
    const check = checks[i];
    const [met] = check?.air?.failures ?? [];
    if (check?.tooSoon) return `${areaName}, ${sayTooSoon(check.tooSoon, zone, now)}`;
    if (met) return `${areaName}, ${sayTime(met.at, zone, now)}: ${sayFailure(met, show)}`;
  }
  return null;
}
