import { useQuery } from '@tanstack/react-query';
import { Alert, Button, Form, Input, Select } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { ENGINE_VERSION } from '@zetalysis/core/diagnosis';
import { deviceName } from '../../api/me';
import { http } from '../../api/http';
import type { Machine, Me, ProfileSummary } from '../../api/types';
import { AntTheme } from '../../app/AntTheme';
import { local } from '../../store/local';

interface Given {
  machine?: string;
  profile?: string;
  complaint: string;
}

/** Opens a call: the machine from the register, or only its family, and the complaint in the customer's words. */
export default function NewCall({ me }: { me: Me }) {
  const machines = useQuery({ queryKey: ['machines'], queryFn: () => http<Machine[]>('GET', '/machines') });
  const profiles = useQuery({ queryKey: ['profiles'], queryFn: () => http<ProfileSummary[]>('GET', '/profiles') });
  const [problem, setProblem] = useState<string>();
  const [form] = Form.useForm<Given>();
  const machineId = Form.useWatch('machine', form);
  const navigate = useNavigate();
  const families = (profiles.data ?? []).flatMap((p) => [
    { value: p.id, label: p.title },
    ...p.variants.map((v) => ({ value: `${p.id}|${v.id}`, label: `${p.title}: ${v.title}` })),
  ]);

  const open = async (given: Given) => {
    const machine = machines.data?.find((m) => m.id === given.machine);
    const [profileId, variant] = machine
      ? [machine.profile, machine.variant ?? undefined]
      : (given.profile ?? '').split('|');
    const profile = profiles.data?.find((p) => p.id === profileId);
    if (!profile) return setProblem('Choose the machine, or the family it belongs to.');
    const call = v7();
    await local.append({
      id: v7(),
      call,
      seq: 1,
      at: new Date().toISOString(),
      device: deviceName(),
      person: me.name,
      body: {
        type: 'opened',
        ...(machine ? { machine: machine.id } : {}),
        complaint: given.complaint.trim(),
        profile: profile.id,
        profileVersion: profile.version,
        ...(variant === undefined ? {} : { variant }),
        engineVersion: ENGINE_VERSION,
        settings: { units: me.units, settingsVersion: '1' },
      },
    });
    await navigate(`/calls/${call}`);
  };

  return (
    <AntTheme>
      <main className="page narrow">
        <h1>Open a call</h1>
        {(machines.error ?? profiles.error) && (
          <Alert type="warning" role="alert" title={(machines.error ?? profiles.error)!.message} className="spaced" />
        )}
        <Form form={form} layout="vertical" requiredMark={false} onFinish={(v: Given) => void open(v)}>
          <Form.Item name="machine" label="Machine from the register">
            <Select
              allowClear
              showSearch={{ optionFilterProp: 'label' }}
              placeholder="Choose…"
              options={(machines.data ?? []).map((m) => ({
                value: m.id,
                label: `${m.label} (${m.make} ${m.modelName})`,
              }))}
            />
          </Form.Item>
          {machineId === undefined && (
            <Form.Item name="profile" label="Or the family it belongs to">
              <Select placeholder="Choose…" options={families} />
            </Form.Item>
          )}
          <Form.Item
            name="complaint"
            label="Complaint, in the customer’s words"
            rules={[
              { required: true, whitespace: true, message: 'Write what the customer says.' },
              { max: 500, message: 'Keep it under 500 characters.' },
            ]}
          >
            <Input.TextArea rows={3} placeholder="No heat since last night…" />
          </Form.Item>
          {problem !== undefined && <Alert type="error" role="alert" title={problem} className="spaced" />}
          <Button type="primary" htmlType="submit" loading={machines.isPending || profiles.isPending}>
            Open the call
          </Button>
        </Form>
      </main>
    </AntTheme>
  );
}
