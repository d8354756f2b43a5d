import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import type { BoardView, StackView } from '../src/contract/index.ts';
import { productSheet, strict } from '../src/contract/index.ts';
import { HOUR_MS, spliceHours } from '../src/core/cure/index.ts';
import { areaFromMeasures } from '../src/core/hull/index.ts';
import { checkStack, FAMILIES, layerOfStep, type ProductSheet } from '../src/core/system/index.ts';
import { standInWeather } from '../src/server/standins/weather.ts';
import { start } from '../src/server/start.ts';
import { emptyYard } from '../test/emptyYard.ts';
import { coatEnds, coatMs } from './coatTimes.ts';
import { filmOfArea } from './filmOf.ts';
import { layDemo } from './layDemo.ts';
import { SHEETS } from './sheets.ts';
import { DEMO_BOATS, DEMO_YARD } from './yardPlan.ts';

it.each(['2026-01-15T03:20:00Z', '2026-06-21T10:05:00Z', '2027-10-31T17:40:00Z'])(
  'laid at %s the demo shows windows of every state, a live pot and a bare area',
  async (iso) => {
    const now = Date.parse(iso);
    const { opened, giveBack } = await emptyYard();
    const server = await start({
      folder: null,
      port: 0,
      webFolder: '/nowhere',
      quiet: true,
      now: () => now,
      opened,
      prepare: (db) => layDemo(db, { folder: null, now }),
    });
    try {
      const board = (await (await fetch(`${server.address}/api/v1/board`)).json()) as BoardView;
      const states = new Set(board.clocks.map((c) => c.state));
      expect([...states].sort()).toEqual([
        'bare',
        'closed',
        'hidden',
        'key-first',
        'open',
        'thumb',
        'too-soon',
      ]);
      expect(board.boats.length).toBeGreaterThanOrEqual(3);
      // Nobody in the demo applies paint too soon, or on a film whose window has gone.
      for (const { id } of board.boats) {
        const of = `${server.address}/api/v1/boats/${id}/stacks`;
        const bonds = ((await (await fetch(of)).json()) as StackView[]).flatMap((stack) =>
          Object.values(stack.bonds).flat(),
        );
        expect(bonds.filter((bond) => bond?.fault)).toEqual([]);
      }
      expect(board.air?.simulated).toBe(true);
    } finally {
      await server.stop();
      giveBack();
    }
  },
);

it('every demo sheet is one the border would take', () => {
  expect(Object.keys(SHEETS).length).toBeGreaterThanOrEqual(12);
  for (const [name, sheet] of Object.entries(SHEETS)) {
    expect(productSheet.validate(sheet, strict).error?.message, name).toBeUndefined();
    expect(FAMILIES[sheet.family]).toBeDefined();
  }
});

describe('the demo is a yard one would work in', () => {
  it('no stack of it breaks a rule, and work is planned where the trade asks for it', () => {
    const stacks = DEMO_BOATS.flatMap(({ areas }) => areas);
    for (const { name, substrate, service, steps } of stacks) {
      const layers = steps.map(({ product, coats, micronsPerCoat, method }) =>
        layerOfStep(
          { coats, dryMicronsPerCoat: micronsPerCoat, thinner: 0, method },
          SHEETS[product] as (typeof SHEETS)[string],
        ),
      );
      const { verdict, layers: judged } = checkStack(layers, {
        substrate,
        oldCoating: null,
        service,
        coldestC: null,
      });
      const refusals = judged.flatMap(({ judgements }) => judgements.filter((each) => each.verdict === 'no'));
      expect([name, verdict === 'no' ? refusals : []]).toEqual([name, []]);
    }
    expect(
      stacks.some(({ steps }) => steps.some(({ before }) => before?.some(({ kind }) => kind === 'wait'))),
    ).toBe(true);
  });
  it('every colour and method of its steps is one the sheet knows', () => {
    for (const { areas } of DEMO_BOATS)
      for (const { steps } of areas)
        for (const { product, colours, method } of steps) {
          const sheet = SHEETS[product] as (typeof SHEETS)[string];
          expect([
            product,
            colours.filter((name) => !sheet.colours.some((colour) => colour.name === name)),
          ]).toEqual([product, []]);
          expect([product, sheet.methods.includes(method)]).toEqual([product, true]);
        }
  });
});

describe('whatever day it is opened on', () => {
  const DAY_MS = 24 * HOUR_MS;
  // Every 33 days and five hours through two years: all seasons, all hours.
  const moments = Array.from(
    { length: 22 },
    (_, i) => Date.parse('2026-01-01T00:20:00Z') + i * (33 * DAY_MS + 5 * HOUR_MS),
  );
  it('every coat below the last ends in hours of work, and before the next begins', () => {
    for (const now of moments) {
      const span = { from: now - 30 * DAY_MS, to: now + 12 * DAY_MS };
      const air = standInWeather({ seed: 41, ...span, utcOffsetHours: 0 });
      const forecast = air.map(({ at, airC, rh, cloudTenths, windMs }) => ({
        at,
        airC,
        rh,
        cloudTenths: cloudTenths ?? undefined,
        windMs: windMs ?? undefined,
      }));
      const weather = { hours: spliceHours({ measured: forecast, forecast, now }), site: DEMO_YARD };
      for (const { plan, boat } of DEMO_BOATS.flatMap((each) =>
        each.areas.map((plan) => ({ plan, boat: each })),
      )) {
        const sheets = plan.steps.flatMap(({ product, coats }) =>
          Array.from({ length: coats }, () => ({
            productId: product,
            sheet: SHEETS[product] as ProductSheet,
          })),
        );
        const durationMs = coatMs(areaFromMeasures({ measures: plan.measures }).areaM2);
        const temps = filmOfArea(weather, plan, boat);
        const ends = coatEnds({ plan, sheets, durationMs, temps, now });
        expect([plan.name, ends.length]).toEqual([plan.name, plan.applied]);
        for (const [no, end] of ends.slice(0, -1).entries()) {
          const { hour } = DateTime.fromMillis(end, { zone: DEMO_YARD.zone });
          expect([plan.name, hour >= 8 && hour < 19]).toEqual([plan.name, true]);
          expect(end).toBeLessThan((ends[no + 1] as number) - durationMs);
        }
        // The weather data reaches thirty days back: an older coat would have no air of its own.
        expect(now - (ends[0] ?? now)).toBeLessThan(30 * DAY_MS);
      }
    }
  });
});
