import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { calibrationError } from '../src/score/calibration';
import type { Score } from '../src/score/figures';
import { wilson } from '../src/score/interval';
import type { WorldScore } from '../src/score/world';

const ROOT = join(__dirname, '../../..');
const folder = mkdtempSync(join(tmpdir(), 'zetalysis-cli-'));

function zetalysis(...args: string[]): { code: number | null; out: string; err: string } {
  const ran = spawnSync(process.execPath, [join(ROOT, 'packages/cli/bin/zetalysis.mjs'), ...args], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  return { code: ran.status, out: ran.stdout, err: ran.stderr };
}

function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}

describe('diagnose', () => {
  test('a case that comes out right: exit 0, and JSON for machines', () => {
    const { code, out } = zetalysis('diagnose', 'cases/furnace-2-igniter.yaml', '--json');
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({ break: 'igniter', standing: 'proved', failures: [] });
  });

  test('an expectation that is not met: exit 1, with its line', () => {
    const path = file(
      'wrong.yaml',
      "format: zetalysis-case/1\ntitle: t\nprofile: furnace-condensing\nevents:\n  - seen: {inducer: yes}\n  - expect: {oneOf: ['limit:replace'], atLeast: 0.99}\n",
    );
    const { code, out } = zetalysis('diagnose', path);
    expect(code).toBe(1);
    expect(out).toMatch(/NOT MET .*line 6: first suspect should be limit:replace/);
  });

  test.each([
    ['no file', ['diagnose'], /needs one case file/],
    ['a file that is not there', ['diagnose', 'nowhere.yaml'], /nowhere\.yaml: no such file/],
    ['a folder', ['diagnose', 'cases'], /cannot be read/],
    ['an unknown option', ['diagnose', 'x.yaml', '--jsn'], /Unknown option/],
    ['an unknown command', ['diagnos'], /unknown command "diagnos"/],
    ['an unknown profile', ['simulate', 'furnace-condensin'], /did you mean "furnace-condensing"/],
    ['an unknown fault', ['simulate', 'furnace-condensing', '--fault', 'igniter.opn'], /did you mean "igniter.open"/],
    ['an unknown variant', ['simulate', 'furnace-condensing', '--variant', 'nitrid'], /did you mean "nitride"/],
    ['two formats at once', ['simulate', 'furnace-condensing', '--json', '--csv'], /choose one/],
    ['a seed that is none', ['score', 'furnace-condensing', '--seed', 'abc'], /whole number/],
    ['a count of exercises that is none', ['practice', '--count', 'many'], /whole number from 1/],
    ['rates without a trial', ['rates'], /takes --trial/],
    ['a van without a trial', ['van'], /takes --trial/],
    ['a van for no day', ['van', '--trial', '--days', '0'], /whole number from 1 to 2000/],
    ['a trial of no season', ['rates', '--trial', '--seeds', '0'], /whole number from 1 to 50/],
    ['a level that there is not', ['practice', '--level', '9'], /whole number from 0 to 7/],
  ])('%s: exit 2 with a reason on stderr and no stack', (_name, args, words) => {
    const { code, out, err } = zetalysis(...args);
    expect(err).toMatch(words);
    expect(err).not.toMatch(/\n\s+at /);
    expect(out).toBe('');
    expect(code).toBe(2);
  });

  test('a case with a mistake: exit 2, file and line', () => {
    const path = file(
      'bad.yaml',
      'format: zetalysis-case/1\ntitle: t\nprofile: furnace-condensing\nevents:\n  - seen: {inducr: yes}\n',
    );
    const { code, err } = zetalysis('diagnose', path);
    expect(code).toBe(2);
    expect(err).toMatch(/bad\.yaml:5: events\.0\.seen: unknown step "inducr"; did you mean "inducer"/);
  });
});

