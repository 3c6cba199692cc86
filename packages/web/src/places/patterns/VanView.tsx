import { useQuery } from '@tanstack/react-query';
import type { KeptItem, Me } from '@zetalysis/contract';
import {
  type LoadLine,
  type LoadPlan,
  type Measure,
  planLoad,
  SHELF,
  shortOf,
  substitutesOf,
  unitsIn,
} from '@zetalysis/core/book';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { http } from '../../api/http';
import { settingsQuery } from '../../api/queries';
import { today } from '../../api/today';
import { CordPiece } from '../../diagrams/CordPiece';
import { useLengths } from '../../engine/use-lengths';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Choices } from '../../kit/Choices';
import { Empty } from '../../kit/Empty';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';
import { useStandard } from '../../theme/use-standard';
import { ItemDialog } from './ItemDialog';
import { saveTable } from './save-table';
import { useBreaks } from './use-patterns';
import { useMoves, useStock, useVans } from './use-stock';
import styles from './Van.module.css';

/** What may be spent on a day, in the currency of the shop; and the litres of room where room is what is short. */
const BUDGETS = ['250', '400', '700', 'room'] as const;
const ROOM = 12;

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
  const budget = BUDGETS.find((b) => b === query.get('for')) ?? '400';
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
        <Loading
          key={`${day} ${van}`}
          me={me}
          van={van}
          calls={calls}
          planned={planned}
          items={stock.data}
          budget={budget}
          onBudget={(b) => set('for', b)}
        />
      ) : (
        !problem && <Waiting>Reading the day…</Waiting>
      )}
    </>
  );
}

interface OfDay {
  readonly call: string;
  readonly over: boolean;
  readonly title: string;
  readonly words: string;
  readonly slot: string;
}

/** The calls of somebody's day; where none is planned, those that are open. */
function useCallsOf(day: string, van: string) {
  const items = useQuery({ queryKey: ['day', day], queryFn: () => http('GET /days/:day', { params: { day } }) });
  const planned = items.data?.flatMap(({ call, person, over, machine, words, slot }): OfDay[] =>
    call !== null && person === van && !over ? [{ call, over, title: machine?.label ?? '', words, slot }] : [],
  );
  const none = planned?.length === 0;
  const asked = { state: 'open', size: '20', search: '' } as const;
  const open = useQuery({
    queryKey: ['calls', asked],
    enabled: none,
    queryFn: () => http('GET /calls', { query: asked }),
  });
  const anyway = open.data?.calls.map((c): OfDay => ({
    call: c.id,
    over: false,
    title: c.machine?.label ?? '',
    words: c.complaint,
    slot: '',
  }));
  return { calls: none ? anyway : planned, planned: !none, error: items.error ?? open.error };
}

interface LoadingProps {
  readonly me: Me;
  readonly van: string;
  readonly calls: readonly OfDay[];
  readonly planned: boolean;
  readonly items: readonly KeptItem[];
  readonly budget: (typeof BUDGETS)[number];
  readonly onBudget: (budget: string) => void;
}

