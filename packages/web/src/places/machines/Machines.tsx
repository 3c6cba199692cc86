import { useState } from 'react';
import { Link } from 'react-router';
import { appliancesOf, buildWords } from '../../api/appliances';
import { useMachines, useProfiles } from '../../api/queries';
import type { Machine } from '@zetalysis/contract';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Pages } from '../../kit/Pages';
import { Search } from '../../kit/Search';
import { Waiting } from '../../kit/Waiting';
import { Words } from '../../kit/Words';
import { AddMachine } from './AddMachine';
import styles from './Machines.module.css';

/** Machines on one page. */
const SIZE = 25;

const SORTS = [
  { id: 'label', title: 'By name' },
  { id: 'site', title: 'By site' },
  { id: 'make', title: 'By make' },
] as const;

type Sort = (typeof SORTS)[number]['id'];

/** The register: what stands where, and which family it is of. */
export default function Machines() {
  const [search, setSearch] = useState('');
  const [page, setPage] = useState(1);
  const [sort, setSort] = useState<Sort>('label');
  const machines = useMachines({ search, page: String(page), size: String(SIZE), sort, order: 'up' });
  const profiles = useProfiles().data ?? [];
  const [adding, setAdding] = useState(false);
  const found = machines.data;
  return (
    <Page
      title="Machines"
      about={found && `${found.total} in the register`}
      tools={
        <Words
          asTabs
          label="In which order"
          options={SORTS}
          value={sort}
          onChange={(by) => {
            setSort(by);
            setPage(1);
          }}
        />
      }
      actions={
        <>
          <Search
            label="Search the machines"
            placeholder="Name, site, make, serial…"
            onSearch={(words) => {
              setSearch(words);
              setPage(1);
            }}
          />
          <Button tone="main" onClick={() => setAdding(true)}>
            Add a machine
          </Button>
        </>
      }
    >
      {machines.error && <Notice kind="problem">{machines.error.message}</Notice>}
      {machines.isPending && <Waiting>Reading the register…</Waiting>}
      {found?.total === 0 && (
        <Empty>{search === '' ? 'No machine is registered yet.' : 'No machine has these words.'}</Empty>
      )}
      <ul className={styles.machines} aria-label="Machines">
        {found?.machines.map((m) => (
          <li key={m.id}>
            <Link to={`/machines/${m.id}`}>
              <span>
                <b>{m.label}</b>
                {m.site}
              </span>
              <span>
                {m.make} {m.modelName}
                <small>{m.serial}</small>
              </span>
              <span>{buildWords(profiles, m)}</span>
              <small>{wiresWords(m)}</small>
            </Link>
          </li>
        ))}
      </ul>
      {found && <Pages page={page} size={SIZE} total={found.total} onPage={setPage} />}
      {adding && <AddMachine appliances={appliancesOf(profiles)} onClose={() => setAdding(false)} />}
    </Page>
  );
}

function wiresWords({ wires }: Machine): string {
  const named = Object.keys(wires ?? {}).length;
  return named === 0 ? '' : named === 1 ? '1 wire named' : `${named} wires named`;
}
