import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Engine } from '../src/diagnosis';
import { draftRecord, snapshot } from '../src/presentation';
import { type CallEvent, caseEvents, loadCase, reduceCall } from '../src/visit';

type Steps = Parameters<typeof caseEvents>[0];

/** The steps of a case of the project. */
export const stepsOf = ({ model }: Engine, name: string): Steps =>
  loadCase(readFileSync(join(__dirname, `../../../cases/${name}.yaml`), 'utf8'), `${name}.yaml`, model).steps;

/** The events of a case with its record, as it was proposed when it was written. */
export function recordedCase(engine: Engine, steps: Steps, change: object = {}): CallEvent[] {
  const events = caseEvents(steps);
  const state = reduceCall(engine.model, events, { needs: 'met' });
  const assessment = engine.assess(state.evidence);
  const last = events.at(-1)!;
  const body = {
    type: 'break-recorded',
    ...draftRecord(engine, assessment),
    advice: snapshot(engine, assessment, []),
    ...change,
  } as const;
  return [...events, { ...last, id: 'recorded', seq: last.seq + 1, body } as CallEvent];
}
