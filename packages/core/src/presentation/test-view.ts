import { telephoneQuestions } from '../analysis';
import type { Assessment, Engine } from '../diagnosis';
import { type Hypothesis, type Repair, repairOf } from '../inference';
import { findPart, type Model } from '../profile';
import { type AnswerForm, kindOf, type Prediction, type Question, questionKey } from '../question';
import type { Setup } from '../simulation';
import type { TestingStandard } from '../standards';
import type { Wanted } from '../rules';
import { cautionsFor, goesRoundSafety, type RankedTest, setupFor, wantedOf } from '../test-choice';
import type { CallState } from '../visit';
import { predictionWords } from './question-words';
import type { Reader } from './reader';
import { runningOf } from './running';
import { sayOption } from './say';
import { type Instruction, instruction, provesWords, testTitle } from './test-words';

/** A proposed test as the screen shows it. */
export interface TestView {
  readonly id: string;
  readonly title: string;
  readonly instruction: Instruction;
  readonly minutes: number;
  /** It was asked too early: when it is worth another look, milliseconds since 1970. */
  readonly waits: number | undefined;
  /** It may be answered of a run that still goes on. */
  readonly early: boolean;
  readonly cautions: readonly string[];
  readonly line: boolean;
  readonly good: string;
  /** What its likeliest answers would mean, and how likely each is. */
  readonly why: readonly { readonly answer: string; readonly suspects: string; readonly share: number }[];
  /** Everything that somebody still suspected would show, SI; empty where it is no reading. */
  readonly foretold: readonly { readonly low: number; readonly high: number }[];
  readonly settles: boolean;
  /** Share of what is still open that its answer is expected to decide. */
  readonly decides: number;
  /** A customer can answer it on the telephone. */
  readonly byTelephone: boolean;
  /** For learners: what each answer at this point proves. */
  readonly proves: string | undefined;
  /** Goes round a safety: it is entered in the bypass ledger. */
  readonly ledger: boolean;
  /** What it is to the rules. */
  readonly wanted: Wanted;
  /** The same question is answered by a fact when it cannot be told. */
  readonly unclear: readonly { readonly fact: string; readonly value: string | number }[];
  readonly answer: AnswerFormView;
  /** The points its probes go to, red first; empty when it is no voltage. */
  readonly probes: readonly string[];
  /** Events that make the setup of the test, before its answer. */
  readonly setup: Setup | undefined;
}

/** How the answer is given, with what stands on its buttons. */
export type AnswerFormView =
  | Extract<AnswerForm, { kind: 'reading' }>
  | (Omit<Extract<AnswerForm, { kind: 'choice' }>, 'options'> & {
      readonly options: readonly { readonly id: string; readonly title: string }[];
    });

export const formView = (form: AnswerForm): AnswerFormView =>
  form.kind === 'reading'
    ? form
    : { ...form, options: form.options.map(({ id, says }) => ({ id, title: sayOption(says) })) };

/** A repair in words: "replace gas valve". */
export function repairWords(model: Model, repair: Repair): string {
  if (repair === 'none') return 'no repair';
  if (repair === 'unknown') return 'test on in general terms';
  const { part = '', action } = repairOf(repair);
  const title = findPart(model, part)?.title ?? model.plugs.find((p) => p.id === part)?.title ?? part;
  return `${action} ${title}`;
}

/** What a hypothesis blames, as one would say it: the gas valve, its harness. */
function blamed(model: Model, h: Hypothesis): string {
  const part = h.faults[0] && model.parts[h.faults[0].part]!;
  if (part) return `the ${part.title.replace(/ \(.*\)$/, '')}`;
  return h.kind === 'healthy' ? 'nothing: it is sound' : 'what the model does not know';
}

/** "a or b", "a, b or 3 more". */
function listed(names: readonly string[]): string {
  if (names.length <= 2) return names.join(' or ');
  return `${names.slice(0, 2).join(', ')} or ${names.length - 2} more`;
}

