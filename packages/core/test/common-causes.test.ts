import { Engine } from '../src/diagnosis';
import { caseEvents, loadCase, reduceCall } from '../src/visit';
import { profile } from './models';

/**
 * Readings that one thing moves together surprise less than readings that go apart: one clock, the same leads, the pressure of
 * the house (common practice, no source). Said by how likely something unknown is, which expects nothing of any reading.
 */
const engines = new Map<string, Engine>();
function unknownAfter(family: string, ...events: readonly string[]): number {
  const engine = engines.get(family) ?? new Engine(profile(family));
  engines.set(family, engine);
  const source = `format: zetalysis-case/1\ntitle: t\nprofile: ${family}\nevents:\n${events.map((e) => `  - ${e}\n`).join('')}`;
  const { steps } = loadCase(source, 'told.yaml', engine.model);
  const { evidence } = reduceCall(engine.model, caseEvents(steps));
  const { hypotheses, probabilities } = engine.assess(evidence, { pairs: false });
  const share = (id: string): number => probabilities[hypotheses.findIndex((h) => h.id === id)]!;
  return share('unknown') / share('healthy');
}

describe('one clock', () => {
  const sound = { inducer: 1, glow: 17, valve: 34, blower: 74 };
  test('moves all steps of a control', () => expect(sound).toBeDefined());
});
