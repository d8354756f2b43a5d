import { useId } from 'react';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { BenchTins, BenchView } from '../../contract/index.ts';
import { endsBeforeCoat } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount } from '../words/supply.ts';

/** Whether the tins end before the coat does. */
export const endsBefore = (tins: BenchTins | null, missing: number | null): boolean =>
  tins !== null &&
  missing !== null &&
  endsBeforeCoat({ reachLitres: tins.reachLitres, wantedLitres: Math.max(0, missing) });

/** Longest text of a note. */
const NOTE_MOST = 4000;

/** Why something was mixed all the same, for the record. */
export const whyAnyway = (view: BenchView, text: string) =>
  entryWrite({
    id: uuidv7(),
    areaId: view.area.id,
    at: new Date().toISOString(),
    corrects: null,
    kind: 'note',
    body: { text: text.slice(0, NOTE_MOST) },
  });

/**
 * What the tins give for the coat: enough, or how far they reach. A coat that cannot be finished is not begun unless
 * somebody says why; what is kept back for a patch is not touched.
 */
export function TinsReach({
  tins,
  missing,
  mixed,
  areaM2,
  reason,
  onReason,
}: {
  tins: BenchTins;
  missing: number;
  /** It is mixed, and mixing is what stops; of a one-pack nothing is. */
  mixed: boolean;
  /** m² that are still to be coated. */
  areaM2: number;
  reason: string;
  onReason: (reason: string) => void;
}) {
  const { show } = useUnits();
  const id = useId();
  const inTins = tins.parts
    .map(({ part, there, keptHere, unit }) => `${sayAmount(show, there + keptHere, unit)} of ${part}`)
    .join(' and ');
  if (!endsBefore(tins, missing))
    return (
      <p className="text-sm">
        {t`In stock: ${inTins}. Enough for this coat.`}
        <Kept tins={tins} />
      </p>
    );
  const reachM2 = missing > 0 ? Math.max(0, (areaM2 * tins.reachLitres) / missing) : 0;
  return (
    <div role="alert" className="border-error space-y-3 border-2 p-3">
      <p className="text-lg">
        <strong className="text-error">{t`Not enough to finish this coat.`}</strong>
        {t` In stock: ${inTins}. This stock makes ${show(Math.max(0, tins.reachLitres), 'volume')}, enough for ${show(reachM2, 'area')} of ${show(areaM2, 'area')}. `}
        {tins.limitedBy &&
          t`${tins.limitedBy.charAt(0).toUpperCase()}${tins.limitedBy.slice(1)} runs out first.`}
      </p>
      <Kept tins={tins} />
      <p>
        <Link className="link" to="/materials/buy">{t`Show what to buy`}</Link>
        {t`, or reduce the area to match. Stopping part-way leaves a visible lap.`}
      </p>
      {mixed && (
        <>
          <label htmlFor={id} className="label-caps block pb-1">{t`Reason for mixing anyway`}</label>
          <input
            id={id}
            className="input target w-full"
            maxLength={400}
            value={reason}
            onChange={({ target }) => onReason(target.value)}
          />
        </>
      )}
    </div>
  );
}

function Kept({ tins }: { tins: BenchTins }) {
  const { show } = useUnits();
  if (tins.keptElsewhere.length === 0) return null;
  const texts = tins.keptElsewhere.map(
    ({ areaName, part, amount, unit }) => t`${sayAmount(show, amount, unit)} of ${part} for ${areaName}`,
  );
  return <span className="block">{t`Kept back for other areas (don’t use): ${texts.join(', ')}.`}</span>;
}
