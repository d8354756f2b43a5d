import { useState } from 'react';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { SPOKEN } from './ReadAloud.tsx';

type StopReason = 'ran-out' | 'rain' | 'thick' | 'dust' | 'handover';

/** What ends a coat before its area is covered, and what to do about it [T, handbook parts 7, 8 and 12]. */
const REASONS: Record<StopReason, { label: string; note: string; advice: readonly string[] }> = {
  'ran-out': {
    label: t`The paint ran out`,
    note: t`the paint ran out`,
    advice: [
      t`Don’t stretch the last of it: a film too thin fails first.`,
      t`End at a seam, a chine or a tape line while the edge is wet. The rest stays on the list, with its litres.`,
    ],
  },
  rain: {
    label: t`Rain or spray on the wet film`,
    note: t`rain on the wet film`,
    advice: [
      t`Leave the wet film alone. Brushing over it works the water in.`,
      t`Once it is dry, look for dull, milky and pitted places and add each as a finding. Wash epoxy with water before you sand it.`,
    ],
  },
  thick: {
    label: t`The pot got hot or thick`,
    note: t`the pot got thick`,
    advice: [
      t`Don’t thin it: its pot life is over, and it won’t bond or flow. Put the pot outside, away from anything that burns.`,
      t`End at a seam or line while the edge is wet. Mark the pot as discarded.`,
    ],
  },
  dust: {
    label: t`Dust, insects or overspray`,
    note: t`dust, insects or overspray on the wet film`,
    advice: [
      t`Leave what is in the wet film. When it is hard, sand it out with 400 wet and recoat.`,
      t`Find out where it comes from before you go on.`,
    ],
  },
  handover: {
    label: t`Somebody else goes on`,
    note: t`somebody else went on`,
    advice: [t`Log what you have covered under your name. Whoever goes on logs the rest under theirs.`],
  },
};

/** A coat that ends before its area is covered: what to do at once, and how to log the covered part. */
export function StopEarly({ zone, onStop }: { zone: string; onStop: (note: string) => void }) {
  const [reason, setReason] = useState<StopReason | null>(null);
  return (
    <details className="border-base-300 border-y py-2">
      <summary className="target cursor-pointer py-2">{t`Had to stop early?`}</summary>
      <fieldset className="space-y-1 pt-2">
        <legend className="sr-only">{t`Why it stopped`}</legend>
        {Object.entries(REASONS).map(([code, { label }]) => (
          <label key={code} className="target flex cursor-pointer items-center gap-3">
            <input
              type="radio"
              name="stopped"
              className="radio"
              checked={reason === code}
              onChange={() => setReason(code as StopReason)}
            />
            {label}
          </label>
        ))}
      </fieldset>
      {reason && (
        <div className="space-y-2 pt-2" {...SPOKEN}>
          <ul className="border-line space-y-1 border-l-4 pl-3">
            {REASONS[reason].advice.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
          <button
            type="button"
            className="btn btn-primary target"
            onClick={() =>
              onStop(t`Stopped at ${sayTime(Date.now(), zone, Date.now())}: ${REASONS[reason].note}.`)
            }
          >{t`Log what is covered`}</button>
        </div>
      )}
    </details>
  );
}
