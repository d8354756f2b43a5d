// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { UnitsProvider } from '../units/UnitsContext.tsx';
import { type DrawnStep, StackSection } from './StackSection.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const step = (over: Partial<DrawnStep>): DrawnStep => ({
  id: 'a',
  product: 'Plain barrier',
  coats: 2,
  micronsPerCoat: 100,
  film: { min: 75, max: 125 },
  colours: ['#808080', '#ffffff'],
  applied: [],
  bonds: ['keyed', 'fused'],
  band: null,
  ...over,
});
function drawn(...steps: DrawnStep[]) {
  render(
    <UnitsProvider>
      <StackSection steps={steps} substrate="GRP" />
    </UnitsProvider>,
  );
  const picture = screen.getByRole('img');
  /** The coats from the hull outwards: height and foot of each, whether it is there, its colour. */
  const coats = [...picture.querySelectorAll('g > rect')]
    .filter((rect) => rect.getAttribute('fill')?.startsWith('#'))
    .map((rect) => ({
      height: Number(rect.getAttribute('height')),
      top: Number(rect.getAttribute('y')),
      width: Number(rect.getAttribute('width')),
      there: rect.getAttribute('stroke-dasharray') === null,
      colour: rect.getAttribute('fill'),
    }));
  const texts = [...picture.querySelectorAll('text')].map((text) => text.textContent);
  return { picture, coats, texts };
}

describe('a system in section', () => {
  it('is to scale: coats as thick as they are, one standing on the other', () => {
    const { coats } = drawn(
      step({}),
      step({ id: 'b', micronsPerCoat: 50, coats: 1, film: { min: 40, max: 60 } }),
    );
    expect(coats).toHaveLength(3);
    const [first, second, third] = coats as [(typeof coats)[0], (typeof coats)[0], (typeof coats)[0]];
    expect(second.height / first.height).toBeCloseTo(1, 6);
    expect(third.height / first.height).toBeCloseTo(0.5, 6);
    expect(second.top + second.height).toBeCloseTo(first.top, 6);
    expect(third.top + third.height).toBeCloseTo(second.top, 6);
  });
  it('no label stands on another, however thin the coats, and a long name stays on the paper', () => {
    const thin = { micronsPerCoat: 4, coats: 1, film: { min: 3, max: 5 } };
    const { picture } = drawn(
      step({ id: 'a', product: 'A wash with a name as long as any that a tin can have', ...thin }),
      step({ id: 'b', ...thin }),
      step({ id: 'c', coats: 4 }),
    );
    const labels = [...picture.querySelectorAll('text')].filter((text) => text.getAttribute('x') === '321');
    const heights = labels.map((text) => Number(text.getAttribute('y'))).toSorted((a, b) => a - b);
    expect(heights).toHaveLength(10);
    heights.slice(1).forEach((y, i) => {
      expect(y - (heights[i] as number)).toBeGreaterThanOrEqual(13);
    });
    for (const { lastChild } of labels) expect(lastChild?.textContent?.length).toBeLessThan(30);
  });
  it('colours alternate, and what lies is told from what is to come without colour', () => {
    const { coats } = drawn(step({ applied: [60] }));
    expect(coats.map(({ colour, there }) => [colour, there])).toEqual([
      ['#808080', true],
      ['#ffffff', false],
    ]);
    // The first came out at 60 where 100 were meant, and is drawn so.
    expect((coats[0]?.height ?? 0) / (coats[1]?.height ?? 1)).toBeCloseTo(0.6, 6);
  });
  it('names the target, the least and the most of its sheets', () => {
    const { texts } = drawn(step({}));
    expect(texts).toContain('target 200 µm');
    expect(texts).toContain('min 150 µm');
    expect(texts).toContain('max 250 µm');
    cleanup();
    // A most far above the target is named, but does not shrink the coats.
    expect(drawn(step({ film: { min: 75, max: 400 } })).texts).toContain('max 800 µm ↑');
  });
  it('in mils where the reader wants mils', () => {
    localStorage.setItem('jack-plane.units', 'us');
    expect(drawn(step({})).texts).toContain('target 7.87 mil');
  });
  it('a band is drawn over part of the width, and says so', () => {
    const { coats, picture } = drawn(
      step({ coats: 1, bonds: ['keyed'] }),
      step({ id: 'b', band: 'waterline band' }),
    );
    expect(coats[1]?.width).toBeLessThan(coats[0]?.width ?? 0);
    expect(picture.getAttribute('aria-label')).toContain('only on the waterline band');
  });
  it('each joint by how it holds: teeth, a double line, a gap, or nothing where one film', () => {
    const paths = (bond: DrawnStep['bonds'][number]) => {
      const { picture } = drawn(step({ coats: 1, bonds: [bond] }));
      const joints = [...picture.querySelectorAll('path')].map((path) => path.getAttribute('d') ?? '');
      const dashed = picture.querySelector('path[stroke-dasharray="10 6"]') !== null;
      cleanup();
      return {
        teeth: joints.some((d) => /l[\d.]+ -5l/.test(d)),
        twice: joints.some((d) => /H[\d.]+M/.test(d)),
        dashed,
      };
    };
    expect(paths('keyed')).toMatchObject({ teeth: true, dashed: false });
    expect(paths('tie')).toMatchObject({ teeth: false, twice: true });
    expect(paths('none')).toMatchObject({ teeth: false, dashed: true });
    expect(paths('fused')).toEqual({ teeth: false, twice: false, dashed: false });
  });
  it('is told in words to who cannot see it: coats, film, what lies, and how it holds', () => {
    const { picture } = drawn(step({ applied: [98, 104], bonds: ['keyed', 'none'] }));
    expect(picture.getAttribute('aria-label')).toBe(
      'Section through the system: Plain barrier, 2 coats of 100 µm, 2 applied, mechanical bond',
    );
  });
});
