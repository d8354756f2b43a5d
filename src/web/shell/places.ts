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
  { to: '/', name: 'Board', thumb: true },
  { to: '/plan', name: 'Plan', thumb: false },
  { to: '/materials', name: 'Materials', thumb: false },
  { to: '/weather', name: 'Weather', thumb: false },
  { to: '/reference', name: 'Reference', thumb: false },
  { to: '/yard', name: 'Settings', thumb: false },
];

/** The places in the order of the work. */
export function placesFor(boatId: string | null): PlaceGroups {
  if (boatId === null) return { yard: [...YARD], boat: [] };
  const of = (place: string) => `/boats/${boatId}/${place}`;
  return {
    yard: [...YARD],
    boat: [
      { to: of('survey'), name: 'Survey', thumb: true },
      { to: of('systems'), name: 'Systems', thumb: true },
      { to: '/bench', name: 'Bench', thumb: true },
      { to: of('log'), name: 'Record', thumb: true },
    ],
  };
}

/** Where the same place of another boat is: who looks at a survey goes on looking at surveys. */
export function sameAtBoat(pathname: string, boatId: string): string {
  const place = /^\/boats\/[^/]+\/(survey|systems|log|form|waterline|stands|findings)\b/.exec(pathname)?.[1];
  return `/boats/${boatId}/${place ?? 'survey'}`;
}
