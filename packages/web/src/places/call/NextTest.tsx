import { useRef, useState, type ReactNode } from 'react';
import type { CallView, TestView } from '@zetalysis/core/presentation';
import { answered } from '@zetalysis/core/question';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { chosen } from './chosen';
import type { Wires } from '@zetalysis/contract';
import { wireWords } from '../../diagrams/wire-names';

interface Props {
  readonly tests: readonly TestView[] | undefined;
  readonly view: CallView;
  readonly thinking: boolean;
  readonly wires: Wires;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly onStandard: () => void;
}

/** The one test to make now, with one field to answer it. */
export function NextTest({ tests, view, thinking, wires, onEvents, onStandard }: Props) {
  const [chosen, setChosen] = useState<string>();
  const picked = tests?.find((t) => t.id === chosen);
  const test = picked ?? tests?.[0];
  if (view.closed) return <Done words="This call is closed." />;
  // Whoever doubts what is proved may test on; nobody has to.
  if (view.standing === 'proved' && !picked)
    return (
      <Done words="Proved. Record the break, repair it, then prove the repair.">
        {tests !== undefined && tests.length > 0 && (
          <p className="decline">
            <span className="fine">In doubt, test on:</span>
            <Others tests={tests} onChoose={setChosen} />
          </p>
        )}
      </Done>
    );
  if (!test)
    return (
      <Done
        words={
          tests === undefined || thinking
            ? 'Working out the next test…'
            : 'No further test of the model tells the suspects apart. Record what you found, as suspected.'
        }
      />
    );
  return (
    <section className="next" aria-label="Next test" aria-busy={thinking}>
      <h2>
        Next test{' '}
        <span className="fine">
          {test.minutes} min{test.settles ? ' · can settle it' : ''}
        </span>
      </h2>
      <p className="instruction">{test.instruction}</p>
      {test.probes.some((net) => wireWords(wires, net) !== undefined) && (
        <p className="own-wires">
          On this machine:{' '}
          {test.probes
            .flatMap((net, i) => {
              const words = wireWords(wires, net);
              return words === undefined ? [] : `${i === 0 ? 'red' : 'black'} probe on ${words}`;
            })
            .join('; ')}
        </p>
      )}
      {test.proves !== undefined && <p className="proves">{test.proves}</p>}
      {test.ledger && (
        <p className="ledger">
          This goes round a safety: it is written into the bypass ledger when you answer, and taken out again.
        </p>
      )}
      {test.cautions.length > 0 && (
        <ul className="cautions">
          {test.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      )}
      <Answer key={test.id} test={test} view={view} onEvents={onEvents} />
      <dl className="expect">
        <dt>Sound</dt>
        <dd>{test.good}</dd>
        {test.why.map((w, i) => (
          <div key={i}>
            <dt>{w.answer}</dt>
            <dd>→ {w.suspects}</dd>
          </div>
        ))}
      </dl>
      <p className="fine worth">
        {worth(test)}
        {test !== tests![0] && ` The first choice: ${worth(tests![0]!).toLowerCase()}`}
      </p>
      <p className="decline">
        <button
          type="button"
          className="quiet"
          onClick={() => onEvents([{ type: 'declined', test: test.id, why: 'cannot' }])}
        >
          Can’t
        </button>
        <button
          type="button"
          className="quiet"
          onClick={() => onEvents([{ type: 'declined', test: test.id, why: 'will-not' }])}
        >
          Won’t
        </button>
        <button type="button" className="quiet" onClick={onStandard}>
          How you work
        </button>
        <Others tests={tests!.filter((t, i) => i < 3 && t.id !== test.id)} onChoose={setChosen} />
      </p>
    </section>
  );
}

/** Why this test: what it decides for the time it takes. */
const worth = (t: TestView): string =>
  `Decides ${t.decides < 0.01 ? 'less than 1' : `about ${Math.round(t.decides * 100)}`} % of what is open, in ${t.minutes} min.`;

/** Other tests to choose instead, the best two. */
function Others({ tests, onChoose }: { tests: readonly TestView[]; onChoose: (id: string) => void }) {
  return tests.slice(0, 2).map((t) => (
    <button
      key={t.id}
      type="button"
      className="quiet other"
      onClick={() => onChoose(t.id)}
      title={`${t.instruction} ${worth(t)}`}
    >
      {t.title}
    </button>
  ));
}

function Done({ words, children }: { words: string; children?: ReactNode }) {
  return (
    <section className="next" aria-label="Next test">
      <h2>Next test</h2>
      <p className="instruction">{words}</p>
      {children}
    </section>
  );
}

function Answer({ test, view, onEvents }: { test: TestView; view: CallView; onEvents: Props['onEvents'] }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const field = useRef<HTMLInputElement>(null);
  const { answer } = test;
  // What was unplugged or bypassed for the test is put back after its answer.
  const send = (body: EventBody): void => {
    const back = setupEntry(view.setup);
    onEvents(test.setup ? [setupEntry(test.setup), body, back] : [body]);
  };
  if (answer.kind === 'choice')
    return (
      <div className="choices" role="group" aria-label={test.title}>
        {answer.options.map((o, i) => (
          <button key={o.id} type="button" data-choice={i + 1} onClick={() => send(chosen(answer, o.id))}>
            {o.title}
          </button>
        ))}
      </div>
    );
  const submit = (e: React.FormEvent): void => {
    e.preventDefault();
    const read = answered<EventBody>(answer, text);
    if (!read.ok) {
      setProblem(read.message);
      field.current?.focus();
      return;
    }
    setText('');
    send(read.value);
  };
  return (
    <form className="reading" onSubmit={submit}>
      <input
        ref={field}
        data-next-field
        aria-label={`Reading: ${test.title}`}
        aria-invalid={problem !== undefined}
        aria-describedby={problem === undefined ? undefined : 'reading-problem'}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setProblem(undefined);
        }}
        placeholder={PLACEHOLDER[answer.dimension] ?? ''}
        autoComplete="off"
        inputMode="text"
        enterKeyHint="send"
      />
      <button type="submit" className="main">
        Enter
      </button>
      {problem !== undefined && (
        <p id="reading-problem" role="alert" className="problem">
          {problem}
        </p>
      )}
    </form>
  );
}

const PLACEHOLDER: Partial<Record<string, string>> = {
  voltage: '24.6  ·  15-18 unsteady',
  resistance: '15.4  ·  1.85k  ·  OL',
  pressure: '0.6 inwc',
  current: '3.2uA',
  time: '4.5 s',
};
