import { Checkbox } from 'antd';
import { lazy, Suspense, useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { parseReading } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { Papers } from './Papers';
import { TakePhoto } from './TakePhoto';
import styles from './Work.module.css';

// What a call may do without for its first moment.
const ToTell = lazy(() => import('./ToTell'));

interface Props {
  readonly call: string;
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onBody: (body: EventBody) => void;
  readonly onLog: () => void;
  /** A part comes out and another goes in. */
  readonly onSwap: () => void;
}

/** What is done to the machine: repairs, with the new part measured first or not, and adjustments with where they stood. */
export const Work = ({ call, drawing, view, onBody, onLog, onSwap }: Props) => (
  <details className={styles.work}>
    <summary>Repaired, adjusted, photo</summary>
    <Papers call={call} />
    <Repair drawing={drawing} view={view} onBody={onBody} />
    <Adjustment onBody={onBody} />
    <Suspense>
      <ToTell view={view} onBody={onBody} />
    </Suspense>
    <TakePhoto call={call} onBody={onBody} />
    <Button onClick={onSwap}>Part out and in</Button> <Button onClick={onLog}>Read a meter’s log</Button>
    {view.adjustments.map((a) => (
      <p key={a.event} className={styles.row}>
        <span>
          {a.what}: was {a.original}, now {a.now}
        </span>
        <Button onClick={() => onBody({ type: 'adjustment-settled', event: a.event, how: 'put-back' })}>
          Put back
        </Button>
        <Button onClick={() => onBody({ type: 'adjustment-settled', event: a.event, how: 'kept' })}>It stays</Button>
      </p>
    ))}
  </details>
);

function Repair({ drawing, view, onBody }: Omit<Props, 'call' | 'onLog' | 'onSwap'>) {
  const [part, setPart] = useState<string>();
  const [measured, setMeasured] = useState(false);
  const [reads, setReads] = useState('');
  const [number, setNumber] = useState('');
  const [warranty, setWarranty] = useState('');
  const [problem, setProblem] = useState<string>();
  const chosen = part ?? view.suspects[0]?.part;
  const dimension = chosen !== undefined && drawing.words.capacitors.includes(chosen) ? 'capacitance' : 'resistance';
  const isRead = measured && (drawing.parts.find((p) => p.id === chosen)?.branches.length ?? 0) > 0;
  const repaired = (): void => {
    if (chosen === undefined) return setProblem('Choose the part that was repaired.');
    const read = isRead && reads.trim() !== '' ? parseReading(reads, dimension) : undefined;
    if (read && !read.ok) return setProblem(read.message);
    setProblem(undefined);
    onBody({
      type: 'repaired',
      part: chosen,
      action: '',
      measured,
      ...(read?.ok && { reads: { reading: read.value, typed: reads.trim() } }),
      ...(measured && number.trim() !== '' && { number: number.trim() }),
      ...(measured && warranty !== '' && { warranty }),
    });
    setPart(undefined);
    setMeasured(false);
    [setReads, setNumber, setWarranty].forEach((set) => set(''));
  };
  const putBack = (): void => {
    if (chosen === undefined) return setProblem('Choose the part of which the old one is in again.');
    setProblem(undefined);
    onBody({ type: 'repaired', part: chosen, action: '', old: true });
    setPart(undefined);
  };
  return (
    <div className={styles.row}>
      <Choice
        label="Part repaired"
        value={chosen}
        placeholder="Part…"
        options={drawing.parts.map(({ id, title }) => ({ value: id, label: title }))}
        onChange={setPart}
      />
      <Checkbox checked={measured} onChange={(e) => setMeasured(e.target.checked)}>
        new part measured good before fitting
      </Checkbox>
      {isRead && (
        <Field
          label={dimension === 'capacitance' ? 'The new one reads, µF' : 'The new one reads, ohms'}
          maxLength={40}
          value={reads}
          onChange={setReads}
        />
      )}
      {measured && (
        <>
          <Field label="Number of the new part" maxLength={60} value={number} onChange={setNumber} />
          <Field label="Under warranty until" type="date" value={warranty} onChange={setWarranty} />
        </>
      )}
      <Button onClick={repaired}>Repaired: try again</Button>
      <Button onClick={putBack}>Old part in again</Button>
      <Problem words={problem} />
    </div>
  );
}

const FIELDS = [
  ['what', 'Screw or setting'],
  ['original', 'Where it stood'],
  ['now', 'Where it stands now'],
] as const;

const NOTHING = { what: '', original: '', now: '' };

function Adjustment({ onBody }: Pick<Props, 'onBody'>) {
  const [given, setGiven] = useState(NOTHING);
  const [problem, setProblem] = useState<string>();
  const note = (e: React.FormEvent): void => {
    e.preventDefault();
    const adjusted = { what: given.what.trim(), original: given.original.trim(), now: given.now.trim() };
    if (Object.values(adjusted).includes(''))
      return setProblem('Write what was turned, where it stood and where it stands.');
    setProblem(undefined);
    onBody({ type: 'adjusted', ...adjusted });
    setGiven(NOTHING);
  };
  return (
    <form className={styles.row} onSubmit={note}>
      {FIELDS.map(([field, label]) => (
        <Field
          key={field}
          label={label}
          labelHidden
          placeholder={label}
          maxLength={80}
          value={given[field]}
          onChange={(value) => setGiven({ ...given, [field]: value })}
        />
      ))}
      <Button htmlType="submit">Note the adjustment</Button>
      <Problem words={problem} />
    </form>
  );
}

const Problem = ({ words }: { words: string | undefined }) =>
  words === undefined ? null : (
    <p role="alert" className="problem">
      {words}
    </p>
  );
