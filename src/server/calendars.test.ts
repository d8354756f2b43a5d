import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { aCoat, aLot, aPlannedArea, HOUR, NOON, weatherCsv } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type { BenchView, BoardView, ClockDetail, LookAheadView, TodayView } from '../contract/index.ts';

let now = NOON;
let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
beforeEach(async () => {
  now = NOON;
  server = await yardServer(() => now);
  planned = await aPlannedArea(server);
  await server.ask('POST', '/weather', {
    csv: weatherCsv(NOON - 48 * HOUR, 24 * 9, () => 15),
    mode: 'import',
  });
});
afterEach(() => server.stop());

const fetched = async (path: string) => {
  const answer = await fetch(server.address + path);
  return { status: answer.status, type: answer.headers.get('content-type'), text: await answer.text() };
};
/** Lines of a calendar, unfolded (RFC 5545, 3.1). */
const linesOf = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n');

describe('a boat’s windows in a calendar', () => {
  it('"may" when the window opens, "must" with an alarm before it closes, under an address that can be taken back', async () => {
    await server.ask('POST', '/log', aCoat(planned, NOON));
    const make = () => server.ask<{ path: string }>('POST', `/boats/${planned.boat.id}/calendar`);
    const { body, status } = await make();
    expect(status).toBe(201);
    const { text, type } = await fetched(body.path);
    expect(type).toContain('text/calendar');
    const lines = linesOf(text);
    const { body: detail } = await server.ask<ClockDetail>('GET', `/areas/${planned.area.id}/clock`);
    const stamp = (iso: string) => iso.replace(/[-:]|\.\d+/g, '');
    const open = detail.clock.segments.find(({ state }) => state === 'open');
    // To the second: a calendar knows no finer moment, and never calls an opening before it comes.
    expect(lines.filter((line) => line.startsWith('DTSTART')).map((line) => line.split(':')[1])).toEqual([
      stamp(open?.from ?? ''),
      stamp(open?.to ?? ''),
    ]);
    const titles = lines.filter((line) => line.startsWith('SUMMARY'));
    expect(titles[0]).toMatch(/^SUMMARY:May: /);
    expect(titles[1]).toMatch(/^SUMMARY:Must: .*before it closes/);
    expect(lines.filter((line) => line.startsWith('TRIGGER'))).toEqual([expect.any(String), 'TRIGGER:-PT3H']);
    // A new address takes the place of the old one; taken back, none holds.
    const { body: second } = await make();
    expect((await fetched(body.path)).status).toBe(404);
    expect((await fetched(second.path)).status).toBe(200);
    await server.ask('DELETE', `/boats/${planned.boat.id}/calendar`);
    expect((await fetched(second.path)).status).toBe(404);
    expect((await server.ask('GET', `/boats/${planned.boat.id}/calendar`)).body).toEqual({ given: false });
  });

  it('with nothing to come it is an empty calendar, not a fault', async () => {
    const { body } = await server.ask<{ path: string }>('POST', `/boats/${planned.boat.id}/calendar`);
    expect(linesOf((await fetched(body.path)).text).slice(0, 2)).toEqual(['BEGIN:VCALENDAR', 'VERSION:2.0']);
  });
});

