import { Link } from 'react-router';
import { type ReactNode, useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { Button } from '../../kit/Button';
import { Field } from '../../kit/Field';
import styles from './Ending.module.css';
import { Papers } from './Papers';

interface Props {
  readonly call: string;
  readonly view: CallView;
  /** It was closed, and something that touches safety came after. */
  readonly late: boolean;
  readonly onRecord: () => void;
  readonly onClose: () => void;
  /** What came late was read: it is as closed as before. */
  readonly onCloseAgain: () => void;
  readonly onReopen: (words: string) => void;
  readonly children: ReactNode;
}

/** How a call ends: the break is recorded, what was done is noted, the call is closed when nothing stands against it. */
export function Ending({ call, view, late, onRecord, onClose, onCloseAgain, onReopen, children }: Props) {
  return (
    <section className={styles.ending} aria-label="Record">
      {view.recordWords !== undefined && <p>{view.recordWords}</p>}
      {view.oldAndNew.length > 0 && (
        <table className={styles.beside} aria-label="Old beside new">
          <thead>
            <tr>
              <th scope="col">Read</th>
              <th scope="col">old</th>
              <th scope="col">new</th>
            </tr>
          </thead>
          <tbody>
            {view.oldAndNew.map(({ title, old, now }) => (
              <tr key={title}>
                <th scope="row">{title}</th>
                <td>{old}</td>
                <td>{now}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {view.closed ? (
        <>
          <Papers call={call} />
          <p>
            <Link to={`/practice?call=${call}`}>An exercise of it</Link>
          </p>
          <Reopen late={late} onCloseAgain={onCloseAgain} onReopen={onReopen} />
        </>
      ) : (
        <>
          <Button tone={view.standing === 'proved' && !view.record ? 'main' : 'plain'} onClick={onRecord}>
            {view.record ? 'Correct the record' : 'Record the break'}
          </Button>{' '}
          <Button onClick={onClose}>Close the call</Button>
          {children}
        </>
      )}
    </section>
  );
}

/** A closed call takes no entry but that it is opened again, and why. */
function Reopen({ late, onCloseAgain, onReopen }: Pick<Props, 'late' | 'onCloseAgain' | 'onReopen'>) {
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string>();
  const reopen = (e: React.FormEvent): void => {
    e.preventDefault();
    if (reason.trim() === '') return setProblem('Write why it is opened again.');
    onReopen(reason.trim());
  };
  return (
    <form className={styles.reopen} onSubmit={reopen}>
      <Field label="Why it is opened again" maxLength={500} value={reason} problem={problem} onChange={setReason} />
      <Button htmlType="submit" tone={late ? 'main' : 'plain'}>
        Open it again
      </Button>
      {late && <Button onClick={onCloseAgain}>It is so: close again</Button>}
    </form>
  );
}
