import { useState } from 'react';
import { appliancesOf, buildWords } from '../../api/appliances';
import { useMachines, useProfiles } from '../../api/queries';
import type { Machine } from '@zetalysis/contract';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Table } from '../../kit/Table';
import { AddMachine } from './AddMachine';
import { BuildDialog } from './BuildDialog';
import { WiresDialog } from './WiresDialog';

/** The register: what stands where, and which profile it runs on. */
export default function Machines() {
  const machines = useMachines();
  const profiles = useProfiles();
  const appliances = appliancesOf(profiles.data ?? []);
  const [adding, setAdding] = useState(false);
  const [wired, setWired] = useState<Machine>();
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
      <Table
        label="Machines, scrolls sideways"
        rows={machines.data ?? []}
        keyOf={(m) => m.id}
        loading={machines.isPending}
        empty="No machine is registered yet."
        columns={[
          { title: 'Machine', cell: (m) => m.label },
          { title: 'Site', cell: (m) => m.site },
          { title: 'Make and model', cell: (m) => `${m.make} ${m.modelName}` },
          { title: 'Serial', cell: (m) => m.serial },
          { title: 'Family', cell: (m) => buildWords(profiles.data ?? [], m) },
          { title: 'Build', cell: (m) => <Button onClick={() => setBuilt(m)}>Change</Button> },
          { title: 'Wires', cell: (m) => <Button onClick={() => setWired(m)}>{wiresWords(m)}</Button> },
        ]}
      />
      {built && <BuildDialog machine={built} onClose={() => setBuilt(undefined)} />}
      {wired && <WiresDialog machine={wired} onClose={() => setWired(undefined)} />}
      {adding && <AddMachine appliances={appliances} onClose={() => setAdding(false)} />}
    </Page>
  );
}

function wiresWords({ wires }: Machine): string {
  const named = Object.keys(wires ?? {}).length;
  return named === 0 ? 'Name them' : `${named} named`;
}
