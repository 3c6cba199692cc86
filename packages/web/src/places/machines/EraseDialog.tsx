import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Machine } from '@zetalysis/contract';
import { download } from '../../api/download';
import { http } from '../../api/http';
import { Button } from '../../kit/Button';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';

interface Props {
  readonly machine: Machine;
  readonly onClose: () => void;
}

/** A customer's record: taken out as one file, and erased. */
export function EraseDialog({ machine: { id, label }, onClose }: Props) {
  const queries = useQueryClient();
  const file = `machine-${id}.jsonl`;
  const take = useMutation({
    mutationFn: () => download(`/api/export/shop.jsonl?machine=${id}&photos=yes`, file),
  });
  const erase = useMutation({
    mutationFn: () => http('DELETE /machines/:id/customer', { params: { id } }),
    onSuccess: () =>
      Promise.all([['contact', id], ['photos']].map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
  const error = erase.error ?? take.error;
  return (
    <Dialog
      title={`The customer of ${label}`}
      {...(erase.data === undefined && {
        action: 'Erase for good',
        onAction: () => erase.mutate(),
        busy: erase.isPending,
      })}
      onClose={onClose}
    >
      {error && <Notice kind="problem">{error.message}</Notice>}
      {erase.data ? (
        <p role="status">
          Erased: who they are, how one gets in, and {erase.data.photos} photos. What people wrote in the{' '}
          {erase.data.calls} calls stays until whoever runs the server takes it out, entry by entry.
        </p>
      ) : (
        <>
          <p>
            Take everything out first if they asked for it: the machine, its calls with every entry, its photos and its
            upkeep, in one file.
          </p>
          <Button loading={take.isPending} onClick={() => take.mutate()}>
            Their record as a file
          </Button>
          <Notice kind="caution">
            Erasing takes away the name, the telephone, how one gets in and every photo of its calls. The calls and
            readings stay. Backups keep what was erased until they are thrown away.
          </Notice>
        </>
      )}
    </Dialog>
  );
}
