import { useQuery } from '@tanstack/react-query';
import type { KeptItem } from '@zetalysis/contract';
import type { LoadPlan } from '@zetalysis/core/book';
import { settingsQuery } from '../../api/queries';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import { Notice } from '../../kit/Notice';
import { useState } from 'react';
import { Field } from '../../kit/Field';
import { type Budget, BUDGETS, readBudget, sayBudget } from './budget';
import styles from './Van.module.css';

interface Props {
  readonly plan: LoadPlan<KeptItem>;
  /** Calls that were worked out. */
  readonly calls: number;
  readonly budget: Budget;
  readonly onBudget: (budget: Budget) => void;
  /** Units that lie on the shelf and are to be loaded. */
  readonly units: number;
  readonly loading: boolean;
  readonly problem: string | undefined;
  readonly onLoad: () => void;
}

/** What the set is worth beside other ways of loading, for how much, and the loading of it. */
export function ThisSet({ plan, calls, budget, onBudget, units, loading, problem, onLoad }: Props) {
  const settings = useQuery(settingsQuery);
  const unit = budget.measure === 'room' ? 'litres' : (settings.data?.currency ?? '');
  const [typed, setTyped] = useState<string>();
  const type = (to: string): void => {
    setTyped(to);
    const read = readBudget(to);
    if (read) onBudget(read);
  };
  return (
    <Block title="This set" note={`${Math.round(plan.spent * 10) / 10} of ${budget.most} ${unit}`}>
      <p className={styles.figure}>
        <b>{plan.mended.toFixed(1)}</b> of {calls} calls mended at the first visit, expected
      </p>
      <Compared title="This set" value={plan.mended} of={calls} is="set" />
      <Compared title="Five most common parts" value={plan.common} of={calls} />
      <Compared title="Van as it stands" value={plan.standing} of={calls} />
      <Choices label="As much may be loaded">
        {BUDGETS.map((b) => (
          <Button
            key={sayBudget(b)}
            aria-pressed={sayBudget(b) === sayBudget(budget)}
            onClick={() => {
              setTyped(undefined);
              onBudget(b);
            }}
          >
            {sayBudget(b)}
          </Button>
        ))}
      </Choices>
      <Field
        label="Another amount"
        value={typed ?? sayBudget(budget)}
        problem={typed === undefined || readBudget(typed) ? undefined : 'A whole sum of money as 550, or room as 15 l.'}
        onChange={type}
      />
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      <Button tone="main" block disabled={units === 0} loading={loading} onClick={onLoad}>
        {units === 0 ? 'Nothing to load' : `Load: ${units} from the shelf`}
      </Button>
    </Block>
  );
}

interface ComparedProps {
  readonly title: string;
  readonly value: number;
  readonly of: number;
  readonly is?: 'set';
}

const Compared = ({ title, value, of, is }: ComparedProps) => (
  <p className={styles.compared}>
    <span>{title}</span> <b>{value.toFixed(1)}</b>
    <span className={styles.chance} data-is={is ?? 'other'}>
      <i style={{ width: `${of === 0 ? 0 : (100 * value) / of}%` }} />
    </span>
  </p>
);
