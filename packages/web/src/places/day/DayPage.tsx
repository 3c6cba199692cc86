import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { DayItem, Me, Sent, days } from '@zetalysis/contract';
import { addDays } from '@zetalysis/core/upkeep';
import { http } from '../../api/http';
import { today } from '../../api/today';
import { Button } from '../../kit/Button';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { AddItem } from './AddItem';
import { DayOf } from './DayOf';
import styles from './DayPage.module.css';

const long = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

/** A day as an ordered list for each person: what comes when, how long it takes, what to load, and what does not go together. */
export default function DayPage({ me }: { readonly me: Me }) {
  const queries = useQueryClient();
  const [day, setDay] = useState(today);
  const items = useQuery({
    queryKey: ['day', day],
    queryFn: () => http('GET /days/:day', { params: { day } }),
    refetchInterval: 30_000,
    placeholderData: (before) => before,
  });
  const people = useQuery({ queryKey: ['people'], queryFn: () => http('GET /people') });
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: ['day'] });
  const move = useMutation({
    mutationFn: ({ id, to }: { id: string; to: Sent<typeof days.move>['body'] }) =>
      http('PUT /days/items/:id', { params: { id }, body: to }),
    onSettled: refresh,
  });
  const remove = useMutation({
    mutationFn: (id: string) => http('DELETE /days/items/:id', { params: { id } }),
    onSettled: refresh,
  });
  const plansOthers = me.role === 'lead' || me.role === 'admin';
  const workers = (people.data ?? []).filter((p) => !p.disabled && p.role !== 'admin');
  const shown = [...workers].sort((a, b) => Number(b.id === me.id) - Number(a.id === me.id));
  const error = move.error ?? remove.error ?? items.error;
  const isDay = /^\d{4}-\d{2}-\d{2}$/.test(day);
  const moved = (item: DayItem, to: Partial<Sent<typeof days.move>['body']>): void => {
    const { id, person, slot, priority } = item;
    move.mutate({ id, to: { day: item.day, person, before: null, slot, priority, ...to } });
  };
  return (
    <Page
      title={isDay ? long.format(new Date(`${day}T12:00:00`)) : 'A day'}
      tools={
        <div className={styles.which}>
          <Button aria-label="The day before" onClick={() => setDay(addDays(day, -1))}>
            ‹
          </Button>
          <Field label="Day" labelHidden type="date" value={day} onChange={(to) => to !== '' && setDay(to)} />
          <Button aria-label="The day after" onClick={() => setDay(addDays(day, 1))}>
            ›
          </Button>
        </div>
      }
      actions={<AddItem day={day} me={me} workers={plansOthers ? workers : workers.filter((p) => p.id === me.id)} />}
      className={styles.days}
    >
      {error && <Notice kind="problem">{error.message}</Notice>}
      {items.isPending && <Waiting>Reading the day…</Waiting>}
      {shown.map((person) => (
        <DayOf
          key={person.id}
          day={day}
          person={person}
          me={me}
          items={(items.data ?? []).filter((i) => i.person === person.id)}
          others={plansOthers ? workers.filter((p) => p.id !== person.id) : []}
          plans={plansOthers || person.id === me.id}
          onMove={moved}
          onRemove={(id) => remove.mutate(id)}
        />
      ))}
    </Page>
  );
}
