import { ENGINE_VERSION } from '@zetalysis/core/diagnosis';
import { type Identity, mayBe } from '@zetalysis/core/profile';
import { buildEntry } from '@zetalysis/core/visit';
import { Button, Form, Input, Select } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { deviceName } from '../../api/me';
import { applianceKey, appliancesOf } from '../../api/appliances';
import { useMachines, useProfiles } from '../../api/queries';
import type { Me } from '@zetalysis/contract';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import '../../theme/call-extra.css';
import { local } from '../../store/local';
import { Identify } from './Identify';
import { Preview } from '../../diagrams/Preview';

interface Given {
  machine?: string;
  profile?: string;
  complaint: string;
}

/** Opens a call: the machine from the register, or only its family, and the complaint in the customer's words. */
export default function NewCall({ me }: { me: Me }) {
  const machines = useMachines();
  const profiles = useProfiles();
  const [problem, setProblem] = useState<string>();
  const [form] = Form.useForm<Given>();
  const machineId = Form.useWatch('machine', form);
  const navigate = useNavigate();
  const [answers, setAnswers] = useState<Identity>({});
  const candidates = appliancesOf(profiles.data ?? []);
  const left = candidates.filter((c) => mayBe(c.identity, answers));
  const chosen = Form.useWatch('profile', form);
  const machine = machines.data?.find((m) => m.id === machineId);
  const shown =
    machine ??
    candidates.find((c) => applianceKey(c) === chosen) ??
    (Object.keys(answers).length > 0 ? left[0] : undefined);
  // As soon as the answers leave one family, it is taken; the plain family before its variants.
  const answer = (given: Identity): void => {
    setAnswers(given);
    const fitting = candidates.filter((c) => mayBe(c.identity, given));
    const families = new Set(fitting.map((c) => c.profile));
    form.setFieldValue('profile', families.size === 1 ? applianceKey(fitting[0]!) : undefined);
  };

  const open = async (given: Given) => {
    const machine = machines.data?.find((m) => m.id === given.machine);
    const appliance = machine ?? candidates.find((c) => applianceKey(c) === given.profile);
    const profile = profiles.data?.find((p) => p.id === appliance?.profile);
    if (!profile || !appliance) return setProblem('Choose the machine, or the family it belongs to.');
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
        build: buildEntry(appliance.build),
        engineVersion: ENGINE_VERSION,
        settings: { units: me.units, settingsVersion: '1' },
      },
    });
    await navigate(`/calls/${call}`);
  };

  return (
    <Page title="Open a call" className="new-call">
      {(machines.error ?? profiles.error) && (
        <Notice kind="problem">{(machines.error ?? profiles.error)!.message}</Notice>
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
          <>
            <Identify candidates={candidates} answers={answers} onAnswer={answer} />
            <Form.Item name="profile" label="The family it belongs to">
              <Select
                showSearch={{ optionFilterProp: 'label' }}
                placeholder="Choose…"
                options={(left.length > 0 ? left : candidates).map((c) => ({
                  value: applianceKey(c),
                  label: c.title,
                }))}
              />
            </Form.Item>
          </>
        )}
        <Form.Item
          name="complaint"
          label="Complaint, in the customer’s words"
          rules={[
            { required: true, whitespace: true, message: 'Write what the customer says.' },
            { max: 500, message: 'Keep it under 500 characters.' },
          ]}
        >
          <Input.TextArea rows={2} placeholder="No heat since last night…" />
        </Form.Item>
        {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
        <Button type="primary" htmlType="submit" disabled={machines.isPending || profiles.isPending}>
          Open the call
        </Button>
      </Form>
      {shown !== undefined && <Preview profile={shown.profile} build={shown.build} />}
    </Page>
  );
}
