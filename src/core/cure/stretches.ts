import { moment } from '../units/index.ts';
import type { ClockStep } from './eventTime.ts';

/** What the clock did between two boundaries, e.g. in one day. */
export interface Stretch {
  fromMs: number;
  toMs: number;
  /** Mean film temperature over the stretch, °C, weighted by time. */
  meanC: number;
  /** Share of the event done in it. */
  share: number;
  /** Time the clock stood, too cold to cure, ms. */
  stoodMs: number;
  /** False where part of it lies beyond what is measured or forecast. */
  known: boolean;
}

/**
 * The steps of a clock gathered between boundaries: the figures of “How this was worked out”, a line a day.
 * A step that crosses a boundary is counted where it begins; steps are an hour or less where there is weather data.
 */
export function clockStretches(input: {
  steps: readonly ClockStep[];
  boundariesMs: readonly number[];
}): Stretch[] {
  input.boundariesMs.forEach((ms, i) => {
    moment(`boundary ${i + 1}`, ms);
  });
  const stretches: (Stretch & { weightMs: number })[] = [];
  let boundary = -1;
  for (const step of input.steps) {
    const at = input.boundariesMs.findLastIndex((ms) => ms <= step.fromMs);
    const ms = step.toMs - step.fromMs;
    const last = stretches.at(-1);
    if (last && at === boundary) {
      last.meanC = (last.meanC * last.weightMs + step.tempC * ms) / (last.weightMs + ms || 1);
      last.weightMs += ms;
      last.toMs = step.toMs;
      last.share += step.share;
      last.stoodMs += Number.isFinite(step.minutesAtTemp) ? 0 : ms;
      last.known &&= step.known;
    } else {
      stretches.push({
        fromMs: step.fromMs,
        toMs: step.toMs,
        meanC: step.tempC,
        share: step.share,
        stoodMs: Number.isFinite(step.minutesAtTemp) ? 0 : ms,
        known: step.known,
        weightMs: ms,
      });
      boundary = at;
    }
  }
  return stretches.map(({ weightMs: _, ...stretch }) => stretch);
}
