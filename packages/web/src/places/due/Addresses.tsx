import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { OpenAddress } from '@zetalysis/contract';
import { http } from '../../api/http';
import { useMachines } from '../../api/queries';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import styles from './Addresses.module.css';

const day = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', year: 'numeric' });
const KINDS = { calendar: 'Calendar', caretaker: 'Caretaker' } as const;

/** Addresses that need no account: calendars that fetch what is due, and a caretaker's form for the weekly test. */
export function Addresses({ onClose }: { readonly onClose: () => void }) {
  const queries = useQueryClient();
  const addresses = useQuery({ queryKey: ['addresses'], queryFn: () => http('GET /addresses'), gcTime: 0 });
  const revoke = useMutation({
    mutationFn: ({ id }: OpenAddress) => http('DELETE /addresses/:id', { params: { id } }),
    onSettled: () => queries.invalidateQueries({ queryKey: ['addresses'] }),
  });
  const error = revoke.error ?? addresses.error;
  const there = (addresses.data ?? []).filter((a) => a.revoked === null);
  return (
    <Dialog title="Calendars and caretakers" onClose={onClose} width={720}>
      {error && <Notice kind="problem">{error.message}</Notice>}
      <p>Whoever has such an address needs no account. It is shown once; take it back when somebody leaves.</p>
      <Give />
      <ul className={styles.list}>
        {there.map((a) => (
          <li key={a.id}>
            <span>
              <b>{KINDS[a.kind]}</b> {a.label}
              <small>
                {' '}
                {a.by}, {day.format(new Date(a.at))}
              </small>
            </span>
            <Button onClick={() => revoke.mutate(a)}>Take it back</Button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}

function Give() {
  const queries = useQueryClient();
  const [kind, setKind] = useState<OpenAddress['kind']>('calendar');
  const [label, setLabel] = useState('');
  const [machine, setMachine] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const machines = useMachines({ size: '100' });
  const give = useMutation({
    mutationFn: () => http('POST /addresses', { body: { kind, label: label.trim(), machine: machine ?? null } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['addresses'] }),
  });
  const submit = (e: React.FormEvent): void => {
    e.preventDefault();
    if (label.trim() === '') return setProblem('Write whose it is.');
    setProblem(undefined);
    give.mutate();
  };
  return (
    <form className={styles.give} onSubmit={submit}>
      <Choice
        label="What for"
        value={kind}
        options={[
          { value: 'calendar', label: 'A calendar' },
          { value: 'caretaker', label: 'A caretaker’s weekly test' },
        ]}
        onChange={setKind}
      />
      <Choice
        label="Machine"
        placeholder={kind === 'calendar' ? 'All machines' : 'Choose…'}
        value={machine}
        options={(machines.data?.machines ?? []).map((m) => ({ value: m.id, label: `${m.label}, ${m.site}` }))}
        onChange={setMachine}
      />
      <Field label="Whose" maxLength={120} value={label} problem={problem} onChange={setLabel} />
      <Button htmlType="submit" loading={give.isPending}>
        Give an address
      </Button>
      {give.error && <Notice kind="problem">{give.error.message}</Notice>}
      {give.data && (
        <p role="status" className={styles.secret}>
          Copy it now: <code>{addressOf(give.data)}</code>
        </p>
      )}
    </form>
  );
}

const addressOf = ({ kind, secret }: { readonly kind: OpenAddress['kind']; readonly secret: string }): string =>
  kind === 'calendar' ? `${location.origin}/api/calendar/${secret}.ics` : `${location.origin}/caretaker/${secret}`;
