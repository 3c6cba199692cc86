import type { KeptItem, Me } from '@zetalysis/contract';
import { type LoadLine, type LoadPlan, partsAfter, planLoad, type Repeats, SHELF } from '@zetalysis/core/book';
import { useState } from 'react';
import { type LengthOfCall, useLengths } from '../../engine/use-lengths';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Waiting } from '../../kit/Waiting';
import { useStandard } from '../../theme/use-standard';
import type { Budget } from './budget';
import { DayCalls } from './DayCalls';
import { ItemDialog } from './ItemDialog';
import { PartRow } from './PartRow';
import { saveTable } from './save-table';
import { Shortages } from './Shortages';
import { ThisSet } from './ThisSet';
import type { OfDay } from './use-calls-of';
import { useBreaks } from './use-patterns';
import { useMoves } from '../../api/stock';
import styles from './Van.module.css';

interface Props {
  readonly me: Me;
  readonly van: string;
  readonly calls: readonly OfDay[];
  readonly planned: boolean;
  readonly items: readonly KeptItem[];
  readonly budget: Budget;
  readonly onBudget: (budget: Budget) => void;
}

/** What to load for some calls: chosen anew as somebody leaves out or takes along. */
export function VanLoading({ me, van, calls, planned, items, budget, onBudget }: Props) {
  const [standard] = useStandard();
  const lengths = useLengths(calls, me, standard);
  const breaks = useBreaks({});
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [taken, setTaken] = useState<ReadonlySet<string>>(new Set());
  const [writing, setWriting] = useState<LoadLine<KeptItem>>();
  const moves = useMoves();
  const { measure, most } = budget;
  const broke = new Map<string, number>();
  for (const { part, cases } of breaks.data?.lines ?? []) broke.set(part, (broke.get(part) ?? 0) + cases);
  const known = calls.flatMap(({ call }) => {
    const length = lengths.get(call);
    return length === undefined
      ? []
      : [{ id: call, profile: length.profile, parts: partsOf(length, breaks.data?.repeats) }];
  });
  const plan = planLoad({ calls: known, items, van, measure, most, left, taken, broke: (p) => broke.get(p) ?? 0 });
  const places = new Map(calls.map(({ call, title }) => [call, title]));
  const toLoad = plan.lines.filter((l) => l.state === 'load');
  const toOrder = plan.lines.filter((l) => l.state === 'order' || l.state === 'unkept');
  const units = toLoad.reduce((sum, l) => sum + l.units, 0);
  const load = (): void =>
    moves.mutate(
      toLoad.flatMap(({ item, units: n }) => [
        { item: item!.id, place: SHELF, units: -n, why: 'loaded' as const },
        { item: item!.id, place: van, units: n, why: 'loaded' as const },
      ]),
      { onSuccess: () => setTaken(new Set()) },
    );
  const tap = ({ item, state }: LoadLine<KeptItem>): void => {
    if (!item) return;
    const out = state === 'load' || state === 'along';
    setLeft(changed(left, item.id, out));
    setTaken(changed(taken, item.id, !out));
  };
  const unread = calls.length - known.length;
  return (
    <div className={styles.van}>
      <DayCalls calls={calls} planned={planned} lengths={lengths} mended={plan.ofCall} />
      <Block
        title="Parts, by the chance that one is needed"
        note={
          <>
            tap to leave out or take along{' '}
            <Button tone="quiet" onClick={() => saveTable('load', tableOf(plan, places))}>
              CSV
            </Button>
          </>
        }
      >
        {unread > 0 && <Waiting>{unread === 1 ? 'One call is' : `${unread} calls are`} being worked out…</Waiting>}
        <table className={styles.parts}>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col">needed</th>
              <th scope="col">for</th>
              <th scope="col">lies in</th>
              <th scope="col">{measure === 'price' ? 'price' : 'litres'}</th>
            </tr>
          </thead>
          <tbody>
            {plan.lines.map((line) => (
              <PartRow
                key={line.item?.id ?? `${line.need.profile} ${line.need.part}`}
                line={line}
                van={van}
                items={items}
                measure={measure}
                places={places}
                onTap={() => tap(line)}
                onWrite={me.role === 'apprentice' ? undefined : () => setWriting(line)}
              />
            ))}
          </tbody>
        </table>
      </Block>
      <div className={styles.set}>
        <ThisSet
          plan={plan}
          calls={known.length}
          budget={budget}
          onBudget={onBudget}
          units={units}
          loading={moves.isPending}
          problem={moves.error?.message}
          onLoad={load}
        />
        <Shortages items={items} van={van} toOrder={toOrder} />
      </div>
      {writing && (
        <ItemDialog
          item={writing.item}
          need={writing.need}
          items={items}
          me={me}
          onClose={() => setWriting(undefined)}
        />
      )}
    </div>
  );
}

/** What a call may need: where its machine broke shortly before, that again as often as callbacks are. */
const partsOf = ({ parts, before }: LengthOfCall, repeats: Repeats = { same: 0, of: 0 }) =>
  before ? partsAfter(parts, before, repeats) : parts;

function changed(set: ReadonlySet<string>, id: string, to: boolean): ReadonlySet<string> {
  const next = new Set(set);
  if (to) next.add(id);
  else next.delete(id);
  return next;
}

const tableOf = (plan: LoadPlan<KeptItem>, places: ReadonlyMap<string, string>) =>
  plan.lines.map(({ item, need, chance, calls, state, units }) => ({
    part: item?.title ?? need.title,
    number: item?.number ?? '',
    chance,
    for: calls.map((c) => places.get(c)).join(', '),
    state,
    units,
    price: item?.price ?? null,
  }));
