import type { PracticeAct } from '@zetalysis/core/practice';
import type { StopNow } from '@zetalysis/core/presentation';
import { useState } from 'react';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import styles from './Exercise.module.css';

interface Props {
  readonly stops: readonly StopNow[];
  readonly onAct: (act: PracticeAct) => void;
}

/** A stop that stands in an exercise as it would in a call: its orders one by one, then what it ends on. */
export function Stops({ stops, onAct }: Props) {
  const [first, ...others] = stops;
  if (!first) return null;
  return (
    <section className={styles.stop} role="alert" aria-label={`Stop: ${first.title}`}>
      <p>
        <b>STOP: {first.title}.</b> Meanwhile: {first.meanwhile}
        {others.length > 0 && ` Below it: ${others.map(({ title }) => title).join(' · ')}.`}
      </p>
      {first.order ? (
        <OrderNow key={`${first.id} ${first.order.id}`} stop={first.id} order={first.order} onAct={onAct} />
      ) : (
        <EndIt key={first.id} stop={first} onAct={onAct} />
      )}
    </section>
  );
}

function OrderNow({
  stop,
  order,
  onAct,
}: {
  readonly stop: string;
  readonly order: NonNullable<StopNow['order']>;
  readonly onAct: Props['onAct'];
}) {
  const [value, setValue] = useState('');
  const does = (said: string | number): void =>
    onAct({ do: 'order', stop, order: order.id, ...(said !== '' && { value: said }) });
  const { fact, words } = order;
  return (
    <div className={styles.row}>
      <b>{order.sentence}</b>
      {fact && !('unit' in fact.is) && (
        <Choice
          label={fact.ask}
          value={undefined}
          placeholder="It is…"
          options={fact.is.map(({ id, title }) => ({ value: id, label: title }))}
          onChange={does}
        />
      )}
      {((fact && 'unit' in fact.is) || words !== undefined) && (
        <Field label={words ?? fact!.ask} value={value} onChange={setValue} maxLength={200} />
      )}
      {!(fact && !('unit' in fact.is)) && (
        <Button
          tone="alarm"
          onClick={() => does(fact && value.trim() !== '' ? Number(value.replace(',', '.')) : value.trim())}
        >
          Done
        </Button>
      )}
    </div>
  );
}

function EndIt({ stop, onAct }: { readonly stop: StopNow; readonly onAct: Props['onAct'] }) {
  const [given, setGiven] = useState<Readonly<Record<string, string>>>({});
  const say = (id: string, value: string): void => setGiven({ ...given, [id]: value });
  const evidence = Object.fromEntries(
    stop.evidence.flatMap(({ id, is }) => {
      const typed = (given[id] ?? '').trim();
      return typed === '' ? [] : [[id, is === 'number' ? Number(typed.replace(',', '.')) : typed] as const];
    }),
  );
  return (
    <div className={styles.row}>
      {stop.evidence.map(({ id, ask, is }) =>
        is === 'tick' ? (
          <Button key={id} aria-pressed={given[id] === 'yes'} onClick={() => say(id, given[id] === 'yes' ? '' : 'yes')}>
            {given[id] === 'yes' ? '✓' : '○'} {ask}
          </Button>
        ) : is === 'words' || is === 'number' ? (
          <Field key={id} label={ask} value={given[id] ?? ''} onChange={(v) => say(id, v)} maxLength={300} />
        ) : (
          <span key={id}>
            {is === 'so' ? '✓' : '○'} {ask}
          </span>
        ),
      )}
      <Button onClick={() => onAct({ do: 'wait', minutes: 1 })}>Wait a minute</Button>
      <Button tone="alarm" onClick={() => onAct({ do: 'end-stop', stop: stop.id, evidence })}>
        It is over
      </Button>
    </div>
  );
}
