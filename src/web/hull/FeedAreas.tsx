import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Estimate, FormView } from '../../contract/index.ts';
import { api } from '../api/client.ts';
import { useUnits } from '../units/UnitsContext.tsx';
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
  const client = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const whole = view.areas.filter((area) => area.part === null);
  const matches = whole.flatMap((area) => {
    const rivals = whole.filter((each) => each.zone === area.zone && each.side === area.side);
    const m2 = m2For(figures, area);
    // Where several areas share a part of the boat, no form can say which has how much of it.
    return m2 !== null && m2 > 0.001 && rivals.length === 1 ? [{ area, m2 }] : [];
  });
  if (whole.length === 0)
    return <p>With areas in the survey, these figures can be put beside their other ways.</p>;
  const way: Estimate['way'] = figures.source === 'mesh' ? 'mesh' : 'offsets';
  const feed = async () => {
    try {
      await api('POST', `/boats/${view.boat.id}/estimates`, {
        estimates: matches.map(({ area, m2 }) => ({
          areaId: area.id,
          way,
          areaM2: Number(m2.toFixed(4)),
          spread: figures.spread,
          basis,
        })),
      });
      await client.invalidateQueries();
      setSaid(`${matches.length} areas have it now beside their other ways.`);
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <div className="space-y-2">
      {matches.length === 0 ? (
        <p>None of the areas is a whole part of the boat that this form speaks of.</p>
      ) : (
        <>
          <p className="text-sm">
            {matches.map(({ area, m2 }) => `${area.name} ${show(m2, 'area')}`).join(', ')}.
          </p>
          <button type="button" className="btn" onClick={() => void feed()}>
            Put these beside the areas' other ways
          </button>
        </>
      )}
      {said && <p role="status">{said}</p>}
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
    </div>
  );
}
