import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

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
  const run = JSON.parse(zetalysis('score', 'steam-intermittent-pilot', '--per', '1', '--seed', '7', '--json').out)
    .scores[0];

  test('the advice names the right repair first, proves nothing wrong, and needs fewer tests than the walk', () => {
    expect(run.visits).toBeGreaterThan(30);
    expect(run.namedFirst).toBeGreaterThanOrEqual(0.85);
    expect(run.provedWrong).toBeLessThanOrEqual(0.03);
    expect(run.tests).toBeLessThan(run.walk.tests);
    expect(run.minutes).toBeLessThan(run.walk.minutes);
  });
});
