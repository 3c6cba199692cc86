import { Engine } from '@zetalysis/core/diagnosis';
import { reportOf } from '@zetalysis/core/presentation';
import { TRAINED } from '@zetalysis/core/rules';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import type { Dimension, Reading } from '@zetalysis/core/units';
import { type EventBody, reduceCall } from '@zetalysis/core/visit';
import { profile } from './models';
import { met, noted, power } from './noted';

const engine = new Engine(profile('furnace-condensing'));
const read = (value: number, dimension: Dimension): Reading => ({ kind: 'value', value, dimension });
const seen = (phase: string, answer: 'yes' | 'no' | 'unclear'): EventBody => ({ type: 'seen', phase, answer });
const ohms = (value: number): EventBody => ({
  type: 'ohms',
  part: 'gas-valve',
  branch: '',
  reading: read(value, 'resistance'),
  typed: String(value),
});

function paper(...bodies: readonly EventBody[]) {
  const state = reduceCall(engine.model, noted(bodies));
  return reportOf(engine, state, engine.assess(state.evidence), {
    units: 'us',
    person: TRAINED,
    standard: USUAL_STANDARD,
    phase: undefined,
  });
}

const STEPS = engine.model.phases.filter((p) => !p.unwanted).map((p) => p.id);
const valve = STEPS.indexOf('valve');
/** A shorted valve coil, as far as it was found. */
const FOUND: EventBody[] = [
  {
    type: 'opened',
    complaint: 'No heat since five.',
    profile: 'furnace-condensing',
    profileVersion: '1',
    engineVersion: '1',
    settings: { units: 'us', settingsVersion: '1' },
  },
  ...STEPS.slice(0, valve).map((step) => seen(step, 'yes')),
  seen('valve', 'no'),
  { type: 'outcome', outcome: 'starts-over' },
  power(false),
  met('meter'),
  met('isolated', 'gas-valve'),
  ohms(0.2),
];
const RECORDED: EventBody = {
  type: 'break-recorded',
  part: 'gas-valve',
  failure: 'has a shorted coil',
  cause: '',
  action: 'New valve.',
  standing: 'proved',
  advice: {
    suspects: [
      {
        repair: engine.hypotheses.find((h) => h.words === 'The gas valve has a shorted coil')!.repair,
        words: 'The gas valve has a shorted coil',
        probability: 0.5,
      },
    ],
    standing: 'proved',
  },
};
const REPAIRED: EventBody = {
  type: 'repaired',
  part: 'gas-valve',
  action: 'replaced',
  measured: true,
  reads: { reading: read(14.2, 'resistance'), typed: '14.2' },
};

test('the number of what was fitted and its warranty stand with what was done, and in the record', () => {
  const { customer, technical } = paper(...FOUND, RECORDED, { ...REPAIRED, number: 'GV-24-B', warranty: '2027-11-30' });
  const words = 'number GV-24-B, under warranty until 2027-11-30';
  expect(customer.did[0]).toContain(words);
  expect(technical.entries.map((e) => e.words).join('; ')).toContain(words);
});

test('where it broke off when we came: steps before it came, those after it nobody saw', () => {
  const { runs } = paper(...FOUND).customer;
  expect(runs.came.map(({ is }) => is)).toEqual(
    STEPS.map((_, i) => (i < valve ? 'came' : i === valve ? 'broke' : 'unseen')),
  );
  expect(runs.left).toEqual([]);
});

test('a repaired machine that ran: every step came when we left, with what was timed', () => {
  const timed: EventBody = { type: 'timing', phase: STEPS[1]!, reading: read(3, 'time'), typed: '3' };
  const { runs } = paper(...FOUND, RECORDED, REPAIRED, power(true), timed, {
    type: 'outcome',
    outcome: 'runs',
  }).customer;
  expect(runs.left.every(({ is }) => is === 'came')).toBe(true);
  expect(runs.left[1]!.at).toMatch(/3/);
  expect(runs.came[valve]!.is).toBe('broke');
});

