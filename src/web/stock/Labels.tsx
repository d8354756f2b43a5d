import { useState } from 'react';
import type { LotView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { Choice } from '../forms/Choice.tsx';
import { LABEL_SIZES_SAID } from './labelSizes.ts';

/** A sheet of labels for the lots that are ticked, or for a patch's keep-back. */
export function Labels({ lots, ticked }: { lots: readonly LotView[]; ticked: ReadonlySet<string> }) {
  const [size, setSize] = useState('medium');
  const patches = new Map(
    lots.flatMap(({ keptFor }) =>
      keptFor.map(({ areaId, areaName, boatName }) => [areaId, `${areaName}, ${boatName}`] as const),
    ),
  );
  const chosen = [...ticked].filter((id) => lots.some((lot) => lot.id === id));
  return (
    <section aria-labelledby="labels" className="space-y-3">
      <h2 id="labels" className="batten pb-1 text-lg">{t`Labels`}</h2>
      <div className="flex flex-wrap items-end gap-3">
        <Choice label={t`Size`} value={size} choices={LABEL_SIZES_SAID} onChange={setSize} />
        {chosen.length > 0 ? (
          <a
            className="btn btn-primary"
            target="_blank"
            rel="noreferrer"
            href={`/api/v1/labels.pdf?size=${size}&lots=${chosen.slice(0, 200).join(',')}`}
          >{t`Print labels (${chosen.length})`}</a>
        ) : (
          <p className="pb-2">{t`Select tins to print labels for.`}</p>
        )}
        {[...patches].map(([areaId, name]) => (
          <a
            key={areaId}
            className="btn h-auto max-w-full py-2 whitespace-normal"
            target="_blank"
            rel="noreferrer"
            href={`/api/v1/labels.pdf?size=${size}&areaId=${areaId}`}
          >
            {t`Print kept-back label: ${name}`}
          </a>
        ))}
      </div>
    </section>
  );
}
