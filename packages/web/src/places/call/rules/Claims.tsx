import { useState } from 'react';
import { type Claim, claimWords } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Field } from '../../../kit/Field';
import styles from './Claims.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly onBody: (body: EventBody) => void;
}

/** What was claimed here and waits for somebody's name; whoever may gives it, or sends it back with a reason. */
export function Claims({ onBody }: Props) {
  const { followed } = useRules();
  if (followed.claims.length === 0) return null;
  return (
    <section className={styles.claims} aria-label="Waits for a countersignature">
      <h2>Waits for a countersignature</h2>
      {followed.claims.map((claim) => (
        <One key={claim.event} claim={claim} onBody={onBody} />
      ))}
    </section>
  );
}

function One({ claim, onBody }: Props & { readonly claim: Claim }) {
  const { person, name, followed } = useRules();
  const [reason, setReason] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const may = claim.person !== name && claim.needs(person);
  const sign = (says: 'yes' | 'no', words = ''): void =>
    onBody({ type: 'countersigned', event: claim.event, says, words });
  return (
    <div className={styles.claim}>
      <span>
        {claimWords(claim, followed)} <span className="fine">by {claim.person}</span>
      </span>
      {may && reason === undefined && (
        <>
          <Button tone="main" onClick={() => sign('yes')}>
            Countersign
          </Button>
          <Button onClick={() => setReason('')}>Send back…</Button>
        </>
      )}
      {may && reason !== undefined && (
        <>
          <Field label="Why it is sent back" maxLength={300} value={reason} problem={problem} onChange={setReason} />
          <Button onClick={() => (reason.trim() === '' ? setProblem('Write why.') : sign('no', reason.trim()))}>
            Send back
          </Button>
        </>
      )}
    </div>
  );
}
