import { useState, type ReactNode } from 'react';
import type { CallView, TestView } from '@zetalysis/core/presentation';
import type { EventBody, LedgerLine } from '@zetalysis/core/visit';
import type { Wires } from '@zetalysis/contract';
import { wireWords } from '../../diagrams/wire-names';
import { Button } from '../../kit/Button';
import { Cautions } from '../../kit/Cautions';
import { Answer } from './Answer';
import styles from './NextTest.module.css';

interface Props {
  readonly tests: readonly TestView[] | undefined;
  readonly view: CallView;
  /** What can be gone round on this appliance. */
  readonly safeties: readonly LedgerLine[];
  readonly thinking: boolean;
  readonly wires: Wires;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly onStandard: () => void;
}

/** The one test to make now, with one field to answer it. */
export function NextTest({ tests, view, safeties, thinking, wires, onEvents, onStandard }: Props) {
  const [chosen, setChosen] = useState<string>();
  const picked = tests?.find((t) => t.id === chosen);
  const test = picked ?? tests?.[0];
  if (view.closed) return <Sheet>This call is closed.</Sheet>;
  // Whoever doubts what is proved may test on; nobody has to.
  if (view.standing === 'proved' && !picked)
    return (
      <Sheet
        more={
          tests !== undefined &&
          tests.length > 0 && (
            <p className={styles.decline}>
              <span className="fine">In doubt, test on:</span>
              <Others tests={tests} onChoose={setChosen} />
            </p>
          )
        }
      >
        Proved. Record the break, repair it, then prove the repair.
      </Sheet>
    );
  if (!test)
    return (
      <Sheet busy={thinking}>
        {tests === undefined || thinking
          ? 'Working out the next test…'
          : 'No further test of the model tells the suspects apart. Record what you found, as suspected.'}
      </Sheet>
    );
  return (
    <Sheet
      busy={thinking}
      beside={`${test.minutes} min${test.settles ? ' · can settle it' : ''}`}
      more={
        <>
          <Before test={test} wires={wires} />
          <Answer key={test.id} test={test} view={view} safeties={safeties} onEvents={onEvents} />
          <Means test={test} />
          <p className={`fine ${styles.worth}`}>
            {worth(test)}
            {test !== tests![0] && ` The first choice: ${worth(tests![0]!).toLowerCase()}`}
          </p>
          <Instead
            others={tests!.filter((t, i) => i < 3 && t.id !== test.id)}
            onDecline={(why) => onEvents([{ type: 'declined', test: test.id, why }])}
            onStandard={onStandard}
            onChoose={setChosen}
          />
        </>
      }
    >
      {test.instruction}
    </Sheet>
  );
}

/** The raised sheet that the test stands on. */
function Sheet({
  children,
  beside,
  more,
  busy = false,
}: {
  children: string;
  beside?: string;
  more?: ReactNode;
  busy?: boolean;
}) {
  return (
    <section className={styles.next} aria-label="Next test" aria-busy={busy}>
      <h2>Next test {beside !== undefined && <span className="fine">{beside}</span>}</h2>
      <p className={styles.instruction} data-instruction>
        {children}
      </p>
      {more}
    </section>
  );
}

/** What to know before the test is made: this machine's own wires, what the reading proves, what can hurt. */
function Before({ test, wires }: { test: TestView; wires: Wires }) {
  const own = test.probes.flatMap((net, i) => {
    const words = wireWords(wires, net);
    return words === undefined ? [] : `${i === 0 ? 'red' : 'black'} probe on ${words}`;
  });
  return (
    <>
      {own.length > 0 && <p className={styles.own}>On this machine: {own.join('; ')}</p>}
      {test.proves !== undefined && <p className={styles.proves}>{test.proves}</p>}
      {test.ledger && (
        <p className={styles.ledger}>
          This goes round a safety: it is written into the bypass ledger when you answer, and taken out again.
        </p>
      )}
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

/** What each answer would mean. */
const Means = ({ test }: { test: TestView }) => (
  <div className={styles.means}>
    <p>
      A sound appliance: <strong>{test.good}</strong>
    </p>
    <dl>
      {test.why.map((w, i) => (
        <div key={i}>
          <dt>{w.answer}</dt>
          <dd>→ {w.suspects}</dd>
        </div>
      ))}
    </dl>
  </div>
);

/** Why this test: what it decides for the time it takes. */
const worth = (t: TestView): string =>
  `Decides ${t.decides < 0.01 ? 'less than 1' : `about ${Math.round(t.decides * 100)}`} % of what is open, in ${t.minutes} min.`;

interface InsteadProps {
  readonly others: readonly TestView[];
  readonly onDecline: (why: 'cannot' | 'will-not') => void;
  readonly onStandard: () => void;
  readonly onChoose: (test: string) => void;
}

/** What to do instead of the test. */
const Instead = ({ others, onDecline, onStandard, onChoose }: InsteadProps) => (
  <p className={styles.decline}>
    <Button tone="quiet" onClick={() => onDecline('cannot')}>
      Can’t
    </Button>
    <Button tone="quiet" onClick={() => onDecline('will-not')}>
      Won’t
    </Button>
    <Button tone="quiet" onClick={onStandard}>
      How you work
    </Button>
    <Others tests={others} onChoose={onChoose} />
  </p>
);

/** Other tests to choose instead, the best two. */
const Others = ({ tests, onChoose }: { tests: readonly TestView[]; onChoose: (id: string) => void }) =>
  tests.slice(0, 2).map((t) => (
    <Button
      key={t.id}
      tone="quiet"
      className={styles.other}
      onClick={() => onChoose(t.id)}
      title={`${t.instruction} ${worth(t)}`}
    >
      <span>{t.title}</span>
    </Button>
  ));
