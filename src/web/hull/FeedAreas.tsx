import { useState } from 'react';
import type { Estimate, FormView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { m2For, type SourceFigures } from './formFigures.ts';

/** Puts what a form gives beside the other ways of each area it speaks of; none is chosen for the user. */
export function FeedAreas({
  view,
  figures,
  basis,
}: {
  view: FormView;
  figures: SourceFigures;
  basis: string;
}) {
  const { show } = useUnits();
  const [notice, setSaid] = useState<string | null>(null);
  const { mutate: write } = useWrite();
  const whole = view.areas.filter((area) => area.part === null);
  const matches = whole.flatMap((area) => {
    const rivals = whole.filter((each) => each.zone === area.zone && each.side === area.side);
    const m2 = m2For(figures, area);
    // Where several areas share a part of the boat, the form can’t divide it between them.
    return m2 !== null && m2 > 0.001 && rivals.length === 1 ? [{ area, m2 }] : [];
  });
  if (whole.length === 0) return <p>{t`Add areas in the survey to use these sizes there.`}</p>;
  const way: Estimate['way'] = figures.source === 'mesh' ? 'mesh' : 'offsets';
  const feed = () => {
    const estimates = matches.map(({ area, m2 }) => ({
      areaId: area.id,
      way,
      areaM2: Number(m2.toFixed(4)),
      spread: figures.spread,
      basis,
    }));
    write(
      { method: 'POST', path: `/boats/${view.boat.id}/estimates`, body: { estimates } },
      { onSuccess: () => setSaid(t`Estimate added to ${counted(matches.length, 'area')}.`) },
    );
  };
  return (
    <div className="space-y-2">
      {matches.length === 0 ? (
        <p>{t`No area in the survey matches a part of this hull form.`}</p>
      ) : (
        <>
          <p className="text-sm">
            {matches.map(({ area, m2 }) => `${area.name} ${show(m2, 'area')}`).join(', ')}.
          </p>
          <button type="button" className="btn" onClick={() => feed()}>{t`Add estimates to areas`}</button>
        </>
      )}
      {notice && <p role="status">{notice}</p>}
    </div>
  );
}
