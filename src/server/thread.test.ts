import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCoat, aPlannedArea, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { BenchView, BoardView, ClockDetail, WeatherImported } from '../contract/index.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
const clock = async () => (await server.ask<ClockDetail>('GET', `/areas/${planned.area.id}/clock`)).body;
const edge = (detail: ClockDetail, name: string) => detail.clock.edges.find((e) => e.edge === name)?.at;

beforeAll(async () => {
  server = await yardServer();
  planned = await aPlannedArea(server);
});
afterAll(() => server.stop());

describe('from a bare hull to the next coat’s window', () => {
  it('a bare area offers its first coat and what it takes', async () => {
    const { body } = await server.ask<BenchView>('GET', `/bench/${planned.area.id}`);
    expect(body.clock).toMatchObject({
      state: 'bare',
      areaM2: 20,
      next: { coatNo: 0, coats: 3, colour: 'grey' },
    });
    // 20 m² × 100 µm / (1000 × 0.5 × (1 − 0.075)), handbook part 6
    expect(body.litresForCoat).toBeCloseTo(4.324, 3);
  });

  it('at a steady 20 °C the window opens exactly when the sheet says', async () => {
    await server.ask('POST', '/weather', { csv: weatherCsv(NOON - 24 * HOUR, 96, () => 20), mode: 'import' });
    expect((await server.ask('POST', '/log', aCoat(planned, NOON))).status).toBe(201);
    const detail = await clock();
    expect(detail.clock).toMatchObject({ state: 'too-soon', next: { coatNo: 1, colour: 'white' } });
    expect(edge(detail, 'overcoat-min')).toBe(new Date(NOON + 10 * HOUR).toISOString());
    // "Must" counts from the first corner, an hour before: 120 h at 20 °C.
    expect(edge(detail, 'chemical-max')).toBe(new Date(NOON + 119 * HOUR).toISOString());
  });

  it('a cold night imported moves the window later, and says by how much and why', async () => {
    // Six readings below the stop temperature, from 18:00 on: it stands for the five hours between them and for the
    // ends of the lines that lead there, and is slow on the way.
    const csv = weatherCsv(NOON + 6 * HOUR, 6, () => 3);
    const { body } = await server.ask<WeatherImported>('POST', '/weather', { csv, mode: 'import' });
    expect(body.hours).toBe(6);
    const moved = body.shifts.find((s) => s.edge === 'overcoat-min');
    expect(moved).toMatchObject({
      beforeAt: new Date(NOON + 10 * HOUR).toISOString(),
      changedHours: 7,
    });
    const laterH = (Date.parse(moved?.afterAt ?? '') - NOON) / HOUR - 10;
    expect(laterH).toBeGreaterThan(5 + (2 * 2) / 17);
    expect(laterH).toBeLessThan(7);
    // Six hours 17 K colder, and an hour in which the skin is all but back.
    expect(moved?.meanChangeC).toBeGreaterThan(-17);
    expect(moved?.meanChangeC).toBeLessThan((-17 * 6) / 7 + 0.5);
    const detail = await clock();
    expect(edge(detail, 'overcoat-min')).toBe(moved?.afterAt);
    expect(detail.shifts[0]?.cause).toBe('weather file imported (6 hours)');
    expect(detail.clock.warnings).toContain('stood-cold');
  });

  it('part of a coat leaves the rest due on the film below', async () => {
    const later = aCoat(planned, NOON, { coatNo: 1, areaM2: 8 });
    await server.ask('POST', '/log', later);
    const detail = await clock();
    expect(detail.clock.next).toMatchObject({ coatNo: 1, coveredM2: 8 });
    expect(detail.clock.film?.coatLabel).toBe('coat 1 of 3');
    await server.ask('POST', '/log', aCoat(planned, NOON + 0.5 * HOUR, { coatNo: 1, areaM2: 11.5 }));
    expect((await clock()).clock).toMatchObject({ next: { coatNo: 2 }, film: { coatLabel: 'coat 2 of 3' } });
  });

  it('a pot stands on the board until it is emptied', async () => {
    const entry = (kind: string, body: object) => ({
      id: uuidv7(),
      areaId: planned.area.id,
      at: new Date(NOON).toISOString(),
      corrects: null,
      kind,
      body,
    });
    const batch = entry('batch', {
      stepId: planned.step.id,
      coatNo: 2,
      productId: planned.product.id,
      sheetVersion: 1,
      litres: 0.6,
      pours: [
        { name: 'base', amount: 400, unit: 'ml' },
        { name: 'hardener', amount: 200, unit: 'ml' },
      ],
      tool: { kind: 'cup', stepMl: 10 },
      ratioError: 0,
      thinnerLitres: 0,
      potTempC: 20,
      inductionMin: 15,
      potLifeMin: 120,
    });
    expect((await server.ask('POST', '/log', batch)).status).toBe(201);
    const pots = async () => (await server.ask<BoardView>('GET', '/board')).body.pots;
    expect(await pots()).toMatchObject([
      {
        inductionEnds: new Date(NOON + 15 * 60_000).toISOString(),
        potEnds: new Date(NOON + 120 * 60_000).toISOString(),
        batch: { litres: 0.6 },
      },
    ]);
    await server.ask('POST', '/log', entry('batch-end', { batchId: batch.id, fate: 'emptied' }));
    expect(await pots()).toEqual([]);
  });
});
