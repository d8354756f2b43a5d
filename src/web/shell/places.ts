import { t } from '../../words.ts';
/** A place of the application and where it is. */
export interface Place {
  to: string;
  name: string;
  /** Shown in the bar at the bottom of a phone. */
  thumb: boolean;
}

/** Places grouped by what they belong to. */
export interface PlaceGroups {
  yard: Place[];
  /** Of the boat in hand; empty while the yard has none. */
  boat: Place[];
}

const YARD: readonly Place[] = [
  { to: '/', name: t`Board`, thumb: true },
  { to: '/plan', name: t`Plan`, thumb: false },
  { to: '/materials', name: t`Materials`, thumb: false },
  { to: '/weather', name: t`Weather`, thumb: false },
  { to: '/reference', name: t`Reference`, thumb: false },
  { to: '/yard', name: t`Settings`, thumb: false },
];

/** The places in the order of the work. */
export function placesFor(boatId: string | null): PlaceGroups {
  if (boatId === null) return { yard: [...YARD], boat: [] };
  const of = (place: string) => `/boats/${boatId}/${place}`;
  return {
    yard: [...YARD],
    boat: [
      { to: of('survey'), name: t`Survey`, thumb: true },
      { to: of('systems'), name: t`Systems`, thumb: true },
      { to: '/bench', name: t`Bench`, thumb: true },
      { to: of('log'), name: t`Record`, thumb: true },
    ],
  };
}

/** Where the same place of another boat is: who looks at a survey goes on looking at surveys. */
export function sameAtBoat(pathname: string, boatId: string): string {
  const place = /^\/boats\/[^/]+\/(survey|systems|log|form|waterline|stands|findings)\b/.exec(pathname)?.[1];
  return `/boats/${boatId}/${place ?? 'survey'}`;
}
