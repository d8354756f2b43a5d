import { NavLink } from 'react-router';

const TABS = [
  ['survey', 'Areas'],
  ['form', 'Hull form'],
  ['waterline', 'Waterline'],
  ['stands', 'Supports and masked items'],
  ['findings', 'Findings'],
] as const;

/** The parts of a survey. */
export function SurveyTabs({ boatId }: { boatId: string }) {
  return (
    <nav aria-label="Survey" className="no-print border-base-300 flex gap-x-1 overflow-x-auto border-b">
      {TABS.map(([path, word]) => (
        <NavLink
          key={path}
          to={`/boats/${boatId}/${path}`}
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
