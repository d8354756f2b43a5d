import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Area } from '../../contract/index.ts';
import { parseQuantity } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { cutOut } from '../parts/cutOut.ts';
import { useMounted } from '../state/useMounted.ts';
import { useUnits } from '../units/UnitsContext.tsx';

/** Cuts a spot (starts bare, as where rust was found) or a piece (keeps its coats) out of an area. */
export function CutOut({
  area,
  coated,
  onMade,
}: {
  area: Area;
  coated: boolean;
  onMade: (id: string) => void;
}) {
  const { system, symbol } = useUnits();
  const mounted = useMounted();
  const [name, setName] = useState('');
  const [m2, setM2] = useState('');
  const [kind, setKind] = useState<'spot' | 'piece'>('spot');
  const [problem, setProblem] = useState<string | null>(null);
  const { mutate: write } = useWrite();
  const make = () => {
    try {
      const areaM2 = parseQuantity(m2, 'area', system);
      if (!(areaM2 > 0)) throw new RangeError(`must be above 0, but is ${m2.trim()}`);
      const id = uuidv7();
      const at = new Date().toISOString();
      setProblem(null);
      write(
        { method: 'POST', path: '/areas', body: cutOut(area, kind, { id, name: name.trim(), areaM2, at }) },
        { onSuccess: () => mounted() && onMade(id) },
      );
    } catch (error) {
      setProblem(t`Area ${(error as Error).message}`);
    }
  };
  return (
    <details className="border-base-300 mt-5 border-t pt-3">
      <summary className="cursor-pointer underline underline-offset-2">{t`Split off part of this area`}</summary>
      <form
        className="space-y-3 pt-3"
        onSubmit={(event) => {
          event.preventDefault();
          make();
        }}
      >
        <fieldset className="space-y-1">
          <legend className="sr-only">{t`Type of part`}</legend>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              className="radio"
              checked={kind === 'spot'}
              onChange={() => setKind('spot')}
            />
            {t`Spot in a different condition (starts bare)`}
          </label>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              className="radio"
              checked={kind === 'piece'}
              onChange={() => setKind('piece')}
            />
            {t`Piece with the same system`}
            {coated && t` (keeps the coats already applied)`}
          </label>
        </fieldset>
        <div className="grid grid-cols-[1fr_7rem_auto] items-end gap-2">
          <label>
            <span className="label-caps block pb-1">{t`Name of the new area`}</span>
            <input className="input w-full" value={name} onChange={(event) => setName(event.target.value)} />
          </label>
          <label>
            <span className="label-caps block pb-1">{t`Area, ${symbol('area')}`}</span>
            <input
              className="input w-full"
              inputMode="decimal"
              value={m2}
              onChange={(event) => setM2(event.target.value)}
            />
          </label>
          <button type="submit" className="btn" disabled={name.trim() === ''}>{t`Split off`}</button>
        </div>
        {problem && (
          <p role="alert" className="text-error font-semibold">
            {problem}
          </p>
        )}
      </form>
    </details>
  );
}
