import { TriangleAlert } from 'lucide-react';
import type { BatchBody, BenchTins } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount } from '../words/supply.ts';

export type ConfirmedLots = NonNullable<BatchBody['lots']>;

interface Props {
  /** The part, in capitals. */
  name: string;
  /** The product. */
  of: string;
  /** Tins of the part, those first that are to be used first. */
  lots: BenchTins['lots'];
  chosen: ReadonlySet<string>;
  onToggle: (lotId: string) => void;
  /** The label of a tin that is not in this list was read. */
  isOther: boolean;
  onOther: (isOther: boolean) => void;
}

/** Which tin of a part is in the hand: its label is read, then its lot tapped. */
export function LotChoice({ name, of, lots, chosen, onToggle, isOther, onOther }: Props) {
  const { show } = useUnits();
  return (
    <fieldset className="border-base-300 space-y-2 border p-3">
      <legend className="px-1 text-xl">
        {t`The label says `}
        <strong>{of}</strong>, <strong>{name}</strong>
      </legend>
      <div className="flex flex-wrap gap-2">
        {lots.map((lot) => (
          <button
            key={lot.lotId}
            type="button"
            className={`btn target h-auto min-h-14 flex-col items-start gap-0 py-1 ${chosen.has(lot.lotId) ? 'btn-neutral' : ''}`}
            aria-pressed={chosen.has(lot.lotId)}
            onClick={() => onToggle(lot.lotId)}
          >
            <span className="inline-flex items-center gap-1 text-lg">
              {lot.keptOut.length > 0 && <TriangleAlert size={18} role="img" aria-label={t`don’t use`} />}
              {chosen.has(lot.lotId) && '✓ '}
              {lot.code === '' ? t`No lot number` : t`Lot ${lot.code}`}
            </span>
            <span className="text-sm font-normal">
              {[lot.colour, lot.isOpened ? 'opened' : 'unopened', sayAmount(show, lot.inTin, lot.unit)]
                .filter(Boolean)
                .join(', ')}
            </span>
          </button>
        ))}
        <button
          type="button"
          className={`btn target min-h-14 ${isOther ? 'btn-neutral' : ''}`}
          aria-pressed={isOther}
          onClick={() => onOther(!isOther)}
        >
          {isOther && '✓ '}
          {t`Another tin`}
          <span className="sr-only">: {name}</span>
        </button>
      </div>
    </fieldset>
  );
}
