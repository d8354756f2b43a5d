import type { PlaceChange, PlanSetup, PlanView } from '../../contract/index.ts';
import { fromMinor } from '../../core/supply/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { fromLocalField, toLocalField } from '../clock/say.ts';
import type { FormReader } from '../forms/canonical.ts';
import { minorOf } from '../forms/money.ts';

/** The plan's set-up as its form has it, and back. */

export const DAYS = [t`Mon`, t`Tue`, t`Wed`, t`Thu`, t`Fri`, t`Sat`, t`Sun`] as const;

type Kind = PlaceChange['surroundings']['kind'];

export interface SetupValues {
  people: {
    id: string;
    name: string;
    from: string;
    to: string;
    days: boolean[];
    away: { from: string; to: string }[];
  }[];
  launch: { from: string; to: string; days: boolean[]; stops: { from: string; to: string }[] };
  shedPlaces: string;
  boats: {
    boatId: string;
    boatName: string;
    isIn: boolean;
    wanted: string;
    places: { at: string; kind: Kind; setPoint: string }[];
  }[];
  late: string;
  tent: string;
  heat: string;
  overtime: string;
}

const ticked = (days: readonly boolean[]): number[] => days.flatMap((on, i) => (on ? [i + 1] : []));
export const ticks = (days: readonly number[]): boolean[] => DAYS.map((_, i) => days.includes(i + 1));

/** Every boat with work left, in the plan or not. */
export function boatValues(
  { boats, otherBoats, setup }: PlanView,
  zone: string,
  system: UnitSystem,
): SetupValues['boats'] {
  const placesOf = (id: string) =>
    (setup.placeChanges ?? [])
      .filter(({ boatId }) => boatId === id)
      .map(({ at, surroundings }) => ({
        at: toLocalField(Date.parse(at), zone),
        kind: surroundings.kind,
        setPoint:
          surroundings.kind === 'heated'
            ? fieldText(fromCanonical(surroundings.setPointC, shownUnit('temperature', system)))
            : '',
      }));
  return [
    ...boats.map(({ boatId, boatName, wanted }) => ({
      boatId,
      boatName,
      isIn: true,
      wanted: wanted ? toLocalField(Date.parse(wanted), zone) : '',
      places: placesOf(boatId),
    })),
    ...otherBoats.map((boat) => ({ ...boat, isIn: false, wanted: '', places: placesOf(boat.boatId) })),
  ].sort((a, b) => a.boatName.localeCompare(b.boatName));
}

export function setupToValues(view: PlanView, zone: string, system: UnitSystem): SetupValues {
  const { setup, currency } = view;
  const typed = (minor: number) => (minor > 0 ? String(fromMinor(minor, currency)) : '');
  const local = (at: string) => toLocalField(Date.parse(at), zone);
  return {
    people: setup.people.map(({ id, name, fromHour, toHour, days, away = [] }) => ({
      id,
      name,
      from: String(fromHour),
      to: String(toHour),
      days: ticks(days),
      away: away.map(({ from, to }) => ({ from: local(from), to: local(to) })),
    })),
    launch: {
      from: String(setup.launchFromHour),
      to: String(setup.launchToHour),
      days: ticks(setup.launchDays),
      stops: (setup.launchStops ?? []).map(({ from, to }) => ({ from: local(from), to: local(to) })),
    },
    shedPlaces: typeof setup.shedPlaces === 'number' ? fieldText(setup.shedPlaces) : '',
    boats: boatValues(view, zone, system),
    late: typed(setup.latePerDay),
    tent: typed(setup.tentCost),
    heat: typed(setup.heatPerDay),
    overtime: typed(setup.overtimePerHour),
  };
}

