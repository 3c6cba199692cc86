import { useState, type ReactNode } from 'react';
import type { CallView, Drawing, TestView } from '@zetalysis/core/presentation';
import { METER_AFTER, type Need, needOf, offer, undoFirst, unmet, WHILE_TEMPORARY } from '@zetalysis/core/rules';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import type { Wires } from '@zetalysis/contract';
import { wireWords } from '../../diagrams/wire-names';
import { Button } from '../../kit/Button';
import { Cautions } from '../../kit/Cautions';
import { useReadAloud } from '../../kit/use-speech';
import { Answer } from './Answer';
import { percent } from './percent';
import styles from './NextTest.module.css';
import { NeedFirst } from './rules/NeedFirst';
import { ProofList } from './rules/ProofList';
import { type Rules, useRules } from './rules/use-rules';
import { Where } from './Where';

interface Props {
  readonly drawing: Drawing;
  readonly tests: readonly TestView[] | undefined;
  readonly view: CallView;
  readonly thinking: boolean;
  readonly wires: Wires;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly onStandard: () => void;
}

/** The one test to make now, with one field to answer it; before it what it needs, and what has to be put back. */
export function NextTest({ drawing, tests, view, thinking, wires, onEvents, onStandard }: Props) {
  const rules = useRules();
  const [chosen, setChosen] = useState<string>();
  /** A repair was made, and still somebody wants to test on. */
  const [testsOn, setTestsOn] = useState(false);
  /** A reading that lacked something, and that nobody reads again. */
  const [left, setLeft] = useState<string>();
  /** What stands in the room of the meanings. */
  const [where, setWhere] = useState(false);
  const { c } = rules.followed;
  const wanted = view.pins.findLast((p) => p.test !== undefined && p.answer === undefined)?.test;
  const offered = tests?.filter((t) => isOffered(t, rules));
  const picked = offered?.find((t) => t.id === chosen);
  const test = picked ?? offered?.find((t) => t.id === wanted) ?? offered?.[0];
  if (view.closed) return <Sheet>This call is closed.</Sheet>;
  if (c.repaired.size > 0 && !testsOn && c.bypasses.length === 0)
    return (
      <ProofList view={view} onEvents={onEvents}>
        <Button tone="quiet" onClick={() => setTestsOn(true)}>
          It is not cured: test on
        </Button>
      </ProofList>
    );
  const { unproved } = view;
  if (unproved && unproved.event !== left && rules.followed.stops.length === 0)
    return <Unproved unproved={unproved} view={view} onEvents={onEvents} onLeave={() => setLeft(unproved.event)} />;
  const undo = c.bypasses.length > 0 && !test ? undoFirst(c) : undefined;
  if (undo)
    return (
      <Sheet more={<PutBack undo={undo} view={view} onEvents={onEvents} />}>
        Now it has told what it can. Nothing else is proposed while it is on.
      </Sheet>
    );
  // Whoever doubts what is proved may test on; nobody has to.
  if (view.standing === 'proved' && !picked && c.bypasses.length === 0)
    return (
      <Sheet
        more={
          offered !== undefined &&
          offered.length > 0 && (
            <p className={styles.decline}>
              <span className="fine">In doubt, test on:</span>
              <Others tests={offered} onChoose={setChosen} />
            </p>
          )
        }
      >
        Proved. Record the break, repair it, then prove the repair.
      </Sheet>
    );
  if (!test)
    return (
      <Sheet busy={thinking} more={!thinking && <NothingMore view={view} onEvents={onEvents} />}>
        {tests === undefined || thinking
          ? 'Working out the next test…'
          : view.setup.power
            ? 'No further test of the model tells the suspects apart. Record what you found, as suspected.'
            : 'With the power off, nothing more can be told.'}
      </Sheet>
    );
  const first = firstNeed(test, rules);
  return (
    <Sheet
      busy={thinking}
      beside={`${test.minutes} min · ${worth(test)}${test.settles ? ' · can settle it' : ''}`}
      more={
        <>
          <Before test={test} wires={wires} />
          {first ? (
            <NeedFirst
              key={`${test.id} ${first.id}`}
              need={first}
              of={test.wanted.of}
              setup={view.setup}
              onEvents={(bodies) => {
                // What was begun for this test stays with it.
                setChosen(test.id);
                onEvents(bodies);
              }}
              onDecline={(why) => onEvents(declined(test, first, why))}
            />
          ) : test.ledger && test.setup ? (
            <Button tone="main" onClick={() => onEvents([placed(test)])}>
              It is on, power on: watch
            </Button>
          ) : (
            <Answer key={test.id} test={test} view={view} onEvents={onEvents} />
          )}
          {where ? <Where drawing={drawing} view={view} test={test} /> : <Means test={test} />}
          {test !== offered![0] && (
            <p className="fine">
              The first choice takes {offered![0]!.minutes} min and {worth(offered![0]!)}.
            </p>
          )}
          <Instead
            others={offered!.filter((t, i) => i < 3 && t.id !== test.id)}
            onDecline={(why) => onEvents([{ type: 'declined', test: test.id, why }])}
            onStandard={onStandard}
            where={where}
            onWhere={setWhere}
            onChoose={setChosen}
          />
        </>
      }
    >
      {test.instruction}
    </Sheet>
  );
}

