import { type Identity, mayBe } from '@zetalysis/core/profile';
import { Form, Input, Select } from 'antd';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { type Appliance, applianceKey, appliancesOf } from '../../api/appliances';
import { useMachine, useMachines, useProfiles } from '../../api/queries';
import type { Machine, Me } from '@zetalysis/contract';
import { Preview } from '../../diagrams/Preview';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Identify } from '../../kit/Identify';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import styles from './NewCall.module.css';
import { openCall } from './open-call';

interface Given {
  machine?: string;
  profile?: string;
  complaint: string;
}

/** Opens a call: the machine from the register, or only its family, and the complaint in the customer's words. */
export default function NewCall({ me }: { me: Me }) {
  const [search, setSearch] = useState('');
  const machines = useMachines({ search, size: '50' });
  // From the machine's own page one comes with it.
  const asked = useSearchParams()[0].get('machine') ?? undefined;
  const given = useMachine(asked);
  const [chose, setPicked] = useState<Machine>();
  const picked = chose ?? given.data;
  const profiles = useProfiles();
  const [problem, setProblem] = useState<string>();
  const [form] = Form.useForm<Given>();
  const machineId = Form.useWatch('machine', form);
  const family = Form.useWatch('profile', form);
  const navigate = useNavigate();
  const [answers, setAnswers] = useState<Identity>({});
  const candidates = appliancesOf(profiles.data ?? []);
  const left = candidates.filter((c) => mayBe(c.identity, answers));
  const chosen = ({ machine, profile }: Partial<Given>): Machine | Appliance | undefined =>
    (machine !== undefined && picked?.id === machine ? picked : undefined) ??
    candidates.find((c) => applianceKey(c) === profile);
  const shown =
    chosen({ machine: machineId, profile: family } as Given) ?? (Object.keys(answers).length > 0 ? left[0] : undefined);
  // As soon as the answers leave one family, it is taken; the plain family before its variants.
  const answer = (given: Identity): void => {
    setAnswers(given);
    const fitting = candidates.filter((c) => mayBe(c.identity, given));
    const families = new Set(fitting.map((c) => c.profile));
    form.setFieldValue('profile', families.size === 1 ? applianceKey(fitting[0]!) : undefined);
  };
  const open = async (given: Given): Promise<void> => {
    const appliance = chosen(given);
    const profile = profiles.data?.find((p) => p.id === appliance?.profile);
    if (!profile || !appliance) return setProblem('Choose the machine, or the family it belongs to.');
    try {
      const call = await openCall(me, {
        machine: given.machine,
        profile,
        build: appliance.build,
        complaint: given.complaint,
      });
      await navigate(`/calls/${call}`);
    } catch (error) {
      setProblem(
        `The call could not be kept on this device (${(error as Error).message}). Free some room and try again.`,
      );
    }
  };
  const error = profiles.error ?? machines.error ?? given.error;
  if (asked !== undefined && given.isPending) return <Waiting>One moment…</Waiting>;
  return (
    <Page title="Open a call" className={styles.opening}>
      {error && <Notice kind="problem">{error.message}</Notice>}
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={{ machine: given.data?.id }}
        onFinish={(v: Given) => void open(v)}
      >
        <MachineField
          found={machines.data?.machines ?? []}
          picked={picked}
          onSearch={setSearch}
          onPick={(id) => setPicked(machines.data?.machines.find((m) => m.id === id))}
        />
        {machineId === undefined && (
          <>
            <Block title="What stands there?" className={styles.identify}>
              <Identify candidates={candidates} answers={answers} onAnswer={answer} />
            </Block>
            <OneOf
              name="profile"
              label="The family it belongs to"
              options={(left.length > 0 ? left : candidates).map((c) => ({ value: applianceKey(c), label: c.title }))}
            />
          </>
        )}
        <Complaint />
        {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
        <Button tone="main" htmlType="submit" disabled={machines.isPending || profiles.isPending}>
          Open the call
        </Button>
      </Form>
      {shown !== undefined && <Preview profile={shown.profile} build={shown.build} />}
    </Page>
  );
}

const machineOption = (m: Machine) => ({ value: m.id, label: `${m.label} (${m.make} ${m.modelName})` });

interface MachineFieldProps {
  readonly found: readonly Machine[];
  readonly picked: Machine | undefined;
  readonly onSearch: (words: string) => void;
  readonly onPick: (id: string | undefined) => void;
}

/** A machine of the register, looked for by words where the register is. */
function MachineField({ found, picked, onSearch, onPick }: MachineFieldProps) {
  const shown = picked && !found.some((m) => m.id === picked.id) ? [picked, ...found] : found;
  return (
    <Form.Item name="machine" label="Machine from the register">
      <Select
        allowClear
        showSearch={{ filterOption: false, onSearch }}
        placeholder="Choose, or type to search…"
        options={shown.map(machineOption)}
        onChange={onPick}
      />
    </Form.Item>
  );
}

interface OneOfProps {
  readonly name: keyof Given;
  readonly label: string;
  readonly options: { value: string; label: string }[];
}

const OneOf = ({ name, label, options }: OneOfProps) => (
  <Form.Item name={name} label={label}>
    <Select allowClear showSearch={{ optionFilterProp: 'label' }} placeholder="Choose…" options={options} />
  </Form.Item>
);

const Complaint = () => (
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
);
