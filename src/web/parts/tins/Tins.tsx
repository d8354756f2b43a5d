import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { MovementInput, Product, TinsView } from '../../../contract/index.ts';
import { type Reconciled, reconcile, sharedOut } from '../../../core/supply/index.ts';
import { t } from '../../../words.ts';
import { useQueued } from '../../api/mutations.ts';
import { sayTime } from '../../clock/say.ts';
import { AmountStepper } from '../../forms/AmountStepper.tsx';
import { Choice } from '../../forms/Choice.tsx';
import { useUnits } from '../../units/UnitsContext.tsx';
import { counted } from '../../words/counted.ts';
import { sayAmount } from '../../words/supply.ts';
import { Verdict } from './Verdict.tsx';

/** Smallest graduations to choose from, in the tins' unit. */
const MARKS = [0.001, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25];

/** The core's answer, or what it refuses. */
function answer(
  view: TinsView,
  product: Product,
  left: readonly number[],
  mark: number,
): Reconciled | string {
  const { sheet } = product;
  const own = view.ownRatio?.parts;
  try {
    return reconcile({
      parts: sheet.parts,
      ratioBy: sheet.ratioBy,
      measuredBy: view.parts[0]?.unit === 'kg' ? 'weight' : 'volume',
      ownParts: own?.length === sheet.parts.length ? own : null,
      tolerance: sheet.ratioTolerance,
      start: view.parts.map(({ start }) => Math.max(0, start)),
      left,
      mark,
      batches: view.batches.map(({ id, poured }) => ({ id, poured })),
      ahead: view.ahead.safe,
    });
  } catch (error) {
    return error instanceof RangeError ? error.message : t`Couldn’t work this out. Check the amounts.`;
  }
}

/** Compares the rest of each part with the log: the ratio really used, and how far the rest lasts. */
export function Tins({ view, product, zone }: { view: TinsView; product: Product; zone: string }) {
  const [left, setLeft] = useState(view.parts.map(({ inTin }) => Math.max(0, Number(inTin.toFixed(3)))));
  const { show } = useUnits();
  const [mark, setMark] = useState(0.01);
  const [saved, setSaved] = useState<'arrived' | 'kept' | null>(null);
  const queued = useQueued();
  const now = Date.now();
  if (view.parts.length < 2)
    return <p>{t`${view.productName} is one-pack, so there is no ratio to check.`}</p>;
  if (view.parts.some(({ lots }) => lots.length === 0))
    return (
      <p className="max-w-prose">{t`No stock of ${view.parts
        .filter(({ lots }) => lots.length === 0)
        .map(({ name }) => name)
        .join(' and ')}. Add your stock first, each part separately.`}</p>
    );
  const found = answer(view, product, left, mark);
  const log = () => {
    const at = new Date().toISOString();
    const movements = view.parts.flatMap(({ lots }, i): MovementInput[] =>
      sharedOut(lots, left[i] as number).map(({ id: lotId, amount }) => ({
        id: uuidv7(),
        lotId,
        kind: 'counted',
        amount,
        at,
        areaId: null,
        note: 'reconciled',
        corrects: null,
      })),
    );
    queued.mutate(
      {
        method: 'POST',
        path: '/movements/together',
        body: { id: uuidv7(), movements },
        what: t`stock count (reconciling)`,
      },
      { onSuccess: setSaved },
    );
  };
  return (
    <div className="space-y-6">
      <p>
        {view.productName}, {view.colour}
        {view.since && <>{t`, since ${sayTime(view.since, zone, now)}`}</>}
        {t`: ${counted(view.batches.length, 'batch')} logged.`}
        {view.ownRatio &&
          t` Custom ratio ${view.ownRatio.parts.join(' : ')}. Reason: ${view.ownRatio.reason}.`}
      </p>
      <div className="grid gap-4 sm:grid-cols-2">
        {view.parts.map((part, i) => (
          <AmountStepper
            key={part.name}
            label={t`Left of ${part.name}, of ${sayAmount(show, part.start, part.unit)}`}
            unit={part.unit}
            value={left[i] as number}
            onChange={(value) => {
              setSaved(null);
              setLeft(left.map((each, k) => (k === i ? value : each)));
            }}
          />
        ))}
        <Choice
          label={t`Measured to the nearest`}
          value={String(mark)}
          choices={MARKS.map(
            (each) => [String(each), sayAmount(show, each, view.parts[0]?.unit ?? 'l')] as const,
          )}
          onChange={(value) => setMark(Number(value))}
        />
      </div>
      {typeof found === 'string' ? (
        <p role="alert" className="text-error font-semibold">
          {found}
        </p>
      ) : (
        <Verdict found={found} view={view} product={product} zone={zone} now={now} />
      )}
      {saved && (
        <p role="status">
          {saved === 'arrived' ? t`Counts saved.` : t`Counts saved on this device, waiting to sync.`}
        </p>
      )}
      <button
        type="button"
        className="btn btn-primary target"
        disabled={queued.isPending}
        onClick={log}
      >{t`Save counts`}</button>
    </div>
  );
}
