import type { InputRef } from 'antd';
import { type RefObject, useState } from 'react';
import type { CallView, TestView } from '@zetalysis/core/presentation';
import { undoFirst } from '@zetalysis/core/rules';
import { capital } from '@zetalysis/core/units';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { isProving, type ProofRun } from '../rules/proof-run';
import { ProofList } from '../rules/ProofList';
import { useRules } from '../rules/use-rules';
import { percent } from '../percent';
import { Field } from './Field';
import { PutBack } from './PutBack';
import { Others } from './Room';
import { Sheet } from './Sheet';
import styles from './Sheet.module.css';
import { isOffered, TestSheet, toAnswer } from './TestSheet';
import { Unproved, toReadAgain } from './Unproved';
import { useEntry } from './use-entry';
import { YourChoice } from './YourChoice';

interface Props {
  readonly call: string;
  readonly tests: readonly TestView[] | undefined;
  readonly view: CallView;
  readonly thinking: boolean;
  /** What was tapped on the drawing, or chosen to be measured. */
  readonly probes: readonly string[];
  /** The page's one field, for who reaches it by a key. */
  readonly field: RefObject<InputRef | null>;
  readonly onProbes: (probes: readonly string[]) => void;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly run: ProofRun;
  readonly onRun: (change: Partial<ProofRun>) => void;
}

/** The one thing to do now, on one sheet with one field: what was tapped, what is to be proved, put back or measured. */
export function NextTest({ call, tests, view, thinking, probes, field, onProbes, onEvents, run, onRun }: Props) {
  const rules = useRules();
  const [chosen, setChosen] = useState<string>();
  /** A reading that lacked something, and that nobody reads again. */
  const [left, setLeft] = useState<string>();
  const { c, stops } = rules.followed;
  const wanted = view.pins.findLast((p) => p.test !== undefined && p.answer === undefined)?.test;
  const offered = tests?.filter((t) => isOffered(t, rules));
  const picked = offered?.find((t) => t.id === chosen);
  const test = picked ?? offered?.find((t) => t.id === wanted) ?? offered?.[0];
  const lacking = stops.length === 0 && view.unproved?.event !== left ? view.unproved : undefined;
  const proves = isProving(rules.followed, run);

  const asked =
    probes.length > 0 || proves ? undefined : lacking ? toReadAgain(lacking, rules) : test && toAnswer(test, rules);
  const entry = useEntry({ asked, tapped: probes, at: view.at, field }, ({ body, answers }) => {
    onProbes([]);
    // What was unplugged or bypassed for the test is put back after its answer.
    const made = answers && !lacking ? test?.setup : undefined;
    onEvents(made ? [setupEntry(made), body, setupEntry(view.setup)] : [body]);
  });
  const anything = <Field entry={entry} label="Another reading" />;

  if (view.closed) return <Sheet says="This call is closed." />;
  if (probes.length > 0)
    return (
      <YourChoice
        probes={probes}
        view={view}
        tests={tests}
        entry={entry}
        onBack={() => onProbes([])}
        onBody={(body) => {
          onProbes([]);
          onEvents([body]);
        }}
        onLifted={(kind, title, of) => {
          onProbes([]);
          onEvents([{ type: 'temporary', kind, title, of }]);
        }}
      />
    );
  if (proves)
    return (
      <ProofList call={call} view={view} run={run} onRun={onRun} onEvents={onEvents}>
        <Button tone="quiet" onClick={() => onRun({ testsOn: true })}>
          It is not cured: test on
        </Button>
        {anything}
      </ProofList>
    );
  if (lacking)
    return (
      <Unproved
        unproved={lacking}
        view={view}
        entry={entry}
        onEvents={onEvents}
        onLeave={() => setLeft(lacking.event)}
      />
    );
  const undo = c.bypasses.length > 0 && !test ? undoFirst(c) : undefined;
  if (undo)
    return (
      <Sheet says="Now it has told what it can. Nothing else is proposed while it is on.">
        <PutBack undo={undo} view={view} onEvents={onEvents} />
        {anything}
      </Sheet>
    );
  // Whoever doubts what is proved may test on; nobody has to.
  if (view.standing === 'proved' && !picked && c.bypasses.length === 0)
    return (
      <Sheet says="Proved. Record the break, repair it, then prove the repair.">
        {offered !== undefined && offered.length > 0 && (
          <>
            <p className="fine">In doubt, test on:</p>
            <Others tests={offered} onChoose={setChosen} />
          </>
        )}
        {anything}
      </Sheet>
    );
  if (!test)
    return (
      <Sheet busy={thinking} says={nothingMore(tests === undefined || thinking, view)}>
        {!thinking && tests !== undefined && view.setup.power && <MendInOrder order={view.whatNow.order} />}
        {!thinking && !view.setup.power && (
          <Button tone="main" onClick={() => onEvents([setupEntry({ ...view.setup, power: true })])}>
            Switch the power on
          </Button>
        )}
        {anything}
      </Sheet>
    );
  return (
    <TestSheet
      call={call}
      test={test}
      best={offered![0]!}
      others={offered!.filter((t, i) => i < 3 && t.id !== test.id)}
      view={view}
      busy={thinking}
      entry={entry}
      onEvents={onEvents}
      onChoose={setChosen}
    >
      {asked === undefined && <div className={styles.beside}>{anything}</div>}
    </TestSheet>
  );
}

/** What nothing tells apart, in the order in which it is mended. */
const MendInOrder = ({ order }: { order: CallView['whatNow']['order'] }) =>
  order.length > 0 && (
    <ol className={styles.order} data-order>
      {order.map(({ words, probability, minutes }) => (
        <li key={words}>
          <b>{capital(words)}</b>{' '}
          <span className="fine">
            {percent(probability)}, about {minutes} min
          </span>
        </li>
      ))}
    </ol>
  );

/** With the power off the dead tests are over: what is left is live. */
const nothingMore = (thinking: boolean, { setup, whatNow }: CallView): string =>
  thinking
    ? 'Working out the next test…'
    : setup.power
      ? whatNow.says
      : 'With the power off, nothing more can be told.';
