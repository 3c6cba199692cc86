import type { PracticeAct } from '@zetalysis/core/practice';
import { useState } from 'react';
import { Button } from '../../kit/Button';
import { Dialog } from '../../kit/Dialog';
import styles from './TellRun.module.css';

interface Props {
  readonly steps: readonly { readonly id: string; readonly title: string }[];
  readonly onAct: (act: PracticeAct) => Promise<string | undefined>;
  readonly onClose: () => void;
}

/** The steps of a sound run: put in their order, with the second at which each comes. */
export function TellRun({ steps, onAct, onClose }: Props) {
  const [order, setOrder] = useState(steps);
  const [seconds, setSeconds] = useState<Readonly<Record<string, string>>>({});
  const [said, setSaid] = useState<string>();
  const swap = (at: number, to: number): void =>
    setOrder(order.map((step, i) => (i === at ? order[to]! : i === to ? order[at]! : step)));
  const tell = (): void => {
    // An empty field is no guess.
    const read = order.flatMap(({ id }) => {
      const typed = (seconds[id] ?? '').trim();
      return typed === '' ? [] : [[id, Number(typed.replace(',', '.'))] as const];
    });
    void onAct({ do: 'tell-run', order: order.map(({ id }) => id), seconds: Object.fromEntries(read) }).then((why) =>
      why === undefined ? onClose() : setSaid(why),
    );
  };
  return (
    <Dialog title="What comes when, if nothing is wrong" onClose={onClose}>
      <p>Put the steps in their order, and say how many seconds after the call for heat each comes.</p>
      <ol className={styles.steps}>
        {order.map(({ id, title }, i) => (
          <li key={id}>
            <span>{title}</span>
            <Button aria-label={`${title}: earlier`} disabled={i === 0} onClick={() => swap(i, i - 1)}>
              ↑
            </Button>
            <Button aria-label={`${title}: later`} disabled={i === order.length - 1} onClick={() => swap(i, i + 1)}>
              ↓
            </Button>
            <input
              inputMode="decimal"
              size={5}
              maxLength={6}
              aria-label={`${title}: seconds`}
              value={seconds[id] ?? ''}
              onChange={(e) => setSeconds({ ...seconds, [id]: e.target.value })}
            />
            <small>s</small>
          </li>
        ))}
      </ol>
      <p role="status">{said}</p>
      <Button tone="main" onClick={tell}>
        So it is
      </Button>
    </Dialog>
  );
}
