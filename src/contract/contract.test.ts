import type Joi from 'joi';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { aBoat, aCoat, anArea, aProduct, aStep, NOON } from '../../test/examples.ts';
import { METHODS } from '../core/film/index.ts';
import { BOAT_KINDS, ZONES } from '../core/hull/index.ts';
import { FAMILIES, SUBSTRATES } from '../core/system/index.ts';
import {
  areaInput,
  boatInput,
  type EntryInput,
  entryInput,
  productInput,
  stackInput,
  strict,
} from './index.ts';
import { between, fraction } from './joi.ts';

const refusals = (schema: Joi.Schema, value: unknown) =>
  (schema.validate(value, strict).error?.details ?? []).map((d) => `${d.path.join('.')}: ${d.message}`);
const planned = { area: { id: uuidv7() }, product: { id: uuidv7() }, step: { id: uuidv7() } } as Parameters<
  typeof aCoat
>[0];

describe('every word of the core passes the border, and no other', () => {
  it('kinds of boat', () => {
    for (const kind of BOAT_KINDS) expect(refusals(boatInput, aBoat({ kind }))).toEqual([]);
    expect(refusals(boatInput, aBoat({ kind: 'airship' as never }))[0]).toContain(
      'Boat type must be one of: [long-keel, fin-keel, bilge-keel, hard-chine-motor, flat-bottomed, open-dinghy, catamaran, workboat, parts], but is “airship”',
    );
  });
  it('parts of the boat and substrates', () => {
    for (const zone of ZONES) expect(refusals(areaInput, anArea(uuidv7(), { zone }))).toEqual([]);
    for (const substrate of Object.keys(SUBSTRATES)) {
      expect(refusals(areaInput, anArea(uuidv7(), { substrate: substrate as never }))).toEqual([]);
    }
  });
  it('families and methods', () => {
    for (const family of Object.keys(FAMILIES))
      expect(refusals(productInput, aProduct({ family: family as never }))).toEqual([]);
    expect(refusals(productInput, aProduct({ methods: [...METHODS] }))).toEqual([]);
  });
});

describe('shapes of a measuring sheet', () => {
  const line = (shape: object) =>
    anArea(uuidv7(), { measures: [{ shape: shape as never, count: 1, opening: false }] });
  it.each([
    [{ kind: 'rectangle', lengthM: 2, widthM: 1 }],
    [{ kind: 'triangle', baseM: 2, heightM: 1 }],
    [{ kind: 'trapezium', sideAM: 2, sideBM: 1, heightM: 1 }],
    [{ kind: 'circle', diameterM: 2 }],
    [{ kind: 'girths', spacingM: 1, girthsM: [1, 2, 1], rule: 'simpson' }],
  ])('%o is taken', (shape) => {
    expect(refusals(areaInput, line(shape))).toEqual([]);
  });
  it.each([
    [{ kind: 'rectangle', lengthM: 2 }, 'width (m) is required'],
    [{ kind: 'circle', diameterM: 2, widthM: 1 }, 'measures[0].shape.widthM isn’t a known field'],
    [
      { kind: 'girths', spacingM: 1, girthsM: [1], rule: 'simpson' },
      'girths must have 2 or more entries, but has 1',
    ],
    [
      { kind: 'girths', spacingM: 1, girthsM: [1, 2], rule: 'guess' },
      'Integration rule must be one of: [simpson, trapezoid], but is “guess”',
    ],
  ])('%o is refused', (shape, message) => {
    expect(refusals(areaInput, line(shape)).join('; ')).toContain(message);
  });
});

describe('surroundings', () => {
  it('a set point belongs to heat, and to nothing else', () => {
    const area = (surroundings: object) =>
      refusals(areaInput, anArea(uuidv7(), { surroundings: surroundings as never }));
    expect(area({ kind: 'heated', setPointC: 18 })).toEqual([]);
    expect(area({ kind: 'heated' })[0]).toContain('Set temperature (°C) is required');
    expect(area({ kind: 'open', setPointC: 18 })).toHaveLength(1);
  });
});

