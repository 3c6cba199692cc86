import { type ReactNode, useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { Button } from '../../kit/Button';
import styles from './Ending.module.css';

interface Props {
  readonly view: CallView;
  readonly onRecord: () => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** How a call ends: the break is recorded, what was done is noted, the call is closed when nothing stands against it. */
export function Ending({ view, onRecord, onClose, children }: Props) {
  const [asked, setAsked] = useState(false);
  if (view.closed) return null;
  return (
    <section className={styles.ending} aria-label="Record">
      {view.recordWords !== undefined && <p>{view.recordWords}</p>}
      <Button tone={view.standing === 'proved' && !view.record ? 'main' : 'plain'} onClick={onRecord}>
        {view.record ? 'Correct the record' : 'Record the break'}
      </Button>{' '}
      {view.record && (
        <Button onClick={() => (view.obstacles.length === 0 ? onClose() : setAsked(true))}>Close the call</Button>
      )}
      {children}
      {asked && view.obstacles.length > 0 && (
        <ul role="alert" className="problem">
          {view.obstacles.map((o) => (
            <li key={o}>{o}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
