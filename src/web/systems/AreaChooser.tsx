import { NavLink } from 'react-router';
import type { AreaClock, BoatView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { StateMark } from '../state/StateMark.tsx';

interface Props {
  view: Pick<BoatView, 'boat' | 'areas' | 'clocks'>;
  selectedId: string;
}

/** The areas of a boat to choose from, each with its state. */
export function AreaChooser({ view, selectedId }: Props) {
  const clockOf = (id: string): AreaClock | undefined => view.clocks.find(({ areaId }) => areaId === id);
  return (
    <nav aria-label={t`Areas`}>
      <ul className="divide-base-300 divide-y">
        {view.areas.map(({ id, name }) => {
          const clock = clockOf(id);
          return (
            <li key={id}>
              <NavLink
                to={`/boats/${view.boat.id}/systems/${id}`}
                className={`flex min-h-12 items-center sm:min-h-9 justify-between gap-3 px-2 ${id === selectedId ? 'bg-base-300 font-semibold' : 'hover:bg-base-200'}`}
                aria-current={id === selectedId ? 'page' : undefined}
              >
                <span className="min-w-0">{name}</span>
                {clock && (
                  <span className="shrink-0 text-sm">
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
