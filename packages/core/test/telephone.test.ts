import { Engine } from '../src/diagnosis';
import { viewOf } from '../src/presentation';
import { FAMILIES, telephoneList, telephoneQuestion, TRAINED } from '../src/rules';
import { USUAL_STANDARD } from '../src/standards';
import { type CallEvent, type CallState, type EventBody, reduceCall } from '../src/visit';
import { profile } from './models';

const model = profile('steam-standing-pilot');
const engine = new Engine(model);
const firstLine = (state: CallState) =>
  viewOf(engine, state, engine.assess(state.evidence, { pairs: false }), {
    units: 'us',
    person: TRAINED,
    standard: USUAL_STANDARD,
    phase: undefined,
    whatIf: undefined,
  }).log[0]!;
let serial = 0;
const logged = (...bodies: EventBody[]): CallEvent[] =>
  bodies.map((body, i) => ({
    id: `0190${String(++serial).padStart(8, '0')}`,
    call: 'c1',
    seq: i + 1,
    at: '2026-01-12T07:00:00.000Z',
    device: 'desk',
    person: 'imre',
    body,
  }));

/** Common practice, no source. */
describe('what is asked on the telephone', () => {
  test.each(FAMILIES)('%s: its history, and a short list for the owner who touches nothing', (family) => {
    const list = telephoneList(family);
    expect(list.filter((q) => q.group === 'history').map((q) => q.id)).toEqual(['since', 'often', 'bill', 'touched']);
    const owner = list.filter((q) => q.group === 'owner');
    expect(owner.length).toBeGreaterThanOrEqual(3);
    expect(owner.length).toBeLessThanOrEqual(8);
    for (const q of owner) {
      expect(q.answers.map((a) => a.id)).toEqual(['yes', 'no', 'unknown']);
      expect(q.ask).not.toMatch(/\b(press|push|open the|measure|reset|take off|remove)\b/i);
      expect(q.why).not.toBe('');
    }
  });

  test.each([
    ['steam', 'glass', true],
    ['furnace', 'glass', false],
    ['storage-heater', 'switch', false],
    ['pool-heat-pump', 'other-gas', false],
    ['mobile-furnace', 'cylinder', true],
    ['dryer', 'lint', true],
    ['combi', 'tap', true],
  ] as const)('%s is asked about %s: %s', (family, id, asked) =>
    expect(telephoneList(family).some((q) => q.id === id)).toBe(asked),
  );

  test('the newest answer stands, and one that is taken back does not', () => {
    const said = (answer: string): EventBody => ({ type: 'by-telephone', asked: 'glass', answer });
    const log = logged(said('yes'), said('no'));
    expect(reduceCall(model, log).telephone.get('glass')).toBe('no');
    const back = logged(said('yes'), said('no'));
    const taken = [...back, ...logged({ type: 'retracted', event: back[1]!.id }).map((e) => ({ ...e, seq: 3 }))];
    const state = reduceCall(model, taken);
    expect(state.telephone.get('glass')).toBe('yes');
    expect(firstLine(state).words).toBe(`By telephone: ${telephoneQuestion('glass')!.ask} Yes`);
  });

  test('an answer that nobody can give is kept, and said to be none', () => {
    const state = reduceCall(model, logged({ type: 'by-telephone', asked: 'glass', answer: 'perhaps' }));
    expect(state.telephone.size).toBe(0);
    expect(firstLine(state).problem).toMatch(/unknown answer "perhaps"/);
  });
});
