import { useState } from 'react';
import { type CallView, neededWords } from '@zetalysis/core/presentation';
import { DUTIES, type DutyId, type DutyResult, dutyWith } from '@zetalysis/core/upkeep';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import styles from './Work.module.css';

interface Props {
  readonly view: CallView;
  readonly onBody: (body: EventBody) => void;
}

/** What belongs to a call beside the repair: parts that are needed, what is recommended, upkeep that was done. */
export default function ToTell({ view, onBody }: Props) {
  return (
    <>
      <NeededParts view={view} onBody={onBody} />
      <Recommendations view={view} onBody={onBody} />
      <UpkeepDone onBody={onBody} />
    </>
  );
}

/** What was found beside the break, told to the customer, with what they said to it. */
function Recommendations({ view, onBody }: Props) {
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const note = (e: React.FormEvent): void => {
    e.preventDefault();
    if (words.trim() === '') return setProblem('Write what ought to be done.');
    setProblem(undefined);
    onBody({ type: 'recommended', words: words.trim() });
    setWords('');
  };
  return (
    <>
      <form className={styles.row} onSubmit={note}>
        <Field
          label="Recommended to the customer"
          placeholder="What ought to be done beside the break"
          maxLength={500}
          value={words}
          problem={problem}
          onChange={setWords}
        />
        <Button htmlType="submit">Note it</Button>
      </form>
      {view.recommendations.map(({ event, words: what, settled }) => (
        <p key={event} className={styles.row}>
          <span>{what}</span>
          {settled ? (
            <b>{settled.how}</b>
          ) : (
            (['accepted', 'declined'] as const).map((how) => (
              <Button key={how} onClick={() => onBody({ type: 'recommendation-settled', event, how, words: '' })}>
                {how === 'accepted' ? 'Accepted' : 'Declined'}
              </Button>
            ))
          )}
        </p>
      ))}
    </>
  );
}

const NOTHING = { what: '', from: '', expected: '' };

/** Parts that the call waits for: what, from where, expected when. */
function NeededParts({ view, onBody }: Props) {
  const [given, setGiven] = useState(NOTHING);
  const [problem, setProblem] = useState<string>();
  const note = (e: React.FormEvent): void => {
    e.preventDefault();
    if (given.what.trim() === '') return setProblem('Write which part is needed, with its number if you have it.');
    setProblem(undefined);
    onBody({ type: 'part-needed', what: given.what.trim(), from: given.from.trim(), expected: given.expected });
    setGiven(NOTHING);
  };
  return (
    <>
      <form className={styles.row} onSubmit={note}>
        <Field
          label="Part needed"
          placeholder="Part and its number"
          maxLength={200}
          value={given.what}
          problem={problem}
          onChange={(what) => setGiven({ ...given, what })}
        />
        <Field label="From" maxLength={200} value={given.from} onChange={(from) => setGiven({ ...given, from })} />
        <Field
          label="Expected"
          type="date"
          value={given.expected}
          onChange={(expected) => setGiven({ ...given, expected })}
        />
        <Button htmlType="submit">It is needed</Button>
      </form>
      {view.needed.map((part) => (
        <p key={part.event} className={styles.row}>
          <span>{neededWords(part)}</span>
          {part.here ? (
            <b>here</b>
          ) : (
            <Button onClick={() => onBody({ type: 'part-arrived', event: part.event })}>It has come</Button>
          )}
        </p>
      ))}
    </>
  );
}

/** Something of the machine's upkeep that was done on this call: it is kept with the machine. */
function UpkeepDone({ onBody }: Pick<Props, 'onBody'>) {
  const [duty, setDuty] = useState<DutyId>();
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const note = (result: DutyResult): void => {
    if (duty === undefined) return setProblem('Choose what was done.');
    setProblem(undefined);
    onBody({ type: 'upkeep-done', duty, title: dutyWith(duty)!.title, result, words: words.trim() });
    setDuty(undefined);
    setWords('');
  };
  return (
    <div className={styles.row}>
      <Choice
        label="Upkeep done"
        value={duty}
        placeholder="Duty…"
        options={DUTIES.map(({ id, title }) => ({ value: id, label: title }))}
        onChange={setDuty}
      />
      <Field label="What was read" maxLength={500} value={words} problem={problem} onChange={setWords} />
      <Button onClick={() => note('good')}>Good</Button>
      <Button onClick={() => note('bad')}>It failed</Button>
    </div>
  );
}