describe('what could go on today', () => {
  it('is each due coat with the starts that pass, in an order that fits; at night none', async () => {
    const other = await aPlannedArea(server, { coats: 1 });
    now = NOON - 3 * HOUR;
    const { body } = await server.ask<TodayView>('GET', '/today');
    const names = [planned, other].map(({ area }) => area.id).sort();
    expect(body.coats.map(({ areaId }) => areaId).sort()).toEqual(names);
    const placed = body.coats.flatMap((coat) => (coat.placed ? [coat.placed] : []));
    for (const [i, { start, end }] of placed.entries()) {
      expect(Date.parse(start)).toBeGreaterThanOrEqual(Date.parse(placed[i - 1]?.end ?? start));
      expect(Date.parse(end)).toBeGreaterThan(Date.parse(start));
    }
    for (const { starts, placed: at } of body.coats)
      if (at) expect(starts.some(({ from, to }) => at.start >= from && at.start <= to)).toBe(true);
    // What the bench would say is to be done first is said here too.
    const item = {
      id: uuidv7(),
      boatId: other.boat.id,
      areaId: null,
      kind: 'transducer',
      name: 'Log',
      note: '',
    };
    expect((await server.ask('POST', '/bare-items', item)).status).toBe(201);
    const later = (await server.ask<TodayView>('GET', '/today')).body.coats;
    const bench = await server.ask<BenchView>('GET', `/bench/${other.area.id}`);
    const { untaped, paintEnds } = later.find(({ areaId }) => areaId === other.area.id) ?? {};
    expect([untaped, paintEnds]).toEqual([1, false]);
    expect(bench.body.bare.map(({ kind }) => kind)).toEqual(['edge', 'transducer']);
    // Taped a moment later, it is so on the list at once.
    const taped = { id: uuidv7(), areaId: other.area.id, at: new Date(now).toISOString(), corrects: null, kind: 'tape', body: { itemId: item.id, name: item.name, on: true, stepId: other.step.id, coatNo: 0 } }; // biome-ignore format: one line
    expect((await server.ask('POST', '/log', taped)).status).toBe(201);
    const again = (await server.ask<TodayView>('GET', '/today')).body.coats;
    expect(again.find(({ areaId }) => areaId === other.area.id)?.untaped).toBe(0);
    // A sheet whose parts no longer fit the own ratio of one coat takes no other coat off the list.
    const receipt = { id: uuidv7(), at: new Date(now).toISOString(), purchaseId: null, lots: [aLot(other.product.id, 'base', { amount: 2 })] }; // biome-ignore format: one line
    expect((await server.ask('POST', '/receipts', receipt)).status).toBe(201);
    const parts = [...other.product.sheet.parts, { name: 'reducer', ratio: 1, densityKgPerL: 0.9 }];
    const ownRatio = { parts: [6, 5], reason: 'a little rich' };
    const put = (path: string, body: object) => server.ask('PUT', path, body);
    const stack = { version: 2, steps: [{ ...other.step, ownRatio }] };
    expect((await put(`/areas/${other.area.id}/stack`, stack)).status).toBe(200);
    const { id } = other.product;
    const sheet = { ...other.product.sheet, parts };
    expect((await put(`/products/${id}`, { ...other.product, version: 1, sheet })).status).toBe(200);
    const after = await Promise.all(
      ['/today', `/bench/${other.area.id}`].map((path) => server.ask('GET', path)),
    );
    expect(after.map(({ status }) => status)).toEqual([200, 200]);
    const { body: board } = await server.ask<BoardView>('GET', '/board');
    expect(board.clocks.length).toBe(2);
  });
});

describe('what is asked of the days ahead at the bench', () => {
  const ahead = async (query: string) =>
    (await server.ask<LookAheadView>('GET', `/bench/${planned.area.id}/ahead?${query}`)).body;
  it('the next coat fits after each start that is named, and a launch too soon has none', async () => {
    now = NOON - 4 * HOUR;
    const view = await ahead('safeHours=4');
    expect(view.launch).toBeNull();
    expect(view.second?.length).toBeGreaterThan(0);
    const bench = (await server.ask<BenchView>('GET', `/bench/${planned.area.id}?safeHours=4`)).body;
    // Starts that leave room for a second coat are starts of the first.
    for (const { from, to } of view.second ?? [])
      expect(bench.outlook?.starts.some((each) => each.from <= from && each.to >= to)).toBe(true);
    const soon = await ahead(
      `safeHours=4&launchAt=${encodeURIComponent(new Date(now + 2 * HOUR).toISOString())}`,
    );
    expect(soon.launch).toMatchObject({ startBy: null, coatsLeft: 3 });
    const far = await ahead('safeHours=4&launchAt=2199-01-01T00:00:00.000Z');
    expect(far.launch?.at).toBe('2199-01-01T00:00:00.000Z');
    expect((await server.ask('GET', `/bench/${planned.area.id}/ahead?launchAt=tomorrow`)).status).toBe(422);
  });
});
