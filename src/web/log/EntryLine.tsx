import { useState } from 'react';
import type { CoatAirRecord, Entry, LoggedConditions, LogView, WorkBody } from '../../contract/index.ts';
import type { Range } from '../../core/air/index.ts';
import { figure } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { strikeWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { sayDated, sayDatedWithin } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayFailure } from '../words/airReasons.ts';
import { counted } from '../words/counted.ts';
import { FOUND_WORDS, METHOD_WORDS, sayTask, WAY_OFF_WORDS } from '../words/systems.ts';
import { CorrectCoat } from './CorrectCoat.tsx';
import { BatchText, ProgressText, SessionText } from './EntryTexts.tsx';

interface Props {
  entry: Entry;
  view: LogView;
  zone: string;
}

/** One entry of the log. Struck through once another took its place; never gone. */
export function EntryLine({ entry, view, zone }: Props) {
  const [doing, setDoing] = useState<'correct' | 'strike' | null>(null);
  const gone = entry.correctedBy !== null;
  const by = gone ? view.entries.find((e) => e.id === entry.correctedBy) : undefined;
  return (
    <div className="py-2">
      <div className="grid gap-x-4 md:grid-cols-[12rem_minmax(0,1fr)_auto]">
        <p className="font-semibold">{sayDated(entry.at, zone)}</p>
        <div className={gone ? 'line-through opacity-80' : ''}>
          <EntryText entry={entry} view={view} zone={zone} />
        </div>
        {!gone && entry.kind !== 'strike' && (
          <p className="no-print flex gap-1">
            {entry.kind === 'coat' && (
              <button
                type="button"
                className="btn btn-sm"
                onClick={() => setDoing(doing === 'correct' ? null : 'correct')}
              >{t`Correct entry`}</button>
            )}
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              onClick={() => setDoing(doing === 'strike' ? null : 'strike')}
            >{t`Void entry`}</button>
          </p>
        )}
      </div>
      {by && (
        <p className="text-sm md:pl-[13rem]">
          {by.kind === 'strike'
            ? t`Voided ${sayDated(by.recordedAt, zone)}: ${by.body.reason}`
            : t`Corrected ${sayDated(by.recordedAt, zone)}`}
        </p>
      )}
      {entry.corrects && entry.kind !== 'strike' && (
        <p className="text-sm md:pl-[13rem]">{t`Replaces an earlier entry.`}</p>
      )}
      {doing === 'correct' && entry.kind === 'coat' && (
        <div className="board my-2 p-3">
          <CorrectCoat entry={entry} zone={zone} onDone={() => setDoing(null)} />
        </div>
      )}
      {doing === 'strike' && <StrikeOut entry={entry} onDone={() => setDoing(null)} />}
    </div>
  );
}

const OUTCOME_WORDS: Record<WorkBody['outcome'], string> = {
  done: t`Done`,
  faults: t`Faults found`,
  strewn: t`Strewn`,
};

const SOURCE_WORDS: Record<CoatAirRecord['source'], string> = {
  typed: t`measured at the boat`,
  measured: t`from the weather data`,
  forecast: t`from the forecast`,
  filled: t`gap filled in`,
  simulated: 'simulated',
};

/** The air of the hours in which a coat was applied, and what in it the sheet did not allow. */
function CoatAir({ entry, zone }: { entry: Extract<Entry, { kind: 'coat' }>; zone: string }) {
  const { show } = useUnits();
  const { air, body } = entry;
  if (!air && !body.conditions) return <span className="block text-sm">{t`Air: not recorded`}</span>;
  const temps = ({ min, max }: Range) => {
    const [low, high] = [show(min, 'temperature'), show(max, 'temperature')];
    return low === high ? low : `${low.replace(/\s*°[CF]$/, '')}–${high}`;
  };
  if (!air) {
    const { airC, rh, surfaceC, source } = body.conditions as LoggedConditions;
    return (
      <span className="block text-sm">
        {t`Air ${show(airC, 'temperature')}, RH ${Math.round(rh * 100)} %`}
        {surfaceC !== null && <>{t`, surface ${show(surfaceC, 'temperature')}`}</>}
        {t` (${SOURCE_WORDS[source]}, when it was logged)`}
      </span>
    );
  }
  const [low, high] = [Math.round(air.rh.min * 100), Math.round(air.rh.max * 100)];
  return (
    <span className="block text-sm">
      {t`Air ${temps(air.airC)}, RH ${low === high ? low : `${low}–${high}`} % (${SOURCE_WORDS[air.source]})`}
      {air.surfaceC &&
        t`, surface ${temps(air.surfaceC)}${air.surface === 'estimated' ? ' (estimated)' : ''}`}
      {air.failures.length > 0 && (
        <span className="text-error block font-semibold">
          {t`Outside the limits: ${air.failures
            .map((failure) => `${sayDatedWithin(failure.at, entry.at, zone)} ${sayFailure(failure, show)}`)
            .join('; ')}`}
        </span>
      )}
    </span>
  );
}

