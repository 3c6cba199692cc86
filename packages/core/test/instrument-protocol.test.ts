import fc from 'fast-check';
import { LONGEST_LINE, readAct, readFromInstruments, readToInstruments, toLine } from '../src/instruments';

const shows = { t: 'shows', id: 'm2', function: 'v-ac', value: 26.1, unit: 'V', step: 0.01, over: false } as const;
const setup = {
  power: true,
  gas: true,
  heatCall: false,
  unplugged: ['P4'],
  bypassed: [],
  actions: [],
  apart: [],
  repaired: ['igniter'],
} as const;

test.each([
  [{ t: 'welcome', protocol: 1, name: 'Bench' }],
  [{ t: 'welcome', protocol: 1, name: 'Bench', simulates: { profile: 'furnace-condensing', machine: 'Mill Lane' } }],
  [{ t: 'refused', why: 'That is not the code.' }],
  [{ t: 'instrument', id: 'm2', kind: 'multimeter', title: 'Meter 2', serial: 'ZM-2207' }],
  [{ t: 'gone', id: 'm2' }],
  [shows],
  [{ ...shows, value: null, over: true }],
  [{ ...shows, function: 'ohms', unit: 'kΩ' }],
] as const)('an adapter says %j, and it is heard', (said) => {
  expect(readFromInstruments(toLine(said))).toEqual(said);
});

test.each([[{ t: 'hello', protocol: 1, code: '123456' }], [{ t: 'machine', ...setup }]] as const)(
  'whoever listens says %j, and it is heard',
  (said) => expect(readToInstruments(toLine(said))).toEqual(said),
);

test.each([
  ['no JSON', '{"t":', /not JSON/],
  ['no object', '[1,2]', /not one object/],
  ['nothing at all', '', /not JSON/],
  ['an unknown message', '{"t":"sings"}', /"sings"/],
  ['another protocol', '{"t":"welcome","protocol":7,"name":"x"}', /protocol 7/],
  ['an unknown function', JSON.stringify({ ...shows, function: 'volts' }), /"function" must be one of v-ac/],
  ['a unit that is not of its function', JSON.stringify({ ...shows, unit: 'A' }), /"unit" must be one of V/],
  ['a value in words', JSON.stringify({ ...shows, value: '26.1' }), /"value" must be a number/],
  ['a last digit of nothing', JSON.stringify({ ...shows, step: 0 }), /"step" must be more than 0/],
  ['an instrument of no kind', '{"t":"instrument","id":"x","kind":"scope","title":"X","serial":"1"}', /"kind"/],
  ['a name that is too long', JSON.stringify({ t: 'gone', id: 'x'.repeat(81) }), /"id"/],
  ['a line that is too long', ' '.repeat(LONGEST_LINE + 1), /at most/],
])('%s is said to be garbled, with what is wrong', (_, line, why) => {
  const heard = readFromInstruments(line);
  expect(heard.t).toBe('garbled');
  expect('why' in heard && heard.why).toMatch(why);
});

test.each([
  ['{"t":"hello","protocol":1}', /"code"/],
  [JSON.stringify({ t: 'machine', ...setup, power: 'yes' }), /"power" must be true or false/],
  [JSON.stringify({ t: 'machine', ...setup, unplugged: 'P4' }), /"unplugged" must be a list/],
])('from whoever listens: %s', (line, why) => {
  const heard = readToInstruments(line);
  expect('why' in heard && heard.why).toMatch(why);
});

test.each([
  ['{"do":"put","id":"m2","place":{"at":"points","red":"R","black":"C"}}', undefined],
  ['{"do":"put","id":"c1","place":{"at":"part","part":"igniter","branch":"","turns":10}}', undefined],
  ['{"do":"put","id":"m2","place":{"at":"roof"}}', /"at" must be one of nowhere/],
  ['{"do":"put","id":"m2"}', /"place"/],
  ['{"do":"turn","id":"m2","set":"ohm"}', /"set" must be one of/],
  ['{"do":"speed","times":7}', /1, 4, 30/],
  ['{"do":"dance"}', /"do" must be one of/],
])('at the bench: %s', (line, why) => {
  const act = readAct(line);
  if (why === undefined) expect(act).toEqual(JSON.parse(line));
  else expect('why' in act && act.why).toMatch(why);
});

test('whatever comes down the line, a reader answers and never throws', () => {
  const read = [readFromInstruments, readToInstruments, readAct];
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.json(),
        fc.object().map((o) => JSON.stringify(o)),
      ),
      (line) => read.every((r) => typeof r(line) === 'object'),
    ),
    { numRuns: 400 },
  );
  // One field of a good message is something else.
  fc.assert(
    fc.property(fc.constantFrom(...Object.keys(shows)), fc.jsonValue(), (field, value) => {
      const heard = readFromInstruments(JSON.stringify({ ...shows, [field]: value }));
      return typeof heard.t === 'string';
    }),
    { numRuns: 400 },
  );
});
