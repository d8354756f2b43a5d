// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type ReactNode, useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Quantity } from '../../core/units/index.ts';
import { UnitsProvider } from '../units/UnitsContext.tsx';
import { CellInput } from '../waterline/CellInput.tsx';
import { EachKey, NumberField } from './NumberField.tsx';
import { Stepper } from './Stepper.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

/** Holds a field's value as a page would, and tells what it was given. */
function Held(props: {
  start: number;
  taken: (value: number) => void;
  children: (value: number, onChange: (value: number) => void) => ReactNode;
}) {
  const [value, setValue] = useState(props.start);
  return props.children(value, (next) => {
    props.taken(next);
    setValue(next);
  });
}

describe('a figure outside a form', () => {
  function field(quantity: Quantity | undefined, start: number, eachKey = false) {
    const taken = vi.fn();
    render(
      <UnitsProvider>
        <EachKey value={eachKey}>
          <Held start={start} taken={taken}>
            {(value, onChange) => (
              <NumberField
                label="Figure"
                value={value}
                onChange={onChange}
                {...(quantity ? { quantity } : { unit: 'h' })}
              />
            )}
          </Held>
        </EachKey>
      </UnitsProvider>,
    );
    const box = screen.getByLabelText('Figure') as HTMLInputElement;
    const user = userEvent.setup();
    const put = async (text: string, end = '{Enter}') => {
      await user.clear(box);
      await user.type(box, text + end);
    };
    return { box, put, taken, user };
  }
  it('beside an answer it is taken with each key, half a figure left as it is typed and refused once left', async () => {
    const { box, put, taken, user } = field(undefined, 8, true);
    await put('1.5', '');
    expect(taken.mock.calls.at(-1)).toEqual([1.5]);
    expect(box.value).toBe('1.5');
    await put('x', '');
    expect(taken.mock.calls.at(-1)).toEqual([1.5]);
    expect(box.getAttribute('aria-invalid')).toBeNull();
    await user.tab();
    expect(box.getAttribute('aria-invalid')).toBe('true');
  });
  it('is taken on Enter or when left, not at each key', async () => {
    const { put, taken, user } = field(undefined, 8);
    await put('12', '');
    expect(taken).not.toHaveBeenCalled();
    await user.tab();
    expect(taken.mock.calls).toEqual([[12]]);
  });
  it('takes a comma for a point, and a unit of its own', async () => {
    const { put, taken, box } = field('length', 1);
    await put('2,5');
    await put('60 cm');
    expect(taken.mock.calls.flat()).toEqual([2.5, expect.closeTo(0.6, 12)]);
    expect(box.value).toBe('0.6');
  });
  it('what is none is said beside it and changes nothing', async () => {
    const { put, taken, box } = field('temperature', 15);
    await put('mild');
    expect(screen.getByText(/^Figure .*mild/)).toBeDefined();
    expect([taken.mock.calls.length, box.getAttribute('aria-invalid')]).toEqual([0, 'true']);
    await put('12');
    expect(screen.queryByText(/mild/)).toBeNull();
    expect(taken).toHaveBeenCalledWith(12);
  });
  it('the same figure again is no change', async () => {
    const { put, taken } = field(undefined, 8);
    await put('8.0');
    expect(taken).not.toHaveBeenCalled();
  });
  it('is shown and typed in the reader’s units, and kept in canonical ones', async () => {
    localStorage.setItem('jack-plane.units', 'us');
    const { put, taken, box } = field('temperature', 20);
    expect(box.value).toBe('68');
    await put('50');
    expect(taken.mock.calls.flat()).toEqual([expect.closeTo(10, 9)]);
  });
});

describe('a stepper for a gloved thumb', () => {
  function stepper(min: number, max: number, start = 20) {
    const taken = vi.fn();
    render(
      <Held start={start} taken={taken}>
        {(value, onChange) => (
          <Stepper label="Air" unit="°C" value={value} step={0.1} min={min} max={max} onChange={onChange} />
        )}
      </Held>,
    );
    return { taken, user: userEvent.setup(), box: screen.getByLabelText('Air') as HTMLInputElement };
  }
  it('goes by its step without the dust of binary fractions, and stops at its ends', async () => {
    const { user, box } = stepper(19.8, 20.3);
    for (let i = 0; i < 5; i++) await user.click(screen.getByRole('button', { name: 'Increase Air' }));
    expect(box.value).toBe('20.3');
    for (let i = 0; i < 9; i++) await user.click(screen.getByRole('button', { name: 'Decrease Air' }));
    expect(box.value).toBe('19.8');
  });
  it('typed beyond its ends it is refused with both named, and what stood there stays', async () => {
    const { user, box, taken } = stepper(0, 50);
    await user.clear(box);
    await user.type(box, '500');
    expect(screen.getByText('Air must be between 0 and 50 °C, but is 500')).toBeDefined();
    expect(taken).not.toHaveBeenCalledWith(500);
  });
});

describe('a cell of a table', () => {
  function cell(value: number | null, empty = false) {
    const taken = vi.fn();
    render(<CellInput label="Cell" value={value} onChange={taken} empty={empty} />);
    return { taken, user: userEvent.setup(), box: screen.getByLabelText('Cell') as HTMLInputElement };
  }
  it('takes a typographic minus and a comma', async () => {
    const { user, box, taken } = cell(3);
    await user.clear(box);
    await user.type(box, '−1,25{Enter}');
    expect(taken).toHaveBeenCalledWith(-1.25);
  });
  it('letters are marked and not taken', async () => {
    const { user, box, taken } = cell(3);
    await user.clear(box);
    await user.type(box, 'three{Enter}');
    expect([taken.mock.calls.length, box.getAttribute('aria-invalid')]).toEqual([0, 'true']);
  });
  it('emptied it is nothing where nothing is allowed, and refused where not', async () => {
    const allowed = cell(3, true);
    await allowed.user.clear(allowed.box);
    await allowed.user.tab();
    expect(allowed.taken).toHaveBeenCalledWith(null);
    cleanup();
    const needed = cell(3);
    await needed.user.clear(needed.box);
    await needed.user.tab();
    expect([needed.taken.mock.calls.length, needed.box.getAttribute('aria-invalid')]).toEqual([0, 'true']);
  });
});
