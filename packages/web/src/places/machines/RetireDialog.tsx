import type { Machine } from '@zetalysis/contract';
import { useState } from 'react';
import { useMachineChange } from '../../api/change-machine';
import { http } from '../../api/http';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';

/** A machine that is there no longer stands in no list; its calls stay, and it can be brought back. */
export function RetireDialog({ machine, onClose }: { readonly machine: Machine; readonly onClose: () => void }) {
  const [why, setWhy] = useState('');
  const retire = useMachineChange(
    machine,
    (retired: string | null) => http('PUT /machines/:id/retired', { params: { id: machine.id }, body: { retired } }),
    onClose,
  );
  const back = machine.retired !== null;
  return (
    <Dialog
      title={back ? `Bring back: ${machine.label}` : `Retire: ${machine.label}`}
      onClose={onClose}
      action={back ? 'Bring it back' : 'Retire'}
      ready={back || why.trim() !== ''}
      onAction={() => retire.mutate(back ? null : why.trim())}
      busy={retire.isPending}
    >
      {back ? (
        <p>It stands in the register again, with everything it had.</p>
      ) : (
        <>
          <Field
            label="Why it is there no longer"
            placeholder="replaced in October, scrapped"
            maxLength={200}
            value={why}
            onChange={setWhy}
          />
          <p className="fine">
            It goes from every list. Its page, its calls and its readings stay, and it can be brought back.
          </p>
        </>
      )}
      {retire.error && <Notice kind="problem">{retire.error.message}</Notice>}
    </Dialog>
  );
}
