import { describe, expect, it } from 'vitest';
import {
  airAbout,
  DEFAULT_LIMITS,
  judgeHours,
  movedTo,
  type SurfaceBody,
  surfaceSeries,
  surroundingsAt,
} from './index.ts';

const HOUR = 3_600_000;
const START = Date.parse('2026-01-15T00:00:00Z');
const SITE = { latitude: 50.5, longitude: -3.5 };
const SKIN: SurfaceBody = {
  tiltDeg: 150,
  headingDeg: 180,
  absorptance: 0,
  emissivity: 0.9,
  heatCapacityJPerM2K: 10_000,
  insideWPerM2K: 3,
};
const CASTING = { ...SKIN, heatCapacityJPerM2K: 300_000, insideWPerM2K: 0 };
const hours = Array.from({ length: 72 }, (_, h) => ({
  at: START + h * HOUR,
  airC: 5,
  rh: 0.7,
  cloudTenths: 10,
}));
const heated = { kind: 'heated', setPointC: 20 } as const;
const LEAVES = START + 24 * HOUR;
const left = { surroundings: { kind: 'shed' }, before: [{ surroundings: heated, untilMs: LEAVES }] } as const;
const over = (surface: SurfaceBody, standing: object) =>
  surfaceSeries({ hours, surface, site: SITE, ...standing });

describe('a surface that stood elsewhere before', () => {
  it('has the temperatures of each shelter while it stood there', () => {
    const [warm, cold, both] = [over(SKIN, { surroundings: heated }), over(SKIN, { surroundings: left.surroundings }), over(SKIN, left)]; // biome-ignore format: one line
    expect(both.slice(0, 24)).toEqual(warm.slice(0, 24));
    // A light skin has come to rest within the night.
    expect(both[40]?.surfaceC).toBeCloseTo(cold[40]?.surfaceC as number, 3);
    expect(surroundingsAt(left, LEAVES - 1)).toEqual(heated);
    expect(surroundingsAt(left, LEAVES).kind).toBe('shed');
  });

  it('takes its heat along: a casting cools as Newton’s law of cooling has it', () => {
    const both = over(CASTING, left).map(({ surfaceC }) => surfaceC);
    const rest = over(CASTING, { surroundings: left.surroundings }).at(-1)?.surfaceC as number;
    // Still air under cover (handbook part 17: 2.8 + 3·0.3 W/m²K), and radiation straightened about the mean temperature.
    const exchange = 2.8 + 3 * 0.3 + 4 * 0.9 * 5.670374e-8 * (273.15 + 12) ** 3;
    for (const h of [3, 6, 12]) {
      const kept = Math.exp((-h * 3600 * exchange) / CASTING.heatCapacityJPerM2K);
      expect((both[24 + h] as number) - rest).toBeCloseTo(kept * ((both[24] as number) - rest), 0);
    }
  });

  it('moved once more has stood where it stood until then, in order', () => {
    const open = { kind: 'open' } as const;
    const again = movedTo(left, open, LEAVES + HOUR);
    expect([LEAVES - 1, LEAVES, LEAVES + HOUR].map((at) => surroundingsAt(again, at).kind)).toEqual([
      'heated',
      'shed',
      'open',
    ]);
    // A move back to before the last one leaves nothing of the shed.
    expect(movedTo(left, open, LEAVES).before).toEqual([{ surroundings: heated, untilMs: LEAVES }]);
    expect(() => movedTo(left, open, Number.NaN)).toThrow(/Moment of a move/);
  });

  it('refuses earlier shelters out of their order', () => {
    const before = [LEAVES, LEAVES].map((untilMs) => ({ surroundings: heated, untilMs }));
    expect(() => over(SKIN, { before })).toThrow(/End of earlier shelter 2 must be later than/);
  });
});

describe('the air about it', () => {
  const rained = hours.map((hour, h) => ({ ...hour, rainMm: h < 24 ? 3 : 0, windMs: 8 }));
  const open = { kind: 'open' } as const;

  it('rain that fell on it in the open is still on it in the shed it was just brought into', () => {
    const limits = DEFAULT_LIMITS;
    const surface = hours.map(({ at }) => ({ at, surfaceC: 12, lowC: 12, highC: 12 }));
    const shed = { kind: 'shed' } as const;
    const judge = (before?: { surroundings: typeof open; untilMs: number }[]) =>
      judgeHours({ hours: rained, surface, limits, surroundings: shed, ...(before && { before }) });
    const wet = (judged: ReturnType<typeof judge>) =>
      judged.filter(({ reasons }) => reasons.some(({ code }) => code === 'wet-surface')).map(({ at }) => at);
    expect(wet(judge())).toEqual([]);
    expect(wet(judge([{ surroundings: open, untilMs: LEAVES }]))).toContain(LEAVES);
  });

  it('is rainy and windy only in the hours in the open', () => {
    const { about, underCover } = airAbout(rained, {
      surroundings: open,
      before: [{ surroundings: { kind: 'tent' }, untilMs: START + 12 * HOUR }],
    });
    expect(underCover).toBe(false);
    expect(about.map(({ rainMm }) => rainMm)).toEqual(hours.map((_, h) => (h >= 12 && h < 24 ? 3 : 0)));
    expect(about[11]?.windMs).toBeLessThan(1);
    expect(about[12]?.windMs).toBe(8);
  });
});
