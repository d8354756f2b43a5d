import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { writeSheetsCsv } from '../../contract/formats/sheetsCsv.ts';
import { type Family, typicalSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useProducts } from '../api/queries.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useMounted } from '../state/useMounted.ts';
import { counted } from '../words/counted.ts';
import { FAMILY_WORDS } from '../words/systems.ts';

const nameOf = (family: Family) => t`Typical ${FAMILY_WORDS[family]}`;

/** Sheets to begin with: a family each, every value typical and from memory until the tin confirms it. */
export function TypicalPage() {
  const products = useProducts();
  return (
    <div className="max-w-3xl space-y-4 p-3 md:p-6">
      <p>
        <Link className="link" to="/materials/sheets">{t`Materials`}</Link>
        {t` / typical sheets`}
      </p>
      <h1 className="text-2xl">{t`Typical data sheets`}</h1>
      <p>
        {t`Choose one for each coating type you need. All values are `}
        <strong>{t`typical and come from memory`}</strong>
        {t`. They are good enough for planning, and every figure that uses one is marked. Confirm the mixing ratio from the tin before you mix.`}
      </p>
      <QueryBoundary query={products}>
        {(list) => <Choice known={new Set(list.map(({ name }) => name))} />}
      </QueryBoundary>
    </div>
  );
}

function Choice({ known }: { known: ReadonlySet<string> }) {
  const navigate = useNavigate();
  const mounted = useMounted();
  const write = useWrite<{ added: number }>({ atForm: true });
  const [chosen, setChosen] = useState<ReadonlySet<Family>>(new Set());
  const families = (Object.keys(FAMILY_WORDS) as Family[]).filter((family) => !known.has(nameOf(family)));
  if (families.length === 0) return <p>{t`All typical data sheets have been added.`}</p>;
  const add = () =>
    write.mutate(
      {
        method: 'POST',
        path: '/products/csv',
        body: {
          csv: writeSheetsCsv(
            [...chosen].map((family) => ({ name: nameOf(family), sheet: typicalSheet(family) })),
          ),
        },
      },
      { onSuccess: () => mounted() && void navigate('/materials/sheets') },
    );
  return (
    <>
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {families.map((family) => (
          <li key={family}>
            <label className="flex min-h-12 cursor-pointer items-center gap-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={chosen.has(family)}
                onChange={(event) => {
                  const next = new Set(chosen);
                  if (event.target.checked) next.add(family);
                  else next.delete(family);
                  setChosen(next);
                }}
              />
              <span className="first-letter:uppercase">{FAMILY_WORDS[family]}</span>
            </label>
          </li>
        ))}
      </ul>
      {write.error && (
        <p role="alert" className="text-error font-semibold">
          {write.error.message}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-primary"
          disabled={chosen.size === 0 || write.isPending}
          onClick={add}
        >
          {write.isPending
            ? t`Adding…`
            : chosen.size === 0
              ? t`Add data sheets`
              : t`Add ${counted(chosen.size, 'data sheet')}`}
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => setChosen(new Set(families))}
        >{t`Select all`}</button>
      </div>
    </>
  );
}
