import type { Me } from '@zetalysis/contract';
import { useSearchParams } from 'react-router';
import { today } from '../../api/today';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';
import { readBudget, sayBudget, USUAL } from './budget';
import { useCallsOf } from './use-calls-of';
import { useStock, useVans } from '../../api/stock';
import styles from './Van.module.css';
import { VanLoading } from './VanLoading';

/** What to load for the calls of somebody's day. */
export function VanView({ me }: { readonly me: Me }) {
  const [query, setQuery] = useSearchParams();
  const set = (key: string, value: string): void =>
    setQuery(
      (before) => {
        before.set(key, value);
        return before;
      },
      { replace: true },
    );
  const vans = useVans();
  const day = /^\d{4}-\d{2}-\d{2}$/.test(query.get('day') ?? '') ? query.get('day')! : today();
  const van = query.get('van') ?? (vans.some((v) => v.id === me.id) ? me.id : (vans[0]?.id ?? me.id));
  const budget = readBudget(query.get('for') ?? '') ?? USUAL;
  const { calls, planned, error } = useCallsOf(day, van);
  const stock = useStock();
  const problem = error ?? stock.error;
  return (
    <>
      <div className={styles.which}>
        <Field label="Day" labelHidden type="date" value={day} onChange={(d) => d !== '' && set('day', d)} />
        <Choice
          label="Whose van"
          labelHidden
          value={van}
          options={vans.map((v) => ({ value: v.id, label: `Van of ${v.fullName}` }))}
          onChange={(v) => set('van', v)}
        />
        <Button onClick={() => window.print()}>Print</Button>
      </div>
      {problem && <Notice kind="problem">{problem.message}</Notice>}
      {calls && stock.data ? (
        <VanLoading
          key={`${day} ${van}`}
          me={me}
          van={van}
          calls={calls}
          planned={planned}
          items={stock.data}
          budget={budget}
          onBudget={(b) => set('for', sayBudget(b))}
        />
      ) : (
        !problem && <Waiting>Reading the day…</Waiting>
      )}
    </>
  );
}
