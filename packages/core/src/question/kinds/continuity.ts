import * as t from '@sinclair/typebox';
import { ASSUMED } from '../../standards';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, branchName, name, oneOf } from '../body-fields';
import { observed, problem } from '../named';
import type { Prediction } from '../prediction';
import type { QuestionKind } from '../question-kind';
import { readYesNo } from './choice';
import { namedPassage, type Passage, predictDead } from './passage';

/** Whether a beeper sounds across a passage, power off, the part isolated. It clears no contact and condemns nothing. */
export interface ContinuityQuestion extends Passage {
  readonly kind: 'continuity';
}
export interface ContinuityObservation extends ContinuityQuestion {
  readonly sounds: boolean;
}

const ANSWERS = ['yes', 'no'] as const;
const body = bodyOf('continuity', { part: name, branch: t.Optional(branchName), sounds: oneOf(ANSWERS) });

/** Below the first a beeper sounds, above the second none does; between them it depends on the meter (common practice, no source). */
const [SOUNDS, SILENT] = [20, 50];
/** Where the two meet, ohms. */
const BORDER = 30;

const formOf = (part: string, branch: string | undefined): AnswerForm => ({
  kind: 'choice',
  field: 'sounds',
  options: ANSWERS.map((id) => ({ id, says: { message: 'beeps', data: { sounds: id === 'yes' } } })),
  subject: { type: 'continuity', part, ...(branch === undefined ? {} : { branch }) },
});

export const continuity: QuestionKind<ContinuityQuestion, ContinuityObservation, typeof body> = {
  kind: 'continuity',
  weighs: 'look',
  body,
  key: (model, q) => `continuity ${model.parts[q.part]!.id}${q.branch === '' ? '' : `.${q.branch}`}`,
  answers: () => [],
  // Ohms tell more in the same time: it is kept when somebody has only that, and never proposed.
  offers: () => [],
  cost: (model, q) => ({ minutes: model.parts[q.part]!.minutes, line: false }),
  preparation: (model, q) => `isolated ${model.parts[q.part]!.id}`,
  cautions: (model, q) => ({ applies: ['ohms'], own: model.parts[q.part]!.caution }),
  predict: predictDead,
  fit: (_model, o, prediction) => {
    const chance = chanceOfSound(prediction);
    const fit = chance === undefined ? 0 : o.sounds ? chance : 1 - chance;
    return { fit, base: 0.5, blunder: ASSUMED.misreadOhms };
  },
  place: (p) => (p.kind === 'ohms' ? Math.min(p.ohms, 1e12) : 3e6),
  sameOutcome: () => (a, b) => chanceOfSound(a) === chanceOfSound(b),
  coarse: (_model, _q, p) => (p.kind === 'ohms' ? (p.ohms < BORDER ? 'sounds' : 'silent') : p.kind),
  observe: (_model, q, p) => (p.kind === 'ohms' ? { ...q, sounds: p.ohms < BORDER } : undefined),
  report: (_model, { observation, truth }, { random }) => {
    const chance = chanceOfSound(truth);
    return chance === undefined ? observation : { ...observation, sounds: random.next() < chance };
  },
  isRelevantTo: (_model, part, q) => part.index === q.part,
  subject: (model, q) => formOf(model.parts[q.part]!.id, q.branch).subject,
  form: (model, q) => formOf(model.parts[q.part]!.id, q.branch),
  read: (model, given) => {
    const at = namedPassage(model, given);
    if (typeof at === 'string') return problem(at);
    return observed({ kind: 'continuity', ...at, sounds: given.sounds === 'yes' });
  },
  readLine: ({ parts }, words) => {
    const said = words.map((w) => w.toLowerCase());
    const silent = said.some((w) => w === 'silent');
    if (!silent && !said.some((w) => BEEPS.has(w))) return undefined;
    const part = said.find((w) => Object.hasOwn(parts, w));
    if (part === undefined) return { ok: false, message: 'Name the part the beeper was put across: beeps fuse' };
    const passages = parts[part]!;
    const branch = passages.length > 1 ? said.find((w) => w !== part && passages.includes(w)) : passages[0]!;
    if (branch === undefined)
      return { ok: false, message: `Which of it: ${passages.join(', ')}? Add it: beeps ${part} ${passages[0]}` };
    return answered(formOf(part, branch), silent || said.some((w) => NOT.has(w)) ? 'no' : 'yes');
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{part, sounds}');
    fields.only(map, path, ['part', 'branch', 'sounds']);
    const branch = map['branch'] === undefined ? {} : { branch: fields.text(map, 'branch', path) };
    const sounds = readYesNo(fields, map['sounds'] ?? null, [...path, 'sounds']);
    const part = fields.text(map, 'part', path);
    return sounds === 'unclear' ? [] : [{ type: 'continuity', part, ...branch, sounds }];
  },
  asked: (model, q) => ({ message: 'beep-across', data: { part: model.parts[q.part]!.title, branch: q.branch } }),
  title: (model, q) => ({ message: 'beeper', data: { part: model.parts[q.part]!.title, branch: q.branch } }),
  observed: (model, o) => ({
    message: 'beeped',
    data: { part: model.parts[o.part]!.title, branch: o.branch, sounds: o.sounds },
  }),
  expected: (_model, _q, p) => ({ message: 'beeps', data: { sounds: p.kind === 'ohms' && p.ohms < BORDER } }),
};

const BEEPS: ReadonlySet<string> = new Set(['beep', 'beeps', 'beeper', 'continuity']);
const NOT: ReadonlySet<string> = new Set(['no', 'not', 'none', 'without']);

/** Chance that a beeper sounds; nothing where there is nothing to put it to. */
function chanceOfSound(p: Prediction): number | undefined {
  if (p.kind !== 'ohms') return undefined;
  if (p.shorter) return (1 - p.shorter.share) * at(p.ohms) + p.shorter.share * at(p.shorter.value);
  if (!p.reach) return at(p.ohms);
  const { low, high } = p.reach;
  const steps = Array.from({ length: STEPS }, (_, i) => low * (high / low) ** ((i + 0.5) / STEPS));
  return steps.reduce((sum, ohms) => sum + at(ohms), 0) / STEPS;
}

/** Sound parts lie anywhere between their limits: so many places stand for them. */
const STEPS = 9;

const at = (ohms: number): number =>
  ohms <= SOUNDS ? 1 : ohms >= SILENT ? 0 : Math.log(SILENT / ohms) / Math.log(SILENT / SOUNDS);
