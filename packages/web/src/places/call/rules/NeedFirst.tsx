import { useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { factWith, type Need, needSentence, waitLeft } from '@zetalysis/core/rules';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Field } from '../../../kit/Field';
import { clock } from '../../../kit/clock';
import { FactAnswer } from './FactAnswer';
import styles from './NeedFirst.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly need: Need;
  /** What the test is done on. */
  readonly of: string | undefined;
  readonly setup: CallView['setup'];
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly onDecline: (why: 'cannot' | 'wont') => void;
}

/** What must be known or done first: its sentence is on the button. */
export function NeedFirst({ need, of, setup, onEvents, onDecline }: Props) {
  return (
    <div className={styles.need} role="group" aria-label="First" data-need={need.id}>
      <h3>First</h3>
      <How need={need} of={of} setup={setup} onEvents={onEvents} />
      <p className={styles.decline}>
        <Button tone="quiet" onClick={() => onDecline('cannot')}>
          Can’t
        </Button>
        <Button tone="quiet" onClick={() => onDecline('wont')}>
          Won’t
        </Button>
      </p>
    </div>
  );
}

/** The needs that are kept by what they are done on. */
const OF_SOMETHING: ReadonlySet<string> = new Set(['isolated', 'watch']);

function How({ need, of, setup, onEvents }: Omit<Props, 'onDecline'>) {
  const { followed, now } = useRules();
  const { c } = followed;
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const sentence = needSentence(need, c.family);
  const met = (more: { words?: string } = {}): EventBody => ({
    type: 'need',
    need: need.id,
    ...(of !== undefined && OF_SOMETHING.has(need.id) && { of }),
    answer: 'met',
    ...more,
  });
  const { by } = need;
  if (by === 'done')
    return (
      <Button tone="main" onClick={() => onEvents([met()])}>
        {sentence}
      </Button>
    );
  if (by === 'words') {
    const enter = (mended = false): void => {
      if (words.trim() === '') return setProblem('Write what was found, or where it stands.');
      onEvents(
        need.id === 'cause'
          ? [{ type: 'cause', safety: of ?? '', words: words.trim(), mended }]
          : [met({ words: words.trim() })],
      );
    };
    return (
      <>
        <Field label={sentence} maxLength={300} value={words} problem={problem} onChange={setWords} />
        <Button tone="main" onClick={() => enter()}>
          {need.id === 'cause' ? 'That is what was looked for' : 'Done'}
        </Button>
        {need.id === 'cause' && <Button onClick={() => enter(true)}>Found and mended</Button>}
      </>
    );
  }
  if ('set' in by)
    return (
      <Button
        tone="main"
        onClick={() =>
          onEvents([setupEntry({ ...setup, ...(by.set === 'gas-off' ? { gas: false } : { power: false }) })])
        }
      >
        {sentence}
      </Button>
    );
  if ('minutes' in by)
    return (
      <p className={styles.wait} role="timer" data-now={now}>
        {sentence} <strong>{clock(waitLeft(c))}</strong>
      </p>
    );
  const fact = factWith(by.fact)!;
  return (
    <>
      <p className={styles.sentence}>{sentence}</p>
      {WATER.has(need.id) && c.family !== 'steam' ? (
        <Button tone="main" onClick={() => onEvents([met()])}>
          Done: water came
        </Button>
      ) : (
        <FactAnswer
          fact={fact}
          onAnswer={(value, body) =>
            onEvents(need.id === 'water' && 'good' in by && by.good.includes(String(value)) ? [body, met()] : [body])
          }
        />
      )}
    </>
  );
}

/** Found without a glass on boilers that have none. */
const WATER: ReadonlySet<string> = new Set(['water']);