describe('log entries', () => {
  const entry = (over: object): unknown => ({ ...aCoat(planned, NOON), ...over });
  it('each kind has its own body', () => {
    expect(refusals(entryInput, aCoat(planned, NOON))).toEqual([]);
    expect(refusals(entryInput, entry({ kind: 'note', body: { text: 'rain at noon' } }))).toEqual([]);
    expect(refusals(entryInput, entry({ kind: 'note' })).length).toBeGreaterThan(0);
    expect(refusals(entryInput, entry({ kind: 'guess', body: {} }))[0]).toContain(
      'kind must be one of: [batch, coat, batch-end, tape, blast, removal, work, hand-test, progress, session, round, note, strike], but is “guess”',
    );
  });
  it('ids are made by the client, as UUIDs of version 7', () => {
    expect(refusals(entryInput, entry({ id: '6f1c1a52-0d0e-4a3a-9a53-3a7f5d4e2c11' }))[0]).toContain(
      'must be a valid id',
    );
  });
  it('times say their offset', () => {
    expect(refusals(entryInput, entry({ at: '2026-05-14T12:00' }))[0]).toContain(
      'Start time “2026-05-14T12:00” isn’t in the expected format',
    );
    expect(refusals(entryInput, entry({ at: '2026-05-14T12:00+01:00' }))).toEqual([]);
  });
  it('nothing comes in unsaid: an unknown field is refused wherever it stands', () => {
    const coat = aCoat(planned, NOON) as EntryInput & { body: object };
    expect(refusals(entryInput, { ...coat, body: { ...coat.body, mood: 'good' } })[0]).toContain(
      'body.mood isn’t a known field',
    );
  });
});

describe('a fraction', () => {
  const share = fraction('Volume solids', 0.0725, 1).required();
  it.each([
    [1.3, 'Volume solids must be 100 % or less, but is 130 %'],
    [0.07, 'Volume solids must be 7.25 % or more, but is 7 %'],
    [-0.1, 'Volume solids must be 7.25 % or more, but is -10 %'],
    ['52 %', 'Volume solids must be a number, but is “52 %”'],
    [Number.NaN, 'Volume solids must be a number, but is “NaN”'],
    [undefined, 'Volume solids is required'],
  ])('%s is refused once, in percent as its field has it', (value, message) => {
    const { error } = share.validate(value, strict);
    expect(error?.details.map((each) => each.message)).toEqual([message]);
  });
  it('its bounds themselves are taken', () => {
    for (const value of [0.0725, 1]) expect(share.validate(value, strict)).toEqual({ value });
  });
});

describe('sheets and stacks', () => {
  it('film a coat in order, volume solids a fraction', () => {
    expect(refusals(productInput, aProduct({ film: { min: 90, typical: 60, max: 120 } }))[0]).toContain(
      'Dry film per coat must run from minimum to typical to maximum, but is 90, 60, 120 µm',
    );
    expect(refusals(productInput, aProduct({ volumeSolids: 52 }))[0]).toContain(
      'Volume solids must be 100 % or less, but is 5200 %',
    );
  });
  it('one overcoat line for each kind of next coat', () => {
    const [line] = aProduct().sheet.cure.overcoat;
    const cure = { stopC: 5, events: {}, overcoat: [line, line] as never };
    expect(refusals(productInput, aProduct({ cure }))).toHaveLength(1);
  });
  it('half a coat is no coat', () => {
    const step = aStep(uuidv7(), { coats: 1.5 });
    expect(refusals(stackInput, { version: 1, steps: [step] })).toEqual([
      'steps.0.coats: Coats must be a whole number, but is 1.5',
    ]);
  });
});

it('the noise of a sum is nothing where nothing is allowed, and refused where it would be divided by', () => {
  const noise = 0.1 + 0.2 - 0.3;
  expect(between('ratio error', -10, 10).validate(-noise)).toMatchObject({ value: 0 });
  expect(between('litres', 0, 10).validate(noise)).toMatchObject({ value: 0 });
  expect(between('litres', 0.001, 10).validate(noise, strict).error?.message).toContain(
    'must be 0.001 or more',
  );
  expect(between('density', 1e-20, 10).validate(noise, strict).error?.message).toContain('is too small');
  expect(between('litres', 0, 10).validate(1e-9)).toMatchObject({ value: 1e-9 });
});
