// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { BOAT_KINDS } from '../../../core/hull/index.ts';
import { Patterns } from '../../state/Patterns.tsx';
import { STATES } from '../../state/states.ts';
import { UnitsProvider } from '../../units/UnitsContext.tsx';
import { BoatDrawing } from './BoatDrawing.tsx';
import type { DrawnArea } from './drawn.ts';
import { letterOf, rowsOf } from './drawnRows.ts';
import { drawingAsSvg } from './exportDrawing.ts';

afterEach(cleanup);

const boat = {
  name: 'Drawn hull',
  kind: 'fin-keel' as const,
  dimensions: { loaM: 10, lwlM: 8.6, beamM: 3.2, draughtM: 1.7, freeboardM: 1.1 },
  form: null,
};
const area = (over: Partial<DrawnArea>): DrawnArea => ({
  id: 'a',
  name: 'Bottom',
  zone: 'bottom',
  side: 'both',
  state: 'open',
  number: 1,
  part: null,
  ...over,
});
function drawn(props: Partial<Parameters<typeof BoatDrawing>[0]>) {
  const { container } = render(
    <UnitsProvider>
      <Patterns />
      <BoatDrawing boat={boat} areas={[]} {...props} />
    </UnitsProvider>,
  );
  const svg = container.querySelector('svg[viewBox]:not([data-patterns])') as SVGSVGElement;
  return { svg, text: [...svg.querySelectorAll('text')].map((each) => each.textContent) };
}

describe('a boat drawn from her dimensions', () => {
  it.each(BOAT_KINDS)('%s: finite lines in every view, and no more of them than she has', (kind) => {
    for (const view of ['profile', 'plan', 'sections', 'sheet'] as const) {
      const { svg } = drawn({ boat: { ...boat, kind }, view, detailed: true });
      const paths = [...svg.querySelectorAll('path')].map((path) => path.getAttribute('d') ?? '');
      expect(paths.length).toBeGreaterThan(2);
      expect([view, paths.filter((d) => /NaN|Infinity/.test(d))]).toEqual([view, []]);
      cleanup();
    }
  });
  it('carries her main dimensions in the reader’s units, and a title on the sheet', () => {
    expect(drawn({ detailed: true }).text).toContain('length overall 10 m');
    cleanup();
    localStorage.setItem('jack-plane.units', 'us');
    expect(drawn({ detailed: true }).text.join()).toMatch(/length overall 32\.8 ft/);
    localStorage.clear();
    cleanup();
    expect(drawn({ view: 'sheet', detailed: true }).text).toContain('Drawn hull');
  });
});

describe('areas on her', () => {
  it('each state has its pattern on the page, and the drawing fills with it', () => {
    for (const [state, { paint }] of Object.entries(STATES)) {
      const { svg } = drawn({ areas: [area({ state: state as DrawnArea['state'] })] });
      expect([state, document.getElementById(`st-${paint}`) !== null]).toEqual([state, true]);
      expect([state, svg.querySelector(`path[fill="url(#st-${paint})"]`) !== null]).toEqual([state, true]);
      cleanup();
    }
  });
  it('are picked by click, by Enter and by Space, and say their number, name and state', async () => {
    const onSelect = vi.fn();
    drawn({
      areas: [area({}), area({ id: 'b', name: 'Topsides', zone: 'topsides', number: 2, state: 'keyed' })],
      onSelect,
    });
    const topsides = screen.getByRole('button', { name: '2. Topsides: sanded' });
    fireEvent.click(topsides);
    topsides.focus();
    await userEvent.keyboard('{Enter} ');
    expect(onSelect.mock.calls.flat()).toEqual(['b', 'b', 'b']);
  });
  it('of the other side are not drawn', () => {
    const port = area({ side: 'port' });
    const seen = (seenFrom: 'port' | 'starboard') => {
      drawn({ areas: [port], onSelect: () => {}, seenFrom });
      const found = screen.queryAllByRole('button').length;
      cleanup();
      return found;
    };
    expect([seen('port'), seen('starboard')]).toEqual([1, 0]);
  });
  it('that share a part of her side by side each have a piece of it', () => {
    const two = [area({ name: 'Bottom aft' }), area({ id: 'b', name: 'Bottom forward', number: 2 })];
    const { svg } = drawn({ areas: two, onSelect: () => {} });
    const clips = [...svg.querySelectorAll('clipPath rect')].map((rect) => [
      Number(rect.getAttribute('x')),
      Number(rect.getAttribute('width')),
    ]);
    expect(clips).toHaveLength(2);
    const [[x1 = 0, w1 = 0] = [], [x2 = 0, w2 = 0] = []] = clips;
    expect(w1).toBeCloseTo(w2, 6);
    expect(Math.abs(x2 - x1)).toBeCloseTo(w1, 6);
  });
  it('as a file of its own brings its patterns, its size and no colour by name', () => {
    document.documentElement.style.setProperty('--board', '#fefefe');
    const { svg } = drawn({ areas: [area({})] });
    const file = drawingAsSvg(svg);
    expect(file).toContain('xmlns="http://www.w3.org/2000/svg"');
    expect(file).toContain('id="st-open"');
    expect(file).not.toContain('var(--');
    expect(file).not.toMatch(/tabindex|aria-pressed/);
  });
});

describe('the numbers and letters beside the drawing', () => {
  it('what was cut out of an area follows it', () => {
    const whole = { id: 'a', name: 'Bottom', part: null };
    const other = { id: 'c', name: 'Deck', part: null };
    const spot = { id: 'b', name: 'Spot', part: { areaId: 'a', kind: 'spot' } };
    const rows = rowsOf({ areas: [whole, other, spot] as never, clocks: [] });
    expect(rows.map(({ name, number }) => [name, number])).toEqual([
      ['Bottom', 1],
      ['Spot', 2],
      ['Deck', 3],
    ]);
  });
  it('findings go on from Z to AA', () => {
    expect([0, 25, 26, 51, 52].map(letterOf)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA']);
  });
});
