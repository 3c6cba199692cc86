import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Checkbox, Form, Input, Select } from 'antd';
import type { Instrument, NewInstrument } from '@zetalysis/contract';
import {
  classWords,
  INSTRUMENT_KINDS,
  type InstrumentKind,
  MEASURED_BY,
  readClass,
  usualClass,
} from '@zetalysis/core/instruments';
import type { InstrumentOfABag } from '@zetalysis/core/bench';
import { capital, parseReading } from '@zetalysis/core/units';
import { http } from '../../api/http';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';

/** What is measured, in words. */
export const MEASURES: Readonly<Record<InstrumentOfABag, string>> = {
  ohms: 'ohms',
  'volts-ac': 'volts AC',
  'volts-dc': 'volts DC',
  millivolts: 'millivolts',
  microamps: 'microamps',
  clamp: 'amps',
  capacitance: 'microfarads',
  manometer: 'pressure',
  thermometer: 'temperature',
  stopwatch: 'time',
};

/** What is typed into the form. */
interface Given {
  readonly kind: InstrumentKind;
  readonly title: string;
  readonly serial: string;
  readonly classes: Partial<Record<InstrumentOfABag, string>>;
  readonly calibrated: string;
  readonly due: string;
  readonly leadZero: string;
  readonly retired: boolean;
}

const NEW: Given = {
  kind: 'multimeter',
  title: '',
  serial: '',
  classes: {},
  calibrated: '',
  due: '',
  leadZero: '',
  retired: false,
};

const asTyped = (i: Instrument): Given => ({
  ...i,
  classes: Object.fromEntries(
    MEASURED_BY[i.kind].flatMap((m) => (i.classes[m] ? [[m, classWords(i.classes[m])]] : [])),
  ),
  calibrated: i.calibrated ?? '',
  due: i.due ?? '',
  leadZero: i.leadZero === null ? '' : String(i.leadZero),
});

const orNull = (typed: string): string | null => (typed.trim() === '' ? null : typed.trim());

/** What goes to the server; everything in it was checked by the form. */
function written({ kind, title, serial, classes, calibrated, due, leadZero, retired }: Given): NewInstrument {
  const own = MEASURED_BY[kind].flatMap((m) => {
    const typed = classes[m]?.trim() ?? '';
    const read = typed === '' ? undefined : readClass(typed);
    return read?.ok ? [[m, read.value] as const] : [];
  });
  const leads = parseReading(leadZero, 'resistance');
  return {
    kind,
    title: title.trim(),
    serial: serial.trim(),
    classes: Object.fromEntries(own),
    calibrated: orNull(calibrated),
    due: orNull(due),
    leadZero: kind === 'multimeter' && leads.ok && leads.value.kind === 'value' ? leads.value.value : null,
    retired,
  };
}

interface Props {
  /** The one that is corrected; a new one where there is none. */
  readonly instrument: Instrument | undefined;
  readonly onClose: () => void;
}

/** An instrument is written down, or what is written of it is corrected. */
export function WriteDown({ instrument, onClose }: Props) {
  const [form] = Form.useForm<Given>();
  const kind = Form.useWatch('kind', form) ?? instrument?.kind ?? 'multimeter';
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: (given: Given) => {
      const body = written(given);
      return instrument
        ? http('PUT /instruments/:id', { params: { id: instrument.id }, body })
        : http('POST /instruments', { body });
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['instruments'] });
      onClose();
    },
  });
  const needed = { required: true, whitespace: true, message: 'Fill this in.' };
  const checked = (check: (typed: string) => string | undefined) => ({
    validator: (_: unknown, typed = '') => {
      const wrong = (typed as string).trim() === '' ? undefined : check(typed as string);
      return wrong === undefined ? Promise.resolve() : Promise.reject(new Error(wrong));
    },
  });
  const day = checked((typed) =>
    /^\d{4}-\d\d-\d\d$/.test(typed.trim()) && !Number.isNaN(Date.parse(typed.trim()))
      ? undefined
      : 'Type the day as 2026-11-30.',
  );
  const asClass = checked((typed) => {
    const read = readClass(typed);
    return read.ok ? undefined : read.message;
  });
  const leads = checked((typed) => {
    const read = parseReading(typed, 'resistance');
    if (!read.ok) return read.message;
    return read.value.kind === 'value' && read.value.value >= 0 && read.value.value <= 20
      ? undefined
      : 'The tips together: 0 to 20 ohms.';
  });
  return (
    <Dialog
      title={instrument ? `Correct: ${instrument.title}` : 'Write an instrument down'}
      action="Save"
      onAction={() => form.submit()}
      busy={keep.isPending}
      onClose={onClose}
    >
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={instrument ? asTyped(instrument) : NEW}
        onFinish={() => keep.mutate({ ...NEW, ...(form.getFieldsValue(true) as Given) })}
      >
        <Form.Item name="kind" label="Kind">
          <Select options={INSTRUMENT_KINDS.map((k) => ({ value: k, label: capital(k) }))} />
        </Form.Item>
        <Form.Item name="title" label="What you call it" rules={[needed]}>
          <Input maxLength={80} />
        </Form.Item>
        <Form.Item name="serial" label="Serial number" rules={[needed]}>
          <Input maxLength={80} />
        </Form.Item>
        {MEASURED_BY[kind].map((m) => (
          <Form.Item key={m} name={['classes', m]} label={`Class, ${MEASURES[m]}`} rules={[asClass]}>
            <Input maxLength={20} placeholder={`${classWords(usualClass(m))} as a usual one`} />
          </Form.Item>
        ))}
        {kind === 'multimeter' && (
          <Form.Item name="leadZero" label="Tips together, ohms" rules={[leads]}>
            <Input maxLength={20} placeholder="0.3" />
          </Form.Item>
        )}
        <Form.Item name="calibrated" label="Calibrated on" rules={[day]}>
          <Input maxLength={10} placeholder="2026-03-14" />
        </Form.Item>
        <Form.Item name="due" label="To be calibrated again" rules={[day]}>
          <Input maxLength={10} placeholder="2027-03-14" />
        </Form.Item>
        <Form.Item name="retired" valuePropName="checked">
          <Checkbox>Not used any more</Checkbox>
        </Form.Item>
        {keep.error && <Notice kind="problem">{keep.error.message}</Notice>}
      </Form>
    </Dialog>
  );
}
