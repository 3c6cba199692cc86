import type { ReactNode } from 'react';
import { type AnswerFormView, type CallView, minutesWords, type TestView } from '@zetalysis/core/presentation';
import { type Need, offer } from '@zetalysis/core/rules';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { wireWords } from '../../../diagrams/wire-names';
import { Button } from '../../../kit/Button';
import { Cautions } from '../../../kit/Cautions';
import { NeedFirst } from '../rules/NeedFirst';
import { type Rules, useRules } from '../rules/use-rules';
import { useAppliance } from '../use-appliance';
import { ToTap } from './Answer';
import { ByMeter } from './ByMeter';
import { Field } from './Field';
import { JudgeIt } from './JudgeIt';
import { worth } from './Means';
import { Room } from './Room';
import { Sheet } from './Sheet';
import { atMoment, SoFar, StillRuns, TooEarly, useSoFar } from './SoFar';
import styles from './Sheet.module.css';
import type { TypedEntry } from './use-entry';

interface Props {
  readonly test: TestView;
  /** The test that stands first, whichever was chosen. */
  readonly best: TestView;
  readonly others: readonly TestView[];
  readonly call: string;
  readonly view: CallView;
  readonly busy: boolean;
  readonly entry: TypedEntry;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly onChoose: (test: string) => void;
  /** The field, where the test itself is not answered by it. */
  readonly children: ReactNode;
}

/** A test to make: first what it needs, then what can hurt, then its answer and what each would mean. */
export function TestSheet({ call, test, best, others, view, busy, entry, onEvents, onChoose, children }: Props) {
  const rules = useRules();
  const [soFar, setSoFar] = useSoFar(call, test);
  const need = firstNeed(test, rules);
  if (need)
    return (
      <Sheet busy={busy} beside={minutesWords(test.minutes)} says={test.title}>
        {test.proves !== undefined && <p className={styles.proves}>{test.proves}</p>}
        {test.ledger && <GoesRound />}
        <NeedFirst
          key={`${test.id} ${need.id}`}
          need={need}
          of={test.wanted.of}
          setup={view.setup}
          onEvents={(bodies) => {
            // What was begun for this test stays with it.
            onChoose(test.id);
            onEvents(bodies);
          }}
          onDecline={(why) => onEvents(declined(test, need, why))}
        />
        {children}
      </Sheet>
    );
  const send = (body: EventBody): void =>
    onEvents(test.setup ? [setupEntry(test.setup), body, setupEntry(view.setup)] : [atMoment(body, soFar)]);
  return (
    <Sheet
      busy={busy}
      beside={`${minutesWords(test.minutes)}, ${worth(test)}${test.settles ? ', can settle it' : ''}`}
      says={test.instruction}
      result={resultOf(view)}
    >
      {test.waits !== undefined && <TooEarly until={test.waits} />}
      <Before test={test} />
      {goesOn(test) ? (
        <Button tone="main" onClick={() => onEvents([placed(test)])}>
          It is on, power on: watch
        </Button>
      ) : test.answer.kind === 'reading' ? (
        <>
          <ByMeter
            entry={entry}
            toRead={{
              form: test.answer,
              probes: test.probes,
              clamp: test.answer.subject.type === 'amps',
              foretold: test.foretold,
            }}
            busy={busy}
          >
            <Field entry={entry} label={`Reading: ${test.title}`} asked={test.answer} />
          </ByMeter>
          <JudgeIt subject={test.answer.subject} begun={entry.text} onBody={send} />
        </>
      ) : (
        <ToTap
          key={test.id}
          title={test.title}
          answer={test.answer}
          unclear={test.unclear}
          onBody={send}
          onUnclear={() => onEvents(test.unclear.map((m) => ({ type: 'fact', ...m })))}
        />
      )}
      {test.early && <SoFar minutes={soFar} onMinutes={setSoFar} />}
      <Room
        key={`room ${test.id}`}
        view={view}
        test={test}
        others={others}
        onDecline={(why) => onEvents([{ type: 'declined', test: test.id, why }])}
        onChoose={onChoose}
      >
        {test.early && soFar === undefined && <StillRuns onMinutes={setSoFar} />}
      </Room>
      {test !== best && (
        <p className="fine">
          The first choice takes {minutesWords(best.minutes)} and {worth(best)}.
        </p>
      )}
      {children}
    </Sheet>
  );
}

/** What was answered last, and who is suspected since. */
function resultOf({ log, suspects: [first] }: CallView): string {
  const last = log.findLast((l) => l.undoable && !l.retracted);
  if (!last || !first) return '';
  return `${last.words}. ${first.brief}, ${Math.round(first.probability * 100)} per cent.`;
}

/** What a bare number in the field answers; nothing while something has to be done first, or the answer is tapped. */
export const toAnswer = (test: TestView, rules: Rules): Extract<AnswerFormView, { kind: 'reading' }> | undefined =>
  test.answer.kind === 'reading' && !goesOn(test) && !firstNeed(test, rules) ? test.answer : undefined;

/** A safety is gone round for it, and the bypass is not on yet. */
const goesOn = (test: TestView): boolean => test.ledger && test.setup !== undefined;

/** A test is offered unless the rules hold it back, or somebody cannot do what it needs. */
export function isOffered(test: TestView, { followed, person }: Rules): boolean {
  const { c } = followed;
  const o = offer(test.wanted, followed, person);
  return o.offered && !o.first.some((need) => c.needs.get(keyOf(need, test))?.declined === 'cannot');
}

/** What has to be met first; nothing while the bypass that was made for it is on. */
function firstNeed(test: TestView, { followed, person }: Rules): Need | undefined {
  const o = offer(test.wanted, followed, person);
  return o.offered ? o.first[0] : undefined;
}

/** The entry that places the bypass of a test, with what it is to show. */
const placed = ({ setup, wanted, title }: TestView): EventBody => ({
  ...setupEntry(setup!),
  ledger: [{ id: wanted.of ?? '', title: '', kind: wanted.kind ?? 'unnamed', limit: 0, why: title }],
});

const keyOf = (need: Need, { wanted }: TestView): string =>
  wanted.of !== undefined && (need.id === 'isolated' || need.id === 'watch') ? `${need.id} ${wanted.of}` : need.id;

/** A need that cannot be met leaves the best test that does not need it; one that somebody will not, withdraws the test. */
function declined(test: TestView, need: Need, answer: 'cannot' | 'wont'): EventBody[] {
  const of = keyOf(need, test) === need.id ? {} : { of: test.wanted.of! };
  const said: EventBody = { type: 'need', need: need.id, ...of, answer };
  return answer === 'cannot' ? [said] : [said, { type: 'declined', test: test.id, why: 'will-not' }];
}

const GoesRound = () => (
  <p className={styles.ledger}>
    This goes round a safety. It stands in the ledger with your name and a clock until you take it off.
  </p>
);

/** What to know before the test is made: this machine's own wires, what can hurt. */
function Before({ test }: { test: TestView }) {
  const { wires } = useAppliance();
  const own = test.probes.flatMap((net, i) => {
    const words = wireWords(wires, net);
    return words === undefined ? [] : `${i === 0 ? 'red' : 'black'} probe on ${words}`;
  });
  return (
    <>
      {own.length > 0 && <p className={styles.own}>On this machine: {own.join('; ')}</p>}
      {test.proves !== undefined && <p className={styles.proves}>{test.proves}</p>}
      {test.ledger && <GoesRound />}
      {test.cautions.length > 0 && (
        <Cautions>
          {test.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </Cautions>
      )}
    </>
  );
}
