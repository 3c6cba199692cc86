import { Engine, standingOf } from '@zetalysis/core/diagnosis';
import { lineWords, type Observation } from '@zetalysis/core/question';
import { FIRST_EPISODE } from '@zetalysis/core/simulation';
import { loadCase, observationOfEntry, parseEntryLine } from '@zetalysis/core/visit';
import { jointsOf } from '../src/question/joints';
import { observationWords } from '../src/presentation/question-words';
import { FAMILIES, profile } from './models';

const model = profile('furnace-condensing');
const engine = new Engine(model);
const names = lineWords(model);

const FOUND = ['in-order', 'off', 'loose', 'chafed'];
const found = (id: string, how: string): Observation => ({
  kind: 'joint',
  joint: jointsOf(model).findIndex((j) => j.id === id),
  found: FOUND.indexOf(how),
});
const assess = (...observations: Observation[]) =>
  engine.assess(
    {
      episodes: [FIRST_EPISODE],
      items: observations.map((observation, i) => ({ id: `${i}`, episode: 0, observation })),
    },
    { pairs: false },
  );
const share = (repair: string, ...observations: Observation[]): number =>
  assess(...observations).suspects.find((s) => s.repair === repair)?.probability ?? 0;

describe('a joint that is looked at and tugged', () => {
  const lockedOut: Observation[] = ['call', 'inducer', 'glow', 'valve'].map((id) => ({
    kind: 'seen',
    phase: model.phases.findIndex((p) => p.id === id) as never,
    answer: id !== 'valve',
  }));

  test('that is off condemns itself, where nothing else explains what was seen', () => {
    const after = assess(...lockedOut, found('P2', 'off'));
    expect(after.suspects[0]!.repair).toBe('P2:reconnect');
    expect(after.proof!.requirements).toContainEqual(expect.objectContaining({ requirement: 'found', met: true }));
  });

  test('that looks sound is only less likely broken: it may be open inside', () => {
    const before = share('P2:reconnect', ...lockedOut);
    const after = share('P2:reconnect', ...lockedOut, found('P2', 'in-order'));
    expect(after).toBeLessThan(0.6 * before);
    expect(after).toBeGreaterThan(0.1 * before);
    expect(standingOf(assess(...lockedOut, found('P2', 'in-order')))).toBe('suspected');
  });

  test('chafed speaks for a short, loose for a poor contact', () => {
    const chafed = assess(found('valve-harness', 'chafed'));
    expect(chafed.suspects[0]!.leading.family).toBe('valve-harness.short');
    const loose = assess(found('P2', 'loose'));
    expect(loose.suspects[0]!.leading.family).toMatch(/^P2\/\d\.poor$/);
  });

  test.each(FAMILIES)('%s: every plug and every wire can be found so, and is asked about nobody', (id) => {
    const other = profile(id);
    expect(jointsOf(other).length).toBeGreaterThanOrEqual(other.plugs.length);
    expect(new Set(jointsOf(other).map((j) => j.id)).size).toBe(jointsOf(other).length);
    expect(new Engine(other).tests.some((t) => t.question.kind === 'joint')).toBe(false);
  });
});

describe('how it is written', () => {
  test('in a line, by the name of the plug or wire', () => {
    const read = parseEntryLine(names, 'p2 off');
    expect(read).toEqual({ ok: true, value: { type: 'joint', joint: 'P2', found: 'off' } });
    const observation = observationOfEntry(model, read.ok ? read.value : ({} as never))!;
    expect(observationWords(model, observation, { units: 'us' })).toMatch(/: off, or broken$/);
  });

  test('an unknown one is named with what there is', () => {
    const read = parseEntryLine(names, 'p9 off');
    expect(read.ok).toBe(false);
    expect(read.ok ? '' : read.message).toMatch(/plug or wire/);
    expect(observationOfEntry(model, { type: 'joint', joint: 'P9', found: 'off' })).toBeUndefined();
  });

  test('in a case', () => {
    const head = 'format: zetalysis-case/1\ntitle: t\nprofile: furnace-condensing\nevents:\n';
    const read = loadCase(`${head}  - joint: {P2: loose, valve-harness: in-order}\n`, 'a.yaml', model);
    expect(read.steps).toHaveLength(2);
    expect(() => loadCase(`${head}  - joint: {P2: gone}\n`, 'a.yaml', model)).toThrow(
      /in-order, off, loose, chafed|unknown value/i,
    );
    expect(() => loadCase(`${head}  - joint: {P9: off}\n`, 'a.yaml', model)).toThrow(/plug or wire/);
  });
});