function Loading({ me, van, calls, planned, items, budget, onBudget }: LoadingProps) {
  const [standard] = useStandard();
  const lengths = useLengths(calls, me, standard);
  const breaks = useBreaks({});
  const settings = useQuery(settingsQuery);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [taken, setTaken] = useState<ReadonlySet<string>>(new Set());
  const [writing, setWriting] = useState<LoadLine<KeptItem>>();
  const moves = useMoves();
  const measure: Measure = budget === 'room' ? 'room' : 'price';
  const most = budget === 'room' ? ROOM : Number(budget);
  const broke = new Map<string, number>();
  for (const { part, cases } of breaks.data?.lines ?? []) broke.set(part, (broke.get(part) ?? 0) + cases);
  const known = calls.flatMap(({ call }) => {
    const length = lengths.get(call);
    return length === undefined ? [] : [{ id: call, profile: length.profile, parts: length.parts }];
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
      <Block title="The day" note="minutes: half · 8 in 10">
        {!planned && (
          <p className={styles.fine}>
            Nothing is planned: these are the open calls. <Link to="/day">Plan the day</Link>
          </p>
        )}
        {calls.length === 0 && <Empty>No call is open.</Empty>}
        <ol className={styles.day}>
          {calls.map(({ call, title, words, slot }) => {
            const length = lengths.get(call);
            const first = plan.ofCall.get(call);
            return (
              <li key={call}>
                <CordPiece state="unlit" />
                <span>
                  <b>
                    {slot !== '' && `${slot.split('-')[0]} `}
                    <Link to={`/calls/${call}`}>{title === '' ? 'No machine' : title}</Link>
                  </b>
                  <i>“{words}”</i>
                  <small>
                    {first === undefined ? 'is being worked out' : `first visit mends it: ${percent(first)} %`}
                  </small>
                </span>
                <span>
                  <b>{length?.p50 ?? '–'}</b>
                  <small>{length?.p80}</small>
                </span>
              </li>
            );
          })}
        </ol>
      </Block>
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
        <Block
          title="This set"
          note={`${Math.round(plan.spent * 10) / 10} of ${most} ${measure === 'price' ? (settings.data?.currency ?? '') : 'litres'}`}
        >
          <p className={styles.figure}>
            <b>{plan.mended.toFixed(1)}</b> of {known.length} calls mended at the first visit, expected
          </p>
          <Compared title="This set" value={plan.mended} of={known.length} is="set" />
          <Compared title="Five most common parts" value={plan.common} of={known.length} />
          <Compared title="Van as it stands" value={plan.standing} of={known.length} />
          <Choices label="As much may be loaded">
            {BUDGETS.map((b) => (
              <Button key={b} aria-pressed={b === budget} onClick={() => onBudget(b)}>
                {b === 'room' ? `${ROOM} l` : b}
              </Button>
            ))}
          </Choices>
          {moves.error && <Notice kind="problem">{moves.error.message}</Notice>}
          <Button tone="main" block disabled={units === 0} loading={moves.isPending} onClick={load}>
            {units === 0 ? 'Nothing to load' : `Load: ${units} from the shelf`}
          </Button>
        </Block>
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

const percent = (x: number): number => Math.round(100 * x);

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

interface RowProps {
  readonly line: LoadLine<KeptItem>;
  readonly van: string;
  readonly items: readonly KeptItem[];
  readonly measure: Measure;
  readonly places: ReadonlyMap<string, string>;
  readonly onTap: () => void;
  readonly onWrite: (() => void) | undefined;
}

function PartRow({ line, van, items, measure, places, onTap, onWrite }: RowProps) {
  const { item, need, chance, calls, state, units } = line;
  const goes = state === 'load' || state === 'along';
  const title = item?.title ?? need.title;
  const others = item
    ? substitutesOf(items, item).filter((s) => s.fits.some((f) => f.profile === need.profile && f.part === need.part))
    : [];
  const where = item && [
    ...(unitsIn(item, van) > 0 ? [`van ${unitsIn(item, van)}`] : []),
    ...(unitsIn(item, SHELF) > 0 ? [`shelf ${unitsIn(item, SHELF)}`] : []),
  ];
  const weight = measure === 'price' ? item?.price : item?.room;
  return (
    <tr data-goes={goes || undefined}>
      <th scope="row">
        <button type="button" aria-pressed={goes} disabled={state === 'order' || state === 'unkept'} onClick={onTap}>
          <svg viewBox="0 0 24 24" aria-hidden="true">
            <circle cx="12" cy="12" r="10" />
            {goes && <path d="M7 12.5l3.5 3.5L17 9" />}
          </svg>
          <span>
            {title}
            {units > 1 && `, ${units} of them`}
            <small>
              {item?.number ?? 'not kept'}
              {others.length > 0 && ` · or ${others.map((o) => o.number || o.title).join(', ')}`}
            </small>
          </span>
        </button>
      </th>
      <td>
        <span className={styles.chance}>
          <i style={{ width: `${percent(chance)}%` }} />
        </span>
        <b>{percent(chance)} %</b>
      </td>
      <td>{calls.map((c) => places.get(c) || 'no machine').join(', ')}</td>
      <td>
        {state === 'unkept' && onWrite ? (
          <Button tone="quiet" onClick={onWrite}>
            write it down
          </Button>
        ) : (
          (where?.join(', ') ?? '') || (state === 'unkept' ? 'not kept' : 'to order')
        )}
      </td>
      <td>
        {onWrite && item ? (
          <Button tone="quiet" aria-label={`${title}: written as`} onClick={onWrite}>
            {weight ?? '–'}
          </Button>
        ) : (
          (weight ?? '–')
        )}
      </td>
    </tr>
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

interface ShortagesProps {
  readonly items: readonly KeptItem[];
  readonly van: string;
  readonly toOrder: readonly LoadLine<KeptItem>[];
}

/** What is under its minimum on the shelf or in this van, and what a call of the day may need that nobody has. */
function Shortages({ items, van, toOrder }: ShortagesProps) {
  const short = shortOf(items).filter(({ place }) => place === SHELF || place === van);
  const rows = [
    ...toOrder.map(({ item, need, chance }) => ({
      key: `need ${item?.id ?? need.part}`,
      title: item?.title ?? need.title,
      note: `a call of the day may need it, ${percent(chance)} %`,
      missing: 1,
    })),
    ...short.map(({ item, place, units, least, missing }) => ({
      key: `${item.id} ${place}`,
      title: item.title,
      note: `least ${least}, ${place === SHELF ? 'on the shelf' : 'in the van'} ${units}${substituted(items, item)}`,
      missing,
    })),
  ];
  return (
    <Block
      title="To order"
      note={
        <Button
          tone="quiet"
          disabled={rows.length === 0}
          onClick={() =>
            saveTable(
              'order',
              rows.map(({ title, note, missing }) => ({ part: title, units: missing, why: note })),
            )
          }
        >
          CSV
        </Button>
      }
    >
      {rows.length === 0 && <Empty>Nothing is under its minimum.</Empty>}
      <ul className={styles.short}>
        {rows.slice(0, SHORT_SHOWN).map(({ key, title, note, missing }) => (
          <li key={key}>
            <span>
              <b>{title}</b>
              <small>{note}</small>
            </span>
            <b>+ {missing}</b>
          </li>
        ))}
      </ul>
      {rows.length > SHORT_SHOWN && (
        <p className={styles.fine}>
          and {rows.length - SHORT_SHOWN} more: <Link to="/patterns/stock">Stock</Link>
        </p>
      )}
    </Block>
  );
}

const SHORT_SHOWN = 5;

function substituted(items: readonly KeptItem[], item: KeptItem): string {
  const instead = substitutesOf(items, item).find((o) => unitsIn(o, SHELF) > 0);
  return instead ? ` · ${instead.number || instead.title} stands in` : '';
}
