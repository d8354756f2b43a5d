import { BookOpen, ChevronsUpDown, Menu, Search } from 'lucide-react';
import { Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { Link, NavLink, Outlet, ScrollRestoration, useLocation } from 'react-router';
import { t } from '../../words.ts';
import { useBoard, useYard } from '../api/queries.ts';
import { ConfirmProvider } from '../parts/Confirm.tsx';
import { lazyPart } from '../parts/lazyPart.tsx';
import { Notices } from '../parts/Notices.tsx';
import { useBoatInHand } from '../state/boatInHand.ts';
import { Patterns } from '../state/Patterns.tsx';
import { LeaveGuard } from './LeaveGuard.tsx';
import { type Place, placesFor } from './places.ts';
import { QueueNotice } from './QueueNotice.tsx';
import { useFindKey } from './useFindKey.ts';
import { usePageTitle } from './usePageTitle.ts';

/** Fetched after the page. */
const WindowNotices = lazyPart(async () => (await import('./WindowNotices.tsx')).WindowNotices);
/** Fetched when first opened. */
const WordsHere = lazyPart(async () => (await import('./WordsHere.tsx')).WordsHere);
const FindAnything = lazyPart(async () => (await import('./FindAnything.tsx')).FindAnything);

const railLink = ({ isActive }: { isActive: boolean }) =>
  `block border-l-4 px-3 py-2 ${isActive ? 'border-primary bg-base-100 font-semibold' : 'border-transparent hover:bg-base-100'}`;

function PlaceLinks({ places }: { places: readonly Place[] }) {
  return places.map((place) => (
    <NavLink key={place.name} to={place.to} end={place.to === '/'} className={railLink}>
      {place.name}
    </NavLink>
  ));
}

/** The boat whose places are led to, always there; a tap looks for another one. */
function BoatInHand({ boat, onSwitch }: { boat: { name: string } | undefined; onSwitch: () => void }) {
  if (!boat) return null;
  return (
    <button
      type="button"
      className="btn btn-sm target max-w-[34vw] min-w-0 shrink justify-between font-semibold md:mx-3 md:max-w-none"
      onClick={onSwitch}
    >
      <span className="sr-only">{t`Switch boat. Current boat: `}</span>
      <span className="truncate">{boat.name}</span>
      <ChevronsUpDown size={16} aria-hidden="true" />
    </button>
  );
}

/** The frame round every place: the rail at a desk, a bar for the thumb on a phone. */
export function Shell() {
  const board = useBoard();
  const yard = useYard();
  const boats = board.data?.boats;
  const kept = useBoatInHand(boats);
  const boat = boats ? (boats.find((b) => b.id === kept) ?? boats[0]) : undefined;
  // Until the boats are known, only a boat already in hand can be led to.
  const boatId = boats ? (boat?.id ?? null) : kept;
  const places = placesFor(boatId);
  const { pathname } = useLocation();
  const main = useRef<HTMLElement>(null);
  const first = useRef(true);
  const [finding, setFinding] = useState(false);
  const [explaining, setExplaining] = useState(false);
  const early = useRef<string | null>(null);
  const find = useCallback(() => {
    early.current ??= '';
    setFinding(true);
  }, []);
  useFindKey(find, early);
  usePageTitle(board.data?.boats);

  // After going to another place the reader is set down at its beginning, not left on the link behind.
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs for each new address
  useEffect(() => {
    if (first.current) first.current = false;
    else main.current?.focus({ preventScroll: true });
  }, [pathname]);

  return (
    <ConfirmProvider>
      <div className="bg-base-100 text-base-content min-h-dvh md:not-print:grid md:not-print:grid-cols-[11.5rem_minmax(0,1fr)]">
        <a href="#main" className="skip-link">{t`Skip to content`}</a>
        <Patterns />
        <LeaveGuard />
        <header className="bg-base-200 border-base-300 no-print flex items-center gap-1 border-b px-3 py-2 md:sticky md:top-0 md:h-dvh md:flex-col md:items-stretch md:gap-0 md:border-r md:border-b-0 md:p-0">
          <Link
            to="/"
            className="lettered block text-lg whitespace-nowrap md:px-4 md:pt-4 md:text-xl"
          >{t`Jack Plane`}</Link>
          <p className="hidden min-w-0 text-sm sm:block sm:grow sm:truncate md:grow-0 md:px-4 md:pb-3 md:whitespace-normal">
            {yard.data?.name}
            {yard.data?.demo && <span className="block font-semibold">{t`Demo: invented data`}</span>}
          </p>
          <BoatInHand boat={boat} onSwitch={find} />
          <button
            type="button"
            className="btn btn-ghost btn-square target ml-auto md:hidden"
            aria-label={t`Glossary for this page`}
            onClick={() => setExplaining(true)}
          >
            <BookOpen size={20} aria-hidden="true" />
          </button>
          <button type="button" className="btn btn-ghost target md:hidden" onClick={find}>
            <Menu size={22} aria-hidden="true" />
            {t`Menu`}
          </button>
          <nav aria-label={t`Main menu`} className="hidden md:flex md:grow md:flex-col">
            <PlaceLinks places={places.boat} />
            <p className="label-caps mt-3 px-4 pb-1">{t`Yard`}</p>
            <PlaceLinks places={places.yard} />
          </nav>
          <button
            type="button"
            className="btn btn-ghost hidden justify-start md:mx-2 md:mb-3 md:flex"
            onClick={find}
          >
            <Search size={18} aria-hidden="true" />
            {t`Search`}
            <kbd className="kbd kbd-sm ml-auto">/</kbd>
          </button>
          <button
            type="button"
            className="btn btn-ghost hidden justify-start md:mx-2 md:mb-3 md:flex"
            onClick={() => setExplaining(true)}
          >
            <BookOpen size={18} aria-hidden="true" />
            {t`Glossary`}
          </button>
        </header>
        <main id="main" ref={main} tabIndex={-1} className="min-w-0 pb-20 outline-none md:pb-6 print:pb-0">
          <QueueNotice />
          <Suspense fallback={null}>
            <WindowNotices />
          </Suspense>
          <Outlet />
        </main>
        <nav
          aria-label={t`Main menu`}
          className="bg-base-200 border-base-300 no-print fixed inset-x-0 bottom-0 z-20 grid grid-cols-5 border-t md:hidden"
        >
          {[...places.yard, ...places.boat]
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
        {finding && (
          <Suspense fallback={null}>
            <FindAnything
              places={places}
              early={early}
              onClose={() => {
                early.current = null;
                setFinding(false);
              }}
            />
          </Suspense>
        )}
        {explaining && (
          <Suspense fallback={null}>
            <WordsHere onClose={() => setExplaining(false)} />
          </Suspense>
        )}
        <ScrollRestoration />
        <Notices />
      </div>
    </ConfirmProvider>
  );
}
