import fc from 'fast-check';
import { loadProfile } from '../src/profile';
import { CircuitStates, NORMAL_SETUP, RestlessError, run } from '../src/simulation';

/** A model of one lamp with one quantity, whose phase cue is the expression under test. */
const lamp = (cue: string, extra = ''): string => `format: zetalysis-profile/1
id: lamp
version: 1.0.0
title: lamp
ground: C
parts:
  feed: {kind: supply, volts: 24 V, on-when: env.power}
  button: {kind: switch, closed-when: env.call}
  lamp: {kind: motor, runs-at: 18 V, spin-up: 1 s}
rungs:
  feed: [=R, feed, =C]
  lamp: [=R, button, =T, lamp, =C]
quantities:
  warmth:
    unit: F
    start: 70 F
    rules:
      - {when: lamp.running, is: 170 F, over: 100 s}
      - {is: 70 F, over: 100 s}
${extra}
phases:
  - {id: call, title: Call, cue: env.call}
  - {id: tested, title: Tested, cue: ${JSON.stringify(cue)}, goal: true}
`;
const seenAt = (cue: string): number | undefined => {
  const model = loadProfile(lamp(cue), 'lamp.yaml');
  return run(new CircuitStates(model), [], NORMAL_SETUP).cues[1]![0]?.from;
};

describe('the expression language', () => {
  test.each<[string, string[]]>([
    ['lamp.running && env.call', ['env', 'part']],
    ['volts(T, C) > 12 V', ['comparison']],
    ['fault(lamp.seized) || !env.power', ['env']],
    ['warmth >= 120 F', ['quantity']],
    ['lamp.running && warmth < 100 F && warmth > 80 F && lamp.stopped', ['part', 'quantity']],
  ])('%s looks at each of these once: %s', (cue, kinds) => {
    const { phases } = loadProfile(lamp(cue), 'lamp.yaml');
    expect(phases[1]!.cue.sources.map((s) => s.kind).sort()).toEqual(kinds);
  });

  test.each<[string, number | undefined]>([
    ['lamp.running', 1050],
    ['!lamp.running', 0],
    ['warmth >= 120 F', 51_050],
    ['warmth > 175 F', undefined],
    ['volts(T, C) >= 20 V && env.gas', 50],
    ['volts(T, C) + 10 V >= 30 V', 50],
    ['2 * volts(T, C) >= 40 V', 50],
    ['lamp.running || button.closed', 50],
    ['(lamp.running || false) && true', 1050],
    ['fault(lamp.seized)', undefined],
  ])('%s', (cue, at) => expect(seenAt(cue)).toBe(at));

  test.each([
    ['warmth', /condition is needed/],
    ['warmth >= 20', /compares temperature with none/],
    ['warmth >= volts(T, C)', /compares temperature with voltage/],
    ['lamp.running &&', /ends too early/],
    ['lamp.running env.call', /goes on after its end/],
    ['volts(T)', /expected ","/],
    ['after(30)', /needs a time/],
    ['lamp.running && after(30 s)', /stands in guards alone/],
    ['lamp.running + 1', /adds boolean and none/],
    ['volts(T, C) * volts(T, C) > 1 V', /multiplies two measured values/],
    ['volts(T, Q) > 1 V', /unknown net "Q"/],
    ['$(rm)', /cannot read/],
    ['env.moon', /unknown setting "moon"/],
  ])('%s is refused', (cue, words) => expect(() => loadProfile(lamp(cue), 'lamp.yaml')).toThrow(words));

  test('crossings of a ramp come at the right millisecond, whatever the threshold', () => {
    fc.assert(
      fc.property(fc.integer({ min: 71, max: 169 }), (f) => {
        // 70 °F to 170 °F in 100 s from the moment the lamp runs.
        expect(Math.abs(seenAt(`warmth >= ${f} F`)! - (1050 + (f - 70) * 1000))).toBeLessThanOrEqual(1);
      }),
      { numRuns: 25 },
    );
  });

  test('and, or, not agree with their truth tables on random conditions', () => {
    const leaf = fc.constantFrom('true', 'false');
    const { tree } = fc.letrec<{ tree: string }>((tie) => ({
      tree: fc.oneof(
        { depthSize: 'small' },
        leaf,
        fc.tuple(tie('tree'), tie('tree')).map(([a, b]) => `(${a} && ${b})`),
        fc.tuple(tie('tree'), tie('tree')).map(([a, b]) => `(${a} || ${b})`),
        tie('tree').map((a) => `!(${a})`),
      ),
    }));
    fc.assert(
      fc.property(tree, (text) => {
        // The same text is JavaScript.
        const expected = new Function(`return ${text}`)() as boolean;
        expect(seenAt(text) !== undefined).toBe(expected);
      }),
      { numRuns: 60 },
    );
  });

  test('a program that chases its own tail is named, not run for ever', () => {
    const source = lamp('lamp.running').replace(
      'warmth:\n',
      "flip:\n    unit: ''\n    rules:\n      - {when: flip < 0.5, is: 1}\n      - {is: 0}\n  warmth:\n",
    );
    const model = loadProfile(source, 'lamp.yaml');
    expect(() => run(new CircuitStates(model), [], NORMAL_SETUP)).toThrow(RestlessError);
  });
});