function EntryText({ entry, view, zone }: Props) {
  const { show } = useUnits();
  const name = (id: string) => view.products[id]?.name ?? t`unknown product`;
  switch (entry.kind) {
    case 'coat': {
      const { body } = entry;
      const film = view.films[entry.id] ?? null;
      const removedAt = view.removedAt[entry.id];
      return (
        <>
          <strong>{t`${name(body.productId)}, coat ${body.coatNo + 1}`}</strong>
          {t`${body.colour && `, ${body.colour}`}: ${show(body.litres, 'volume')} on ${show(body.areaM2, 'area')} by ${METHOD_WORDS[body.method].toLowerCase()}`}
          {body.by && ` (${body.by})`}
          {film !== null && <>{t`, ${show(film, 'film')} dry film (from litres used)`}</>}
          {t`, finished ${sayDatedWithin(body.endedAt, entry.at, zone)}`}
          {removedAt && <strong className="block">{t`Removed ${sayDated(removedAt, zone)}`}</strong>}
          <CoatAir entry={entry} zone={zone} />
          {body.note && <span className="block text-sm">{body.note}</span>}
        </>
      );
    }
    case 'batch':
      return <BatchText body={entry.body} name={name(entry.body.productId)} />;
    case 'batch-end':
      return (
        <>
          {t`Pot ${entry.body.fate === 'emptied' ? t`used up` : 'discarded'}`}
          {(entry.body.usedL ?? 0) > 0 && t`, ${show(entry.body.usedL ?? 0, 'volume')} of it applied`}
        </>
      );
    case 'tape':
      return (
        <>
          {entry.body.on ? t`Tape on` : t`Tape off`}: {entry.body.name}
        </>
      );
    case 'blast':
      return <>{t`Blasted bare; prime within ${figure(entry.body.holdsHours)} h`}</>;
    case 'removal': {
      const { toGround, coats, way, grit, reason } = entry.body;
      const what = toGround ? t`all coats, down to the substrate` : counted(coats.length, 'coat');
      return (
        <>
          {WAY_OFF_WORDS[way]}: {what}
          {grit !== null && t`, ${grit} grit`}
          <span className="block text-sm">{reason}</span>
        </>
      );
    }
    case 'work':
      return (
        <>
          {OUTCOME_WORDS[entry.body.outcome]}: {sayTask(entry.body)}
          {entry.body.aggregate && (
            <span className="block text-sm">
              {t`${show(entry.body.aggregate.strewnKg, 'mass')} strewn`}
              {entry.body.aggregate.sweptBackKg !== null &&
                t`, ${show(entry.body.aggregate.sweptBackKg, 'mass')} swept back`}
            </span>
          )}
          {entry.body.remark && <span className="block text-sm">{entry.body.remark}</span>}
        </>
      );
    case 'hand-test':
      return (
        <>
          {t`Hand test: ${FOUND_WORDS[entry.body.found]}${entry.body.place && `, ${entry.body.place}`}`}
          {entry.body.note && <span className="block text-sm">{entry.body.note}</span>}
        </>
      );
    case 'progress':
      return <ProgressText body={entry.body} />;
    case 'session':
      return <SessionText body={entry.body} view={view} />;
    case 'round':
      return <>{t`Another coat added ${entry.body.reason && `: ${entry.body.reason}`}`}</>;
    case 'note':
      return <>{entry.body.text}</>;
    case 'strike':
      return <>{t`Voided an entry: ${entry.body.reason}`}</>;
  }
}

function StrikeOut({ entry, onDone }: { entry: Entry; onDone: () => void }) {
  const [reason, setReason] = useState('');
  const { mutate: log } = useQueued();
  const strike = () =>
    log(strikeWrite(entry.areaId, entry.id, reason.trim()), {
      onSuccess: onDone,
    });
  return (
    <form
      className="board my-2 flex flex-wrap items-end gap-2 p-3"
      onSubmit={(event) => {
        event.preventDefault();
        strike();
      }}
    >
      <label className="grow">
        <span className="label-caps block pb-1">{t`Reason (the entry stays readable)`}</span>
        <input className="input w-full" value={reason} onChange={(event) => setReason(event.target.value)} />
      </label>
      <button
        type="submit"
        className="btn btn-primary"
        disabled={reason.trim() === ''}
      >{t`Void entry`}</button>
      <button type="button" className="btn btn-ghost" onClick={onDone}>{t`Cancel`}</button>
    </form>
  );
}
