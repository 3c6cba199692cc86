import type { Machine } from '@zetalysis/contract';
import { SHEET, SHEET_IDS, type Sheet, sheetProblems } from '@zetalysis/core/history';
import { useState } from 'react';
import { useMachineChange } from '../../api/change-machine';
import { http } from '../../api/http';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import styles from './SheetDialog.module.css';

/** The plate of a machine, how it stands, and what is normal on this one. */
export function SheetDialog({ machine, onClose }: { readonly machine: Machine; readonly onClose: () => void }) {
  const [sheet, setSheet] = useState<Sheet>(machine.sheet);
  const problems = sheetProblems(sheet, new Date().getFullYear());
  const save = useMachineChange(
    machine,
    () => {
      const body = Object.fromEntries(SHEET_IDS.map((id) => [id, sheet[id].trim()])) as Sheet;
      return http('PUT /machines/:id/sheet', { params: { id: machine.id }, body });
    },
    onClose,
  );
  return (
    <Dialog
      title={`Plate of ${machine.label}`}
      onClose={onClose}
      action="Save"
      ready={Object.keys(problems).length === 0}
      onAction={() => save.mutate(undefined)}
      busy={save.isPending}
    >
      <div className={styles.fields}>
        {SHEET_IDS.map((id) => (
          <Field
            key={id}
            label={SHEET[id].title}
            placeholder={SHEET[id].example}
            maxLength={SHEET[id].most}
            value={sheet[id]}
            problem={problems[id]}
            onChange={(text) => setSheet({ ...sheet, [id]: text })}
          />
        ))}
      </div>
      {save.error && <Notice kind="problem">{save.error.message}</Notice>}
      <p className="fine">What stood here before is kept under “What was changed”.</p>
    </Dialog>
  );
}
