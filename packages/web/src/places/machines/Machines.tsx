import { buildEntry } from '@zetalysis/core/visit';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Alert, Button, Form, Input, Modal, Select, Table } from 'antd';
import { useState } from 'react';
import { http } from '../../api/http';
import { applianceKey, appliancesOf, buildWords } from '../../api/appliances';
import { useMachines, useProfiles } from '../../api/queries';
import type { Machine, NewMachine } from '@zetalysis/contract';
import { AntTheme } from '../../app/AntTheme';
import { BuildDialog } from './BuildDialog';
import { WiresDialog } from './WiresDialog';

type Given = Pick<NewMachine, 'label' | 'site'> &
  Partial<Pick<NewMachine, 'make' | 'modelName' | 'serial'>> & { readonly appliance: string };

/** The register: what stands where, and which profile it runs on. */
export default function Machines() {
  const machines = useMachines();
  const profiles = useProfiles();
  const appliances = appliancesOf(profiles.data ?? []);
  const [adding, setAdding] = useState(false);
  const [wired, setWired] = useState<Machine>();
  const [built, setBuilt] = useState<Machine>();
  const [form] = Form.useForm<Given>();
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: ({ appliance, ...rest }: Given) => {
      const { profile, build } = appliances.find((a) => applianceKey(a) === appliance)!;
      return http('POST /machines', {
        body: { make: '', modelName: '', serial: '', ...rest, profile, build: buildEntry(build) },
      });
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['machines'] });
      form.resetFields();
      setAdding(false);
    },
  });
  const needed = { required: true, whitespace: true, message: 'Fill this in.' };
  return (
    <AntTheme>
      <main className="page">
        <div className="page-head">
          <h1>Machines</h1>
          <Button type="primary" onClick={() => setAdding(true)}>
            Add a machine
          </Button>
        </div>
        {machines.error && <Alert type="warning" role="alert" title={machines.error.message} className="spaced" />}
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
        <Modal
          title="Add a machine"
          open={adding}
          onCancel={() => setAdding(false)}
          onOk={() => form.submit()}
          okText="Add"
          confirmLoading={add.isPending}
        >
          <Form form={form} layout="vertical" requiredMark={false} onFinish={(v: Given) => add.mutate(v)}>
            <Form.Item name="label" label="What you call it" rules={[needed]}>
              <Input maxLength={120} />
            </Form.Item>
            <Form.Item name="site" label="Site" rules={[needed]}>
              <Input maxLength={200} />
            </Form.Item>
            <Form.Item name="appliance" label="Family" rules={[needed]}>
              <Select options={appliances.map((a) => ({ value: applianceKey(a), label: a.title }))} />
            </Form.Item>
            <Form.Item name="make" label="Make">
              <Input maxLength={80} />
            </Form.Item>
            <Form.Item name="modelName" label="Model">
              <Input maxLength={80} />
            </Form.Item>
            <Form.Item name="serial" label="Serial number">
              <Input maxLength={80} />
            </Form.Item>
            {add.error && <Alert type="error" role="alert" title={add.error.message} />}
          </Form>
        </Modal>
      </main>
    </AntTheme>
  );
}
