import type { CallView } from '@zetalysis/core/presentation';
import { bypassLimit, offBy, overdue, RINGS_AT, safetyOf, WHILE_TEMPORARY } from '@zetalysis/core/rules';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { InHead } from '../../../app/head-slot';
import { Button } from '../../../kit/Button';
import { Ring } from '../../../kit/Ring';
import { clock } from '../../../kit/clock';
import styles from './LedgerBar.module.css';
import { useRules } from './use-rules';

interface Props {
  readonly setup: CallView['setup'];
  readonly closed: boolean;
  readonly onBody: (body: EventBody) => void;
}

/** What to keep in sight meanwhile, and what ends it at once. */
function watchWords(kind: string): string {
  const { watch, endWhen } = safetyOf(kind);
  return watch === '' ? '' : ` Watch ${watch}; off at once when ${endWhen}.`;
}

/** What is there for now, each with its clock and what undoes it; a bypass turns the whole line red. */
export function LedgerBar({ setup, closed, onBody }: Props) {
  const { followed, now } = useRules();
  const { c } = followed;
  const temporary = [...c.temporary.values()].filter(({ kind }) => kind !== 'adjustment');
  if (c.bypasses.length === 0 && temporary.length === 0) return null;
  const without = (id: string): void => {
    const but = (list: readonly string[]): string[] => list.filter((other) => other !== id);
    onBody(
      setupEntry({
        ...setup,
        bypassed: but(setup.bypassed),
        unplugged: but(setup.unplugged),
        actions: but(setup.actions),
      }),
    );
  };
  return (
    <div
      className={styles.ledger}
      role="region"
      aria-label="To put back"
      data-bypass={c.bypasses.length > 0 || undefined}
    >
      {c.bypasses.length > 0 && (
        <InHead>
          <span data-bypass hidden />
        </InHead>
      )}
      {c.bypasses.map((b) => {
        const limit = offBy(b, c);
        const over = overdue(b, c) !== undefined;
        const rings = over || now - b.since >= RINGS_AT * bypassLimit(b.kind, c.gasHeld, c.family) * 1000;
        return (
          <span
            key={b.id}
            className={styles.tag}
            data-safety
            data-rings={rings || undefined}
            role={rings ? 'alert' : undefined}
          >
            <span>
              <strong>Bypass on: {b.title}</strong>, by {b.by}, {clock(now - b.since)}.
              {b.why !== '' && ` For: ${b.why}.`} {rings && <Ring />}
              {over ? 'It must come off now.' : `Off by ${clock(Math.max(0, limit - now))}. Watched until it is off.`}
              {watchWords(b.kind)}
            </span>
            <Button tone="alarm" disabled={closed} onClick={() => without(b.id)}>
              Take the bypass off
            </Button>
          </span>
        );
      })}
      {temporary.map((t) => (
        <span key={t.id} className={styles.tag}>
          <span>
            {t.title} {t.kind === 'plug' ? 'apart' : ''} since {clock(now - t.since)}
          </span>
          <Button
            tone="warn"
            disabled={closed}
            onClick={() =>
              t.kind === 'plug' || t.kind === 'action' ? without(t.id) : onBody({ type: 'undone', event: t.id })
            }
          >
            {WHILE_TEMPORARY[t.kind].undo}
          </Button>
        </span>
      ))}
    </div>
  );
}
