import { useState } from 'react';
import type { PotView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { AmountStepper } from '../forms/AmountStepper.tsx';

/** Asks how much of a pot was applied, and discards the pot. */
export function DiscardPot({ pot, onDiscard }: { pot: PotView; onDiscard: (usedL: number) => void }) {
  const [isAsked, setAsked] = useState(false);
  const [usedL, setUsedL] = useState(0);
  const { litres } = pot.batch;
  if (!isAsked)
    return (
      <button
        type="button"
        className="btn target"
        onClick={() => setAsked(true)}
      >{t`Mark pot discarded`}</button>
    );
  return (
    <div className="w-full max-w-xs space-y-2">
      <AmountStepper
        label={t`Applied from this pot`}
        unit="l"
        value={usedL}
        max={litres}
        onChange={setUsedL}
      />
      <p className="text-sm">{t`This amount counts towards the coat.`}</p>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-primary target"
          onClick={() => onDiscard(Math.min(usedL, litres))}
        >{t`Discard pot`}</button>
        <button
          type="button"
          className="btn btn-ghost target"
          onClick={() => setAsked(false)}
        >{t`Cancel`}</button>
      </div>
    </div>
  );
}