/** The set-up as typed, and where the form has a field of it. What cannot be read is noted at `read`. */
export function valuesToSetup(
  values: SetupValues,
  { setup, currency }: Pick<PlanView, 'setup' | 'currency'>,
  { zone, version, read }: { zone: string; version: number; read: FormReader },
): { body: PlanSetup; pathInForm: (path: string) => string } {
  const timeOf = (name: string, label: string, text: string): string | null => {
    const at = fromLocalField(text, zone);
    if (at === null) read.refuse(name, t`${label} must be a date and time`);
    return at;
  };
  const stretchOf = (name: string, [from, to]: [string, string], time: { from: string; to: string }) => {
    const [first, last] = [timeOf(`${name}.from`, from, time.from), timeOf(`${name}.to`, to, time.to)];
    return first && last ? [{ from: first, to: last }] : [];
  };
  const placeNames: string[] = [];
  const placeChanges = values.boats.flatMap(({ boatId, places }, i) =>
    places.flatMap((place, k): PlaceChange[] => {
      const name = `boats.${i}.places.${k}`;
      const at = timeOf(`${name}.at`, t`time of the change`, place.at);
      const { kind } = place;
      const surroundings =
        kind === 'heated'
          ? {
              kind,
              setPointC: read.quantity(`${name}.setPoint`, t`set point`, place.setPoint, 'temperature'),
            }
          : { kind };
      if (!at) return [];
      placeNames.push(name);
      return [{ boatId, at, surroundings }];
    }),
  );
  const shown = new Set(values.boats.map(({ boatId }) => boatId));
  const others = (setup.placeChanges ?? []).filter(({ boatId }) => !shown.has(boatId));
  const boats = values.boats
    .map((boat, i) => ({
      ...boat,
      at: boat.wanted.trim() === '' ? null : timeOf(`boats.${i}.wanted`, t`launch wanted`, boat.wanted),
      i,
    }))
    .filter(({ isIn }) => isIn);
  const body: PlanSetup = {
    people: values.people.map(({ id, name, from, to, days, away }, i) => ({
      id,
      name: name.trim(),
      days: ticked(days),
      fromHour: Number(from),
      toHour: Number(to),
      away: away.flatMap((time, k) => stretchOf(`people.${i}.away.${k}`, [t`away from`, t`back at`], time)),
    })),
    boats: boats.map(({ boatId, at }) => ({ boatId, wanted: at })),
    launchDays: ticked(values.launch.days),
    launchFromHour: Number(values.launch.from),
    launchToHour: Number(values.launch.to),
    launchStops: values.launch.stops.flatMap((time, k) =>
      stretchOf(`launch.stops.${k}`, [t`no launching from`, t`no launching until`], time),
    ),
    shedPlaces: read.optionalNumber('shedPlaces', t`boats that fit in the shed`, values.shedPlaces),
    latePerDay: minorOf(read, 'late', t`a day late`, values.late, currency),
    tentCost: minorOf(read, 'tent', 'a tent', values.tent, currency),
    heatPerDay: minorOf(read, 'heat', t`a day of heat`, values.heat, currency),
    overtimePerHour: minorOf(read, 'overtime', t`an hour of overtime`, values.overtime, currency),
    placeChanges: [...placeChanges, ...others],
    extraWork: setup.extraWork,
    agreed: setup.agreed,
    pins: setup.pins,
    version,
  };
  const boatIndex = (n: string) => boats[Number(n)]?.i ?? n;
  const pathInForm = (path: string): string =>
    path
      .replace(/^boats\.(\d+)/, (_, n) => `boats.${boatIndex(n)}`)
      .replace(/^placeChanges\.(\d+)\.surroundings.*$/, (_, n) => `${placeNames[Number(n)]}.setPoint`)
      .replace(/^placeChanges\.(\d+).*$/, (_, n) => `${placeNames[Number(n)]}.at`)
      .replace(/^people\.(\d+)$/, 'people.$1.name')
      .replace(/^people\.(\d+)\.fromHour$/, 'people.$1.from')
      .replace(/^people\.(\d+)\.toHour$/, 'people.$1.to')
      .replace(/^people\.(\d+)\.away\.(\d+)$/, 'people.$1.away.$2.to')
      .replace(/^people\.(\d+)\.days.*$/, 'people.$1.days.0')
      .replace(/^launchFromHour$/, 'launch.from')
      .replace(/^launchToHour$/, 'launch.to')
      .replace(/^launchDays.*$/, 'launch.days.0')
      .replace(/^launchStops\.(\d+)$/, 'launch.stops.$1.to')
      .replace(/^launchStops/, 'launch.stops')
      .replace(/^latePerDay$/, 'late')
      .replace(/^tentCost$/, 'tent')
      .replace(/^heatPerDay$/, 'heat')
      .replace(/^overtimePerHour$/, 'overtime');
  return { body, pathInForm };
}
