import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Colleague, Me } from '@zetalysis/contract';
import { can, type Grant, GRANTS } from '@zetalysis/core/rules';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';
import { AccountDialog } from './AccountDialog';
import { Audit } from './Audit';
import { OutAndIn } from './OutAndIn';
import { FirstPassword } from './FirstPassword';
import styles from './PeoplePage.module.css';
import { refreshed } from './refreshed';

/** Who works here, what each may do, and what was done to accounts and settings. */
export default function PeoplePage({ me }: { readonly me: Me }) {
  const people = useQuery({ queryKey: ['people'], queryFn: () => http('GET /people') });
  const [asked, setAsked] = useState<Colleague | 'new'>();
  const [told, setTold] = useState<{ name: string; password: string }>();
  const keeps = can(me, 'accounts') === '+';
  return (
    <Page
      title="People"
      actions={
        keeps && (
          <Button tone="main" onClick={() => setAsked('new')}>
            Open an account
          </Button>
        )
      }
      className={styles.people}
    >
      {people.error && <Notice kind="problem">{people.error.message}</Notice>}
      <Block title="Who works here" note={people.data?.length}>
        <Table<Colleague>
          label="People, scrolls sideways"
          rows={people.data ?? []}
          keyOf={(p) => p.id}
          loading={people.isPending}
          empty="Nobody."
          columns={[
            { title: 'Name', cell: (p) => <b>{p.fullName}</b> },
            { title: 'Signs in as', cell: (p) => p.name },
            { title: 'Role', cell: (p) => (p.disabled ? <Status tone="alarm">shut</Status> : p.role) },
            { title: 'Trained for', wide: true, cell: (p) => <Grants of={p} me={me} /> },
            {
              title: '',
              cell: (p) => keeps && <Button onClick={() => setAsked(p)}>Account…</Button>,
            },
          ]}
        />
      </Block>
      {can(me, 'tighten') === '+' && (
        <>
          <OutAndIn me={me} />
          <Audit />
        </>
      )}
      {asked !== undefined && (
        <AccountDialog
          of={asked === 'new' ? undefined : asked}
          me={me}
          onTold={setTold}
          onClose={() => setAsked(undefined)}
        />
      )}
      {told && <FirstPassword told={told} onClose={() => setTold(undefined)} />}
    </Page>
  );
}

/** What somebody was trained for: a tap gives or takes it, for whom that is. */
function Grants({ of, me }: { readonly of: Colleague; readonly me: Me }) {
  const queries = useQueryClient();
  const give = useMutation({
    mutationFn: (grants: Grant[]) => http('PUT /people/:id/grants', { params: { id: of.id }, body: { grants } }),
    onSuccess: () => refreshed(queries),
  });
  if (can(me, 'grants', { of }) !== '+') return of.grants.join(', ');
  return (
    <div className={styles.grants} role="group" aria-label={`What ${of.fullName} was trained for`}>
      {GRANTS.map((grant) => {
        const has = of.grants.includes(grant);
        return (
          <Button
            key={grant}
            tone="quiet"
            aria-pressed={has}
            disabled={give.isPending}
            onClick={() => give.mutate(has ? of.grants.filter((g) => g !== grant) : [...of.grants, grant])}
          >
            {has ? '✓ ' : '○ '}
            {grant}
          </Button>
        );
      })}
      {give.error && <p className="problem">{give.error.message}</p>}
    </div>
  );
}
