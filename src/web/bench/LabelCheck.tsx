import { useState } from 'react';
import type { BenchTins, Product } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { LABELS } from './BenchSteps.tsx';
import { type ConfirmedLots, LotChoice } from './LotChoice.tsx';
import { ScanLabel } from './ScanLabel.tsx';

interface Props {
  product: Product;
  /** null: the product isn’t in stock. */
  tins: BenchTins | null;
  /** What goes in beside the parts. */
  extras?: readonly { of: 'additive' | 'thinner'; name: string }[];
  disabled: boolean;
  sending: boolean;
  /** @param lots the lots confirmed; @param despite why a lot was used despite a note on it; empty: none was */
  onMixed: (lots: ConfirmedLots, despite: string) => void;
}

/** A part of the batch, or an additive in it. */
interface Poured {
  key: string;
  of: string;
  name: string;
  lots: BenchTins['lots'];
}

/** Every tin named in large letters and its label confirmed, or its lot tapped or scanned, before the clocks can be started. */
export function LabelCheck({ product, tins, extras = [], disabled, sending, onMixed }: Props) {
  const [read, setRead] = useState<Record<string, boolean>>({});
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [reason, setReason] = useState('');
  const [scanned, setScanned] = useState('');
  const { parts } = product.sheet;
  const all = tins?.lots ?? [];
  const poured: Poured[] = [
    ...parts.map(({ name }) => ({
      key: name,
      of: product.name,
      name: name.toUpperCase(),
      // A tin that is empty by the book is offered once it was scanned.
      lots: all.filter(
        ({ part, otherColour, inTin, lotId }) =>
          part === name && !otherColour && (inTin > 0 || chosen.has(lotId)),
      ),
    })),
    ...extras.map(({ of, name }) => ({
      key: `${of} ${name}`,
      of,
      name: name.toUpperCase(),
      lots: [],
    })),
  ];
  const inHand = all.filter(({ lotId }) => chosen.has(lotId));
  const keptOut = inHand.filter((lot) => lot.keptOut.length > 0);
  const isRead = ({ key, lots }: Poured) => read[key] || lots.some(({ lotId }) => chosen.has(lotId));
  const allRead = poured.every(isRead);
  const needsReason = keptOut.length > 0 && reason.trim().length < 3;
  const toggle = (lotId: string) => {
    const next = new Set(chosen);
    if (!next.delete(lotId)) next.add(lotId);
    setChosen(next);
    setScanned('');
  };
  const takeScanned = (lotId: string | null) => {
    const lot = all.find((each) => each.lotId === lotId);
    if (!lot)
      return setScanned(
        lotId === null
          ? t`This code is not on a label printed here. Check the tin’s own label.`
          : t`Stop: this tin is not ${product.name}. Put it aside.`,
      );
    if (lot.otherColour)
      return setScanned(t`Stop: this tin is ${lot.colour ?? t`another colour`}. Put it aside, or change the colour in the system.`); // biome-ignore format: one line
    setChosen(new Set([...chosen, lot.lotId]));
    setScanned('');
  };
  return (
    <>
      <fieldset id={LABELS} tabIndex={-1} className="scroll-mt-20 space-y-2">
        <legend className="label-caps pb-1">{t`Stir the base right to the bottom of the tin. Then check each label.`}</legend>
        {all.length > 0 && <ScanLabel onLot={takeScanned} />}
        {scanned && (
          <p role="alert" className="text-error text-lg font-semibold">
            {scanned}
          </p>
        )}
        {poured.map((tin) =>
          tin.lots.length > 0 ? (
            <LotChoice
              key={tin.key}
              name={tin.name}
              of={tin.of}
              lots={tin.lots}
              chosen={chosen}
              onToggle={toggle}
              isOther={read[tin.key] ?? false}
              onOther={(other) => setRead({ ...read, [tin.key]: other })}
            />
          ) : (
            <label
              key={tin.key}
              className="border-base-300 flex min-h-14 cursor-pointer items-center gap-3 border px-3"
            >
              <input
                type="checkbox"
                className="checkbox checkbox-lg"
                checked={read[tin.key] ?? false}
                onChange={(event) => setRead({ ...read, [tin.key]: event.target.checked })}
              />
              <span className="text-xl">
                {t`The label says `}
                <strong>{tin.of}</strong>, <strong>{tin.name}</strong>
              </span>
            </label>
          ),
        )}
      </fieldset>
      {keptOut.length > 0 && (
        <div role="alert" className="border-error space-y-2 border-2 p-3">
          {keptOut.map((lot) => (
            <p key={lot.lotId} className="text-lg">
              <strong className="text-error">{t`Don’t use this ${lot.part}.`}</strong>
              {t` ${sayLot(lot)}: ${lot.keptOut.join('; ')}. Take another tin, or ask the manufacturer.`}
            </p>
          ))}
          <label className="block">
            <span className="label-caps block pb-1">{t`Reason for using it anyway`}</span>
            <input
              className="input target w-full"
              maxLength={400}
              value={reason}
              onChange={({ target }) => setReason(target.value)}
            />
          </label>
        </div>
      )}
      <button
        type="button"
        className="btn btn-primary btn-xl target h-auto w-full py-2"
        disabled={!allRead || needsReason || disabled || sending}
        onClick={() => {
          const lots = inHand.map(({ part, lotId, code }) => ({ part, lotId, code }));
          const despite = keptOut.map((lot) => `${sayLot(lot)} (${lot.part}): ${lot.keptOut.join('; ')}`).join('. '); // biome-ignore format: one line
          onMixed(lots, despite && t`${despite}. Used anyway: ${reason.trim()}`);
          setRead({});
          setChosen(new Set());
          setReason('');
        }}
      >
        {sending ? t`Starting timers…` : t`Log mix and start timers`}
      </button>
      {!allRead && (
        <p className="text-sm opacity-80">{t`Confirm every label first. Small tins look alike.`}</p>
      )}
    </>
  );
}

const sayLot = ({ code }: BenchTins['lots'][number]) =>
  code === '' ? t`Lot without a number` : t`Lot ${code}`;
