import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { PotView } from '../../contract/index.ts';
import { litresInPot } from '../../core/mix/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { sayTime } from '../clock/say.ts';
import { Choice } from '../forms/Choice.tsx';
import { Stepper } from '../forms/Stepper.tsx';
import { type InPot, judgeInPot } from './inPot.ts';
import { discarded } from './poured.ts';

const FOREIGN: readonly (readonly [InPot['foreign'], string])[] = [
  ['none', 'Nothing else'],
  ['thinner', 'Another thinner than on the data sheet'],
  ['product', 'A part of another product'],
];

/** What really went into a pot that was mixed already, what to do with it, and the record put right. */
export function WrongPour({ pot, sheet, zone }: { pot: PotView; sheet: ProductSheet; zone: string }) {
  const [isOpen, setOpen] = useState(false);
  const before = Object.fromEntries((pot.batch.additives ?? []).map(({ name, ml }) => [name, ml]));
  const [inPot, setInPot] = useState<InPot>({ ml: before, foreign: 'none' });
  const { mutate: log, isPending } = useQueued();
  if (!isOpen)
    return (
      <button type="button" className="btn target" onClick={() => setOpen(true)}>
        Poured the wrong thing?
      </button>
    );
  const verdict = judgeInPot(pot.batch, sheet, inPot, litresInPot(pot.batch));
  const additives = Object.entries(inPot.ml).flatMap(([name, ml]) => (ml > 0 ? [{ name, ml }] : []));
  const isChanged = sheet.additives.some(({ name }) => (inPot.ml[name] ?? 0) !== (before[name] ?? 0));
  const base = { areaId: pot.areaId, corrects: null };
  const discard = () => {
    log(
      entryWrite({
        ...base,
        id: uuidv7(),
        at: new Date().toISOString(),
        kind: 'note',
        body: { text: `Pot of ${pot.productName} discarded: ${verdict.what}.` },
      }),
      { onSuccess: () => log(discarded(pot.areaId, pot.entryId)) },
    );
  };
  const correct = () => {
    const { additives: _, ...batch } = pot.batch;
    log(
      entryWrite({
        ...base,
        id: uuidv7(),
        at: pot.mixedAt,
        corrects: pot.entryId,
        kind: 'batch',
        body: { ...batch, ...(additives.length > 0 && { additives }), potLifeMin: verdict.potLifeMin },
      }),
      { onSuccess: () => setOpen(false) },
    );
  };
  const ends = verdict.potLifeMin === null ? null : Date.parse(pot.mixedAt) + verdict.potLifeMin * 60_000;
  return (
    <fieldset className="border-line w-full space-y-3 border-l-4 pl-3">
      <legend className="font-semibold">What else is in the pot?</legend>
      <div className="grid gap-3 sm:grid-cols-2">
        {sheet.additives.map(({ name }) => (
          <Stepper
            key={name}
            label={`${name} in the pot`}
            unit="ml"
            value={inPot.ml[name] ?? 0}
            step={1}
            min={0}
            max={100_000}
            onChange={(ml) => setInPot({ ...inPot, ml: { ...inPot.ml, [name]: ml } })}
          />
        ))}
        <Choice
          label="Also in the pot"
          value={inPot.foreign}
          choices={FOREIGN}
          onChange={(foreign) => setInPot({ ...inPot, foreign: foreign as InPot['foreign'] })}
        />
      </div>
      {verdict.advice.map((line) => (
        <p key={line} role="alert" className={verdict.isLost ? 'text-error font-semibold' : 'font-semibold'}>
          {line}
        </p>
      ))}
      {verdict.isShorter && ends !== null && (
        <p className="text-xl">
          Use the pot by <strong>{sayTime(ends, zone, Date.now())}</strong>.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {!verdict.isLost && (
          <button
            type="button"
            className="btn btn-primary target"
            disabled={!isChanged || isPending}
            onClick={correct}
          >
            Record and keep using the pot
          </button>
        )}
        <button
          type="button"
          className="btn target"
          disabled={isPending || verdict.what === ''}
          onClick={discard}
        >
          Record and discard the pot
        </button>
        <button type="button" className="btn btn-ghost target" onClick={() => setOpen(false)}>
          Cancel
        </button>
      </div>
    </fieldset>
  );
}
