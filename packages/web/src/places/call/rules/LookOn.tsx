import { useEffect, useState } from 'react';
import type { CallView, TestView } from '@zetalysis/core/presentation';
import type { EventBody } from '@zetalysis/core/visit';
import { http } from '../../../api/http';
import { Button } from '../../../kit/Button';
import { Choice } from '../../../kit/Choice';
import { Field } from '../../../kit/Field';
import styles from './LookOn.module.css';

const SAYS_SO_MS = 5000;

/** Tells the server that somebody looks at a call, for as long as they do. */
export function useLooking(call: string, looks: boolean): void {
  useEffect(() => {
    if (!looks) return;
    const say = (): void => void http('PUT /calls/:id/looking', { params: { id: call } }).catch(() => undefined);
    say();
    const again = setInterval(say, SAYS_SO_MS);
    return () => clearInterval(again);
  }, [call, looks]);
}

interface Props {
  readonly view: CallView;
  readonly tests: readonly TestView[] | undefined;
  readonly looking: readonly string[];
  /** Whoever looks on asks; whoever works answers. */
  readonly looksOn: boolean;
  readonly onBody: (body: EventBody) => void;
}

/** Who looks on, what they asked, and its answers. */
export function LookOn({ view, tests, looking, looksOn, onBody }: Props) {
  const open = view.pins.filter((p) => p.answer === undefined);
  if (!looksOn && !view.shown && open.length === 0) return null;
  return (
    <section className={styles.look} aria-label="Looking on">
      <p role="status" data-looking>
        {looking.length > 0
          ? `👁 ${looking.join(' and ')} ${looking.length === 1 ? 'looks' : 'look'} on`
          : view.shown
            ? 'Shown to the leads; nobody looks on yet'
            : ''}
      </p>
      {view.pins.map((p, i) => (
        <Pin key={p.event} number={i + 1} pin={p} answers={!looksOn} onBody={onBody} />
      ))}
      {looksOn && !view.closed && <Ask tests={tests} onBody={onBody} />}
    </section>
  );
}

function Pin({
  number,
  pin,
  answers,
  onBody,
}: {
  number: number;
  pin: CallView['pins'][number];
  answers: boolean;
  onBody: Props['onBody'];
}) {
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const answer = (e: React.FormEvent): void => {
    e.preventDefault();
    if (words.trim() === '') return setProblem('Write an answer.');
    onBody({ type: 'pin-answered', event: pin.event, words: words.trim() });
  };
  return (
    <div className={styles.pin} data-pin={number}>
      <p>
        <strong>{number}</strong> {pin.words} <span className="fine">{pin.person}</span>
        {pin.answer !== undefined && <em> · {pin.answer}</em>}
      </p>
      {pin.answer === undefined && answers && (
        <form className={styles.row} onSubmit={answer}>
          <Field
            label={`Answer to ${number}`}
            labelHidden
            placeholder="Answer"
            maxLength={300}
            value={words}
            problem={problem}
            onChange={setWords}
          />
          <Button htmlType="submit">Answer {number}</Button>
        </form>
      )}
    </div>
  );
}

function Ask({ tests, onBody }: Pick<Props, 'tests' | 'onBody'>) {
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const pin = (e: React.FormEvent): void => {
    e.preventDefault();
    if (words.trim() === '') return setProblem('Write what you ask.');
    onBody({ type: 'pinned', words: words.trim() });
    setWords('');
    setProblem(undefined);
  };
  return (
    <>
      <form className={styles.row} onSubmit={pin}>
        <Field
          label="Ask"
          labelHidden
          placeholder="Ask, it stays until it is answered"
          maxLength={300}
          value={words}
          problem={problem}
          onChange={setWords}
        />
        <Button htmlType="submit">Pin the question</Button>
      </form>
      {tests !== undefined && tests.length > 0 && (
        <Choice
          label="Pin a test"
          labelHidden
          value={undefined}
          placeholder="Pin a test…"
          options={tests.map((t) => ({ value: t.id, label: t.title }))}
          onChange={(id) => onBody({ type: 'pinned', words: tests.find((t) => t.id === id)!.title, test: id })}
        />
      )}
    </>
  );
}
