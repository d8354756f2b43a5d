import { nightsBetween, type Site } from '../../../core/air/index.ts';
import type { Span } from './span.ts';

const DAY = 24 * 3_600_000;
/** Beyond this nights are too narrow to be seen. */
const NIGHTS_UP_TO_MS = 30 * DAY;

let kept: { key: string; nights: readonly Span[] } | null = null;

/** The nights that a strip shades; found for a month or two at once, since a strip is moved a little at a time. */
export function nightsShown({ from, to }: Span, { latitude, longitude }: Site): readonly Span[] {
  if (to - from > NIGHTS_UP_TO_MS) return [];
  const first = Math.floor(from / NIGHTS_UP_TO_MS) * NIGHTS_UP_TO_MS;
  const key = `${first} ${latitude} ${longitude}`;
  if (kept?.key !== key) {
    const nights = nightsBetween(first, first + 2 * NIGHTS_UP_TO_MS, { latitude, longitude });
    kept = { key, nights: nights.map(({ fromMs, toMs }) => ({ from: fromMs, to: toMs })) };
  }
  return kept.nights.filter((night) => night.to > from && night.from < to);
}

let drawn: { span: Span; site: Site; path: string } | null = null;

/** Those nights as one path over lanes 1000 wide and at most 400 high: the same for every lane of a frame. */
export function nightsPath(span: Span, site: Site): string {
  if (drawn?.span === span && drawn.site === site) return drawn.path;
  const x = (ms: number) =>
    ((Math.min(Math.max(ms, span.from), span.to) - span.from) / (span.to - span.from)) * 1000;
  const path = nightsShown(span, site)
    .map(
      (night) => `M${x(night.from).toFixed(1)} 0H${x(night.to).toFixed(1)}V400H${x(night.from).toFixed(1)}Z`,
    )
    .join('');
  drawn = { span, site, path };
  return path;
}
