import { NavLink } from 'react-router';
import type { AreaClock, BoatView } from '../../contract/index.ts';
import { StateMark } from '../state/StateMark.tsx';

interface Props {
  view: Pick<BoatView, 'boat' | 'areas' | 'clocks'>;
  selectedId: string;
}

/** The areas of a boat to choose from: side by side at a desk, on a phone a list with the state of each. */
export function AreaChooser({ view, selectedId }: Props) {
  const clockOf = (id: string): AreaClock | undefined => view.clocks.find(({ areaId }) => areaId === id);
  return (
    <nav aria-label="Areas">
      <ul className="divide-base-300 divide-y sm:flex sm:flex-wrap sm:content-start sm:gap-2 sm:divide-y-0">
        {view.areas.map(({ id, name }) => {
          const clock = clockOf(id);
          return (
            <li key={id}>
              <NavLink
                to={`/boats/${view.boat.id}/systems/${id}`}
                className={`flex min-h-12 items-center justify-between gap-3 px-2 sm:btn sm:btn-sm ${id === selectedId ? 'max-sm:bg-base-300 font-semibold sm:btn-neutral' : ''}`}
                aria-current={id === selectedId ? 'page' : undefined}
              >
                {name}
                {clock && (
                  <span className="sm:hidden">
                    <StateMark state={clock.state} />
                  </span>
                )}
              </NavLink>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
