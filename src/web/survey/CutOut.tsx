import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Area, AreaInput, PartKind } from '../../contract/index.ts';
import { parseQuantity } from '../../core/units/index.ts';
import { api } from '../api/client.ts';
import { useStillHere } from '../shell/useStillHere.ts';
import { useUnits } from '../units/UnitsContext.tsx';

/** A new area cut out of another: same part, substrate and system; its m² count there no more. */
export function cutOut(
  area: Area,
  kind: Extract<PartKind, 'spot' | 'piece'>,
  input: { id: string; name: string; areaM2: number; at: string },
): AreaInput {
  const { version: _v, archived: _a, ...origin } = area;
  return {
    ...origin,
    id: input.id,
    name: input.name,
    measures: [],
    estimates: [{ way: 'rule', areaM2: input.areaM2, spread: area.spread, basis: `cut out of ${area.name}` }],
    chosenWay: null,
    note: '',
    part: { areaId: area.id, kind, standId: null, sharesSystem: true, at: input.at },
  };
}

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
  const client = useQueryClient();
  const stillHere = useStillHere();
  const [name, setName] = useState('');
  const [m2, setM2] = useState('');
  const [kind, setKind] = useState<'spot' | 'piece'>('spot');
  const [problem, setProblem] = useState<string | null>(null);
  const make = async () => {
    try {
      const areaM2 = parseQuantity(m2, 'area', system);
      if (!(areaM2 > 0)) throw new RangeError(`${m2} must be above 0`);
      const id = uuidv7();
      const at = new Date().toISOString();
      await api<Area>('POST', '/areas', cutOut(area, kind, { id, name: name.trim(), areaM2, at }));
      await client.invalidateQueries();
      if (stillHere()) onMade(id);
    } catch (error) {
      setProblem(`The cut-out: ${(error as Error).message}`);
    }
  };
  return (
    <details className="border-base-300 mt-5 border-t pt-3">
      <summary className="cursor-pointer underline underline-offset-2">
        Cut a spot or a piece out of it
      </summary>
      <form
        className="space-y-3 pt-3"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <fieldset className="space-y-1">
          <legend className="sr-only">What is cut out</legend>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              className="radio"
              checked={kind === 'spot'}
              onChange={() => setKind('spot')}
            />
            A spot that differs: starts bare
          </label>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              className="radio"
              checked={kind === 'piece'}
              onChange={() => setKind('piece')}
            />
            A piece of the same{coated && ', with the coats that lie on it'}
          </label>
        </fieldset>
        <div className="grid grid-cols-[1fr_7rem_auto] items-end gap-2">
          <label>
            <span className="label-caps block pb-1">Call it</span>
            <input className="input w-full" value={name} onChange={(event) => setName(event.target.value)} />
          </label>
          <label>
            <span className="label-caps block pb-1">Area, {symbol('area')}</span>
            <input
              className="input w-full"
              inputMode="decimal"
              value={m2}
              onChange={(event) => setM2(event.target.value)}
            />
          </label>
          <button type="submit" className="btn" disabled={name.trim() === ''}>
            Cut it out
          </button>
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
