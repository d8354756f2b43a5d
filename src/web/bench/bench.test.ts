import { describe, expect, it } from 'vitest';
import type { Area } from '../../contract/index.ts';
import { formatQuantity } from '../../core/units/index.ts';
import { counts } from '../log/coatFigures.ts';
import { sayMargin, sayReason } from '../words/airReasons.ts';
import { cautionsFor, haveReady } from './cautions.ts';
import { toolFigure, toolsIn, withFigure } from './toolChoice.ts';

describe('a reason against laying carries its figures', () => {
  const metric = (value: number, quantity: never, options?: object) =>
    formatQuantity(value, quantity, 'metric', options);
  it.each([
    [{ code: 'air-too-hot', value: 31, limit: 27 }, 'air 31.0 °C, above maximum 27.0 °C'],
    [{ code: 'too-damp', value: 0.9, limit: 0.85 }, 'RH 90 %, above maximum 85 %'],
    [{ code: 'dew-margin', value: 1.9, limit: 3 }, 'surface only 1.9 °C above the dew point, minimum 3.0 °C'],
    // Rounded to a tenth it would read "3.0, 3.0 wanted".
    [
      { code: 'dew-margin', value: 2.96, limit: 3 },
      'surface only 2.96 °C above the dew point, minimum 3.0 °C',
    ],
    [{ code: 'rain', value: 0.4, limit: 0 }, 'rain, 0.4 mm in this hour'],
    [{ code: 'surface-too-cold', value: -1, limit: 7 }, 'surface -1.0 °C, below minimum 7.0 °C'],
  ] as const)('%o', (reason, expected) => {
    expect(sayReason(reason, metric as never)).toBe(expected);
  });

  it.each([
    [{ code: 'surface-too-cold', value: 12.2, limit: 10 }, 'surface 12.2 °C, minimum 10.0 °C'],
    [{ code: 'too-damp', value: 0.84, limit: 0.85 }, 'RH 84 %, maximum 85 %'],
    [{ code: 'dew-margin', value: 3.4, limit: 3 }, 'surface 3.4 °C above the dew point, minimum 3.0 °C'],
    [{ code: 'air-too-hot', value: 26, limit: 27 }, 'air 26.0 °C, maximum 27.0 °C'],
  ] as const)('a limit that is kept is not said to be broken: %o', (nearest, expected) => {
    expect(sayMargin(nearest, metric as never)).toBe(expected);
  });
});

describe('tools at the bench', () => {
  it.each([...toolsIn('metric'), ...toolsIn('us')])(
    '$name keeps the one figure that differs from bench to bench',
    ({ tool }) => {
      expect(toolFigure(withFigure(tool, 7))).toBe(7);
      expect(withFigure(tool, toolFigure(tool))).toEqual(tool);
    },
  );
  it('US tools are marked in US units [S: NIST Handbook 44, appendix C: 29.5735 ml, 28.3495 g]', () => {
    const marks = toolsIn('us').map(({ key, tool, per }) => [key, toolFigure(tool) / per, per] as const);
    expect(marks.find(([key]) => key === 'cup')?.[2]).toBeCloseTo(29.5735, 4);
    expect(marks.find(([key]) => key === 'scale')?.[2]).toBeCloseTo(28.3495, 4);
    for (const [, figure] of marks) expect(figure * 20).toBeCloseTo(Math.round(figure * 20), 9);
  });
});

const area = { id: 'area', name: 'Bottom', service: 'immersed' } as Area;

describe('cautions stand where the hand is', () => {
  it('a sheet’s dangers, and confined space first in a bilge or tank', () => {
    expect(cautionsFor(['isocyanate'], area, 'roller')[0]).toMatch(/^Isocyanates: .* respirator at least/);
    // Sprayed, no filter mask is enough [handbook part 15].
    for (const method of ['conventional-spray', 'airless-spray', 'aerosol'] as const)
      expect(cautionsFor(['isocyanate'], area, method)[0]).toMatch(/air-fed mask/);
    for (const service of ['bilge', 'tank'] as const) {
      const list = cautionsFor(['epoxy-sensitiser', 'solvent'], { ...area, service }, 'brush');
      expect(list).toHaveLength(3);
      expect(list[0]).toMatch(/^Confined space/);
    }
  });
  it('before a tin is opened: light, and inside the way out with no lamp that can ignite vapour', () => {
    const ready = (service: Area['service']) =>
      haveReady(['solvent'], { ...area, service }, 'brush').join(' ');
    expect(ready('immersed')).toMatch(/low angle/);
    expect(ready('immersed')).not.toMatch(/way out/);
    expect(ready('interior')).toMatch(/can’t ignite.*way out.*head-down corners/);
    for (const service of ['bilge', 'tank'] as const)
      expect(ready(service)).toMatch(/^Confined.*can’t ignite.*way out/);
  });
});

describe('the film that the litres make', () => {
  it('corrected and struck entries do not count', () => {
    const entry = (kind: string, correctedBy: string | null) => counts({ kind, correctedBy } as never);
    expect([entry('coat', null), entry('coat', 'later'), entry('strike', null)]).toEqual([
      true,
      false,
      false,
    ]);
  });
});