test('what was measured beside what it should be: the book’s value, what it was, and what the new part reads', () => {
  const [line, ...more] = paper(...FOUND, RECORDED, REPAIRED).customer.measured;
  expect(more).toEqual([]);
  // The valve’s book value of the family, 15 ohms.
  expect(line).toMatchObject({ should: '15 Ω', was: '0.2 Ω', now: '14.2 Ω, new', wrong: true });
  const { low, high, was, now, top } = line!.mark!;
  expect([was, now]).toEqual([0.2, 14.2]);
  expect(low).toBeLessThan(15);
  expect(high).toBeGreaterThan(15);
  expect(top).toBeGreaterThan(high);
});

test('the break in the model’s own words is a sentence; in somebody’s own it stands after the part', () => {
  expect(paper(...FOUND, RECORDED).customer.failed!.what).toBe('The gas valve has a shorted coil.');
  const own = { ...RECORDED, failure: 'coil burnt', standing: 'suspected' as const };
  expect(paper(...FOUND, own).customer.failed!.what).toBe('Gas valve: coil burnt. This is likely, and not proved.');
});

test('what else it could have been, each with the finding against it; never the part that is to blame', () => {
  const { excluded } = paper(...FOUND, RECORDED).customer;
  expect(excluded.length).toBeGreaterThan(0);
  for (const { words, by } of excluded) {
    expect(words).not.toMatch(/^Gas valve has/);
    expect(by).toMatch(/This fault would give/);
  }
});

test('the headline by the ending; without one it is still being worked on', () => {
  const closed = (ending: string, given: Record<string, string> = {}): EventBody =>
    ({ type: 'closed', words: '', ending, given }) as EventBody;
  const headline = (...more: EventBody[]) => paper(...FOUND, ...more).customer.headline;
  expect(headline()).toBe('Your furnace is still being worked on');
  const off: EventBody = { ...(power(false) as object), gas: false } as EventBody;
  expect(headline(off, closed('waiting', { for: 'a valve', whom: 'Weir', when: 'Friday' }))).toBe(
    'Your furnace waits for a valve',
  );
  expect(headline(off, closed('left-off', { why: 'w', told: 't', tag: 'g' }))).toBe(
    'Your furnace is off and has to stay off',
  );
});

test('recommendations with what the customer said; one that was taken back is gone', () => {
  const note = (words: string): EventBody => ({ type: 'recommended', words });
  const at = FOUND.length;
  const { recommended } = paper(
    ...FOUND,
    note('Remake the ground.'),
    note('A CO alarm.'),
    note('A typing error.'),
    { type: 'recommendation-settled', event: `e${at}`, how: 'accepted', words: 'in spring' },
    { type: 'retracted', event: `e${at + 2}` },
  ).customer;
  expect(recommended).toEqual([
    { words: 'Remake the ground.', said: 'Accepted: in spring' },
    { words: 'A CO alarm.', said: 'Not answered yet' },
  ]);
});

test('the handover: what is needed and has not come, what is off and apart, what would prove it', () => {
  const needed = (what: string, expected: string): EventBody => ({ type: 'part-needed', what, from: 'Weir', expected });
  const at = FOUND.length;
  const { handover } = paper(
    ...FOUND.slice(0, -1),
    needed('Gas valve HV-24', '2026-01-05'),
    needed('Union', ''),
    { type: 'part-arrived', event: `e${at}` },
    power(false, ['P2']),
  );
  expect(handover.needed.map(({ what, here }) => [what, here])).toEqual([
    ['Gas valve HV-24', false],
    ['Union', true],
  ]);
  expect(handover.off).toContain('Power OFF');
  expect(handover.loose.join()).toMatch(/plug/);
  expect(handover.found).toMatch(/^Suspected: .*%/);
  expect(handover.tests.length).toBeGreaterThan(0);
  expect(handover.prove).toEqual([]);
});

test('the technical record: entries, suspects then and now, the proof line by line', () => {
  const { technical } = paper(...FOUND, RECORDED, REPAIRED, {
    type: 'proof-line',
    line: 'no-smell',
    answer: 'done',
  });
  expect(technical.record).toMatch(/Gas valve: has a shorted coil.*proved/);
  expect(technical.entries).toHaveLength(FOUND.length + 3);
  expect(technical.suspects[0]).toMatchObject({ words: 'The gas valve has a shorted coil', then: 0.5 });
  expect(technical.proof.find((l) => l.do === 'Smell of gas')!.said).toBe('done');
  expect(technical.proof.find((l) => l.do.startsWith('Manifold'))!.said).toBe('');
});
