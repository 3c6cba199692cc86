import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Colleague, Me, NewAccount } from '@zetalysis/contract';
import { ROLES } from '@zetalysis/core/rules';
import { http } from '../../api/http';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import styles from './PeoplePage.module.css';
import { refreshed } from './refreshed';

interface Props {
  /** Whose account it is; nothing for a new one. */
  readonly of: Colleague | undefined;
  readonly me: Me;
  readonly onTold: (told: { name: string; password: string }) => void;
  readonly onClose: () => void;
}

const day = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
const NEW: NewAccount = { name: '', fullName: '', role: 'technician', units: 'us' };

/** One account: what it is called, who they are, a new password, where they are signed in, and that it is shut. */
export function AccountDialog({ of, me, onTold, onClose }: Props) {
  const queries = useQueryClient();
  const [given, setGiven] = useState<NewAccount>({
    ...NEW,
    ...(of && { name: of.name, fullName: of.fullName, role: of.role }),
  });
  const [problem, setProblem] = useState<string>();
  const refresh = (): Promise<void> => refreshed(queries);
  const keep = useMutation({
    mutationFn: async () => {
      const { fullName, role, units } = given;
      if (of) return void (await http('PUT /people/:id', { params: { id: of.id }, body: { fullName, role, units } }));
      const { person, password } = await http('POST /people', { body: given });
      onTold({ name: person.name, password });
    },
    onSuccess: async () => {
      await refresh();
      onClose();
    },
  });
  const submit = (): void => {
    if (given.fullName.trim() === '') return setProblem('Write what they are called.');
    if (!of && !/^[a-z][a-z0-9.-]{0,59}$/.test(given.name))
      return setProblem('They sign in with small letters, digits, dots and dashes, beginning with a letter.');
    setProblem(undefined);
    keep.mutate();
  };
  const error = keep.error?.message ?? problem;
  return (
    <Dialog
      title={of ? `Account of ${of.fullName}` : 'Open an account'}
      action={of ? 'Keep it' : 'Open it'}
      busy={keep.isPending}
      onAction={submit}
      onClose={onClose}
    >
      {error !== undefined && <Notice kind="problem">{error}</Notice>}
      {!of && (
        <Field
          label="Signs in as"
          maxLength={60}
          value={given.name}
          onChange={(name) => setGiven({ ...given, name })}
        />
      )}
      <Field
        label="Full name"
        maxLength={120}
        value={given.fullName}
        onChange={(fullName) => setGiven({ ...given, fullName })}
      />
      <Choice
        label="Role"
        value={given.role}
        options={ROLES.map((role) => ({ value: role, label: role }))}
        onChange={(role) => setGiven({ ...given, role })}
      />
      <Choice
        label="Reads in"
        value={given.units}
        options={[
          { value: 'us', label: 'US units' },
          { value: 'si', label: 'SI units' },
        ]}
        onChange={(units) => setGiven({ ...given, units })}
      />
      {of && <Existing of={of} me={me} onTold={onTold} onClose={onClose} />}
    </Dialog>
  );
}

function Existing({ of, me, onTold, onClose }: Props & { readonly of: Colleague }) {
  const queries = useQueryClient();
  const { id } = of;
  const sessions = useQuery({
    queryKey: ['sessions', id],
    queryFn: () => http('GET /people/:id/sessions', { params: { id } }),
    gcTime: 0,
  });
  const done = async (): Promise<void> => {
    await refreshed(queries);
    onClose();
  };
  const reset = useMutation({
    mutationFn: () => http('POST /people/:id/password', { params: { id } }),
    onSuccess: async ({ person, password }) => {
      onTold({ name: person.name, password });
      await done();
    },
  });
  const disable = useMutation({
    mutationFn: () => http('PUT /people/:id/disabled', { params: { id }, body: { disabled: !of.disabled } }),
    onSuccess: done,
  });
  const end = useMutation({
    mutationFn: () => http('DELETE /people/:id/sessions', { params: { id } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['sessions', id] }),
  });
  const error = reset.error ?? disable.error ?? end.error ?? sessions.error;
  return (
    <>
      {error && <Notice kind="problem">{error.message}</Notice>}
      <ul className={styles.sessions}>
        {(sessions.data ?? []).map((s) => (
          <li key={s.id}>
            Signed in {day.format(new Date(s.startedAt))} <small>{s.from.slice(0, 60)}</small>
          </li>
        ))}
      </ul>
      <div className={styles.does}>
        {(sessions.data ?? []).length > 0 && of.id !== me.id && (
          <Button onClick={() => end.mutate()}>End their sessions</Button>
        )}
        <Button loading={reset.isPending} onClick={() => reset.mutate()}>
          Give a new password
        </Button>
        {of.id !== me.id && (
          <Button tone={of.disabled ? 'plain' : 'alarm'} loading={disable.isPending} onClick={() => disable.mutate()}>
            {of.disabled ? 'Open the account again' : 'Shut the account'}
          </Button>
        )}
      </div>
    </>
  );
}
