import type { Machine } from '@zetalysis/contract';
import { useState } from 'react';
import { useMachineChange } from '../../api/change-machine';
import { http } from '../../api/http';
import { useMachines } from '../../api/queries';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { Search } from '../../kit/Search';

/** As many as are offered; who looks for another one types a word more. */
const OFFERED = '25';

/** A machine that was entered twice: its calls are counted with the other one, until that is taken back. */
export function MergeDialog({ machine, onClose }: { readonly machine: Machine; readonly onClose: () => void }) {
  const [search, setSearch] = useState('');
  const [into, setInto] = useState<string>();
  const found = useMachines({ search, size: OFFERED });
  const others = (found.data?.machines ?? []).filter((m) => m.id !== machine.id && m.profile === machine.profile);
  const merged = machine.mergedInto !== null;
  const merge = useMachineChange(
    machine,
    (other: string | null) => http('PUT /machines/:id/merged', { params: { id: machine.id }, body: { into: other } }),
    onClose,
  );
  return (
    <Dialog
      title={merged ? `Not the same after all: ${machine.label}` : `Entered twice: ${machine.label}`}
      onClose={onClose}
      action={merged ? 'Take it apart' : 'Merge'}
      ready={merged || into !== undefined}
      onAction={() => merge.mutate(merged ? null : into!)}
      busy={merge.isPending}
    >
      {merged ? (
        <p>It stands in the register by itself again, with its own calls.</p>
      ) : (
        <>
          <Search label="Search the other one" placeholder="Name, site, serial…" onSearch={setSearch} />
          <Choice
            label="The one that stays"
            value={into}
            placeholder={others.length === 0 ? 'None of this family found' : 'Choose…'}
            options={others.map((m) => ({ value: m.id, label: `${m.label}, ${m.site}` }))}
            onChange={setInto}
          />
          <p className="fine">
            Its calls and readings are counted with the one that stays. Nothing is lost, and it can be taken apart
            again.
          </p>
        </>
      )}
      {(merge.error ?? found.error) && <Notice kind="problem">{(merge.error ?? found.error)!.message}</Notice>}
    </Dialog>
  );
}
