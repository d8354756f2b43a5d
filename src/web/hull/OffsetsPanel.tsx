import { useState } from 'react';
import { checkOffsets, type OffsetTable } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { BoatDrawing } from '../parts/drawing/BoatDrawing.tsx';
import { OpenFile } from '../parts/OpenFile.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { FeedAreas } from './FeedAreas.tsx';
import { figuresByOffsets, type HullFormView, type Levels } from './formFigures.ts';
import { OffsetsGrid } from './OffsetsGrid.tsx';
import { beginningGrid, fromGrid, type Grid, gridOfText } from './offsetsText.ts';
import { useOffsetsDraft } from './useOffsetsDraft.ts';

interface Props {
  view: HullFormView;
  levels: Levels;
  onSave: (offsets: OffsetTable | null) => Promise<void>;
}

type Read = { table: OffsetTable } | { problem: string };

function tryRead(grid: Grid): Read {
  try {
    const table = fromGrid(grid);
    checkOffsets(table);
    return { table };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** The table of offsets: from CSV, a spreadsheet or by hand, with the lines it draws. */
export function OffsetsPanel({ view, levels, onSave }: Props) {
  const { system } = useUnits();
  const unit = system === 'us' ? 'ft' : 'm';
  const { offsets } = view.form;
  const draft = useOffsetsDraft(offsets, unit);
  const { grid } = draft;
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const read = grid && tryRead(grid);
  const table = read && 'table' in read ? read.table : null;
  const change = (next: Grid | null) => {
    draft.change(next);
    setDone(null);
    setProblem(null);
  };
  const take = (text: string) => {
    try {
      const next = gridOfText(text);
      fromGrid(next);
      change(next);
    } catch (error) {
      setProblem(t`Couldn’t read the file. ${(error as Error).message}`);
    }
  };
  const save = async (next: OffsetTable | null) => {
    setProblem(null);
    try {
      await draft.saving(() => onSave(next));
      setDone(next ? 'Saved.' : 'Deleted.');
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const confirm = useConfirm();
  const remove = async () => {
    const text = t`Areas keep what it gave them.`;
    if (await confirm({ title: t`Delete the table of offsets?`, text, action: t`Remove` })) await save(null);
  };
  return (
    <section aria-labelledby="offsets" className="space-y-4">
      <h2 id="offsets" className="batten pb-1 text-lg">{t`Table of offsets`}</h2>
      <div className="flex flex-wrap items-center gap-2">
        <OpenFile
          label={t`Import (CSV)`}
          accept=".csv,text/csv,text/plain"
          onFile={(file) => void file.text().then(take)}
        />
        {!grid && (
          <button
            type="button"
            className="btn"
            onClick={() => change(beginningGrid(view.boat, unit))}
          >{t`Start from main dimensions`}</button>
        )}
        <a
          className="btn btn-ghost"
          href={`/api/v1/boats/${view.boat.id}/offsets.csv`}
          download
        >{t`Export hull form (CSV)`}</a>
      </div>
      {!grid && (
        <p className="max-w-prose">{t`Half-breadths of one side. Rows are stations from aft; columns are waterlines, as heights above the designed waterline. Areas are accurate to about ± 2 % (common practice).`}</p>
      )}
      {grid && (
        <>
          <OffsetsGrid grid={grid} onChange={change} />
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => change([...grid, []])}
            >{t`Add station`}</button>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => change(grid.map((row, i) => (i === 0 ? [...row, ''] : row)))}
            >{t`Add waterline`}</button>
            <button
              type="button"
              className="btn btn-sm"
              disabled={grid.length <= 3}
              onClick={() => change(grid.slice(0, -1))}
            >{t`Remove last station`}</button>
          </div>
          {read && 'problem' in read && (
            <p role="alert" className="text-error font-semibold">
              {read.problem}
            </p>
          )}
          {table && <Drawn view={view} table={table} levels={levels} />}
          {draft.overtaken && (
            <p role="status" className="text-warning flex flex-wrap items-center gap-2 font-semibold">
              {t`Someone else saved another table while you were editing. Saving overwrites that table.`}
              <button
                type="button"
                className="btn btn-sm"
                onClick={draft.takeTheirs}
              >{t`Use their version`}</button>
            </p>
          )}
          <div className="flex flex-wrap items-center gap-2">
            <button
              type="button"
              className="btn btn-primary"
              disabled={!table}
              onClick={() => void save(table)}
            >{t`Save table`}</button>
            {offsets && (
              <button
                type="button"
                className="btn btn-ghost"
                onClick={() => void remove()}
              >{t`Delete table`}</button>
            )}
          </div>
        </>
      )}
      {done && <p role="status">{done}</p>}
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
    </section>
  );
}

function Drawn({ view, table, levels }: { view: HullFormView; table: OffsetTable; levels: Levels }) {
  try {
    const figures = figuresByOffsets(table, levels, view.boat);
    return (
      <>
        <div className="board p-2">
          <BoatDrawing boat={{ ...view.boat, form: table }} areas={[]} view="sheet" detailed />
        </div>
        <FeedAreas view={view} figures={figures} basis={t`table of offsets`} />
      </>
    );
  } catch (error) {
    return (
      <p role="alert" className="text-error font-semibold">
        {(error as Error).message}
      </p>
    );
  }
}
