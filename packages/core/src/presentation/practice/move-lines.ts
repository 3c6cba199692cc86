import { isPractice, type Laid, type Move, moveOf, type PracticeBody, type Stand } from '../../practice';
import { findPart, type Model } from '../../profile';
import { type AnswerBody, kindOfBody, readAnswer } from '../../question';
import type { Millis, UnitSystem } from '../../units';
import { entryTexts } from '../log-view';
import { questionTitle } from '../question-words';

/** A move of an exercise, in words. */
export interface MoveLine {
  readonly move: number;
  readonly at: Millis;
  readonly words: string;
}

/** Everything that was done, in words. */
export function moveLines(
  { engine }: Pick<Laid, 'engine'>,
  { moves, state }: Pick<Stand, 'moves' | 'state'>,
  units: UnitSystem,
): MoveLine[] {
  const texts = new Map(entryTexts(engine, state, units).map(({ id, words }) => [moveOf(id), words]));
  const { model } = engine;
  const wordsOf = (body: Move['body'], move: number): string => {
    if (isPractice(body)) return practiceWords(model, body);
    if (body.type === 'opened') return `They say: ${body.complaint}`;
    // What a reading is worth is for the lesson.
    const read = 'typed' in body && kindOfBody(body.type) ? readAnswer(model, body as AnswerBody) : undefined;
    if (read?.kind === 'observation' && 'typed' in body)
      return `${questionTitle(model, read.observation)}: ${body.typed}`;
    return texts.get(move) ?? '';
  };
  return moves.map(({ at, body }, move) => ({ move, at, words: wordsOf(body, move) }));
}

function practiceWords(model: Model, body: PracticeBody): string {
  switch (body.type) {
    case 'hint':
      return { half: 'Asked which half is left', test: 'Asked for the best test', why: 'Asked why' }[body.hint];
    case 'predicted':
      return `Said beforehand: ${body.guess}${body.right ? ', and so it was' : ', and it was not'}`;
    case 'accident':
      return `Ohms on a live circuit, ${body.where}`;
    case 'supply':
      return `Breaker ${body.breaker ? 'on' : 'off'}, service switch ${body.service ? 'on' : 'off'}`;
    case 'lead-zero':
      return 'Leads held together and taken off';
    case 'new-part-bad':
      return `The new ${findPart(model, body.part)?.title ?? 'part'} reads as the old one did: back in its box, another one taken`;
    case 'run-told':
      return 'Told the steps in their order, and when each comes';
  }
}