/** The next test and two others. */
export function testsView(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  ranked: readonly RankedTest[],
  reader: Reader & { readonly standard: TestingStandard },
): TestView[] {
  const { model } = engine;
  const open = doubt(assessment);
  const running = runningOf(engine, state, assessment);
  const onTelephone = new Set(telephoneQuestions(model, ranked));
  const shown = [...new Set([...ranked.slice(0, 3), ...[...onTelephone].slice(0, 3)])];
  return shown.map((one) => {
    const { test, minutes, bits, outcomes, settles } = one;
    const q = test.question;
    const present = state.setup;
    const setup = test.intervention ? setupFor(present, test.intervention) : undefined;
    const healthy = setup
      ? engine.traces.predict(
          engine.healthy.faults,
          [...state.evidence.episodes, { setup, repaired: state.evidence.episodes.at(-1)!.repaired }],
          q,
        )
      : engine.expect(state.evidence, engine.healthy, q);
    const good = predictionWords(model, q, healthy, reader);
    return {
      id: test.id,
      title: testTitle(model, test),
      instruction: instruction(model, test),
      minutes,
      waits: test.intervention ? undefined : running.get(questionKey(model, q))?.ends,
      early: !test.intervention && kindOf(q).weighs === 'cue',
      cautions: cautionsFor(model, test),
      line: test.line,
      good,
      why: outcomes
        .filter((o) => o.expectedBy.length > 0)
        .map((o) => {
          const behind = [...o.expectedBy].sort((a, b) => assessment.probabilities[b]! - assessment.probabilities[a]!);
          const names = [...new Set(behind.map((i) => blamed(model, assessment.hypotheses[i]!)))];
          const answer = predictionWords(model, q, o.prediction, reader);
          const share = o.expectedBy.reduce((sum, i) => sum + assessment.probabilities[i]!, 0);
          return {
            share,
            answer,
            suspects: `${answer === good ? 'As it should: look at ' : 'Points at '}${listed(names)}`,
          };
        })
        .sort((a, b) => b.share - a.share)
        .slice(0, 3),
      foretold: outcomes.flatMap((o) => (o.expectedBy.length > 0 ? foretold(model, q, o.prediction) : [])),
      settles: settles > 0,
      decides: open > 0 ? Math.min(1, bits / open) : 0,
      byTelephone: onTelephone.has(one),
      proves: reader.standard.order === 'terminal-by-terminal' ? provesWords(model, q) : undefined,
      ledger: goesRoundSafety(model, test),
      wanted: wantedOf(model, test),
      unclear: q.kind === 'look' ? model.looks[q.look]!.unclear : [],
      answer: formView(kindOf(q).form(model, q)),
      probes: q.kind === 'volts' ? [model.nets[q.red]!, model.nets[q.black]!] : [],
      setup,
    };
  });
}

/** From where to where a reading would lie; nothing where it would be OL, or no reading at all. */
export function foretold(model: Model, q: Question, prediction: Prediction): TestView['foretold'] {
  const observation = kindOf(q).observe(model, q, prediction);
  if (!observation || !('reading' in observation)) return [];
  const { reading } = observation;
  if (reading.kind === 'open') return [];
  const at = reading.kind === 'range' ? [reading.low, reading.high] : [reading.value];
  const met = 'shorter' in prediction && prediction.shorter ? [...at, prediction.shorter.value] : at;
  const reach = 'reach' in prediction && prediction.reach ? [prediction.reach.low, prediction.reach.high] : [];
  return [{ low: Math.min(...met, ...reach), high: Math.max(...met, ...reach) }];
}

/** How open the question is what to repair, bits. */
const doubt = ({ suspects }: Assessment): number =>
  suspects.reduce((sum, { probability: p }) => sum - (p > 0 ? p * Math.log2(p) : 0), 0);
