import { describe, expect, it } from 'vitest';
import type { SlipView } from '../src/contract/index.ts';
import { productSheet, strict } from '../src/contract/index.ts';
import { checkStack, FAMILIES, layerOfStep } from '../src/core/system/index.ts';
import { readDump } from '../src/server/db/open.ts';
import { start } from '../src/server/start.ts';
import { dumpFile } from '../test/migratedDump.ts';
import { layDemo } from './layDemo.ts';
import { SHEETS } from './sheets.ts';
import { DEMO_BOATS } from './yardPlan.ts';

it.each(['2026-01-15T03:20:00Z', '2026-06-21T10:05:00Z', '2027-10-31T17:40:00Z'])(
  'laid at %s the demo shows windows of every state, a live pot and a bare area',
  async (iso) => {
    const now = Date.parse(iso);
    const server = await start({
      folder: null,
      port: 0,
      webFolder: '/nowhere',
      quiet: true,
      now: () => now,
      dump: await readDump(dumpFile()),
      prepare: (db) => layDemo(db, { folder: null, now }),
    });
    try {
      const slip = (await (await fetch(`${server.address}/api/v1/slip`)).json()) as SlipView;
      const states = new Set(slip.clocks.map((c) => c.state));
      expect([...states].sort()).toEqual([
        'bare',
        'closed',
        'hidden',
        'key-first',
        'open',
        'thumb',
        'too-soon',
      ]);
      expect(slip.boats.length).toBeGreaterThanOrEqual(3);
      expect(slip.air?.simulated).toBe(true);
    } finally {
      await server.stop();
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
      const said = judged.flatMap(({ judgements }) => judgements.filter((each) => each.verdict === 'no'));
      expect([name, verdict === 'no' ? said : []]).toEqual([name, []]);
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
