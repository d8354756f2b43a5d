import { SHEETS } from '../demo/sheets.ts';
import { bestStarts, DEFAULT_LIMITS, surfaceSeries } from '../src/core/air/index.ts';
import {
  eventTime,
  type Film,
  filmEvents,
  HOUR_MS,
  type TempSeries,
  windowsFor,
} from '../src/core/cure/index.ts';
import type { ProductSheet } from '../src/core/system/index.ts';
import { median, say } from './say.ts';

export function windowsOfASeason(): void {
  const valuesC = Array.from(
    { length: 90 * 24 },
    (_, h) => 12 + 6 * Math.sin((h * Math.PI) / 12) + 3 * Math.sin(h / 70),
  );
  const sheets = Object.values(SHEETS);
  const once = (withEvents: boolean, areas = 60) => {
    // Made anew each time, so that nothing is left over from the run before: four kinds of surroundings.
    const series = [0, 1, 2, 3].map((warmer) => ({ startMs: 0, valuesC: valuesC.map((t) => t + warmer) }));
    for (let a = 0; a < areas; a++) {
      for (let c = 0; c < 8; c++) {
        const laidFromMs = (c * 10 * 24 + a) * HOUR_MS;
        const temps = series[a % 4] as TempSeries;
        const { cure } = sheets[(a + c) % sheets.length] as ProductSheet;
        const film: Film = { laidFromMs, laidToMs: laidFromMs + 2 * HOUR_MS, sheet: cure };
        windowsFor({
          film,
          next: { kind: 'coat', family: 'epoxy-barrier', same: true },
          temps,
          now: laidFromMs,
        });
        if (withEvents) filmEvents({ film, temps });
      }
    }
  };
  const timed = (withEvents: boolean, areas = 60) =>
    median(
      Array.from({ length: 15 }, () => {
        const from = performance.now();
        once(withEvents, areas);
        return performance.now() - from;
      }),
    );
  say('windows of 60 areas × 8 coats over 90 days of hours', `${timed(false).toFixed(1)} ms`, '50 ms');
  const [one, four, sixteen] = [15, 60, 240].map((areas) => timed(false, areas)) as [number, number, number];
  say(
    '  growth: areas ×1, ×4, ×16',
    `×1, ×${(four / one).toFixed(1)}, ×${(sixteen / one).toFixed(1)}`,
    'linear',
  );
  say('  the same with every other event of each film', `${timed(true).toFixed(1)} ms`, 'none set');
}

/** Starts over ten days for sixty areas, each with air, film and sheet of its own. */
export function startsOfTenDays(): void {
  const once = () => {
    for (let a = 0; a < 60; a++) {
      const hours = Array.from({ length: 11 * 24 }, (_, h) => ({
        at: h * HOUR_MS,
        airC: 12 + 6 * Math.sin((h * Math.PI) / 12) + a / 60,
        rh: 0.75 + 0.15 * Math.cos((h * Math.PI) / 12),
        rainMm: h % 57 === 0 ? 1 : 0,
      }));
      const surface = hours.map(({ at, airC }) => ({
        at,
        surfaceC: airC - 1,
        lowC: airC - 1,
        highC: airC - 1,
      }));
      const temps: TempSeries = { startMs: 0, valuesC: hours.map(({ airC }) => airC) };
      const points = [
        { tempC: 10, minutes: 480 },
        { tempC: 20, minutes: 240 },
      ];
      bestStarts({
        hours,
        surface,
        limits: DEFAULT_LIMITS,
        underCover: false,
        applyMs: 2 * HOUR_MS,
        safeAfter: (endMs) => eventTime({ curve: { points, stopC: 5 }, temps, laidAt: endMs }).at,
        fromMs: 0,
        toMs: 240 * HOUR_MS,
      });
    }
  };
  const times = Array.from({ length: 9 }, () => {
    const from = performance.now();
    once();
    return performance.now() - from;
  });
  say('best starts of 60 areas over 10 days', `${median(times).toFixed(0)} ms`, '200 ms');
}

/** The surfaces of sixty areas, each facing another way, over ninety days of hours whose cloud is known. */
export function surfacesOfASeason(): void {
  const once = () => {
    const hours = Array.from({ length: 90 * 24 }, (_, h) => ({
      at: Date.UTC(2026, 2, 1) + h * HOUR_MS,
      airC: 12 + 6 * Math.sin((h * Math.PI) / 12),
      rh: 0.75,
      windMs: 2,
      cloudTenths: h % 11,
    }));
    for (let area = 0; area < 60; area++) {
      const surface = {
        tiltDeg: 90,
        headingDeg: area * 6,
        absorptance: 0.65,
        emissivity: 0.9,
        heatCapacityJPerM2K: 10_000,
        insideWPerM2K: 5,
      };
      surfaceSeries({ hours, surface, site: { latitude: 50, longitude: -4 } });
    }
  };
  const times = Array.from({ length: 7 }, () => {
    const from = performance.now();
    once();
    return performance.now() - from;
  });
  say('surfaces of 60 areas over 90 days', `${median(times).toFixed(0)} ms`, '100 ms');
}
