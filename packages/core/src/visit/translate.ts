import type { Model } from '../profile';
import { type AnswerBody, kindOfBody, type Observation, type Read, readAnswer } from '../question';
import { type EventBody, eventKindOf } from './event-kinds';

/** The observation that an entry is; nothing for one that is none, or that means nothing for this profile. */
export function observationOfEntry(model: Model, body: EventBody): Observation | undefined {
  const read = translate(model, body);
  return read.kind === 'observation' ? read.observation : undefined;
}

/** What an entry means to the engine, or why it means nothing for this profile. */
export function translate(model: Model, body: EventBody): Read<Observation> {
  const kind = kindOfBody(body.type);
  if (kind) return readAnswer(model, body as AnswerBody);
  const message = eventKindOf(body.type)?.problem?.(model, body as never);
  return message === undefined ? { kind: 'nothing' } : { kind: 'problem', message };
}
