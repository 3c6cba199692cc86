import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as t from '@sinclair/typebox';
import Ajv from 'ajv/dist/2020';
import { v7 } from 'uuid';
import { callEvent, CONTRACT, contractSchema, type AnyEndpoint } from '../src';
import { joiOf } from '../src/check';

const uuidFormat = /^[0-9a-f]{8}-[0-9a-f]{4}-[47][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i;
const ajv = new Ajv({ strict: false, formats: { uuid: uuidFormat, 'date-time': true } });

const event = (body: object, changed: object = {}) => ({
  id: v7(),
  call: v7(),
  seq: 1,
  at: '2026-01-05T08:00:00Z',
  device: 'd-1',
  person: 'imre',
  body,
  ...changed,
});
const reading = { kind: 'value', value: 24.6, dimension: 'voltage' };

/** What is right and what is wrong about an entry; the validator and the documented schema must say the same. */
const ENTRIES: readonly (readonly [string, object, boolean])[] = [
  ['a step seen', event({ type: 'seen', phase: 'glow', answer: 'yes' }), true],
  ['a step seen in the second try', event({ type: 'seen', phase: 'glow', answer: 'no', try: 2 }), true],
  ['an answer nobody gives', event({ type: 'seen', phase: 'glow', answer: 'perhaps' }), false],
  ['a try of 21', event({ type: 'seen', phase: 'glow', answer: 'yes', try: 21 }), false],
  ['volts', event({ type: 'volts', red: 'R', black: 'C', reading, typed: '24.6' }), true],
  ['volts without a black probe', event({ type: 'volts', red: 'R', reading, typed: '24.6' }), false],
  ['a reading that is a text', event({ type: 'volts', red: 'R', black: 'C', reading: '24', typed: '24' }), false],
  ['ohms of a part with one passage', event({ type: 'ohms', part: 'fuse', branch: '', reading, typed: '0.1' }), true],
  [
    'a setup of an old log',
    event({ type: 'setup', power: true, gas: true, call: true, unplugged: [], bypassed: [] }),
    true,
  ],
  [
    '51 connectors',
    event({ type: 'setup', power: true, gas: true, call: true, unplugged: Array(51).fill('P'), bypassed: [] }),
    false,
  ],
  ['an unknown type', event({ type: 'guessed' }), false],
  ['no type', event({}), false],
  ['a field nobody knows', event({ type: 'note', text: 'a', mood: 'good' }), false],
  ['an empty note', event({ type: 'note', text: '' }), false],
  ['a note of 4001 letters', event({ type: 'note', text: 'a'.repeat(4001) }), false],
  ['a clock of half a second', event({ type: 'timer', title: 'purge', seconds: 0.5 }), false],
  ['a number in place of an id', event({ type: 'note', text: 'a' }, { id: 7 }), false],
  ['clock value nought', event({ type: 'note', text: 'a' }, { seq: 0 }), false],
  [
    'an opening with a build',
    event({
      type: 'opened',
      complaint: 'cold',
      profile: 'x',
      profileVersion: '1',
      engineVersion: '1',
      settings: { units: 'us', settingsVersion: '1' },
      build: { options: ['a'], order: { safety: ['b'] } },
    }),
    true,
  ],
  [
    'a probability of two',
    event({
      type: 'break-recorded',
      part: 'a',
      failure: '',
      cause: '',
      action: '',
      standing: 'proved',
      advice: { suspects: [{ repair: 'a:replace', words: '', probability: 2 }], standing: 'proved' },
    }),
    false,
  ],
];

describe('one contract', () => {
  test.each(ENTRIES)('%s', (_name, entry, right) => {
    const { error } = joiOf(callEvent).validate(entry, { convert: false });
    // The schema does not forbid unknown fields by itself: closed here as the validator closes it.
    const documented = ajv.compile(closed(callEvent));
    expect([error === undefined, documented(entry)]).toEqual([right, right]);
  });

  test('an entry of an unknown type is told which types there are, and one of a known type what is wrong with it', () => {
    const words = (entry: object) => joiOf(callEvent).validate(entry, { convert: false }).error!.message;
    expect(words(event({ type: 'guessed' }))).toMatch(/body.type.*must be one of.*seen.*opened/);
    expect(words(event({ type: 'note', text: 7 }))).toMatch(/"body.text" must be a string/);
  });

  test('every endpoint has a check, and the documented schema is the present one', () => {
    for (const e of Object.values(CONTRACT).flatMap((r): AnyEndpoint[] => Object.values(r)))
      for (const schema of [e.params, e.query, e.body, e.reply]) if (schema) expect(() => joiOf(schema)).not.toThrow();
    const written = readFileSync(join(__dirname, '../../../docs/formats/contract.schema.json'), 'utf8');
    expect(JSON.parse(written)).toEqual(JSON.parse(JSON.stringify(contractSchema())));
  });

  test('a schema without a check is refused loudly', () => {
    expect(() => joiOf(t.Undefined())).toThrow(/has no check/);
  });
});

/** The schema with every object closed. */
function closed(schema: unknown): object {
  return JSON.parse(
    JSON.stringify(schema, (_key, value: unknown) =>
      typeof value === 'object' && value !== null && 'properties' in value
        ? { ...value, additionalProperties: false }
        : value,
    ),
  ) as object;
}