describe('simulate, netlist and profiles', () => {
  test('a run in words, JSON and CSV (RFC 4180 line ends)', () => {
    expect(zetalysis('simulate', 'furnace-condensing', '--fault', 'gas-valve.coil-short').out).toMatch(
      /Repeats for ever every/,
    );
    const json = JSON.parse(zetalysis('simulate', 'furnace-condensing', '--json').out);
    expect(json.outcome).toBe('runs');
    const csv = zetalysis('simulate', 'furnace-condensing', '--csv').out;
    const rows = csv.trim().split('\r\n');
    expect(new Set(rows.map((r) => r.split(',').length)).size).toBe(1);
    expect(rows[0]).toMatch(/^time_s,/);
  });

  test('the netlist is a SPICE deck', () =>
    expect(zetalysis('netlist', 'steam-intermittent-pilot').out).toMatch(
      /^\* Steam boiler[\s\S]*\.ac lin[\s\S]*\.end\n$/,
    ));

  test('profiles are listed, checked and covered', () => {
    expect(zetalysis('profiles').out).toMatch(/furnace-condensing.*nitride/);
    expect(zetalysis('profiles', '--check', 'profiles/furnace-condensing.yaml').out).toMatch(/healthy run: runs/);
    const covered = JSON.parse(zetalysis('profiles', '--coverage', 'furnace-condensing', '--json').out);
    expect(covered.distinct).toBeGreaterThanOrEqual(35);
    // A profile that is being written is named by its file.
    expect(zetalysis('profiles', '--coverage', 'docs/examples/wall-heater.yaml').out).toMatch(
      /wall-heater\.yaml: \d+ fault modes[\s\S]*Cheapest proof from a watched try: \d+\.\d min[\s\S]*Proofs that a look decides \(\d+\), \d+\.\d % of all/,
    );
    expect(zetalysis('simulate', 'docs/examples/wall-heater.yaml', '--fault', 'gas.off').out).toMatch(/Sparks/);
  });

  test('a broken profile: exit 2 with place and remedy', () => {
    const path = file(
      'broken.yaml',
      'format: zetalysis-profile/1\nid: x\nversion: 1.0.0\ntitle: x\nground: C\nparts:\n  lamp: {kind: lampp}\nrungs: {}\n',
    );
    const { code, err } = zetalysis('profiles', '--check', path);
    expect(code).toBe(2);
    expect(err).toMatch(/broken\.yaml:7: parts\.lamp\.kind: unknown part kind "lampp"/);
  });
});

describe('score', () => {
  const small = ['--per', '1', '--pairs', '6', '--problems', '8', '--seed', '7'];
  const run = JSON.parse(zetalysis('score', 'dryer-burner', ...small, '--json').out).scores[0] as Score;

  // The aims of the full run, on a small one: shares of few visits are coarse.
  test('the advice names the right repair first, proves nothing wrong, and beats the terminal-by-terminal walk', () => {
    expect(run.visits).toBeGreaterThan(30);
    expect(run.namedFirst).toBeGreaterThanOrEqual(0.93);
    expect(run.doubleError).toBeGreaterThanOrEqual(0.88);
    expect(run.provedWrong).toBeLessThanOrEqual(0.005);
    expect(run.replacedHealthy).toBeLessThanOrEqual(0.04);
    expect(run.minutes / run.walk.minutes).toBeLessThanOrEqual(0.55);
    expect(run.tests / run.walk.tests).toBeLessThanOrEqual(0.6);
  });
  test('small problems are played as well as they can be', () => {
    expect(run.optimum.problems).toBe(8);
    expect(run.optimum.mean).toBeLessThanOrEqual(1.02);
    expect(run.optimum.worst).toBeLessThanOrEqual(1.1);
  });
  test('what the model does not know is hardly ever proved to be something else', () => {
    // One visit of thirty-five is about what the aim of the full run leaves.
    expect(run.withheld.wrongVisits).toBeLessThanOrEqual(1);
    expect(run.pairs.visits).toBe(6);
    expect(run.pairs.mended).toBeGreaterThan(0.5);
  });

  test('calibration: always right at 0.8 is an error of 0.2; right as often as stated is none', () => {
    const said = (stated: number, right: boolean) => ({ stated, right, weight: 1 });
    expect(calibrationError([said(0.8, true), said(0.8, true)])).toBeCloseTo(0.2);
    expect(calibrationError([0, 1, 2, 3].map((i) => said(0.75, i > 0)))).toBeCloseTo(0);
    expect(calibrationError([said(0.95, false), said(0.05, true)])).toBeCloseTo(0.95);
  });

  test('in a world of its own: the same seed plays the same visits, and a wider world stands beside it', () => {
    const played = () =>
      JSON.parse(zetalysis('score', 'dryer-burner', '--world', 'worlds/as-met.yaml', '--visits', '6', '--json').out)
        .scores[0] as WorldScore[];
    const [asMet, wider] = played();
    expect(asMet).toMatchObject({ visits: 6, world: 'appliances as they are met' });
    expect(wider!.world).toMatch(/15 % wider/);
    expect(asMet!.namedFirst + asMet!.missed.length).toBeGreaterThanOrEqual(5);
    expect(asMet!.knowing).toBeGreaterThan(0);
    expect(played()[0]).toEqual(asMet);
  }, 120_000);

  test('where a share lies, after so many visits', () => {
    // 8 of 10: Wilson's interval as in Agresti and Coull, The American Statistician 52, 1998 (from memory).
    const [low, high] = wilson(8, 10);
    expect(low).toBeCloseTo(0.4902, 3);
    expect(high).toBeCloseTo(0.9433, 3);
    // None of 400 may still be one in a hundred.
    expect(wilson(0, 400)[1]).toBeCloseTo(0.0095, 3);
    expect(wilson(0, 0)).toEqual([0, 1]);
  });

  test('bad input says what to do', () => {
    expect(zetalysis('score', 'dryer-burner', '--world', 'nowhere.yaml').err).toMatch(/nowhere\.yaml: no such file/);
    expect(zetalysis('score', 'dryer-burner', '--visits', '5').err).toMatch(/goes with --world/);
    const small = file('small-world.yaml', 'format: zetalysis-world/1\ntitle: x\nsound: {suply.volts: [1, 1]}\n');
    expect(zetalysis('score', 'dryer-burner', '--world', small).err).toMatch(
      /small-world\.yaml:3.*did you mean "supply"/,
    );
    expect(zetalysis('score', 'drier-burner').err).toMatch(/did you mean "dryer-burner"/);
    expect(zetalysis('score', 'dryer-burner', '--all').err).toMatch(/not both/);
    expect(zetalysis('score', '--pairs', '0').err).toMatch(/whole number from 1 up/);
  });
});

