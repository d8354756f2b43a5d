import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { MovementsView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useMovements } from '../api/supplyQueries.ts';
import { sayTime } from '../clock/say.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { MOVEMENT_WORDS, sayAmount, sayPart } from '../words/supply.ts';

const FIRST = 15;

/** Stock movements, newest first; those entered by hand can be voided. */
export function Movements({ zone, now }: { zone: string; now: number }) {
  const query = useMovements();
  return (
    <section aria-labelledby="movements" className="space-y-3">
      <div className="batten flex flex-wrap items-baseline justify-between gap-2 pb-1">
        <h2 id="movements" className="text-lg">{t`Stock movements`}</h2>
        <a className="btn btn-sm btn-ghost" href="/api/v1/movements.csv" download>{t`Export (CSV)`}</a>
      </div>
      <QueryBoundary query={query}>{(view) => <List view={view} zone={zone} now={now} />}</QueryBoundary>
    </section>
  );
}

function List({ view, zone, now }: { view: MovementsView; zone: string; now: number }) {
  const { show } = useUnits();
  const [all, setAll] = useState(false);
  const write = useWrite();
  const shown = view.movements.filter(({ kind }) => kind !== 'void').slice(0, all ? undefined : FIRST);
  if (shown.length === 0) return <p>{t`No movements yet.`}</p>;
  return (
    <>
      <ul className="space-y-2">
        {shown.map((each) => {
          const gone = each.correctedBy !== null;
          const what = `${each.productName}, ${sayPart(each.part, each.colour)}`;
          return (
            <li key={each.id} className="flex flex-wrap items-baseline justify-between gap-x-4">
              <span className={gone ? 'line-through opacity-70' : ''}>
                {sayTime(each.at, zone, now)}: {what} {MOVEMENT_WORDS[each.kind]}
                {each.kind !== 'opened' && <strong> {sayAmount(show, each.amount, each.unit)}</strong>}
                {each.entryId !== null && t` by a batch`}
                {each.note !== '' && `: ${each.note}`}
              </span>
              {gone ? (
                <span className="text-sm">{t`voided`}</span>
              ) : (
                each.entryId === null && (
                  <button
                    type="button"
                    className="btn btn-sm btn-ghost"
                    aria-label={t`Void movement: ${what} ${MOVEMENT_WORDS[each.kind]}`}
                    onClick={() =>
                      write.mutate({
                        method: 'POST',
                        path: '/movements',
                        body: { id: uuidv7(), lotId: each.lotId, kind: 'void', amount: 0, at: new Date().toISOString(), areaId: null, note: '', corrects: each.id }, // biome-ignore format: one line
                      })
                    }
                  >{t`Void`}</button>
                )
              )}
            </li>
          );
        })}
      </ul>
      {!all && view.movements.length > FIRST && (
        <button type="button" className="btn btn-sm" onClick={() => setAll(true)}>{t`Show more`}</button>
      )}
      {all && view.more && <p className="text-sm">{t`Older movements are in the CSV export.`}</p>}
    </>
  );
}
