import { useState } from 'react';
import type { PotView } from '../../contract/index.ts';
import { fromCanonical, shownUnit, toCanonical } from '../../core/units/index.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

/** Discards a pot, after asking what of it was applied: that is part of the coat. */
export function DiscardPot({ pot, onDiscard }: { pot: PotView; onDiscard: (usedL: number) => void }) {
  const { system, symbol } = useUnits();
  const [isAsked, setAsked] = useState(false);
  const [usedL, setUsedL] = useState(0);
  const unit = shownUnit('volume', system);
  const round = (value: number) => Math.round(value * 100) / 100;
  if (!isAsked)
    return (
      <button type="button" className="btn target" onClick={() => setAsked(true)}>
        Mark pot discarded
      </button>
    );
  return (
    <div className="w-full max-w-xs space-y-2">
      <Stepper
        label="Applied from this pot"
        unit={symbol('volume')}
        value={round(fromCanonical(usedL, unit))}
        step={system === 'us' ? 0.05 : 0.1}
        min={0}
        max={round(fromCanonical(pot.batch.litres, unit))}
        onChange={(value) => setUsedL(Math.min(pot.batch.litres, toCanonical(value, unit)))}
      />
      <p className="text-sm">This amount counts towards the coat.</p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary target" onClick={() => onDiscard(usedL)}>
          Discard pot
        </button>
        <button type="button" className="btn btn-ghost target" onClick={() => setAsked(false)}>
          Cancel
        </button>
      </div>
    </div>
  );
}
