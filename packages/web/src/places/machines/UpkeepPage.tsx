import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { DutyOfMachine, DutyRecord, Machine, Me } from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import { DUTIES, dueWords, dutyWith } from '@zetalysis/core/upkeep';
import { http } from '../../api/http';
import { today } from '../../api/today';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';
import { Words } from '../../kit/Words';
import { OneMachine } from './OneMachine';
import styles from './UpkeepPage.module.css';

/** What one machine asks for again and again, when, and every time it was done: a log that an insurer can be given. */
export default function UpkeepPage({ me }: { readonly me: Me }) {
  return <OneMachine>{(machine) => <Upkeep machine={machine} me={me} />}</OneMachine>;
}

function Upkeep({ machine, me }: { readonly machine: Machine; readonly me: Me }) {
  const { id } = machine;
  const upkeep = useQuery({
    queryKey: ['upkeep', id],
    queryFn: () => http('GET /machines/:id/upkeep', { params: { id } }),
  });
  const [asked, setAsked] = useState<DutyOfMachine>();
  const { duties = [], records = [] } = upkeep.data ?? {};
  const plate = [machine.make, machine.modelName, machine.serial].filter((w) => w !== '').join(', ');
  return (
    <Page
      title={`Upkeep: ${machine.label}`}
      about={[machine.site, plate].filter((w) => w !== '').join(' · ')}
      actions={
        <span className={styles.screen}>
          <Link to={`/machines/${id}`}>Back to the machine</Link>
          <Button tone="main" onClick={() => print()}>
            Print the log
          </Button>
        </span>
      }
    >
      {upkeep.error && <Notice kind="problem">{upkeep.error.message}</Notice>}
      <Block title="What it asks for" note={duties.filter((d) => d.due).length} className={styles.screen}>
        <ul className={styles.duties}>
          {duties.map((d) => (
            <OneDuty key={d.duty} of={d} machine={id} me={me} onDone={() => setAsked(d)} />
          ))}
        </ul>
        {can(me, 'tighten') === '+' && <AskMore machine={id} has={duties.map((d) => d.duty)} />}
      </Block>
      <Block title="The log" note={records.length}>
        <Table<DutyRecord>
          label="What was done, scrolls sideways"
          rows={records}
          keyOf={(r) => r.id}
          loading={upkeep.isPending}
          empty="Nothing was written down yet."
          columns={[
            { title: 'Day', cell: (r) => r.day, figures: true },
            { title: 'What', cell: (r) => dutyWith(r.duty)?.title ?? r.duty, wide: true },
            {
              title: 'Result',
              cell: (r) => <Status tone={r.result === 'good' ? 'good' : 'alarm'}>{r.result}</Status>,
            },
            { title: 'Who', cell: (r) => r.by },
            {
              title: 'Words',
              wide: true,
              cell: (r) => (
                <>
                  {r.words} {r.call !== null && <Link to={`/calls/${r.call}`}>on a call</Link>}
                </>
              ),
            },
          ]}
        />
      </Block>
      {asked && <Done machine={id} duty={asked} onClose={() => setAsked(undefined)} />}
    </Page>
  );
}

interface OneDutyProps {
  readonly of: DutyOfMachine;
  readonly machine: string;
  readonly me: Me;
  readonly onDone: () => void;
}

function OneDuty({ of: { duty: id, every, own, last, due }, machine, me, onDone }: OneDutyProps) {
  const duty = dutyWith(id);
  const plan = usePlan(machine);
  if (!duty) return null;
  const { title, how, caution, test } = duty;
  return (
    <li data-red={due?.state === 'overdue' || undefined}>
      <div>
        <b>{title}</b>
        {caution !== undefined && <strong> {caution}</strong>}
        <p>
          {how} {test !== undefined && <Link to={`/bench/tests/${test}`}>Time it on the Bench</Link>}
        </p>
        <small>
          {every === 0 ? 'not asked of this machine' : `every ${every} days${own ? ', set for this machine' : ''}`}
          {last && ` · last ${last.day}, ${last.result}`}
        </small>
        {plan.error && <p className="problem">{plan.error.message}</p>}
      </div>
      <b>{due ? dueWords(due, today()) : ''}</b>
      <span>
        {due && <Button onClick={onDone}>Done…</Button>}
        {can(me, 'tighten') === '+' && (
          <Choice
            label={`How often: ${title}`}
            labelHidden
            placeholder="How often…"
            value={undefined}
            options={OFTEN}
            onChange={(days) => plan.mutate({ duty: id, every: days === 'family' ? null : Number(days) })}
          />
        )}
      </span>
    </li>
  );
}

const OFTEN = [
  { value: 'family', label: 'As its family has it' },
  { value: '7', label: 'Weekly' },
  { value: '30', label: 'Monthly' },
  { value: '91', label: 'Quarterly' },
  { value: '182', label: 'Twice a year' },
  { value: '365', label: 'Yearly' },
  { value: '730', label: 'Every two years' },
  { value: '0', label: 'Not asked of this machine' },
] as const;

function usePlan(machine: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { duty: DutyOfMachine['duty']; every: number | null }) =>
      http('PUT /machines/:id/upkeep/plan', { params: { id: machine }, body }),
    onSuccess: () => refreshed(queries, machine),
  });
}

const refreshed = async (queries: ReturnType<typeof useQueryClient>, machine: string): Promise<void> => {
  await Promise.all([
    queries.invalidateQueries({ queryKey: ['upkeep', machine] }),
    queries.invalidateQueries({ queryKey: ['due'] }),
  ]);
};

/** A duty that the family does not have, for this machine. */
function AskMore({ machine, has }: { readonly machine: string; readonly has: readonly string[] }) {
  const plan = usePlan(machine);
  const others = DUTIES.filter(({ id }) => !has.includes(id));
  if (others.length === 0) return null;
  return (
    <Choice
      label="Ask something else of it"
      placeholder="Duty…"
      value={undefined}
      options={others.map(({ id, title }) => ({ value: id, label: title }))}
      onChange={(id) => plan.mutate({ duty: id, every: dutyWith(id)!.every })}
    />
  );
}

interface DoneProps {
  readonly machine: string;
  readonly duty: DutyOfMachine;
  readonly onClose: () => void;
}

/** It was done on a day, and came out well or not. */
function Done({ machine, duty: { duty }, onClose }: DoneProps) {
  const queries = useQueryClient();
  const [day, setDay] = useState(today);
  const [result, setResult] = useState<'good' | 'bad'>('good');
  const [words, setWords] = useState('');
  const record = useMutation({
    mutationFn: () =>
      http('POST /machines/:id/upkeep', { params: { id: machine }, body: { duty, day, result, words: words.trim() } }),
    onSuccess: async () => {
      await refreshed(queries, machine);
      onClose();
    },
  });
  return (
    <Dialog
      title={dutyWith(duty)?.title ?? duty}
      action="Write it down"
      busy={record.isPending}
      onAction={() => record.mutate()}
      onClose={onClose}
    >
      {record.error && <Notice kind="problem">{record.error.message}</Notice>}
      <Field label="Day" type="date" value={day} onChange={setDay} />
      <Words
        label="How it came out"
        value={result}
        options={[
          { id: 'good', title: 'Good' },
          { id: 'bad', title: 'It failed' },
        ]}
        onChange={setResult}
      />
      <Field label="What was read or seen" maxLength={500} value={words} onChange={setWords} />
      {result === 'bad' && (
        <Notice kind="danger">A safety that fails leaves the appliance off until it is mended and shown to act.</Notice>
      )}
    </Dialog>
  );
}
