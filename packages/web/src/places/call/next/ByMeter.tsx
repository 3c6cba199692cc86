import { lazy, type ReactNode, Suspense, useState } from 'react';
import type { AnswerFormView } from '@zetalysis/core/presentation';
import type { Span } from '@zetalysis/core/instruments';
import { usePaired } from '../../../instruments/paired';
import { Button } from '../../../kit/Button';
import styles from './Sheet.module.css';
import type { TypedEntry } from './use-entry';

// Who types never loads them.
const Listening = lazy(() => import('./Listening'));
const Pair = lazy(() => import('../../../instruments/Pair'));

/** What an instrument is listened to for. */
export interface ToRead {
  readonly form: Pick<Extract<AnswerFormView, { kind: 'reading' }>, 'dimension' | 'unit'>;
  /** The points of the probes; empty where it is no voltage between points. */
  readonly probes: readonly string[];
  readonly clamp?: boolean;
  /** What is foretold, SI. */
  readonly foretold?: readonly Span[];
}

interface Props {
  readonly entry: TypedEntry;
  readonly toRead: ToRead;
  /** Nothing is taken meanwhile: the next test is being worked out. */
  readonly busy: boolean;
  /** The field, for who types. */
  readonly children: ReactNode;
}

/** A reading comes from the instrument that is paired, or it is typed. */
export function ByMeter({ entry, toRead, busy, children }: Props) {
  const paired = usePaired();
  const [types, setTypes] = useState(false);
  const [pairing, setPairing] = useState(false);
  if (paired && !types)
    return (
      <Suspense fallback={children}>
        <Listening
          key={`${entry.made} ${toRead.probes.join(' ')} ${toRead.form.dimension}`}
          paired={paired}
          entry={entry}
          toRead={toRead}
          busy={busy}
          onType={() => setTypes(true)}
          onPair={() => setPairing(true)}
        />
        {pairing && <Pair onClose={() => setPairing(false)} />}
      </Suspense>
    );
  return (
    <>
      {children}
      <div className={styles.also}>
        <Button tone="quiet" onClick={() => (paired ? setTypes(false) : setPairing(true))}>
          {paired ? 'Let the meter listen' : 'A meter listens…'}
        </Button>
        {pairing && (
          <Suspense fallback={null}>
            <Pair onClose={() => setPairing(false)} />
          </Suspense>
        )}
      </div>
    </>
  );
}
