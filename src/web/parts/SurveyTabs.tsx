import { NavLink } from 'react-router';
import type { Boat } from '../../contract/index.ts';
import { t } from '../../words.ts';

const TABS = [
  ['survey', t`Areas`],
  ['form', t`Hull form`],
  ['waterline', t`Waterline`],
  ['stands', t`Supports and masked items`],
  ['findings', t`Findings`],
] as const;

/** Loose parts have no hull to draw and no waterline. */
const OF_A_HULL: readonly string[] = ['form', 'waterline'];

/** The parts of a survey. */
export function SurveyTabs({ boat: { id, kind } }: { boat: Pick<Boat, 'id' | 'kind'> }) {
  const tabs = kind === 'parts' ? TABS.filter(([path]) => !OF_A_HULL.includes(path)) : TABS;
  return (
    <nav aria-label={t`Survey`} className="no-print border-base-300 flex gap-x-1 overflow-x-auto border-b">
      {tabs.map(([path, word]) => (
        <NavLink
          key={path}
          to={`/boats/${id}/${path}`}
          className={({ isActive }) =>
            `target inline-flex shrink-0 items-center border-b-4 px-3 py-2 whitespace-nowrap ${isActive ? 'border-primary font-semibold' : 'border-transparent'}`
          }
        >
          {word}
        </NavLink>
      ))}
    </nav>
  );
}