describe('weights from a shop’s own counts', () => {
  const story = 'cases/dryer-6-belt.yaml';
  const first = (...args: string[]) =>
    JSON.parse(zetalysis('diagnose', story, '--json', ...args).out).suspects[0].repair as string;

  test('a fault counted out of existence is no suspect any more', () => {
    expect(first()).toBe('belt:replace');
    expect(first('--weights', file('counts.json', '{"belt.broken": 0}'))).not.toBe('belt:replace');
  });
  test('counts for faults that there are not, or that are no numbers, are refused', () => {
    expect(zetalysis('diagnose', story, '--weights', file('a.json', '{"bolt.broken": 2}')).err).toMatch(
      /did you mean "belt.broken"/,
    );
    expect(zetalysis('diagnose', story, '--weights', file('b.json', '{"belt.broken": -1}')).err).toMatch(/0 or more/);
    // The same as a shop publishes it.
    const rate = (n: number) => ({ assumed: 1, cases: 12, rate: n, low: n / 2, high: n * 2 });
    const published = {
      format: 'zetalysis-rates/1',
      families: { 'dryer-burner': { years: 90, ways: { 'belt.broken': rate(0) }, makes: {}, ages: {} } },
    };
    expect(first('--weights', file('rates.json', JSON.stringify(published)))).not.toBe('belt:replace');
    expect(zetalysis('diagnose', story, '--weights', file('c.json', '[1')).err).toMatch(/not JSON/);
  });
});

test('rates that are learned are tried on a season with hidden true ones', () => {
  const { code, out } = zetalysis(
    'rates',
    '--trial',
    'dryer-burner',
    '--seeds',
    '1',
    '--breaks',
    '60',
    '--visits',
    '2',
    '--json',
  );
  expect(code).toBe(0);
  const [[trial]] = (JSON.parse(out) as { scores: [[Record<string, number & Record<string, number>>]] }).scores;
  expect(trial).toMatchObject({ profile: 'dryer-burner', seed: 1, visits: 2 });
  expect(trial['covered']! / trial['ways']!).toBeGreaterThan(0.7);
  expect(trial['loss']!['learned']).toBeLessThan(trial['loss']!['assumed']! + 0.2);
});

test('practice draws exercises, and says what each player’s marks are; the same seed draws the same', () => {
  const { code, out } = zetalysis('practice', '--count', '2', '--level', '1', '--seed', '3', '--json');
  expect(code).toBe(0);
  const rows = JSON.parse(out) as { code: string; marks: Record<string, { total: number; proved: boolean }> }[];
  expect(rows).toHaveLength(2);
  for (const { marks } of rows) {
    if (marks['planner']!.proved) expect(marks['planner']!.total).toBeGreaterThanOrEqual(90);
    expect(marks['guesser']!.total).toBeLessThanOrEqual(35);
  }
  const again = JSON.parse(
    zetalysis('practice', '--count', '2', '--level', '1', '--seed', '3', '--json').out,
  ) as typeof rows;
  expect(again.map((r) => r.code)).toEqual(rows.map((r) => r.code));
});
