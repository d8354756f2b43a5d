// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { BenchTins, PartSupply, Product, TinsView } from '../../contract/index.ts';
import { reconcile } from '../../core/supply/index.ts';
import { endsBefore, TinsReach } from '../bench/TinsReach.tsx';
import { Verdict } from '../parts/tins/Verdict.tsx';
import { UnitsProvider } from '../units/UnitsContext.tsx';
import { sayMoney, sayStopped } from '../words/supply.ts';
import { NeedBar } from './NeedBar.tsx';

afterEach(cleanup);

const show = (node: React.ReactNode) =>
  render(
    <MemoryRouter>
      <UnitsProvider>{node}</UnitsProvider>
    </MemoryRouter>,
  );

const part: PartSupply = {
  part: 'base',
  colour: 'grey',
  unit: 'l',
  likely: 4.3,
  safe: 4.9,
  there: 2,
  unusable: 0,
  kept: 0.3,
  keptForThese: 0.1,
  ordered: 0,
  short: 2.8,
  shortLikely: 2.2,
  stops: null,
};

describe('need against stock', () => {
  it('is told in words and as a picture that says the same', () => {
    show(<NeedBar part={part} most={4.9} />);
    expect(screen.getByText('2.8 l short')).toBeTruthy();
    const picture = screen.getByRole('img').getAttribute('aria-label');
    expect(picture).toContain('need 4.3 l–4.9 l');
    expect(picture).toContain('kept back for these areas 100 ml');
    expect(picture).toContain('2.8 l short');
  });

  it('in kilograms where no density tells litres', () => {
    show(<NeedBar part={{ ...part, unit: 'kg', short: 0, there: 6 }} most={6} />);
    expect(screen.getByText('enough')).toBeTruthy();
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain('need 4.3 kg');
  });
});

describe('the coat that a shortage stops', () => {
  const stop = {
    boatId: 'b',
    boatName: 'Test hull',
    areaId: 'a',
    areaName: 'Bottom port',
    stepId: 's',
    coat: 3,
    at: '2026-05-14T12:00:00Z',
  };
  const now = Date.parse('2026-05-12T12:00:00Z');
  it('by its day while it is near, roughly later, and without a day where nobody knows', () => {
    expect(sayStopped(stop, 'UTC', now)).toBe('third coat on Bottom port (Test hull), Thu 14 May');
    expect(sayStopped({ ...stop, at: '2026-05-12T16:00:00Z' }, 'UTC', now)).toMatch(/, today$/);
    expect(sayStopped({ ...stop, at: '2026-05-13T08:00:00Z' }, 'UTC', now)).toMatch(/, tomorrow$/);
    expect(sayStopped({ ...stop, at: '2026-06-02T12:00:00Z' }, 'UTC', now)).toBe(
      'third coat on Bottom port (Test hull), about 2 Jun',
    );
    expect(sayStopped({ ...stop, at: null, coat: 9 }, 'UTC', now)).toBe('coat 9 on Bottom port (Test hull)');
  });
});

it('money is said with the digits of its currency', () => {
  expect(sayMoney(1250, 'EUR').replaceAll(/\s/g, ' ')).toMatch(/12[.,]50/);
  expect(sayMoney(1250, 'JPY')).toMatch(/1[.,]250/);
});

describe('the tins at the bench', () => {
  const tins: BenchTins = {
    parts: [
      { part: 'base', unit: 'l', there: 1.8, keptHere: 0, wanted: 2.9 },
      { part: 'hardener', unit: 'l', there: 0.9, keptHere: 0, wanted: 1.4 },
    ],
    lots: [],
    reachLitres: 2.7,
    reachM2: 12,
    limitedBy: 'base',
    keptElsewhere: [{ areaName: 'Under stand 3', part: 'base', amount: 0.2, unit: 'l' }],
  };

  it('that end before the coat stop it with how far they reach and the patch that is defended', () => {
    const onReason = vi.fn();
    show(<TinsReach tins={tins} missing={4.3} mixed areaM2={20} reason="" onReason={onReason} />);
    const alert = screen.getByRole('alert');
    expect(alert.textContent).toContain('enough for 12.6 m² of 20 m². Base runs out first');
    expect(alert.textContent).toContain('200 ml of base for Under stand 3');
    expect(screen.getByLabelText('Reason for mixing anyway')).toBeTruthy();
    expect(endsBefore(tins, 4.3)).toBe(true);
  });

  it('that hold enough say so, and a product the stock does not keep stops nothing', () => {
    show(<TinsReach tins={tins} missing={2.6} mixed areaM2={20} reason="" onReason={() => {}} />);
    expect(screen.queryByRole('alert')).toBeNull();
    expect(endsBefore(null, 4)).toBe(false);
    expect(endsBefore(tins, null)).toBe(false);
  });
});

describe('what reconciling says', () => {
  const parts = [
    { name: 'base', ratio: 2, densityKgPerL: null },
    { name: 'hardener', ratio: 1, densityKgPerL: null },
  ];
  const view: TinsView = {
    productId: 'p',
    productName: 'Test epoxy',
    colour: 'grey',
    sheetVersion: 1,
    parts: parts.map(({ name }) => ({ name, unit: 'l', start: 1, inTin: 1, lots: [{ id: 'x', inTin: 1 }] })),
    since: null,
    batches: [
      { id: 'one', at: '2026-05-14T08:00:00Z', areaName: 'Bottom', boatName: 'Test hull', poured: [4, 2] },
      { id: 'two', at: '2026-05-14T10:00:00Z', areaName: 'Keel', boatName: 'Test hull', poured: [2, 1] },
    ],
    ownRatio: null,
    ahead: { likely: 8, safe: 9 },
  };
  const product = { sheet: { parts } } as unknown as Product;
  const say = (left: [number, number], batches = view.batches) =>
    show(
      <Verdict
        found={reconcile({
          parts,
          ratioBy: 'volume',
          measuredBy: 'volume',
          tolerance: null,
          start: [12, 6],
          left,
          mark: 0.1,
          batches: batches.map(({ id, poured }) => ({ id, poured })),
          ahead: 9,
        })}
        view={view}
        product={product}
        zone="UTC"
        now={Date.parse('2026-05-14T12:00:00Z')}
      />,
    ).container.textContent ?? '';

  it('the handbook’s case: a third too much hardener, or an ounce of it spilt; the batch that fits; never by guess', () => {
    const text = say([6, 2]);
    expect(text).toContain('33 % too much hardener.');
    expect(text).toContain('1 l of hardener was spilt or lost');
    expect(text).toMatch(/hardener was added twice to the batch of .+ for Keel/);
    expect(text).toContain('1 l of hardener missing');
    expect(text).toContain('buy 1 l more hardener, or leave 2 l of base unmixed. Never make up');
  });

  it('in ratio, and both tins end together', () => {
    const wording = say([6, 3]);
    expect(wording).toContain('Mixed in the correct ratio.');
    expect(wording).toContain('Both tins will run out together');
  });

  it('nothing used tells nothing', () => {
    expect(say([12, 6], [])).toContain('nothing has been used');
  });
});
