import { useEffect, useRef } from 'react';
import { Link, NavLink, Outlet, ScrollRestoration, useLocation } from 'react-router';
import { useSlip, useYard } from '../api/queries.ts';
import { ConfirmProvider } from '../parts/Confirm.tsx';
import { Notices } from '../parts/Notices.tsx';
import { Patterns } from '../state/Patterns.tsx';
import { useBoatInHand } from './boatInHand.ts';
import { LeaveGuard } from './LeaveGuard.tsx';
import { QueueNotice } from './QueueNotice.tsx';

interface Place {
  to: string;
  name: string;
  /** Shown in the bar at the bottom of a phone. */
  thumb: boolean;
}

/** The places in the order of the work; those of a boat lead to a new one while the slip is empty. */
function placesFor(boatId: string | null | undefined): Place[] {
  if (boatId === undefined) return [{ to: '/', name: 'Slip', thumb: true }];
  const boat = (place: string) => (boatId ? `/boats/${boatId}/${place}` : '/boats/new');
  return [
    { to: '/', name: 'Slip', thumb: true },
    { to: boat('survey'), name: 'Survey', thumb: true },
    { to: boat('systems'), name: 'Systems', thumb: true },
    { to: '/materials', name: 'Materials', thumb: false },
    { to: '/weather', name: 'Weather', thumb: false },
    { to: '/tools', name: 'Tools', thumb: false },
    { to: '/rules', name: 'Rules', thumb: false },
    { to: '/bench', name: 'Bench', thumb: true },
    { to: boat('log'), name: 'Log', thumb: true },
  ];
}

const railLink = ({ isActive }: { isActive: boolean }) =>
  `block border-l-4 px-3 py-2 ${isActive ? 'border-primary bg-base-100 font-semibold' : 'border-transparent hover:bg-base-100'}`;

/** The frame round every place: the rail at a desk, a bar for the thumb on a phone. */
export function Shell() {
  const slip = useSlip();
  const yard = useYard();
  const kept = useBoatInHand();
  const boats = slip.data?.boats;
  const boat = boats ? (boats.find((b) => b.id === kept) ?? boats[0]) : undefined;
  // Until the boats are known, only a boat already in hand can be led to.
  const boatId = boats ? (boat?.id ?? null) : (kept ?? undefined);
  const places = placesFor(boatId);
  const { pathname } = useLocation();
  const main = useRef<HTMLElement>(null);
  const first = useRef(true);

  // After going to another place the reader is set down at its beginning, not left on the link behind.
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs for each new address
  useEffect(() => {
    if (first.current) first.current = false;
    else main.current?.focus({ preventScroll: true });
  }, [pathname]);

  return (
    <ConfirmProvider>
      <div className="bg-base-100 text-base-content min-h-dvh md:grid md:grid-cols-[11.5rem_minmax(0,1fr)]">
        <a href="#main" className="skip-link">
          To the work
        </a>
        <Patterns />
        <LeaveGuard />
        <header className="bg-base-200 border-base-300 no-print flex items-center gap-3 border-b px-3 py-2 md:sticky md:top-0 md:h-dvh md:flex-col md:items-stretch md:gap-0 md:border-r md:border-b-0 md:p-0">
          <Link to="/" className="lettered block text-lg whitespace-nowrap md:px-4 md:pt-4 md:text-xl">
            Jack Plane
          </Link>
          <p className="min-w-0 grow truncate text-sm md:grow-0 md:px-4 md:pb-3 md:whitespace-normal">
            {yard.data?.name}
            {yard.data?.demo && <span className="block font-semibold">Demo: invented data</span>}
          </p>
          <nav aria-label="Places" className="hidden md:block">
            {places.map((place, i) => (
              <div key={place.name}>
                {i === 1 && boat && (
                  <p className="label-caps mt-3 truncate px-4 pb-1" title={boat.name}>
                    {boat.name}
                  </p>
                )}
                {i === 3 && <p className="label-caps mt-3 px-4 pb-1">Yard</p>}
                {i === 7 && <p className="label-caps mt-3 px-4 pb-1">Work</p>}
                <NavLink to={place.to} end={place.to === '/'} className={railLink}>
                  {place.name}
                </NavLink>
              </div>
            ))}
          </nav>
          <Link
            to="/yard"
            className="px-2 py-2 text-sm underline underline-offset-2 md:mt-auto md:px-4 md:pb-4"
          >
            <span className="md:hidden">Display</span>
            <span className="hidden md:inline">Yard and display</span>
          </Link>
        </header>
        <main id="main" ref={main} tabIndex={-1} className="min-w-0 pb-20 outline-none md:pb-6">
          <QueueNotice />
          <Outlet />
        </main>
        <nav
          aria-label="Places"
          className="bg-base-200 border-base-300 no-print fixed inset-x-0 bottom-0 z-20 grid grid-cols-5 border-t md:hidden"
        >
          {places
            .filter((place) => place.thumb)
            .map((place) => (
              <NavLink
                key={place.name}
                to={place.to}
                end={place.to === '/'}
                className={({ isActive }) =>
                  `target flex items-center justify-center border-t-4 py-3 text-[0.95rem] ${isActive ? 'border-primary font-semibold' : 'border-transparent'}`
                }
              >
                {place.name}
              </NavLink>
            ))}
        </nav>
        <ScrollRestoration />
        <Notices />
      </div>
    </ConfirmProvider>
  );
}
