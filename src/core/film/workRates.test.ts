import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyHours, hoursAt, learnWorkRates, METHODS, TYPICAL_RATE_M2_PER_H, workRates } from './index.ts';

const rolled = (hours: number, areaM2 = 12) => ({ method: 'roller' as const, areaM2, hours });
const rateOf = (coats: Parameters<typeof learnWorkRates>[0], method = 'roller') =>
  learnWorkRates(coats).find((each) => each.method === method);

describe('rates of work', () => {
  it('are typical until three coats say otherwise, and drawn to the typical rate while they are few', () => {
    expect(rateOf([rolled(2), rolled(2)])).toEqual({ method: 'roller', m2PerH: 12, coats: 0 });
    // By hand: 12 × exp(3/4 × ln(6/12)) = 7.135.
    expect(rateOf([rolled(2), rolled(2), rolled(2)])?.m2PerH).toBeCloseTo(7.135, 3);
    // One method says nothing of another.
    expect(rateOf([rolled(2), rolled(2), rolled(2)], 'brush')).toEqual({
      method: 'brush',
      m2PerH: 4,
      coats: 0,
    });
  });

  it('leave out patches, a coat noted in a minute and one whose end was noted a day later', () => {
    const usual = [rolled(1), rolled(1.1), rolled(0.9), rolled(1)];
    const plain = rateOf(usual)?.m2PerH;
    expect(rateOf([...usual, rolled(0.05, 0.5), rolled(0.02), rolled(15)])).toMatchObject({
      m2PerH: plain,
      coats: 4,
    });
  });

  it('lie between the typical rate and the coats, and come to the coats as they grow in number', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METHODS),
        fc.double({ min: 0.4, max: 2.5, noNaN: true }),
        fc.integer({ min: 3, max: 60 }),
        (method, times, count) => {
          const typical = TYPICAL_RATE_M2_PER_H[method];
          const coats = Array.from({ length: count }, () => ({
            method,
            areaM2: 3 * typical * times,
            hours: 3,
          }));
          const found = rateOf(coats, method)?.m2PerH ?? Number.NaN;
          const [low, high] = [Math.min(typical, typical * times), Math.max(typical, typical * times)];
          expect(found).toBeGreaterThanOrEqual(low * (1 - 1e-9));
          expect(found).toBeLessThanOrEqual(high * (1 + 1e-9));
          if (count >= 40) expect(Math.abs(Math.log(found / (typical * times)))).toBeLessThan(0.025);
        },
      ),
    );
  });

  it('give hours: 24 m² at 12 m²/h take 2 h, at the yard’s 8 m²/h 3 h; a patch takes six minutes at least', () => {
    expect(applyHours(24, 'roller')).toBe(2);
    expect(hoursAt(24, workRates({ roller: 8 }).roller)).toBe(3);
    expect(workRates({ roller: 8 }).brush).toBe(4);
    expect(hoursAt(0.1, 12)).toBe(0.1);
    expect(() => hoursAt(24, 0)).toThrow('Work rate (m²/h) must be above 0');
    expect(() => learnWorkRates([rolled(Number.NaN)])).toThrow('Hours of a coat');
  });
});
