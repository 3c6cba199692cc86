import { minutesWords, type TestView } from '@zetalysis/core/presentation';
import { uncapital } from '@zetalysis/core/units';
import { percent } from '../percent';
import styles from './Sheet.module.css';

/** What each answer would mean. */
export const Means = ({ test }: { readonly test: TestView }) => (
  <div className={styles.means} data-words={test.answer.kind === 'choice' || undefined}>
    {test.why.every(({ answer }) => answer !== test.good) && (
      <p>
        A sound appliance: <strong>{test.good}</strong>
      </p>
    )}
    <dl>
      {test.why.map((w, i) => (
        <div key={i}>
          <dt>{w.answer}</dt>
          <dd>{w.suspects}</dd>
          <dd>{percent(w.share)}</dd>
        </div>
      ))}
    </dl>
  </div>
);

interface WhyProps {
  readonly test: TestView;
  readonly suspects: readonly { readonly brief: string; readonly probability: number }[];
  /** The best of the others. */
  readonly instead: TestView | undefined;
}

/** Why this one: who is left, what it tells of them, and what one would do otherwise. */
export const Why = ({ test, suspects: [first, second], instead }: WhyProps) => (
  <ul className={styles.why}>
    {first && (
      <li>
        <strong>
          {first.brief} {percent(first.probability)}
          {second && `, ${uncapital(second.brief)} ${percent(second.probability)}`}
        </strong>
      </li>
    )}
    {test.why.length > 0 && <li>It should show {test.good}; each other answer leaves other suspects.</li>}
    <li>
      It {worth(test)} of what is open, in {minutesWords(test.minutes)}
      {test.settles ? ', and one answer can settle it' : ''}.
    </li>
    {test.proves !== undefined && <li>{test.proves}</li>}
    {instead && (
      <li>
        Otherwise: {instead.title}, {worth(instead)} in {minutesWords(instead.minutes)}.
      </li>
    )}
    <li className="fine">
      Can’t: it cannot be done here today, and the best test without it comes next. Won’t: it is not asked again.
    </li>
  </ul>
);

/** How much of what is open a test decides. */
export const worth = ({ decides }: TestView): string =>
  `decides ${decides < 0.01 ? 'less than 1' : Math.round(decides * 100)} %`;
