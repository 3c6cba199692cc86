import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '../src/diagnosis';
import { caseHead, checkCase, loadCase } from '../src/visit';
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
