import type { Area, HeatView, OtherPlaceView } from '../../contract/index.ts';
import {
  cubeAreaM2,
  heatedAirC,
  heaterWarmsK,
  heatingCost,
  heatLossWPerK,
  heatNeededW,
  movedTo,
  SHELL_DEFAULTS,
  type ShellKind,
  type Surroundings,
  thermostatKWh,
  warmUpHours,
} from '../../core/air/index.ts';
import {
  byLearnedPace,
  type CoatSpan,
  HOUR_MS,
  type Next,
  type TempSeries,
  takesCoat,
  windowsFor,
} from '../../core/cure/index.ts';
import { type SurfacePlace, tempsFor } from '../air/surfaces.ts';
import { type CoatToApply, coatUnder } from './coatUnder.ts';

/** What a tent or a heated space would hold, and what heats it. */
export interface Inside {
  /** Set point of the heater, °C, and its power, W. */
  heatC: number;
  watts: number;
  /** What keeps the space from the outside; the rest by its usual figures where nobody said. */
  shell: ShellKind;
  outsideM2: number | null;
  airChangesPerH: number | null;
  /** Water given off by washing, wet blasting or what dries after them, and the air it goes into. */
  litresPerH: number;
  roomM3: number;
}

/** The film below the coat, and the coat after it. */
export interface AboutCoat {
  /** Until when the film below takes it without sanding, ms; null: no such end. */
  freshUntilMs: number | null;
  /** When the film below takes the coat if its temperatures are these. */
  spansIn: (temps: TempSeries) => CoatSpan[];
  /** What comes after the coat; null: nothing that is known. */
  next: Next | null;
}

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
/** Where nothing says until when it is heated, the coldest hour of this long is what the heat must hold against. */
const NIGHT_AND_DAY_MS = 24 * HOUR_MS;

const HULLS: Partial<Record<Area['substrate'], ShellKind>> = {
  steel: 'hull-metal',
  aluminium: 'hull-metal',
  'stainless-bronze': 'hull-metal',
  timber: 'hull-timber',
  'timber-epoxy': 'hull-timber',
};

/** What usually keeps an area's heated space from the outside: inside the boat her skin, in a shed its boards, else a tent. */
export function usualShell({
  service,
  substrate,
  surroundings,
}: Pick<Area, 'service' | 'substrate' | 'surroundings'>): ShellKind {
  if (service === 'interior' || service === 'bilge' || service === 'tank')
    return HULLS[substrate] ?? 'hull-grp';
  return surroundings.kind === 'shed' || surroundings.kind === 'heated' ? 'shed-boards' : 'tent';
}

const spaceOf = ({ shell, roomM3, outsideM2, airChangesPerH }: Inside) => ({
  areaM2: outsideM2 ?? cubeAreaM2(roomM3),
  uWPerM2K: SHELL_DEFAULTS[shell].uWPerM2K,
  volumeM3: roomM3,
  airChangesPerH: airChangesPerH ?? SHELL_DEFAULTS[shell].airChangesPerH,
});

/** What could be done about the surroundings: a cover over what stands in the open, a heater under or without one. */
export function otherPlacesFor(surroundings: Surroundings, inside: Inside): Surroundings[] {
  const warmsK = Math.floor(100 * heaterWarmsK({ ...spaceOf(inside), watts: inside.watts })) / 100;
  return [
    ...(surroundings.kind === 'open' || surroundings.kind === 'shaded' ? [{ kind: 'tent' } as const] : []),
    { kind: 'heated', setPointC: inside.heatC, warmsK },
  ];
}

/** When the coat after this one may go on, this one applied from `startMs` on. */
function nextFrom(coat: CoatToApply, next: Next | null, temps: TempSeries, startMs: number, endMs: number) {
  if (!next) return null;
  const film = {
    laidFromMs: startMs,
    laidToMs: endMs,
    sheet: coat.sheet.cure,
    ...byLearnedPace(coat.pace),
  };
  const { segments } = windowsFor({ film, next, temps, now: endMs });
  const known = segments.filter(({ state }) => state !== 'not-stated');
  return takesCoat({ segments: known, now: endMs, sandableMs: null, sandFirst: false })[0]?.fromMs ?? null;
}

