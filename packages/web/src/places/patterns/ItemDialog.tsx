import type { KeptItem, Me, StockMove, StockReason } from '@zetalysis/contract';
import { SHELF, unitsIn } from '@zetalysis/core/book';
import { useState } from 'react';
import { useProfiles } from '../../api/queries';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { useMoves, useVans, useWriting } from '../../api/stock';
import styles from './Van.module.css';

interface Props {
  /** The item that is written otherwise; a new one without. */
  readonly item: KeptItem | undefined;
  /** A part of a machine that it has to fit. */
  readonly need?: { readonly profile: string; readonly part: string; readonly title: string };
  readonly items: readonly KeptItem[];
  readonly me: Me;
  readonly onClose: () => void;
}

const NEW = 'new';

/** A part of the stock: what it is called, what it costs, where it goes, and what lies where. */
export function ItemDialog({ item: given, need, items, me, onClose }: Props) {
  const [id, setId] = useState(given?.id);
  const item = items.find((i) => i.id === id);
  return (
    <Dialog title={item?.title ?? 'A part that is not kept yet'} onClose={onClose} width={640}>
      {given === undefined && need && items.length > 0 && (
        <Choice
          label="Another part of the stock fits"
          value={id ?? NEW}
          options={[
            { value: NEW, label: 'None: a new one' },
            ...items.map((i) => ({ value: i.id, label: `${i.title}, ${i.number}` })),
          ]}
          onChange={(to) => setId(to === NEW ? undefined : to)}
        />
      )}
      <Written key={id ?? NEW} item={item} need={need} me={me} onDone={onClose} />
      {item && <Units item={item} />}
    </Dialog>
  );
}

interface WrittenProps {
  readonly item: KeptItem | undefined;
  readonly need: Props['need'];
  readonly me: Me;
  readonly onDone: () => void;
}

/** A number as it is typed, nothing where there is none; `wrong` where it is none that can be. */
function typed(text: string, most: number): number | null | 'wrong' {
  if (text.trim() === '') return null;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) && value >= 0 && value <= most ? value : 'wrong';
}

function Written({ item, need, me, onDone }: WrittenProps) {
  const profiles = useProfiles();
  const writing = useWriting();
  const [title, setTitle] = useState(item?.title ?? need?.title ?? '');
  const [number, setNumber] = useState(item?.number ?? '');
  const [price, setPrice] = useState(item?.price?.toString() ?? '');
  const [room, setRoom] = useState(item?.room?.toString() ?? '');
  const [least, setLeast] = useState((item?.held.find((h) => h.place === SHELF)?.least ?? 0).toString());
  const here = need && { profile: need.profile, part: need.part };
  const fitsHere = (item?.fits ?? []).some((f) => f.profile === here?.profile && f.part === here.part);
  const [fits, setFits] = useState(() => [...(item?.fits ?? []), ...(here && !fitsHere ? [here] : [])]);
  const cost = typed(price, 100_000);
  const litres = typed(room, 1000);
  const few = typed(least, 1000);
  const wrongLeast = few === 'wrong' || few === null || !Number.isInteger(few);
  const may = me.role !== 'apprentice';
  const ready = may && title.trim() !== '' && cost !== 'wrong' && litres !== 'wrong' && !wrongLeast;
  const family = (profile: string): string => profiles.data?.find((p) => p.id === profile)?.title ?? profile;
  const save = (): void => {
    if (!ready) return;
    const before = item?.held.find((h) => h.place === SHELF)?.least ?? 0;
    writing.mutate(
      {
        id: item?.id,
        item: { title: title.trim(), number: number.trim(), price: cost, room: litres, fits },
        least: few === before ? undefined : few,
      },
      { onSuccess: onDone },
    );
  };
  return (
    <div className={styles.form}>
      <Field
        label="What it is"
        value={title}
        maxLength={80}
        onChange={setTitle}
        problem={title.trim() === '' ? 'Give it a name.' : undefined}
      />
      <Field label="Number" value={number} maxLength={40} onChange={setNumber} />
      <Field
        label="Price"
        value={price}
        onChange={setPrice}
        problem={cost === 'wrong' ? 'A number, as 31.50; or nothing.' : undefined}
      />
      <Field
        label="Room, litres"
        value={room}
        onChange={setRoom}
        problem={litres === 'wrong' ? 'A number, as 0.5; or nothing.' : undefined}
      />
      <Field
        label="Least on the shelf"
        value={least}
        onChange={setLeast}
        problem={wrongLeast ? 'A whole number, as 2.' : undefined}
      />
      <div>
        <b>Where it goes</b>
        {fits.length === 0 && <p className={styles.fine}>Nowhere yet: choose it for a part that a call may need.</p>}
        <ul className={styles.fits}>
          {fits.map((f) => (
            <li key={`${f.profile} ${f.part}`}>
              {family(f.profile)}: {f.part}{' '}
              {may && (
                <Button
                  tone="quiet"
                  aria-label={`Does not go to ${f.part} of ${family(f.profile)}`}
                  onClick={() => setFits(fits.filter((g) => g !== f))}
                >
                  take out
                </Button>
              )}
            </li>
          ))}
        </ul>
      </div>
      {writing.error && <Notice kind="problem">{writing.error.message}</Notice>}
      <Button tone="main" disabled={!ready} loading={writing.isPending} onClick={save}>
        Write it down
      </Button>
    </div>
  );
}

/** What can be done with units: which way they go from the place that is chosen, and what that is called. */
const WAYS: readonly { readonly why: StockReason; readonly label: string; readonly sign: 1 | -1 }[] = [
  { why: 'bought', label: 'Came in', sign: 1 },
  { why: 'fitted', label: 'Fitted', sign: -1 },
  { why: 'sent-back', label: 'Sent back', sign: -1 },
  { why: 'counted', label: 'Counted: more', sign: 1 },
  { why: 'counted', label: 'Counted: fewer', sign: -1 },
];

function Units({ item }: { readonly item: KeptItem }) {
  const vans = useVans();
  const moves = useMoves();
  const [place, setPlace] = useState<string>(SHELF);
  const [count, setCount] = useState('1');
  const n = Number(count);
  const wrong = !Number.isInteger(n) || n < 1 || n > 1000;
  const places = [
    { value: SHELF, label: 'Shelf' },
    ...vans.map((v) => ({ value: v.id, label: `Van of ${v.fullName}` })),
  ];
  const move = (why: StockReason, units: number): StockMove => ({ item: item.id, place, units, why });
  return (
    <section className={styles.form} aria-label="What lies where">
      <p>
        {places
          .filter(({ value }) => value === SHELF || unitsIn(item, value) > 0)
          .map(({ value, label }) => `${label}: ${unitsIn(item, value)}`)
          .join(' · ')}
      </p>
      <Choice label="Place" value={place} options={places} onChange={setPlace} />
      <Field
        label="Units"
        value={count}
        onChange={setCount}
        problem={wrong ? 'A whole number from 1 to 1000.' : undefined}
      />
      <div className={styles.ways}>
        {WAYS.map(({ why, label, sign }) => (
          <Button key={label} disabled={wrong || moves.isPending} onClick={() => moves.mutate([move(why, sign * n)])}>
            {label}
          </Button>
        ))}
        {place !== SHELF && (
          <Button
            disabled={wrong || moves.isPending}
            onClick={() => moves.mutate([move('loaded', -n), { item: item.id, place: SHELF, units: n, why: 'loaded' }])}
          >
            Back to the shelf
          </Button>
        )}
      </div>
      {moves.error && <Notice kind="problem">{moves.error.message}</Notice>}
    </section>
  );
}
