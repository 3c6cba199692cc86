import { telephoneQuestions } from '@zetalysis/core/analysis';
import type { Assessment, Engine } from '@zetalysis/core/diagnosis';
import { instruction, OUTCOME_WORDS, predictionWords, provesWords, testTitle } from '@zetalysis/core/presentation';
import { findPart, type Model } from '@zetalysis/core/profile';
import { COMPLAINTS, type Question } from '@zetalysis/core/question';
import type { Setup } from '@zetalysis/core/simulation';
import type { TestingStandard } from '@zetalysis/core/standards';
import { cautionsFor, goesRoundSafety, type RankedTest, setupFor } from '@zetalysis/core/test-choice';
import type { Dimension, UnitSystem } from '@zetalysis/core/units';
import type { CallState } from '@zetalysis/core/visit';

/** A proposed test as the screen shows it. */
export interface TestView {
  readonly id: string;
  readonly title: string;
  readonly instruction: string;
  readonly minutes: number;
  readonly cautions: readonly string[];
  readonly line: boolean;
  readonly good: string;
  readonly why: readonly { readonly answer: string; readonly suspects: string }[];
  readonly settles: boolean;
  /** Share of what is still open that its answer is expected to decide. */
  readonly decides: number;
  /** A customer can answer it on the telephone. */
  readonly byTelephone: boolean;
  /** For learners: what each answer at this point proves. */
  readonly proves: string | undefined;
  /** Goes round a safety: it is entered in the bypass ledger. */
  readonly ledger: boolean;
  readonly answer: AnswerForm;
  /** Events that make the setup of the test, before its answer. */
  readonly setup: Setup | undefined;
}

/** How the answer is given: by typing a reading or by choosing. */
type AnswerForm =
  | { readonly kind: 'reading'; readonly dimension: Dimension; readonly event: ReadingEvent }
  | {
      readonly kind: 'choice';
      readonly type: 'seen' | 'outcome' | 'code' | 'look' | 'told';
      readonly subject: string;
      readonly options: readonly { id: string; title: string }[];
    };

type ReadingEvent =
  | { readonly type: 'volts'; readonly red: string; readonly black: string; readonly phase?: string }
  | { readonly type: 'ohms'; readonly part: string; readonly branch: string }
  | { readonly type: 'gauge'; readonly gauge: string }
  | { readonly type: 'timing'; readonly phase: string };

/** A repair in words: "replace gas valve". */
export function repairWords(model: Model, repair: string): string {
  if (repair === 'none') return 'no repair';
  if (repair === 'unknown') return 'test on in general terms';
  const [id, mend] = repair.split(':') as [string, string];
  const part = findPart(model, id)?.title ?? model.plugs.find((p) => p.id === id)?.title ?? id;
  return `${mend} ${part}`;
}

/** The next test and two others. */
export function testsView(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  ranked: readonly RankedTest[],
  { units, standard }: { readonly units: UnitSystem; readonly standard: TestingStandard },
): TestView[] {
  const { model } = engine;
  const open = doubt(assessment);
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
    return {
      id: test.id,
      title: testTitle(model, test),
      instruction: instruction(model, test),
      minutes,
      cautions: cautionsFor(model, test),
      line: test.line,
      good: predictionWords(model, q, healthy, units),
      why: outcomes
        .filter((o) => o.expectedBy.length > 0)
        .map((o) => {
          const names = [...new Set(o.expectedBy.map((i) => repairWords(model, assessment.hypotheses[i]!.repair)))];
          const share = o.expectedBy.reduce((sum, i) => sum + assessment.probabilities[i]!, 0);
          return {
            share,
            answer: predictionWords(model, q, o.prediction, units),
            suspects: `${names.slice(0, 2).join(', ')}${names.length > 2 ? ` and ${names.length - 2} more` : ''} (${Math.round(share * 100)} %)`,
          };
        })
        .sort((a, b) => b.share - a.share)
        .slice(0, 3)
        .map(({ answer, suspects }) => ({ answer, suspects })),
      settles: settles > 0,
      decides: open > 0 ? Math.min(1, bits / open) : 0,
      byTelephone: onTelephone.has(one),
      proves: standard.order === 'terminal-by-terminal' ? provesWords(model, q) : undefined,
      ledger: goesRoundSafety(model, test),
      answer: answerForm(model, q),
      setup,
    };
  });
}

/** How open the question is what to repair, bits. */
const doubt = ({ suspects }: Assessment): number =>
  suspects.reduce((sum, { probability: p }) => sum - (p > 0 ? p * Math.log2(p) : 0), 0);

function answerForm(model: Model, q: Question): AnswerForm {
  switch (q.kind) {
    case 'seen':
      return {
        kind: 'choice',
        type: 'seen',
        subject: model.phases[q.phase]!.id,
        options: [
          { id: 'yes', title: 'Yes' },
          { id: 'no', title: 'No' },
          { id: 'unclear', title: 'Can’t tell' },
        ],
      };
    case 'outcome':
      return {
        kind: 'choice',
        type: 'outcome',
        subject: '',
        options: Object.entries(OUTCOME_WORDS).map(([id, title]) => ({ id, title })),
      };
    case 'code':
      return {
        kind: 'choice',
        type: 'code',
        subject: '',
        options: [
          ...model.codes.map((c) => ({ id: c.id, title: `${c.id}: ${c.title}` })),
          { id: 'none', title: 'No fault code' },
          { id: 'dark', title: 'Light is dark' },
        ],
      };
    case 'look': {
      const look = model.looks[q.look]!;
      return {
        kind: 'choice',
        type: 'look',
        subject: look.id,
        options: look.answers.map(({ id, title }) => ({ id, title })),
      };
    }
    case 'told':
      return {
        kind: 'choice',
        type: 'told',
        subject: '',
        options: Object.entries(COMPLAINTS).map(([id, title]) => ({ id, title })),
      };
    case 'volts':
      return {
        kind: 'reading',
        dimension: 'voltage',
        event: {
          type: 'volts',
          red: model.nets[q.red]!,
          black: model.nets[q.black]!,
          ...(q.phase < 0 ? {} : { phase: model.phases[q.phase]!.id }),
        },
      };
    case 'ohms':
      return {
        kind: 'reading',
        dimension: 'resistance',
        event: { type: 'ohms', part: model.parts[q.part]!.id, branch: q.branch },
      };
    case 'gauge': {
      const gauge = model.gauges[q.gauge]!;
      return {
        kind: 'reading',
        dimension: model.quantities[gauge.quantity]!.dimension,
        event: { type: 'gauge', gauge: gauge.id },
      };
    }
    case 'timing':
      return { kind: 'reading', dimension: 'time', event: { type: 'timing', phase: model.phases[q.phase]!.id } };
  }
}
