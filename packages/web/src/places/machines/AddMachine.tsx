import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { MachineCorrection } from '@zetalysis/contract';
import { buildEntry } from '@zetalysis/core/visit';
import { Form, Input, Select } from 'antd';
import { type Appliance, applianceKey } from '../../api/appliances';
import { http } from '../../api/http';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { namesOf } from './names';

type Given = MachineCorrection & { readonly appliance: string };

/** What is not known yet. */
const UNREAD = { make: '', modelName: '', serial: '' };

/** A new machine in the register. */
export function AddMachine({ appliances, onClose }: { appliances: readonly Appliance[]; onClose: () => void }) {
  const [form] = Form.useForm<Given>();
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: ({ appliance, ...given }: Given) => {
      const { profile, build } = appliances.find((a) => applianceKey(a) === appliance)!;
      return http('POST /machines', {
        body: { ...namesOf(given), profile, build: buildEntry(build) },
      });
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['machines'] });
      onClose();
    },
  });
  const needed = { required: true, whitespace: true, message: 'Fill this in.' };
  return (
    <Dialog title="Add a machine" onClose={onClose} action="Add" onAction={() => form.submit()} busy={add.isPending}>
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={UNREAD}
        onFinish={(v: Given) => add.mutate(v)}
      >
        <Form.Item name="label" label="What you call it" rules={[needed]}>
          <Input maxLength={120} />
        </Form.Item>
        <Form.Item name="site" label="Site" rules={[needed]}>
          <Input maxLength={200} />
        </Form.Item>
        <Form.Item name="appliance" label="Family" rules={[needed]}>
          <Select
            showSearch={{ optionFilterProp: 'label' }}
            options={appliances.map((a) => ({ value: applianceKey(a), label: a.title }))}
          />
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
        {add.error && <Notice kind="problem">{add.error.message}</Notice>}
      </Form>
    </Dialog>
  );
}
