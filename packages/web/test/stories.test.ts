import { TRAINED } from '@zetalysis/core/rules';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '@zetalysis/core/diagnosis';
import { drawingOf, proofView, testsView, viewOf, type ViewOptions } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import { caseHead, type EventBody, loadCase, reduceCall } from '@zetalysis/core/visit';
import { logged } from './events';

const ROOT = join(__dirname, '../../..');
const files = readdirSync(join(ROOT, 'cases'));

const engines = new Map<string, Engine>();
function engineFor(id: string, variant: string | undefined): Engine {
  const key = `${id}|${variant ?? ''}`;
  let engine = engines.get(key);
  if (!engine) {
    const source = readFileSync(join(ROOT, 'profiles', `${id}.yaml`), 'utf8');
    engine = new Engine(loadProfile(source, id, variant === undefined ? {} : { variant }));
    engines.set(key, engine);
  }
  return engine;
}

/** A story as a call page would have it: who opened the call, and everything that was entered. */
function told(file: string) {
  const source = readFileSync(join(ROOT, 'cases', file), 'utf8');
  const { profile, variant } = caseHead(source, file);
  const engine = engineFor(profile, variant);
  const bodies: EventBody[] = loadCase(source, file, engine.model).steps.flatMap((s) =>
    'event' in s ? [s.event] : [],
  );
  const state = reduceCall(engine.model, logged(bodies));
  return { engine, bodies, state, assessment: engine.assess(state.evidence) };
}

/** Every string in plain data, with where it stands. */
function* strings(data: unknown, path = ''): Generator<readonly [string, string]> {
  if (typeof data === 'string') yield [path, data];
  else if (typeof data === 'object' && data !== null)
    for (const [key, value] of Object.entries(data)) yield* strings(value, `${path}.${key}`);
}

/** What a program says when it does not know what to say. */
const NONSENSE = /undefined|NaN|Infinity|\[object|\bnull\b|\s{2}|\(\s*\)|\d\.\d{4}|\.\.(?!\.)|, ,| ,|“”|""/;

describe.each(files)('on the call page: %s', (file) => {
  const { engine, bodies, state, assessment } = told(file);
  const options = (units: 'us' | 'si', order: 'best-first' | 'terminal-by-terminal'): ViewOptions => ({
    units,
    person: TRAINED,
    phase: undefined,
    standard: { ...USUAL_STANDARD, order },
  });

  test.each(['us', 'si'] as const)('every word makes sense, in %s units', (units) => {
    const chosen = options(units, units === 'us' ? 'best-first' : 'terminal-by-terminal');
    const { person, standard } = chosen;
    const ranked = engine.next({ evidence: state.evidence, declined: state.declined, person, standard }, assessment);
    const shown = {
      drawing: drawingOf(engine.model),
      view: viewOf(engine, state, assessment, chosen),
      tests: testsView(engine, state, assessment, ranked, chosen),
      proof: proofView(engine, state, assessment, assessment.suspects[0]!.repair, { person, standard }),
    };
    expect([...strings(shown)].filter(([, words]) => NONSENSE.test(words))).toEqual([]);
    expect(() => structuredClone(shown)).not.toThrow();
  });

  test('everything that was entered is in the log, understood, and can be taken back', () => {
    const { log, suspects, rest } = viewOf(engine, state, assessment, options('us', 'best-first'));
    expect(log).toHaveLength(bodies.length);
    expect(log.filter((line) => line.problem !== undefined)).toEqual([]);
    expect(suspects.reduce((sum, s) => sum + s.probability, rest)).toBeCloseTo(1);
  });
});
