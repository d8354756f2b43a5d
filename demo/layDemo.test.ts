import { expect, it } from 'vitest';
import type { SlipView } from '../src/contract/index.ts';
import { productSheet, strict } from '../src/contract/index.ts';
import { FAMILIES } from '../src/core/system/index.ts';
import { readDump } from '../src/server/db/open.ts';
import { start } from '../src/server/start.ts';
import { dumpFile } from '../test/migratedDump.ts';
import { layDemo } from './layDemo.ts';
import { SHEETS } from './sheets.ts';

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