/** Heat that is needed against heat that is given, and what it takes in kilowatt hours until then; null: nothing is known of the air. */
function heatView(
  coat: CoatToApply,
  inside: Inside,
  surroundings: Extract<Surroundings, { kind: 'heated' }>,
  untilMs: number | null,
): HeatView | null {
  const space = spaceOf(inside);
  const { watts, heatC, shell } = inside;
  const lastMs = untilMs ?? coat.now + NIGHT_AND_DAY_MS;
  const hours = coat.air.hours.filter(({ at }) => at > coat.now - HOUR_MS && at <= lastMs + HOUR_MS);
  // The weather data ends before now: nothing is known of the cold outside.
  if (hours.length === 0) return null;
  const outside = hours.map(({ airC }) => airC);
  const coldestC = Math.min(...outside);
  const spans = [
    ...hours.filter(({ at }) => at > coat.now && at < lastMs),
    { at: lastMs, airC: hours.at(-1)?.airC ?? coldestC },
  ];
  const known = [{ at: coat.now, airC: hours[0]?.airC ?? coldestC }, ...spans];
  return {
    shell,
    ...space,
    watts,
    lossWPerK: heatLossWPerK(space),
    warmsK: surroundings.warmsK ?? 0,
    coldestOutsideC: coldestC,
    coldestInsideC: heatedAirC(coldestC, surroundings),
    neededW: heatNeededW({ ...space, warmerK: Math.max(0, heatC - coldestC) }),
    warmUpH: 3 * warmUpHours({ ...space, storeKJPerM2K: SHELL_DEFAULTS[shell].storeKJPerM2K }),
    until: iso(untilMs),
    kWhLikely: untilMs === null ? null : thermostatKWh({ ...space, watts, setPointC: heatC, hours: known }),
    kWhMost:
      untilMs === null ? null : heatingCost({ watts, fromMs: coat.now, toMs: untilMs, pricePerKWh: 0 }).kWh,
  };
}

/** From when the coat would pass in other surroundings, when it would be safe, when the next may go on, and what heat it takes. */
export function otherPlaceView(
  coat: CoatToApply,
  place: SurfacePlace,
  other: Surroundings,
  inside: Inside,
  about: AboutCoat,
): OtherPlaceView {
  const { now, air } = coat;
  // Put up now: rain that has fallen is still on it, and it warms up from what it is. From the next whole hour on, since rain is known
  // by the hour: that of the present hour may have fallen already.
  const elsewhere = { ...place, ...movedTo(place, other, Math.ceil(now / HOUR_MS) * HOUR_MS) };
  const temps = tempsFor(air, elsewhere);
  const { litresPerH, roomM3 } = inside;
  const { airChangesPerH } = spaceOf(inside);
  const { applyMs, safeAfter, starts } = coatUnder(
    { ...coat, spans: about.spansIn(temps), inside: { litresPerH, roomM3, airChangesPerH } },
    elsewhere,
  );
  const startMs = starts().stretches[0]?.fromMs ?? null;
  const endMs = startMs === null ? null : startMs + applyMs;
  const safeMs = endMs === null ? null : safeAfter(endMs);
  const nextMs =
    startMs === null || endMs === null ? null : nextFrom(coat, about.next, temps, startMs, endMs);
  return {
    surroundings:
      other.kind === 'heated' ? { kind: 'heated', setPointC: other.setPointC } : { kind: other.kind },
    start: iso(startMs),
    safe: iso(safeMs),
    next: iso(nextMs),
    heat: other.kind === 'heated' ? heatView(coat, inside, other, nextMs ?? safeMs) : null,
  };
}
