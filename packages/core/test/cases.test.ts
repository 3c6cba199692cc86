import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '../src/diagnosis';
import {
  type CallState,
  caseEvents,
  caseHead,
  caseOf,
  checkCase,
  type EventBody,
  loadCase,
  reduceCall,
} from '../src/visit';
import { FAMILIES, profile } from './models';

const CASES = join(__dirname, '../../../cases');
const files = readdirSync(CASES).filter((f) => f.endsWith('.yaml'));

const engines = new Map<string, Engine>();
function engineFor(id: string, variant: string | undefined): Engine {
  const key = `${id}|${variant ?? ''}`;
  let engine = engines.get(key);
  if (!engine) engines.set(key, (engine = new Engine(profile(id, variant))));
  return engine;
}

describe('every story comes out as it says', () => {
  test('there are at least four stories for every family', () => {
    const count = (id: string) =>
      files.filter((f) => readFileSync(join(CASES, f), 'utf8').includes(`profile: ${id}`)).length;
    for (const id of FAMILIES) expect([id, count(id) >= 4]).toEqual([id, true]);
  });

  test.each(files)('%s', (file) => {
    const source = readFileSync(join(CASES, file), 'utf8');
    const { profile: id, variant } = caseHead(source, file);
    const engine = engineFor(id, variant);
    const { failures, expectations } = checkCase(engine, loadCase(source, file, engine.model));
    expect(failures).toEqual([]);
    expect(expectations).toBeGreaterThan(0);
  });
});

/** What of an entry a case holds. */
const told = ({ evidence, declined, adjustments }: CallState) => ({
  items: evidence.items.map(({ episode, observation }) => ({ episode, observation })),
  episodes: evidence.episodes.map(({ setup, repaired, measured = [] }) => ({ setup, repaired, measured })),
  declined: [...declined],
  adjusted: [...adjustments.values()],
});

test.each(files)('%s, written as a case again, is the same story', (file) => {
  const source = readFileSync(join(CASES, file), 'utf8');
  const { profile: id, variant } = caseHead(source, file);
  const { model } = engineFor(id, variant);
  const events = caseEvents(loadCase(source, file, model).steps);
  const state = reduceCall(model, events, { needs: 'met' });
  const written = caseOf({ title: 'Call 1', profile: id, variant }, state);
  const again = loadCase(written, 'written.yaml', model);
  expect(told(reduceCall(model, caseEvents(again.steps), { needs: 'met' }))).toEqual(told(state));
  // What somebody wrote stays with the call.
  expect(written).not.toMatch(/note:/);
});

test('what was taken back is not in it, what was judged stands as it was judged, and what it came to is its last line', () => {
  const { model } = engineFor('furnace-condensing', undefined);
  const bodies: EventBody[] = [
    { type: 'outcome', outcome: 'locks-out' },
    { type: 'note', text: 'spare key at the neighbour’s' },
    {
      type: 'ohms',
      part: 'igniter',
      typed: '62.4',
      reading: { kind: 'value', value: 62, dimension: 'resistance' },
      judged: { test: 'glow', measure: 'cold', verdict: 'good', halfWidth: 1, conditions: {} } as never,
    },
    { type: 'code', code: 'red-quick' },
    { type: 'retracted', event: 'case-0004' } as never,
  ];
  const state = reduceCall(model, caseEvents(bodies.map((event) => ({ event, line: 0 }))), { needs: 'met' });
  const record = { part: 'igniter', standing: 'proved' } as NonNullable<CallState['record']>;
  const written = caseOf({ title: 'Call 2', profile: 'furnace-condensing', variant: undefined }, { ...state, record });
  expect(written).toMatch(/ohms: \{ part: igniter, value: 62(\.0)? Ω \}/);
  expect(written).not.toMatch(/neighbour|red-quick/);
  expect(written.trimEnd().split('\n').at(-1)).toBe('  - { expect: { break: igniter, standing: proved } }');
  expect(loadCase(written, 'written.yaml', model).steps).toHaveLength(3);
});

describe('a case that cannot be right is refused with line and remedy', () => {
  const model = profile('furnace-condensing');
  const load = (events: string): string => {
    try {
      loadCase(
        `format: zetalysis-case/1\ntitle: t\nprofile: furnace-condensing\nevents:\n${events}`,
        'mine.yaml',
        model,
      );
      return 'accepted';
    } catch (error) {
      return (error as Error).message;
    }
  };

  test.each([
    ['  - seen: {inducr: yes}\n', /mine\.yaml:5: .*unknown step "inducr"; did you mean "inducer"/],
    ['  - sen: {inducer: yes}\n', /unknown event "sen"; did you mean "seen"/],
    ['  - volts: {red: R, black: C, value: 3uA}\n', /µA measures current/],
    ['  - volts: {red: R, blck: C, value: 3}\n', /unknown field "blck"; did you mean "black"/],
    ['  - outcome: explodes\n', /unknown outcome "explodes"/],
    ['  - look: {filter: dirty}\n', /unknown answer "dirty"; known: blocked, clean/],
    ['  - expect: {brake: limit}\n', /unknown field "brake"; did you mean "break"/],
    ['  []\n', /at least one event|empty/],
  ])('%s', (events, words) => expect(load(events)).toMatch(words));
});
