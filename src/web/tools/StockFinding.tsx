import { useId, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { FindingInput } from '../../contract/index.ts';
import { judgeFinding } from '../../core/inspect/index.ts';
import { t } from '../../words.ts';
import { useQueued } from '../api/mutations.ts';
import { useBoard } from '../api/queries.ts';

/** Sets a tool's result down as a finding on an area, with its limit and verdict. */
export function StockFinding({
  reading,
}: {
  reading: Pick<FindingInput, 'kind' | 'value' | 'grade' | 'limit'> & { note: string };
}) {
  const board = useBoard();
  const id = useId();
  const [where, setWhere] = useState('');
  const { mutate: keep } = useQueued();
  const [finding, setSaid] = useState<string | null>(null);
  const places = (board.data?.boats ?? []).flatMap((boat) =>
    boat.areas.map((area) => ({
      boatId: boat.id,
      areaId: area.areaId,
      name: `${boat.name}: ${area.areaName}`,
    })),
  );
  const place = places.find((each) => each.areaId === where);
  const stock = () => {
    if (!place) return;
    const finding: FindingInput = {
      ...reading,
      id: uuidv7(),
      boatId: place.boatId,
      areaId: place.areaId,
      at: new Date().toISOString(),
      place: null,
      photoIds: [],
    };
    keep(
      { method: 'POST', path: '/findings', body: finding, what: 'finding' },
      { onSuccess: () => setSaid(t`Finding saved on ${place.name}: ${judgeFinding(finding).reason}`) },
    );
  };
  if (places.length === 0) return null;
  return (
    <div className="flex flex-wrap items-end gap-2">
      <div>
        <label htmlFor={id} className="label-caps block pb-1">{t`Area`}</label>
        <select id={id} className="select" value={where} onChange={(event) => setWhere(event.target.value)}>
          <option value="">{t`Choose an area`}</option>
          {places.map((each) => (
            <option key={each.areaId} value={each.areaId}>
              {each.name}
            </option>
          ))}
        </select>
      </div>
      <button
        type="button"
        className="btn"
        disabled={!place}
        onClick={() => stock()}
      >{t`Save as finding`}</button>
      {finding && <p role="status">{finding}</p>}
    </div>
  );
}

/** What a tool reckoned without a reading to judge, set down in words. */
export const StockNote = ({ note }: { note: string }) => (
  <StockFinding reading={{ kind: 'other', value: null, grade: null, limit: null, note }} />
);
