import {
  delayedWindows,
  type Film,
  filmEvents,
  HOUR_MS,
  type Next,
  sandedWindows,
  type TempSeries,
  windowsFor,
} from '../cure/index.ts';
import type { FilmOn } from './yardToPlan.ts';

const DAY_MS = 24 * HOUR_MS;

/** A film that is on already, so that its times can be worked out in other weather. */
export interface FilmGiven {
  film: Film;
  /** null: nothing follows it. */
  next: Next | null;
  /** When it was sanded for what follows; null: it was not. */
  sandedMs: number | null;
  /** A wait that is running holds back what follows; null: none is. */
  waitsUntilMs: number | null;
}

/** A film that is on, in other weather. */
export function filmIn(
  { film, next, sandedMs, waitsUntilMs }: FilmGiven,
  as: FilmOn,
  temps: TempSeries,
  nowMs: number,
): FilmOn {
  const events = filmEvents({ film, temps });
  const at = (event: string) => events.find((each) => each.event === event);
  const dry = at('tack-free') ?? at('dew-safe');
  const endMs = temps.startMs + (temps.valuesC.length - 1) * HOUR_MS;
  const dryMs = dry ? (dry.at ?? endMs) : film.laidToMs + DAY_MS;
  const walk = at('walk');
  const walkMs = walk?.at ?? endMs;
  const timed = {
    appliedInMs: as.appliedInMs,
    sandableMs: at('sandable')?.at ?? null,
    wetUntilMs: dryMs > nowMs ? dryMs : null,
    softUntilMs: walk && walkMs > nowMs ? walkMs : null,
  };
  if (!next) return { ...timed, segments: as.segments };
  const asApplied = windowsFor({ film, next, temps, now: nowMs });
  const sanded = sandedMs === null ? asApplied : sandedWindows(asApplied, sandedMs, nowMs);
  const { segments } = waitsUntilMs === null ? sanded : delayedWindows(sanded, waitsUntilMs, nowMs);
  return { ...timed, segments };
}
