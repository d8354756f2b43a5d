import { describe, expect, it } from 'vitest';
import { type CoatLeft, coatsByLaunch, HOUR_MS, type TempSeries } from './index.ts';

const at = (hour: number) => hour * HOUR_MS;
/** Every hour at 20 °C, where each table has its point: times are read off the sheet. */
const temps: TempSeries = { startMs: 0, valuesC: Array<number>(24 * 14).fill(20) };
const points = (hours: number) => [{ tempC: 20, minutes: hours * 60 }];
const sheet = {
  stopC: 5,
  events: { immersion: points(24) },
  overcoat: [{ by: 'any', min: points(6), chemicalMax: points(48), keyGrit: 120 }],
} as unknown as CoatLeft['sheet'];
const always = [{ fromMs: at(8), toMs: at(24 * 10) }];
const coat = (over: Partial<CoatLeft> = {}): CoatLeft => ({
  starts: always,
  applyMs: 2 * HOUR_MS,
  sheet,
  next: { kind: 'coat', family: 'epoxy-barrier', same: true } as unknown as CoatLeft['next'],
  ...over,
});
const two = [coat(), coat({ next: null })];
const asked = { coats: two, temps, ready: 'immersion' as const, launchMs: at(24 + 20) };

describe('whether the coats left are ready for a launch', () => {
  it('each begun as soon as the film below takes it, the last one ready for the water by its sheet', () => {
    // 8–10, 16–18, then 24 h: 18:00 the next day; two hours to spare are two hours of the first start.
    const found = coatsByLaunch(asked);
    expect(found.readyMs).toBe(at(24 + 18));
    expect((found.lastStartMs as number) / HOUR_MS).toBeCloseTo(10, 0);
    expect(found.lastStartMs).toBeLessThanOrEqual(at(10));
  });
  it('a launch too soon has no start, and says by how much it is missed', () => {
    expect(coatsByLaunch({ ...asked, launchMs: at(24 + 13) })).toEqual({
      readyMs: at(24 + 18),
      lastStartMs: null,
      stated: true,
    });
  });
  it('only mornings pass by the air: the second waits for the next one', () => {
    const mornings = [0, 1, 2, 3].map((day) => ({ fromMs: at(24 * day + 8), toMs: at(24 * day + 12) }));
    const coats = two.map((each) => ({ ...each, starts: mornings }));
    expect(coatsByLaunch({ ...asked, coats }).readyMs).toBe(at(24 + 10 + 24));
  });
  it('what is coated over needs no time of immersion; the outermost film does', () => {
    const silent = { ...sheet, events: {} };
    expect(coatsByLaunch({ ...asked, coats: [coat({ sheet: silent }), coat({ next: null })] }).stated).toBe(
      true,
    );
    expect(coatsByLaunch({ ...asked, coats: [coat(), coat({ sheet: silent, next: null })] })).toEqual({
      readyMs: null,
      lastStartMs: null,
      stated: false,
    });
  });
  it('a window that no sheet states is not known, however long the launch is off; one coat may stand for several', () => {
    const silent = { ...sheet, overcoat: [] };
    expect(coatsByLaunch({ ...asked, coats: [coat({ sheet: silent }), coat({ next: null })] })).toEqual({
      readyMs: null,
      lastStartMs: null,
      stated: false,
    });
    const same = coat();
    // 8–10, 16–18, 24–26, then 24 h.
    expect(coatsByLaunch({ ...asked, coats: [same, same, same] }).readyMs).toBe(at(26 + 24));
  });
  it('no start within what is known is not known, not ready', () => {
    const coats = [coat(), coat({ next: null, starts: [] })];
    expect(coatsByLaunch({ ...asked, coats })).toMatchObject({ readyMs: null, lastStartMs: null });
    expect(() => coatsByLaunch({ ...asked, coats: [] })).toThrow('Coats left must be 1 or more, but is 0');
  });
});
