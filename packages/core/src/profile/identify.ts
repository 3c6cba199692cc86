import type { DataMap } from './document';
import type { Fields } from './fields';
import { unknownName } from './nearest';

/** What anybody can answer in front of a machine, in the order in which it is asked. */
export const IDENTIFY = [
  {
    id: 'heats',
    ask: 'What does it heat?',
    answers: {
      air: 'Room air',
      steam: 'Radiators, with steam',
      water: 'Radiators, with hot water',
      tap: 'Water in a tank, for the taps',
      pool: 'A pool',
      laundry: 'Laundry',
    },
  },
  {
    id: 'supply',
    ask: 'What feeds its controls?',
    answers: { house: '120 V from the house', '240': '240 V', '12': 'A 12 V battery', pilot: 'Nothing but its pilot' },
  },
  { id: 'standing-flame', ask: 'Is a small flame always burning?', answers: { yes: 'Yes', no: 'No' } },
  {
    id: 'lights-by',
    ask: 'What lights it?',
    answers: { glow: 'Something glows', spark: 'It sparks', pilot: 'The standing flame', none: 'No flame in it' },
  },
  { id: 'fan-first', ask: 'Does a fan run before the burner lights?', answers: { yes: 'Yes', no: 'No' } },
  { id: 'sight-glass', ask: 'Is there a glass tube that shows the water?', answers: { yes: 'Yes', no: 'No' } },
  { id: 'damper', ask: 'Is there a motor damper in the flue pipe?', answers: { yes: 'Yes', no: 'No' } },
  { id: 'pilot-first', ask: 'Does a small pilot light first, then the burner?', answers: { yes: 'Yes', no: 'No' } },
] as const;

/** What a profile says about itself, by question. */
export type Identity = Readonly<Record<string, string>>;

export function loadIdentity(fields: Fields, root: DataMap): Identity {
  const written = fields.optionalMap(root['identify'], ['identify'], 'question: answer');
  const identity: { [question: string]: string } = {};
  for (const question of Object.keys(written)) {
    const path = ['identify', question];
    const known = IDENTIFY.find((q) => q.id === question);
    if (!known) {
      fields.file.problem(
        path,
        unknownName(
          'question',
          question,
          IDENTIFY.map((q) => q.id),
        ),
      );
      continue;
    }
    const answer = fields.text(written, question, ['identify']);
    const answers = Object.keys(known.answers);
    if (!answers.includes(answer)) fields.file.problem(path, unknownName('answer', answer, answers));
    identity[question] = answer;
  }
  return identity;
}

/** Whether nothing that was answered speaks against a machine; what it does not say may be anything. */
export const mayBe = (identity: Identity, answers: Identity): boolean =>
  Object.entries(answers).every(([question, answer]) => (identity[question] ?? answer) === answer);
