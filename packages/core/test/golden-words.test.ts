import { TRAINED } from '../src/rules';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Engine } from '../src/diagnosis';
import { instructionWords, testsView, viewOf } from '../src/presentation';
import { USUAL_STANDARD } from '../src/standards';
import type { UnitSystem } from '../src/units';
import { type CallEvent, type EventBody, reduceCall } from '../src/visit';
import { profile } from './models';

/** What a reader is told about a call, line by line, for the eye. */
function told(id: string, bodies: readonly EventBody[], units: UnitSystem): string {
  const engine = new Engine(profile(id));
  const log: CallEvent[] = bodies.map((body, i) => ({
    id: `e${i}`,
    call: 'c',
    seq: i + 1,
    at: '2026-01-01T08:00:00Z',
    device: 'd',
    person: 'imre',
    body,
  }));
  const state = reduceCall(engine.model, log);
  const assessment = engine.assess(state.evidence);
  const options = { units, person: TRAINED, standard: USUAL_STANDARD, phase: undefined } as const;
  const view = viewOf(engine, state, assessment, options);
  const ranked = engine.next({ ...options, evidence: state.evidence, declined: state.declined }, assessment);
  return [
    '# Log',
    ...view.log.map((l) => `${l.words}${l.problem === undefined ? '' : ` [${l.problem}]`}`),
    '# Suspects',
    ...view.suspects
      .slice(0, 3)
      .flatMap((s) => [
        `${s.words} — ${s.repairWords}`,
        ...s.reasons.slice(0, 3).map((r) => `  ${r.for ? 'for' : 'against'}: ${r.sentence}`),
      ]),
    '# What a proof asks for',
    ...view.checklist.map(
      (c) => `${c.met ? 'met' : 'open'}: ${c.words}${c.by.length > 0 ? ` (${c.by.join('; ')})` : ''}`,
    ),
    '# Next',
    ...testsView(engine, state, assessment, ranked, options)
      .slice(0, 3)
      .map((t) => `${instructionWords(t.instruction)} [${t.minutes} min]`),
    `# Record`,
    `${view.draft.part}: ${view.draft.failure}${view.draft.cause === '' ? '' : `, because ${view.draft.cause}`}`,
    '',
  ].join('\n');
}

const value = (n: number, dimension: string, typed: string) =>
  ({ reading: { kind: 'value', value: n, dimension }, typed }) as const;

/** Everything a log may hold, in one call; temperatures and pressures to be said in either system. */
const CALL = [
  {
    type: 'opened',
    machine: null,
    complaint: 'No heat',
    profile: 'furnace-condensing',
    profileVersion: '1.0.0',
    engineVersion: '1',
    settings: { units: 'us', settingsVersion: '1' },
  },
  { type: 'told', complaint: 'nothing' },
  { type: 'seen', phase: 'inducer', answer: 'yes' },
  { type: 'seen', phase: 'glow', answer: 'no', try: 2 },
  { type: 'seen', phase: 'valve', answer: 'unclear' },
  { type: 'outcome', outcome: 'locks-out' },
  { type: 'code', code: 'red-quick' },
  { type: 'volts', red: 'IP', black: 'N', phase: 'glow', ...value(121, 'voltage', '121') },
  { type: 'timing', phase: 'inducer', ...value(3, 'time', '3 s') },
  { type: 'gauge', gauge: 'draft', ...value(224, 'pressure', '0.9 inwc') },
  { type: 'look', look: 'fuse-look', answer: 'whole' },
  { type: 'temporary', kind: 'panel', title: 'burner door' },
  { type: 'fact', fact: 'co', value: 4 },
  { type: 'setup', power: false, gas: true, call: true, unplugged: ['P3'], bypassed: [] },
  { type: 'need', need: 'isolated', of: 'igniter', answer: 'met' },
  { type: 'ohms', part: 'igniter', branch: '', reading: { kind: 'open', dimension: 'resistance' }, typed: 'OL' },
  { type: 'declined', test: 'volts IP N glow', why: 'cannot' },
  { type: 'adjusted', what: 'gas pressure', original: '3.5 inwc', now: '3.2 inwc' },
  { type: 'timer', title: 'Purge', seconds: 300 },
  { type: 'note', text: 'Panel screw missing.' },
] as const;

/** After a change that is meant: WRITE_GOLDEN=1 writes the texts anew, and somebody reads the difference. */
describe('the words, read by eye', () => {
  test.each(['us', 'si'] as const)('one call, in %s units', (units) => {
    const file = join(__dirname, 'golden', `furnace-${units}.txt`);
    const text = told('furnace-condensing', CALL as unknown as EventBody[], units);
    if (process.env['WRITE_GOLDEN']) writeFileSync(file, text);
    expect(text).toBe(readFileSync(file, 'utf8'));
  });
});
