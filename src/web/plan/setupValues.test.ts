import { describe, expect, it } from 'vitest';
import { type PlanSetup, type PlanView, planSetup, strict } from '../../contract/index.ts';
import type { UnitSystem } from '../../core/units/index.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { setupToValues, valuesToSetup } from './setupValues.ts';

const id = (n: number) => `01900000-0000-7000-8000-00000000000${n}`;
const [ZONE, VERSION] = ['Europe/London', 3];
/** Two boats with work, one of them in the plan; a third that has none left, with a change of place still set. */
const setup: PlanSetup = {
  people: [
    {
      id: id(1),
      name: 'First painter',
      days: [1, 2, 5],
      fromHour: 7.5,
      toHour: 16,
      // Over the end of summer time: 01:30 comes twice on 25 October 2026.
      away: [{ from: '2026-10-24T07:00:00.000Z', to: '2026-10-26T08:00:00.000Z' }],
    },
  ],
  boats: [{ boatId: id(2), wanted: '2026-11-20T12:00:00.000Z' }],
  launchDays: [1, 3],
  launchFromHour: 9,
  launchToHour: 15,
  launchStops: [{ from: '2026-11-18T09:00:00.000Z', to: '2026-11-19T15:00:00.000Z' }],
  shedPlaces: 2,
  latePerDay: 12_500,
  tentCost: 0,
  heatPerDay: 1800,
  overtimePerHour: 650,
  placeChanges: [
    { boatId: id(2), at: '2026-11-01T08:00:00.000Z', surroundings: { kind: 'heated', setPointC: 15 } },
    { boatId: id(3), at: '2026-11-02T08:00:00.000Z', surroundings: { kind: 'open' } },
    { boatId: id(4), at: '2026-11-03T08:00:00.000Z', surroundings: { kind: 'shed' } },
  ],
  extraWork: [],
  agreed: [],
  pins: [],
  version: VERSION,
};
const view = {
  setup,
  currency: 'EUR',
  boats: [{ boatId: id(2), boatName: 'Curlew', wanted: setup.boats[0]?.wanted ?? null }],
  otherBoats: [{ boatId: id(3), boatName: 'Avocet' }],
} as unknown as PlanView;

const opened = (system: UnitSystem) => {
  const read = new FormReader(system);
  const values = setupToValues(view, ZONE, system);
  const sent = () => valuesToSetup(values, view, { zone: ZONE, version: VERSION, read });
  /** What a form that is sent is refused for, by the field that shows it. */
  const refused = async () => {
    const { body, pathInForm } = sent();
    return refusals((contract) => contract.planSetup, body, read, pathInForm);
  };
  return { read, values, sent, refused };
};

describe('the set-up of a plan', () => {
  it.each<UnitSystem>(['metric', 'us'])('opened and saved untouched in %s is the same', (system) => {
    const { read, sent } = opened(system);
    const { placeChanges = [], ...body } = sent().body;
    const { placeChanges: asBefore = [], ...rest } = setup;
    expect(body).toEqual(rest);
    const byBoat = (all: typeof asBefore) => new Map(all.map((each) => [each.boatId, each]));
    // The boat that the form does not show keeps its change.
    expect([...byBoat(placeChanges).keys()].sort()).toEqual([id(2), id(3), id(4)]);
    for (const [boatId, { at, surroundings }] of byBoat(placeChanges)) {
      const was = byBoat(asBefore).get(boatId);
      expect([at, surroundings.kind]).toEqual([was?.at, was?.surroundings.kind]);
    }
    const heated = byBoat(placeChanges).get(id(2))?.surroundings;
    expect(heated?.kind === 'heated' && heated.setPointC).toBeCloseTo(15, 6);
    expect(read.errors).toEqual([]);
    expect(planSetup.validate(sent().body, strict).error).toBeUndefined();
  });

  it('is refused where it was typed: boats stand in the form by name, and not in the order of the plan', async () => {
    const { values, refused } = opened('metric');
    const curlew = values.boats.findIndex(({ boatName }) => boatName === 'Curlew');
    expect(curlew).toBe(1);
    const [place] = values.boats[curlew]?.places ?? [];
    if (place) place.setPoint = '95';
    const [person] = values.people;
    if (person) Object.assign(person, { from: '17', to: '8' });
    if (person?.away[0]) person.away[0].to = person.away[0].from;
    const [stop] = values.launch.stops;
    if (stop) stop.to = stop.from;
    values.shedPlaces = '2.5';
    const paths = (await refused()).map(({ path }) => path);
    expect(paths.sort()).toEqual([
      'boats.1.places.0.setPoint',
      'launch.stops.0.to',
      'people.0.away.0.to',
      'people.0.to',
      'shedPlaces',
    ]);
  });

  it('a date that is none is refused at its field; the rest is read', async () => {
    const { values, sent, refused } = opened('metric');
    const [place] = values.boats[1]?.places ?? [];
    if (place) place.at = '';
    const found = await refused();
    expect(found.map(({ path }) => path)).toContain('boats.1.places.0.at');
    expect(sent().body.placeChanges?.map(({ boatId }) => boatId)).toEqual([id(3), id(4)]);
  });

  it('one boat cannot be moved twice at one moment', async () => {
    const { values, refused } = opened('metric');
    const places = values.boats[1]?.places;
    if (places?.[0]) places.push({ ...places[0], kind: 'tent' });
    expect((await refused()).map(({ path }) => path)).toEqual(['boats.1.places.1.at']);
  });
});
