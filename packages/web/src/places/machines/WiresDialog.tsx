import { Input } from 'antd';
import { useState } from 'react';
import { useMachineChange } from '../../api/change-machine';
import { http } from '../../api/http';
import type { Machine, Wires } from '@zetalysis/contract';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { useGuide } from '../../engine/use-guide';
import styles from './WiresDialog.module.css';

/** What the terminals of this very unit are called, and the colours of its wires, point by point of the drawing. */
export function WiresDialog({ machine, onClose }: { machine: Machine; onClose: () => void }) {
  const { drawing, problem } = useGuide(machine.profile, machine.build, 'us', undefined, {
    withGuide: false,
  });
  const [wires, setWires] = useState<Wires>(machine.wires ?? {});
  const save = useMachineChange(
    machine,
    () => {
      const named = Object.entries(wires).filter(([, w]) => w.terminal.trim() !== '' || w.colour.trim() !== '');
      return http('PUT /machines/:id/wires', { params: { id: machine.id }, body: Object.fromEntries(named) });
    },
    onClose,
  );
  const change = (net: string, field: 'terminal' | 'colour', value: string): void =>
    setWires({ ...wires, [net]: { ...(wires[net] ?? { terminal: '', colour: '' }), [field]: value } });
  const error = save.error?.message ?? problem;
  return (
    <Dialog
      title={`Wires of ${machine.label}`}
      onClose={onClose}
      action="Save"
      onAction={() => save.mutate(undefined)}
      busy={save.isPending}
      width={720}
    >
      <p>Name what differs from the drawing; leave the rest empty. The names may be typed on the call page too.</p>
      {error !== undefined && <Notice kind="problem">{error}</Notice>}
      {!drawing && error === undefined && <p>Reading the drawing…</p>}
      {drawing && (
        <div className={styles.table}>
          {Object.entries(drawing.points).map(([net, point]) => (
            <div key={net} className={styles.row}>
              <span>
                <strong>{net}</strong> <span className="fine">{point.reach}</span>
              </span>
              <Input
                aria-label={`Terminal of ${net}`}
                placeholder="terminal"
                maxLength={40}
                value={wires[net]?.terminal ?? ''}
                onChange={(e) => change(net, 'terminal', e.target.value)}
              />
              <Input
                aria-label={`Wire colour of ${net}`}
                placeholder="colour"
                maxLength={40}
                value={wires[net]?.colour ?? ''}
                onChange={(e) => change(net, 'colour', e.target.value)}
              />
            </div>
          ))}
        </div>
      )}
    </Dialog>
  );
}
