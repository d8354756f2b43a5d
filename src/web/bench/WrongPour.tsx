import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { PotView } from '../../contract/index.ts';
import { judgeContents, litresInPot } from '../../core/mix/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { useMinute } from '../clock/now.ts';
import { sayTime } from '../clock/say.ts';
import { Choice } from '../forms/Choice.tsx';
import { Stepper } from '../forms/Stepper.tsx';
import { sayChanges, sayContents } from '../words/contents.ts';
import { discarded } from './poured.ts';

type Foreign = Parameters<typeof judgeContents>[0]['foreign'];

const FOREIGN: readonly (readonly [Foreign, string])[] = [
  ['none', t`Nothing else`],
  ['thinner', t`Another thinner than on the data sheet`],
  ['product', t`A part of another product`],
];

/** What really went into a pot that was mixed already, what to do with it, and the record put right. */
export function WrongPour({ pot, sheet, zone }: { pot: PotView; sheet: ProductSheet; zone: string }) {
  const [isOpen, setOpen] = useState(false);
  const before = Object.fromEntries((pot.batch.additives ?? []).map(({ name, ml }) => [name, ml]));
  const [ml, setMl] = useState<Readonly<Record<string, number>>>(before);
  const [foreign, setForeign] = useState<Foreign>('none');
  const now = useMinute();
  const { mutate: log, isPending } = useQueued();
  if (!isOpen)
    return (
      <button
        type="button"
        className="btn target"
        onClick={() => setOpen(true)}
      >{t`Poured the wrong thing?`}</button>
    );
  const mixedMs = Date.parse(pot.mixedAt);
  const verdict = judgeContents({
    additives: sheet.additives,
    was: before,
    now: ml,
    foreign,
    litres: litresInPot(pot.batch),
    potLifeMin: pot.batch.potLifeMin,
    ageMin: Math.max(0, (now - mixedMs) / 60_000),
  });
  const what = sayChanges(verdict, foreign);
  const additives = Object.entries(ml).flatMap(([name, amount]) =>
    amount > 0 ? [{ name, ml: amount }] : [],
  );
  const base = { areaId: pot.areaId, corrects: null };
  const discard = () => {
    log(
      entryWrite({
        ...base,
        id: uuidv7(),
        at: new Date().toISOString(),
        kind: 'note',
        body: { text: t`Pot of ${pot.productName} discarded: ${what}.` },
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
  const ends = verdict.potLifeMin === null ? null : mixedMs + verdict.potLifeMin * 60_000;
  return (
    <fieldset className="border-line w-full space-y-3 border-l-4 pl-3">
      <legend className="font-semibold">{t`What else is in the pot?`}</legend>
      <div className="grid gap-3 sm:grid-cols-2">
        {sheet.additives.map(({ name }) => (
          <Stepper
            key={name}
            label={t`${name} in the pot`}
            unit="ml"
            value={ml[name] ?? 0}
            step={1}
            min={0}
            max={100_000}
            onChange={(amount) => setMl({ ...ml, [name]: amount })}
          />
        ))}
        <Choice
          label={t`Also in the pot`}
          value={foreign}
          choices={FOREIGN}
          onChange={(value) => setForeign(value as Foreign)}
        />
      </div>
      {verdict.findings.map((finding) => (
        <p
          key={`${finding.code} ${finding.name}`}
          role="alert"
          className={verdict.isLost ? 'text-error font-semibold' : 'font-semibold'}
        >
          {sayContents(finding)}
        </p>
      ))}
      {verdict.isShorter && !verdict.isLost && ends !== null && (
        <p className="text-xl">
          {t`Use the pot by `}
          <strong>{sayTime(ends, zone, now)}</strong>.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {!verdict.isLost && (
          <button
            type="button"
            className="btn btn-primary target"
            disabled={verdict.changes.length === 0 || isPending}
            onClick={correct}
          >{t`Record and keep using the pot`}</button>
        )}
        <button
          type="button"
          className="btn target"
          disabled={isPending || what === ''}
          onClick={discard}
        >{t`Record and discard the pot`}</button>
        <button
          type="button"
          className="btn btn-ghost target"
          onClick={() => setOpen(false)}
        >{t`Cancel`}</button>
      </div>
    </fieldset>
  );
}
