import { Link } from 'react-router';
import type { Colleague, DayItem, Me, Sent, days } from '@zetalysis/contract';
import {
  type Conflict,
  gapsOf,
  outOfOrder,
  PRIORITIES,
  PRIORITY_WORDS,
  readSlot,
  timetable,
  timeWords,
} from '@zetalysis/core/schedule';
import { addDays, dueWords, dutyWith } from '@zetalysis/core/upkeep';
import { useDue } from '../../api/due';
import { today } from '../../api/today';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Status } from '../../kit/Status';
import { useStandard } from '../../theme/use-standard';
import styles from './DayPage.module.css';
import { useLengths } from '../../engine/use-lengths';

interface Props {
  readonly day: string;
  readonly person: Colleague;
  readonly me: Me;
  readonly items: readonly DayItem[];
  /** To whom an item can be given. */
  readonly others: readonly Colleague[];
  /** Whoever looks may order this day. */
  readonly plans: boolean;
  readonly onMove: (item: DayItem, to: Partial<Sent<typeof days.move>['body']>) => void;
  readonly onRemove: (id: string) => void;
}

/** A visit of which the engine has not said yet how long it takes, minutes. */
const UNKNOWN = { p50: 75, p80: 120 };

/** The day of one person, in order; moved by buttons, by the menu, or with Alt and the arrow keys. */
export function DayOf({ day, person, me, items, others, plans, onMove, onRemove }: Props) {
  const [standard] = useStandard();
  const lengths = useLengths(items, me, standard);
  const placed = timetable(
    items.map(({ id, call, duty, slot }) => {
      const read = readSlot(slot);
      const minutes = duty === null ? undefined : dutyWith(duty)?.minutes;
      const { p50, p80 } =
        minutes !== undefined ? { p50: minutes, p80: minutes } : (call !== null && lengths.get(call)) || UNKNOWN;
      return { id, slot: 'slot' in read ? read.slot : undefined, p50, p80 };
    }),
  );
  const wrongOrder = outOfOrder(items);
  const before = (i: number): string | null => items[i]?.id ?? null;
  const step = (i: number, by: -1 | 1): void => {
    const item = items[i]!;
    if (by === -1 && i > 0) onMove(item, { before: before(i - 1) });
    if (by === 1 && i < items.length - 1) onMove(item, { before: before(i + 2) });
  };
  const loads = items.flatMap(({ call }) => {
    const likely = call === null ? undefined : lengths.get(call)?.likely;
    return likely ? [likely] : [];
  });
  return (
    <Block title={person.fullName} note={items.length === 0 ? 'nothing yet' : items.length}>
      <ol className={styles.list}>
        {items.map((item, i) => {
          const { begins, ends, endsLate, conflicts } = placed[i]!;
          const length = item.call === null ? undefined : lengths.get(item.call);
          const name = item.machine?.label ?? item.words;
          return (
            <li
              key={item.id}
              tabIndex={plans ? 0 : undefined}
              aria-label={`${name}, ${timeWords(begins)} to ${timeWords(ends)}`}
              onKeyDown={(e) => {
                if (!plans || !e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return;
                e.preventDefault();
                step(i, e.key === 'ArrowUp' ? -1 : 1);
              }}
            >
              <time>
                <b>{timeWords(begins)}</b>
                <small>to {timeWords(ends)}</small>
              </time>
              <div>
                <p>
                  {item.call === null ? (
                    <Link to={`/machines/${item.machine!.id}/upkeep`}>{name}</Link>
                  ) : (
                    <Link to={`/calls/${item.call}`}>{name}</Link>
                  )}{' '}
                  {item.priority !== 'usual' && (
                    <Status tone={item.priority === 'danger' ? 'alarm' : 'plain'}>
                      {PRIORITY_WORDS[item.priority]}
                    </Status>
                  )}{' '}
                  {item.over && <Status tone="good">closed</Status>}
                </p>
                <p>
                  {item.machine?.site !== undefined && `${item.machine.site}. `}
                  {item.words}
                </p>
                <p className={styles.fine}>
                  {item.slot !== '' && `told ${item.slot} · `}
                  {length
                    ? `about ${length.p50} min${length.p80 > length.p50 ? `, four of five within ${length.p80}` : ''} · likely: ${length.likely || 'not known'}`
                    : `until ${timeWords(endsLate)} when it takes long`}
                </p>
                {[...conflicts.map(conflictWords), ...(wrongOrder.includes(item.id) ? [GRAVER] : [])].map((words) => (
                  <p key={words} className="problem">
                    {words}
                  </p>
                ))}
              </div>
              {plans && (
                <div className={styles.moves}>
                  <Button aria-label={`${name}: earlier`} disabled={i === 0} onClick={() => step(i, -1)}>
                    ↑
                  </Button>
                  <Button aria-label={`${name}: later`} disabled={i === items.length - 1} onClick={() => step(i, 1)}>
                    ↓
                  </Button>
                  <Choice
                    label={`Move ${name}`}
                    labelHidden
                    placeholder="Move…"
                    value={undefined}
                    options={[
                      { value: 'tomorrow', label: 'To the next day' },
                      ...PRIORITIES.filter((p) => p !== item.priority).map((p) => ({
                        value: `as ${p}`,
                        label: `It is: ${PRIORITY_WORDS[p]}`,
                      })),
                      ...others.map((p) => ({ value: p.id, label: `To ${p.fullName}` })),
                      { value: 'off', label: 'Take it off the day' },
                    ]}
                    onChange={(to) => {
                      if (to === 'off') return onRemove(item.id);
                      if (to === 'tomorrow') return onMove(item, { day: addDays(day, 1) });
                      const priority = PRIORITIES.find((p) => to === `as ${p}`);
                      onMove(item, priority ? { priority, before: before(i + 1) } : { person: to });
                    }}
                  />
                </div>
              )}
            </li>
          );
        })}
      </ol>
      {loads.length > 0 && (
        <p className={styles.fine}>
          <b>To load:</b> for {[...new Set(loads)].join('; ')}
        </p>
      )}
      {items.length > 0 && <Gaps placed={placed} sites={items.flatMap(({ machine }) => machine?.site ?? [])} />}
    </Block>
  );
}

const GRAVER = 'Something graver comes after it: gas and CO first, then frost and frail people.';

function conflictWords(conflict: Conflict): string {
  switch (conflict.is) {
    case 'too-late':
      return `It would begin ${Math.round(conflict.by)} minutes after they were told. Move it, or tell them.`;
    case 'may-be-late':
      return `When what comes before takes long, it begins ${Math.round(conflict.by)} minutes late.`;
    case 'before-the-one-before':
      return 'Its time is before that of the one before it. Change their order.';
    case 'after-hours':
      return `It ends ${Math.round(conflict.by)} minutes after the day does.`;
  }
}

interface GapsProps {
  readonly placed: ReturnType<typeof timetable>;
  readonly sites: readonly string[];
}

/** Time that is free, and what is due that would fit in: what lies where one is anyway first. */
function Gaps({ placed, sites }: GapsProps) {
  const due = useDue().data ?? [];
  const gaps = gapsOf(placed);
  if (gaps.length === 0 || due.length === 0) return null;
  const offers = [...due]
    .sort((a, b) => Number(sites.includes(b.machine.site)) - Number(sites.includes(a.machine.site)))
    .slice(0, 3);
  return (
    <p className={styles.fine}>
      <b>Free:</b> {gaps.map(({ from, to }) => `${timeWords(from)}–${timeWords(to)}`).join(', ')}. Due:{' '}
      {offers.map(({ machine, duty, due: when }, i) => (
        <span key={`${machine.id} ${duty}`}>
          {i > 0 && '; '}
          <Link to={`/machines/${machine.id}/upkeep`}>{machine.label}</Link>, {dutyWith(duty)?.title} (
          {dueWords(when, today())})
        </span>
      ))}
    </p>
  );
}
