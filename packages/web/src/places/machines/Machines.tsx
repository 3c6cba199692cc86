import { useState } from 'react';
import { appliancesOf, buildWords } from '../../api/appliances';
import { useMachines, useProfiles } from '../../api/queries';
import type { Machine } from '@zetalysis/contract';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Search } from '../../kit/Search';
import { type Part, Table } from '../../kit/Table';
import { AddMachine } from './AddMachine';
import { BuildDialog } from './BuildDialog';
import { CorrectDialog } from './CorrectDialog';
import { ContactDialog } from './ContactDialog';
import { WiresDialog } from './WiresDialog';

/** Machines on one page. */
const SIZE = 25;

/** The register: what stands where, and which profile it runs on. */
export default function Machines() {
  const [search, setSearch] = useState('');
  const [part, setPart] = useState<Part>({ page: 1, sort: 'label', order: 'up' });
  const machines = useMachines({
    search,
    page: String(part.page),
    size: String(SIZE),
    sort: part.sort as 'label' | 'site' | 'make',
    order: part.order,
  });
  const profiles = useProfiles();
  const appliances = appliancesOf(profiles.data ?? []);
  const [adding, setAdding] = useState(false);
  const [wired, setWired] = useState<Machine>();
  const [owned, setOwned] = useState<Machine>();
  const [corrected, setCorrected] = useState<Machine>();
  const [built, setBuilt] = useState<Machine>();
  return (
    <Page
      title="Machines"
      actions={
        <Button tone="main" onClick={() => setAdding(true)}>
          Add a machine
        </Button>
      }
    >
      {machines.error && <Notice kind="problem">{machines.error.message}</Notice>}
      <Search
        label="Search the machines"
        placeholder="Name, site, make, serial…"
        onSearch={(words) => {
          setSearch(words);
          setPart({ ...part, page: 1 });
        }}
      />
      <Table
        label="Machines, scrolls sideways"
        rows={machines.data?.machines ?? []}
        keyOf={(m) => m.id}
        loading={machines.isPending}
        empty={search === '' ? 'No machine is registered yet.' : 'No machine has these words.'}
        paged={{ part, size: SIZE, total: machines.data?.total ?? 0, onPart: setPart }}
        columns={[
          { title: 'Machine', sort: 'label', cell: (m) => m.label },
          { title: 'Site', sort: 'site', cell: (m) => m.site },
          { title: 'Make and model', sort: 'make', cell: (m) => `${m.make} ${m.modelName}` },
          { title: 'Serial', cell: (m) => m.serial },
          { title: 'Family', cell: (m) => buildWords(profiles.data ?? [], m) },
          { title: 'Entry', cell: (m) => <Button onClick={() => setCorrected(m)}>Correct</Button> },
          { title: 'Build', cell: (m) => <Button onClick={() => setBuilt(m)}>Change</Button> },
          { title: 'Customer', cell: (m) => <Button onClick={() => setOwned(m)}>Show</Button> },
          { title: 'Wires', cell: (m) => <Button onClick={() => setWired(m)}>{wiresWords(m)}</Button> },
        ]}
      />
      {corrected && <CorrectDialog machine={corrected} onClose={() => setCorrected(undefined)} />}
      {built && <BuildDialog machine={built} onClose={() => setBuilt(undefined)} />}
      {owned && <ContactDialog machine={owned} onClose={() => setOwned(undefined)} />}
      {wired && <WiresDialog machine={wired} onClose={() => setWired(undefined)} />}
      {adding && <AddMachine appliances={appliances} onClose={() => setAdding(false)} />}
    </Page>
  );
}

function wiresWords({ wires }: Machine): string {
  const named = Object.keys(wires ?? {}).length;
  return named === 0 ? 'Name them' : `${named} named`;
}
