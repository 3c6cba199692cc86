import { Button, Table } from 'antd';
import { useState } from 'react';
import { appliancesOf, buildWords } from '../../api/appliances';
import { useMachines, useProfiles } from '../../api/queries';
import type { Machine } from '@zetalysis/contract';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
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
        <Button type="primary" onClick={() => setAdding(true)}>
          Add a machine
        </Button>
      }
    >
      {machines.error && <Notice kind="problem">{machines.error.message}</Notice>}
      <Table<Machine>
        rowKey="id"
        loading={machines.isPending}
        dataSource={machines.data ?? []}
        pagination={false}
        columns={[
          { title: 'Machine', dataIndex: 'label' },
          { title: 'Site', dataIndex: 'site' },
          { title: 'Make and model', render: (_, m) => `${m.make} ${m.modelName}` },
          { title: 'Serial', dataIndex: 'serial' },
          { title: 'Family', render: (_, m) => buildWords(profiles.data ?? [], m) },
          { title: 'Build', render: (_, m) => <Button onClick={() => setBuilt(m)}>Change</Button> },
          {
            title: 'Wires',
            render: (_, m) => (
              <Button onClick={() => setWired(m)}>
                {m.wires && Object.keys(m.wires).length > 0 ? `${Object.keys(m.wires).length} named` : 'Name them'}
              </Button>
            ),
          },
        ]}
      />
      {built && <BuildDialog machine={built} onClose={() => setBuilt(undefined)} />}
      {wired && <WiresDialog machine={wired} onClose={() => setWired(undefined)} />}
      {adding && <AddMachine appliances={appliances} onClose={() => setAdding(false)} />}
    </Page>
  );
}
