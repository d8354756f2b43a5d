import { t } from '../../../words.ts';
import { STATES } from '../../state/states.ts';
import { useUnits } from '../../units/UnitsContext.tsx';
import type { DrawnArea, DrawnHull } from './drawn.ts';

/** The corner of the sheet: whose lines these are, her dimensions, and what the patterns mean. */
export function TitleBlock({
  boat,
  areas,
  at: [left, top],
  lengthM,
}: {
  boat: DrawnHull;
  areas: readonly DrawnArea[];
  at: readonly [number, number];
  lengthM: number;
}) {
  const { show } = useUnits();
  const { beamM, draughtM, freeboardM, lwlM } = boat.dimensions;
  const states = [...new Set(areas.map((a) => a.state))];
  const facts = [
    t`length overall ${show(lengthM, 'length')}, waterline length ${show(lwlM, 'length')}`,
    t`beam ${show(beamM, 'length')}, draught ${show(draughtM, 'length')}, freeboard ${show(freeboardM, 'length')}`,
  ];
  const rows = Math.ceil(states.length / 2);
  return (
    <g transform={`translate(${left} ${top})`} fontSize="17" fill="var(--line)">
      <rect width="400" height={112 + rows * 26} fill="none" stroke="var(--line)" strokeWidth="1.6" />
      <text x="14" y="34" fontSize="26" fontWeight="650">
        {boat.name}
      </text>
      {facts.map((fact, i) => (
        <text key={fact} x="14" y={62 + i * 24}>
          {fact}
        </text>
      ))}
      {states.map((state, i) => (
        <g key={state} transform={`translate(${14 + (i % 2) * 190} ${100 + Math.floor(i / 2) * 26})`}>
          <rect
            width="26"
            height="16"
            fill={`url(#st-${STATES[state].paint})`}
            stroke="var(--line)"
            strokeWidth="1"
          />
          <text x="34" y="14">
            {STATES[state].word}
          </text>
        </g>
      ))}
    </g>
  );
}
