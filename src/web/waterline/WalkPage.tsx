import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { BoatView, Waterline } from '../../contract/index.ts';
import type { LineSide, MadeMark, SheetRow } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { useBoat, useWaterline } from '../api/boatQueries.ts';
import { useQueued } from '../api/mutations.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { type HeightUnit, heightUnit, sayHeight } from './heights.ts';
import { tryStrike } from './strikeView.ts';

/** Along the hull with the phone, station by station: what to mark in large figures, and what was read taken down. */
export function WalkPage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  const line = useWaterline(boatId);
  return (
    <QueryBoundary query={boat}>
      {(view) => (
        <QueryBoundary query={line}>{(plan) => <Walk key={boatId} view={view} plan={plan} />}</QueryBoundary>
      )}
    </QueryBoundary>
  );
}

function Walk({ view, plan }: { view: BoatView; plan: Waterline }) {
  const { boat } = view;
  const { system, show } = useUnits();
  const unit = heightUnit(system);
  const [side, setSide] = useState<LineSide>('port');
  const [index, setIndex] = useState(0);
  const { mutate: send } = useQueued();
  // The sheet as saved: marks taken on the way are not to move what is still to be marked.
  const result = tryStrike(view, plan);
  if (!('line' in result)) {
    return (
      <div className="space-y-4 p-4">
        <h1 className="text-2xl">{t`No waterline yet`}</h1>
        <p>{result.problem}.</p>
        <Link className="btn btn-primary" to={`/boats/${boat.id}/waterline`}>{t`Go to reference marks`}</Link>
      </div>
    );
  }
  const rows = result.line.sheet.filter((row) => row.side === side);
  const row = rows[Math.min(index, rows.length - 1)];
  if (!row) return <p className="p-4">{t`The line doesn’t meet the hull on the ${side} side.`}</p>;
  const mark = plan.madeMarks.find((each) => each.side === side && Math.abs(each.xM - row.xM) < 1e-6);
  const step = (by: number) => setIndex(Math.min(rows.length - 1, Math.max(0, index + by)));
  return (
    <div className="mx-auto flex max-w-lg flex-col gap-4 p-3">
      <div className="flex items-baseline justify-between gap-3">
        <h1 className="text-xl">{t`${boat.name}: mark the waterline`}</h1>
        <Link className="link py-2" to={`/boats/${boat.id}/waterline`}>{t`Waterline`}</Link>
      </div>
      <fieldset className="join w-full">
        <legend className="sr-only">{t`Side`}</legend>
        {(['port', 'starboard'] as const).map((each) => (
          <button
            key={each}
            type="button"
            className={`btn target join-item grow ${side === each ? 'btn-neutral' : ''}`}
            aria-pressed={side === each}
            onClick={() => setSide(each)}
          >
            {each === 'port' ? t`Port` : t`Starboard`}
          </button>
        ))}
      </fieldset>
      <p className="text-lg" aria-live="polite">
        {t`Station ${index + 1} of ${rows.length}: `}
        <strong>{show(row.xM, 'length')}</strong>
        {t` from aft`}
      </p>
      <Figures row={row} unit={unit} />
      <ReadMark
        key={`${side}${row.xM}`}
        row={row}
        mark={mark}
        unit={unit}
        onTake={(readingMm) => {
          const marks = [{ id: uuidv7(), side, xM: row.xM, readingMm }];
          send({ method: 'POST', path: `/boats/${boat.id}/made-marks`, body: { marks }, what: t`hull mark` });
          step(1);
        }}
      />
      <div className="grid grid-cols-2 gap-3">
        <button
          type="button"
          className="btn btn-xl target"
          disabled={index === 0}
          onClick={() => step(-1)}
        >{t`Back`}</button>
        <button
          type="button"
          className="btn btn-xl target"
          disabled={index >= rows.length - 1}
          onClick={() => step(1)}
        >{t`Next`}</button>
      </div>
    </div>
  );
}

function Figures({ row, unit }: { row: SheetRow; unit: HeightUnit }) {
  const figures: [string, number, boolean][] = [
    [t`Above the datum`, row.aboveDatumMm, true],
    [t`Below the sheer (vertical)`, row.belowSheerMm, false],
    [t`Below the sheer (along skin)`, row.belowSheerSkinMm, false],
  ];
  return (
    <dl className="border-line space-y-2 border-y-2 py-3">
      {figures.map(([word, mm, first]) => (
        <div key={word} className="flex items-baseline justify-between gap-3">
          <dt>{word}</dt>
          <dd className={`big-figure ${first ? 'text-6xl' : 'text-3xl'}`}>
            {sayHeight(mm, unit)} <span className="text-lg">{unit.symbol}</span>
          </dd>
        </div>
      ))}
    </dl>
  );
}

function ReadMark({
  row,
  mark,
  unit,
  onTake,
}: {
  row: SheetRow;
  mark: MadeMark | undefined;
  unit: HeightUnit;
  onTake: (readingMm: number) => void;
}) {
  const [reading, setReading] = useState(
    Number(((mark?.readingMm ?? row.aboveDatumMm) / unit.mm).toFixed(unit.digits)),
  );
  const off = reading * unit.mm - row.aboveDatumMm;
  return (
    <section aria-label={t`Your mark`} className="space-y-2">
      <Stepper
        label={t`Height of your mark above the datum`}
        value={reading}
        unit={unit.symbol}
        step={unit.mm === 1 ? 1 : 0.05}
        min={-20_000}
        max={20_000}
        onChange={setReading}
      />
      <p>
        {Math.abs(off) < 0.5 * unit.mm * 10 ** -unit.digits
          ? t`On the line.`
          : t`${sayHeight(Math.abs(off), unit)} ${unit.symbol} ${off > 0 ? t`above` : t`below`} the line.`}
        {mark && t` Recorded.`}
      </p>
      <button
        type="button"
        className="btn btn-primary btn-xl target w-full"
        onClick={() => onTake(reading * unit.mm)}
      >
        {mark ? t`Record again` : t`Record mark`}
      </button>
    </section>
  );
}