/** A reading was taken without what it needs: it is kept, and asked for again after that. */
function Unproved({
  unproved,
  view,
  onEvents,
  onLeave,
}: Pick<Props, 'view' | 'onEvents'> & {
  readonly unproved: NonNullable<CallView['unproved']>;
  readonly onLeave: () => void;
}) {
  const { followed } = useRules();
  const { of } = unproved.wanted;
  // Nothing on line voltage: the meter is proved once more, whatever it was before.
  const again = unproved.needs.includes(METER_AFTER) && unproved.needs.length === 1;
  const first = again
    ? needOf('meter')
    : unmet(
        unproved.needs.filter((id) => id !== METER_AFTER),
        followed,
        of,
      )[0];
  return (
    <Sheet
      more={
        <>
          {first ? (
            <NeedFirst key={first.id} need={first} of={of} setup={view.setup} onEvents={onEvents} onDecline={onLeave} />
          ) : (
            <>
              <p>Now read it again: {unproved.title}.</p>
              <Answer
                test={{ title: unproved.title, answer: unproved.answer, setup: undefined, unclear: [] }}
                view={view}
                onEvents={onEvents}
              />
            </>
          )}
          <Button tone="quiet" onClick={onLeave}>
            Leave it
          </Button>
        </>
      }
    >
      {`Kept, and proves nothing yet: ${unproved.words}.`}
    </Sheet>
  );
}

/** A test is offered unless the rules hold it back, or somebody cannot do what it needs. */
function isOffered(test: TestView, { followed, person }: Rules): boolean {
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

/** Takes off or puts back what has told what it can. */
function PutBack({
  undo,
  view,
  onEvents,
}: Pick<Props, 'view' | 'onEvents'> & { readonly undo: NonNullable<ReturnType<typeof undoFirst>> }) {
  const but = (list: readonly string[]): string[] => list.filter((other) => other !== undo.id);
  const { setup } = view;
  return (
    <Button
      tone="main"
      onClick={() =>
        onEvents([
          setupEntry({
            ...setup,
            bypassed: but(setup.bypassed),
            unplugged: but(setup.unplugged),
            actions: but(setup.actions),
          }),
        ])
      }
    >
      {undo.kind === 'bypass' ? 'Take the bypass off' : WHILE_TEMPORARY[undo.kind].undo}
    </Button>
  );
}

/** With the power off the dead tests are over: what is left is live. */
const NothingMore = ({ view, onEvents }: Pick<Props, 'view' | 'onEvents'>) =>
  view.setup.power ? null : (
    <Button tone="main" onClick={() => onEvents([setupEntry({ ...view.setup, power: true })])}>
      Switch the power on
    </Button>
  );

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
  useReadAloud(children);
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
          This goes round a safety. It stands in the ledger with your name and a clock until you take it off.
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

/** Of how many answers it is said what they mean: the more there are to tap, the fewer, so that all of them stay in sight. */
function explained({ answer }: TestView): number {
  const buttons = answer.kind === 'choice' ? answer.options.length : 0;
  return buttons > 6 ? 0 : buttons > 4 ? 1 : 3;
}

/** What each answer would mean. */
const Means = ({ test }: { test: TestView }) => (
  <div className={styles.means} data-words={test.answer.kind === 'choice' || undefined}>
    {explained(test) > 1 && test.why.every(({ answer }) => answer !== test.good) && (
      <p>
        A sound appliance: <strong>{test.good}</strong>
      </p>
    )}
    <dl>
      {test.why.slice(0, explained(test)).map((w, i) => (
        <div key={i}>
          <dt>{w.answer}</dt>
          <dd>{w.suspects}</dd>
          <dd>{percent(w.share)}</dd>
        </div>
      ))}
    </dl>
  </div>
);

/** Why this test: how much of what is open it decides. */
const worth = ({ decides }: TestView): string =>
  `decides ${decides < 0.01 ? 'less than 1' : Math.round(decides * 100)} %`;

interface InsteadProps {
  readonly others: readonly TestView[];
  readonly onDecline: (why: 'cannot' | 'will-not') => void;
  readonly onStandard: () => void;
  readonly where: boolean;
  readonly onWhere: (where: boolean) => void;
  readonly onChoose: (test: string) => void;
}

/** What to do instead of the test. */
const Instead = ({ others, onDecline, onStandard, where, onWhere, onChoose }: InsteadProps) => (
  <div className={styles.decline}>
    <Button tone="quiet" aria-pressed={where} onClick={() => onWhere(!where)}>
      {where ? 'Meanings' : 'Where'}
    </Button>
    <Button
      tone="quiet"
      title="It cannot be done here today: the best test without it comes next."
      onClick={() => onDecline('cannot')}
    >
      Can’t
    </Button>
    <Button tone="quiet" title="You do not want to: it is not asked again." onClick={() => onDecline('will-not')}>
      Won’t
    </Button>
    <Button tone="quiet" onClick={onStandard}>
      How you work
    </Button>
    {others.length > 0 && (
      <details className={styles.others}>
        <summary>{others.length === 1 ? 'Another' : `${others.length} others`}</summary>
        <Others tests={others} onChoose={onChoose} />
      </details>
    )}
  </div>
);

/** Other tests to choose instead, the best two. */
const Others = ({ tests, onChoose }: { tests: readonly TestView[]; onChoose: (id: string) => void }) =>
  tests.slice(0, 2).map((t) => (
    <Button
      key={t.id}
      tone="quiet"
      className={styles.other}
      onClick={() => onChoose(t.id)}
      title={`${t.instruction} ${t.minutes} min, ${worth(t)}`}
    >
      <span>{t.title}</span>
    </Button>
  ));
