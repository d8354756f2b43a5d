import type { LotView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { sayCalendarDay, sayTime } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount, sayPart } from '../words/supply.ts';
import { KeepBack } from './KeepBack.tsx';
import { MoveForm } from './MoveForm.tsx';

interface Props {
  lot: LotView;
  lots: readonly LotView[];
  zone: string;
  now: number;
  open: boolean;
  onOpen: (open: boolean) => void;
  ticked: boolean;
  onTick: (on: boolean) => void;
}

/** One tin: what is in it, what is to be known of it, and what can be done with it. */
export function LotLine({ lot, lots, zone, now, open, onOpen, ticked, onTick }: Props) {
  const { show } = useUnits();
  const amount = (value: number) => sayAmount(show, value, lot.unit);
  const name = `${lot.productName}, ${sayPart(lot.part, lot.colour)}`;
  const texts = [
    lot.code && t`lot ${lot.code}`,
    lot.place,
    lot.madeOn && t`made ${sayCalendarDay(lot.madeOn)}`,
    lot.receivedAt && t`received ${sayTime(lot.receivedAt, zone, now)}`,
    lot.stock.openedAt && t`opened ${sayTime(lot.stock.openedAt, zone, now)}`,
  ].filter(Boolean);
  const below = lot.stock.belowNothingSince;
  return (
    <li className="border-base-300 space-y-2 border-b py-3">
      <div className="flex flex-wrap items-start justify-between gap-x-4 gap-y-2">
        <label className="flex min-w-0 grow items-start gap-3">
          <input
            type="checkbox"
            className="checkbox mt-1"
            checked={ticked}
            onChange={({ target }) => onTick(target.checked)}
          />
          <span>
            <strong>{name}</strong>
            <span className="block text-sm opacity-80">{texts.join(' · ') || t`no details recorded`}</span>
          </span>
        </label>
        <span className="text-right">
          <strong className="text-lg tabular-nums">{amount(lot.stock.inTin)}</strong>
          {lot.stock.kept > 1e-6 && (
            <span className="block text-sm">{t`plus ${amount(lot.stock.kept)} kept back`}</span>
          )}
        </span>
        <button
          type="button"
          className="btn btn-sm"
          aria-expanded={open}
          aria-label={`${open ? 'Close' : t`Log movement`}: ${name}${lot.code ? t`, lot ${lot.code}` : ''}`}
          onClick={() => onOpen(!open)}
        >
          {open ? t`Close` : t`Log movement`}
        </button>
      </div>
      {lot.coversM2 !== null && (
        <p className="text-sm">{t`Enough for ${show(lot.coversM2, 'area')} (one coat, before losses)`}</p>
      )}
      {below && (
        <p className="text-error font-semibold">{t`Stock below zero since ${sayTime(below, zone, now)}. Something wasn’t logged: count this lot.`}</p>
      )}
      {lot.difference && (
        <p className="text-warning">{t`Counted ${amount(lot.difference.found)} on ${sayTime(lot.difference.at, zone, now)}; expected ${amount(lot.difference.expected)}.`}</p>
      )}
      {lot.notes.map((note) => (
        <p key={note.code} className={note.keepsOut ? 'text-error font-semibold' : 'text-sm'}>
          {note.text}
        </p>
      ))}
      {lot.keptFor.map(({ areaId, areaName, boatName, amount: kept }) => (
        <p key={areaId} className="text-sm">
          {t`${amount(kept)} kept back (unmixed) for ${areaName}, ${boatName}`}
        </p>
      ))}
      {open && (
        <div className="board space-y-5 p-4">
          <MoveForm lot={lot} onDone={() => onOpen(false)} />
          <KeepBack lot={lot} lots={lots} onDone={() => onOpen(false)} />
        </div>
      )}
    </li>
  );
}
