import { type ReactNode, useState } from 'react';
import { type CallView, minutesWords, type TestView } from '@zetalysis/core/presentation';
import { Button } from '../../../kit/Button';
import { Means, Why, worth } from './Means';
import styles from './Sheet.module.css';
import { Where } from './Where';

type Shown = 'means' | 'why' | 'where' | 'others' | 'nothing';

interface Props {
  readonly view: CallView;
  readonly test: TestView;
  /** The best others, the best first. */
  readonly others: readonly TestView[];
  readonly onDecline: (why: 'cannot' | 'will-not') => void;
  readonly onChoose: (test: string) => void;
  /** What else may be said of the answer. */
  readonly children?: ReactNode;
}

const TITLES = { means: 'Meanings', why: 'Why', where: 'Where', others: 'Other tests' } as const;

/** More to tap than this, and the meanings wait until they are asked for. */
const MANY = 6;

/** One room under the answer: what answers mean, why this test, where the probes go, what else could be done. */
export function Room({ view, test, others, onDecline, onChoose, children }: Props) {
  const many = test.answer.kind === 'choice' && test.answer.options.length > MANY;
  const usual: Shown = many ? 'nothing' : 'means';
  const [asked, setAsked] = useState<Shown>();
  const shown = asked ?? usual;
  const tab = (room: Shown, words: string) => (
    <Button tone="quiet" aria-pressed={shown === room} onClick={() => setAsked(shown === room ? usual : room)}>
      {words}
    </Button>
  );
  return (
    <>
      {shown !== 'nothing' && (
        <div className={styles.room} tabIndex={0} role="group" aria-label={TITLES[shown]}>
          {shown === 'means' && <Means test={test} />}
          {shown === 'why' && <Why test={test} suspects={view.suspects} instead={others[0]} />}
          {shown === 'where' && <Where view={view} probes={test.probes} good={test.good} />}
          {shown === 'others' && <Others tests={others} onChoose={onChoose} />}
        </div>
      )}
      <div className={styles.tabs}>
        {shown === 'means' || many ? tab('why', 'Why') : tab('means', 'Meanings')}
        {many && tab('means', 'Meanings')}
        {test.probes.length > 0 && tab('where', 'Where')}
        {children}
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
        {others.length > 0 && tab('others', others.length === 1 ? '1 other' : `${others.length} others`)}
      </div>
    </>
  );
}

/** Other tests to choose instead. */
export const Others = ({
  tests,
  onChoose,
}: {
  readonly tests: readonly TestView[];
  readonly onChoose: (id: string) => void;
}) => (
  <ul className={styles.others}>
    {tests.slice(0, 2).map((t) => (
      <li key={t.id}>
        <Button onClick={() => onChoose(t.id)}>{t.title}</Button>
        <span className="fine">
          {minutesWords(t.minutes)}, {worth(t)}
        </span>
      </li>
    ))}
  </ul>
);
