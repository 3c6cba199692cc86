import type { Machine, MachineCorrection } from '@zetalysis/contract';
import { Form, Input } from 'antd';
import { useMachineChange } from '../../api/change-machine';
import { http } from '../../api/http';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { namesOf } from './names';

const FIELDS = [
  { name: 'label', label: 'What you call it', most: 120, needed: true },
  { name: 'site', label: 'Site', most: 200, needed: true },
  { name: 'make', label: 'Make', most: 80, needed: false },
  { name: 'modelName', label: 'Model', most: 80, needed: false },
  { name: 'serial', label: 'Serial number', most: 80, needed: false },
] as const;

/** What the register says of a machine is corrected; its calls keep what they were opened with. */
export function CorrectDialog({ machine, onClose }: { machine: Machine; onClose: () => void }) {
  const [form] = Form.useForm<MachineCorrection>();
  const correct = useMachineChange(
    machine,
    (given: MachineCorrection) => http('PUT /machines/:id', { params: { id: machine.id }, body: namesOf(given) }),
    onClose,
  );
  return (
    <Dialog
      title={`Correct: ${machine.label}`}
      action="Save"
      onAction={() => form.submit()}
      busy={correct.isPending}
      onClose={onClose}
    >
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={machine}
        onFinish={(given: MachineCorrection) => correct.mutate(given)}
      >
        {FIELDS.map(({ name, label, most, needed }) => (
          <Form.Item
            key={name}
            name={name}
            label={label}
            rules={needed ? [{ required: true, whitespace: true, message: 'Fill this in.' }] : []}
          >
            <Input maxLength={most} />
          </Form.Item>
        ))}
        {correct.error && <Notice kind="problem">{correct.error.message}</Notice>}
      </Form>
    </Dialog>
  );
}
