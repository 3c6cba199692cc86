import { Form, Input, Radio, Select } from 'antd';
import { useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { BreakRecord } from '@zetalysis/core/visit';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';

type Given = Omit<BreakRecord, 'advice'>;

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onRecord: (given: Given) => Promise<void>;
  readonly onClose: () => void;
}

/** Recording the break: what the engine would write, for a person to correct and confirm. */
export default function RecordBreak({ drawing, view, onRecord, onClose }: Props) {
  const [form] = Form.useForm<Given>();
  const [problem, setProblem] = useState<string>();
  const standing = Form.useWatch('standing', form);
  const save = async (given: Given): Promise<void> => {
    try {
      await onRecord({ ...given, cause: given.cause ?? '', action: given.action ?? '' });
      onClose();
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Dialog title="Record the break" action="Record" onAction={() => form.submit()} onClose={onClose}>
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={view.record ?? view.draft}
        onFinish={(v: Given) => void save(v)}
      >
        <Fields drawing={drawing} />
        {standing === 'proved' && view.standing !== 'proved' && (
          <Notice
            kind="caution"
            more="Proof is a test of the part itself: power in and no action, in but not out under load, a dead value out of limits with the part isolated, or cured by its repair."
          >
            The readings so far do not prove it
          </Notice>
        )}
        {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      </Form>
    </Dialog>
  );
}

const Fields = ({ drawing }: Pick<Props, 'drawing'>) => (
  <>
    <Form.Item
      name="part"
      label="Component that broke the sequence"
      rules={[{ required: true, message: 'Choose the component.' }]}
    >
      <Select
        showSearch={{ optionFilterProp: 'label' }}
        options={[
          { value: 'none', label: 'None: nothing is broken' },
          ...drawing.parts.map((p) => ({ value: p.id, label: p.title })),
        ]}
      />
    </Form.Item>
    <Form.Item
      name="failure"
      label="How it failed"
      rules={[{ required: true, whitespace: true, message: 'Write how it failed.' }]}
    >
      <Input maxLength={300} />
    </Form.Item>
    <Form.Item name="cause" label="Why: the cause">
      <Input maxLength={300} placeholder="What made it fail or open" />
    </Form.Item>
    <Form.Item name="action" label="What was done">
      <Input.TextArea rows={2} maxLength={1000} />
    </Form.Item>
    <Form.Item name="standing" label="Standing">
      <Radio.Group
        optionType="button"
        options={[
          { value: 'proved', label: 'Proved' },
          { value: 'suspected', label: 'Suspected' },
        ]}
      />
    </Form.Item>
  </>
);
