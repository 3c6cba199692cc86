import { Engine } from '@zetalysis/core/diagnosis';
import { viewOf } from '@zetalysis/core/presentation';
import { TRAINED } from '@zetalysis/core/rules';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import type { Dimension, Reading } from '@zetalysis/core/units';
import { type EventBody, reduceCall } from '@zetalysis/core/visit';
import { profile } from './models';
import { met, noted, power } from './noted';

const engine = new Engine(profile('furnace-condensing'));
const read = (value: number, dimension: Dimension): Reading => ({ kind: 'value', value, dimension });
const ohms = (value: number): EventBody => ({
  type: 'ohms',
  part: 'gas-valve',
  branch: '',
  reading: read(value, 'resistance'),
  typed: String(value),
});
const volts = (value: number): EventBody => ({
  type: 'volts',
  red: 'R',
  black: 'C',
  phase: 'call',
  reading: read(value, 'voltage'),
  typed: String(value),
});

/** What ohms need before they count. */
const DEAD = [power(false), met('meter'), met('isolated', 'gas-valve')];

function shown(...bodies: readonly EventBody[]) {
  const state = reduceCall(engine.model, noted(bodies));
  return viewOf(engine, state, engine.assess(state.evidence), {
    units: 'us',
    person: TRAINED,
    standard: USUAL_STANDARD,
    phase: undefined,
  }).oldAndNew;
}

test('before a repair there is nothing beside anything', () =>
  expect(shown(volts(25), ...DEAD, ohms(0.2))).toEqual([]));

test('what is read again after a repair stands beside what was read before it, of each reading the last', () =>
  expect(
    shown(
      volts(25.4),
      ...DEAD,
      ohms(1),
      ohms(0.2),
      { type: 'repaired', part: 'gas-valve', action: '' },
      ...DEAD,
      ohms(14.9),
      power(true),
      volts(26.1),
    ),
  ).toEqual([
    { title: 'Ohms, gas valve', old: '0.2 Ω', now: '14.9 Ω' },
    { title: 'Volts R–C, thermostat calls', old: '25.4 V', now: '26.1 V' },
  ]));

test('what the new part read before it was fitted stands beside the old one', () => {
  const fitted = (reads?: number): EventBody => ({
    type: 'repaired',
    part: 'gas-valve',
    action: '',
    measured: true,
    ...(reads !== undefined && { reads: { reading: read(reads, 'resistance'), typed: String(reads) } }),
  });
  expect(shown(...DEAD, ohms(0.2), fitted(15.2))).toEqual([
    { title: 'gas valve', old: '0.2 Ω', now: '15.2 Ω before it was fitted' },
  ]);
  expect(shown(fitted(15.2))).toEqual([{ title: 'gas valve', old: 'not read', now: '15.2 Ω before it was fitted' }]);
  expect(shown(...DEAD, ohms(0.2), fitted())).toEqual([]);
});

test('a repair that is taken back leaves nothing beside anything', () =>
  expect(
    shown(...DEAD, ohms(0.2), { type: 'repaired', part: 'gas-valve', action: '' }, ...DEAD, ohms(14.9), {
      type: 'retracted',
      event: 'e4',
    }),
  ).toEqual([]));
