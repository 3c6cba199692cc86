import { type Authority, TRAINED } from '../src/rules';
import { coverage } from '../src/analysis';
import { Engine } from '../src/diagnosis';
import { loadProfile } from '../src/profile';
import type { Evidence, Observation } from '../src/question';
import { observationOf } from '../src/question/question-kinds';
import { NORMAL_SETUP } from '../src/simulation';
import { mayBypass } from '../src/test-choice';
import { engine, evidence, model, noGlow, ohms, seen, share, steam, volts } from './furnace';
import { profileText } from './models';

describe('posterior', () => {
  test('is a probability distribution', () => {
    const { probabilities } = engine.assess(evidence(noGlow));
    expect(probabilities.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect(Math.min(...probabilities)).toBeGreaterThanOrEqual(0);
  });

  test('without evidence is the prior', () => {
    const { probabilities } = engine.assess(evidence([]));
    // Severities that disturb nothing are seldom called for; what they lose the others gain alike.
    const rest = engine.hypotheses.filter((h) => h.severity === undefined);
    const gain = probabilities[rest[0]!.index]! / rest[0]!.prior;
    for (const h of rest) expect(probabilities[h.index]! / h.prior).toBeCloseTo(gain, 9);
    expect(gain).toBeGreaterThan(1);
    expect(gain).toBeLessThan(1.2);
  });

  test('does not depend on the order of the evidence', () => {
    const forward = engine.assess(evidence(noGlow)).probabilities;
    const backward = engine.assess(evidence([...noGlow].reverse())).probabilities;
    forward.forEach((p, i) => expect(p).toBeCloseTo(backward[i]!, 9));
  });

  test('repeating a reading tells less than a second independent one would: a misreading repeated does not become true', () => {
    const odds = (observations: readonly Observation[]): number => {
      const p = share(engine, evidence(observations), 'gas-valve:replace');
      return p / (1 - p);
    };
    const wrong = ohms('gas-valve', Infinity);
    const none = odds(noGlow);
    const once = odds([...noGlow, wrong]) / none;
    const five = odds([...noGlow, wrong, wrong, wrong, wrong, wrong]) / none;
    expect(once).toBeGreaterThan(10);
    expect(five).toBeLessThan(once ** 2);
    expect(five).toBeGreaterThanOrEqual(once * 0.99);
  });

  test('one misheard cue does not throw out the right answer', () => {
    const misheard = [
      seen('call', true),
      seen('inducer', false),
      seen('glow', false),
      seen('valve', true),
      seen('flame', false),
      ohms('igniter', Infinity),
      volts('IP', 'N', 'glow', 120),
    ];
    expect(engine.assess(evidence(misheard)).suspects[0]!.repair).toBe('igniter:replace');
  });

  test('a few volts on a dead wire are a ghost, not a supply', () => {
    const dead = [seen('inducer', true), seen('glow', false)];
    const two = share(engine, evidence([...dead, volts('PS', 'C', 'inducer', 2)]), 'pressure-switch:replace');
    const zero = share(engine, evidence([...dead, volts('PS', 'C', 'inducer', 0)]), 'pressure-switch:replace');
    expect(Math.abs(two - zero)).toBeLessThan(0.15);
  });

  test('weights from a shop’s own book move the prior', () => {
    const own = new Engine(model, { 'igniter.open': 10 });
    expect(own.hypotheses.find((h) => h.id === 'igniter.open')!.prior).toBeGreaterThan(
      engine.hypotheses.find((h) => h.id === 'igniter.open')!.prior * 3,
    );
  });

  test('what fits nothing is left to the unknown, not pinned on a part', () => {
    const absurd = [
      seen('call', false),
      seen('inducer', false),
      seen('glow', true),
      seen('valve', false),
      seen('flame', true),
      seen('steady', false),
      seen('heating', true),
      { kind: 'outcome', outcome: 'dead' } as const,
      volts('R', 'C', 'call', 12),
      volts('L1D', 'N', 'call', 47),
    ];
    const assessment = engine.assess(evidence(absurd));
    expect(assessment.noHypothesisFits).toBe(true);
    expect(assessment.proof?.standing ?? 'suspected').toBe('suspected');
    expect(assessment.surprises.length).toBeGreaterThan(0);
  });
});

describe('the next test', () => {
  const next = (observations: readonly Observation[], person: Authority = TRAINED, declined: string[] = []) => {
    const ev = evidence(observations);
    return engine.next({ evidence: ev, declined: new Set(declined), person }, engine.assess(ev));
  };

  test('is never one that was answered or declined', () => {
    const first = next(noGlow)[0]!;
    expect(next(noGlow, TRAINED, [first.test.id]).some((r) => r.test.id === first.test.id)).toBe(false);
    expect(next(noGlow).some((r) => r.test.id === 'seen glow')).toBe(false);
  });

  test('an apprentice is not sent onto line voltage or into a bypass', () => {
    for (const r of next(noGlow, { role: 'apprentice', grants: [] })) {
      expect(r.test.line).toBe(false);
      expect(r.test.intervention && 'bypass' in r.test.intervention).toBeFalsy();
    }
    expect(next(noGlow).some((r) => r.test.line)).toBe(true);
  });

  test('roll-out and spill switches are never bypassed', () => {
    for (const e of [engine, steam])
      for (const test of e.tests)
        if (test.intervention && 'bypass' in test.intervention)
          expect(['rollout', 'spill']).not.toContain(test.intervention.bypass);
    expect(
      mayBypass(
        model.parts.find((p) => p.id === 'rollout')!,
        model.family,
      ),
    ).toBe(false);
  });

  test('outcome probabilities of a test sum to the share of hypotheses that predict', () => {
    for (const r of next(noGlow).slice(0, 5)) {
      const sum = r.outcomes.reduce((s, o) => s + o.probability, 0);
      expect(sum).toBeGreaterThan(0.5);
      expect(sum).toBeLessThanOrEqual(1 + 1e-9);
    }
  });
});

describe('a chain of n equal suspects', () => {
  /** n switches in series with a lamp, a test point after each, nothing else that can fail. */
  const chain = (n: number): Engine => {
    const ids = Array.from({ length: n }, (_, i) => `s${i + 1}`);
    return new Engine(
      loadProfile(
        `format: zetalysis-profile/1
id: chain
version: 1.0.0
title: chain
ground: C
parts:
  feed: {kind: supply, volts: 24 V, on-when: env.power}
${ids.map((id) => `  ${id}: {kind: switch, closed-when: env.call}`).join('\n')}
  lamp: {kind: motor, runs-at: 18 V}
rungs:
  feed: [=R, feed, =C]
  chain: [=R, ${ids.map((id, i) => `${id}, =T${i + 1}`).join(', ')}, lamp, =C]
points:
${ids.map((_id, i) => `  T${i + 1}: {reach: after switch ${i + 1}, black: C, minutes: 1}`).join('\n')}
phases:
  - {id: call, title: Call, cue: env.call, probe: true}
  - {id: lamp, title: Lamp, cue: lamp.running, goal: true}
`,
        'chain.yaml',
      ),
      // Equal suspects: everything but the switches is beyond doubt.
      Object.fromEntries(
        [
          'feed.dead',
          'feed.low',
          'feed.other',
          'lamp.winding-open',
          'lamp.seized',
          'lamp.other',
          ...ids.map((id) => `${id}.other`),
        ].map((id) => [id, 0]),
      ),
    );
  };

  // Binary search: de Kleer and Williams (1987) give ⌈log2 n⌉ probes as the most needed. Value from memory.
  test.each([4, 8])('n = %d: the first probe is in the middle, and ⌈log2 n⌉ probes find any of them', (n) => {
    const e = chain(n);
    const open = e.hypotheses.filter((h) => /^s\d+\.open$/.test(h.id));
    for (const hidden of open) {
      const items: Evidence['items'][number][] = [
        { id: 'x', episode: 0, observation: { kind: 'seen', phase: e.model.phases[1]!.index, answer: false } },
      ];
      let probes = 0;
      for (;;) {
        const ev: Evidence = { episodes: [{ setup: NORMAL_SETUP, repaired: [] }], items };
        const assessment = e.assess(ev);
        const left = open.filter(
          (h) =>
            assessment.probabilities[h.index]! > 0.1 * Math.max(...open.map((o) => assessment.probabilities[o.index]!)),
        );
        if (left.length === 1) {
          expect(left[0]).toBe(hidden);
          break;
        }
        const best = e
          .next({ evidence: ev, declined: new Set(), person: TRAINED }, assessment)
          .find(
            (r) =>
              r.test.question.kind === 'volts' &&
              r.test.question.phase === 0 &&
              !e.model.parts.some((p) =>
                p.branches.some(
                  (b) => b.b === (r.test.question as { black: number }).black && p.kind.name === 'switch',
                ),
              ),
          )!;
        const q = best.test.question as { red: number };
        if (probes === 0) expect([`T${n / 2}`, `T${n / 2 - 1}`, `T${n / 2 + 1}`]).toContain(e.model.nets[q.red]);
        probes++;
        items.push({
          id: `p${probes}`,
          episode: 0,
          observation: observationOf(e.model, best.test.question, e.expect(ev, hidden, best.test.question))!,
        });
      }
      expect(probes).toBeLessThanOrEqual(Math.ceil(Math.log2(n)));
    }
  });
});

describe('coverage', () => {
  const c = coverage(engine);

  test('the furnace has at least 35 fault modes with predictions of their own', () =>
    expect(c.distinct).toBeGreaterThanOrEqual(35));

  test('faults that no test tells apart are named: a stuck valve and its plug, once nobody can probe behind the plug', () => {
    expect(c.alike).toEqual([]);
    const blind = profileText('furnace-condensing').replace(/^ {2}V[TC]: .*\n/gm, '');
    const groups = coverage(new Engine(loadProfile(blind, 'blind.yaml', {}))).alike;
    expect(groups.map((g) => g.map((h) => h.id))).toEqual([
      ['gas-valve.stuck-shut', 'P2/1.open', 'P2/1.poor@3', 'P2/2.open', 'P2/2.poor@3'],
    ]);
  });

  test('stuck-closed safeties change nothing observable while everything else is sound', () => {
    expect(c.silent.map((h) => h.id)).toContain('rollout.stuck-closed');
  });

  test('a cause outside the circuit names the safety it opens, and in the simulation that safety is open', () => {
    for (const h of [...engine.hypotheses, ...steam.hypotheses]) {
      if (h.cause === undefined) continue;
      const e = engine.hypotheses.includes(h) ? engine : steam;
      const { trace } = e.traces.last(h.faults, [{ setup: NORMAL_SETUP, repaired: [] }]);
      const closed = e.model.parts[h.breaks!]!.kind.states.indexOf('closed');
      expect(trace.segments.some((s) => s.to > s.from && s.partStates[h.breaks!] !== closed)).toBe(true);
    }
  });
});
