import { NavLink } from 'react-router';
import { t } from '../../words.ts';

const TABS = [
  ['/materials', t`Needs`],
  ['/materials/buy', t`Purchasing`],
  ['/materials/stock', t`Stock`],
  ['/materials/count', t`Stock count`],
  ['/materials/costs', t`Costs`],
  ['/materials/sheets', t`Data sheets`],
] as const;

/** The parts of the place where materials are. */
export function MaterialsTabs() {
  return (
    <nav aria-label={t`Materials`} className="no-print border-base-300 flex gap-x-1 overflow-x-auto border-b">
      {TABS.map(([to, word]) => (
        <NavLink
          key={to}
          to={to}
          end
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
