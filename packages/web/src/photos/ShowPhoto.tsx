import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { Notice } from '../kit/Notice';
import { Waiting } from '../kit/Waiting';
import { erasePhoto, photoAddress } from '../store/photos';

/** A photo of a call, which can be erased for good. */
export default function ShowPhoto({ id, onClose }: { id: string; onClose: () => void }) {
  const queries = useQueryClient();
  const key = ['photo', id];
  const photo = useQuery({ queryKey: key, queryFn: () => photoAddress(id), gcTime: 0 });
  const erase = useMutation({
    mutationFn: () => erasePhoto(id),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['photos'] });
      await queries.resetQueries({ queryKey: key });
    },
  });
  const error = erase.error ?? photo.error;
  return (
    <Dialog title="Photo" onClose={onClose} width={900}>
      {error && <Notice kind="problem">{error.message}</Notice>}
      {photo.isPending && <Waiting>Fetching the photo…</Waiting>}
      {photo.data !== undefined && (
        <>
          <img src={photo.data} alt="Taken on a call" style={{ maxWidth: '100%' }} />
          <p>
            <Button tone="quiet" loading={erase.isPending} onClick={() => erase.mutate()}>
              Erase it for good
            </Button>
          </p>
        </>
      )}
    </Dialog>
  );
}
