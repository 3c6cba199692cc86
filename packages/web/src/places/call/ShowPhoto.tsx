import { useQuery } from '@tanstack/react-query';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';
import { photoAddress } from '../../store/photos';

/** A photo of the call. */
export default function ShowPhoto({ id, onClose }: { id: string; onClose: () => void }) {
  const photo = useQuery({ queryKey: ['photo', id], queryFn: () => photoAddress(id), gcTime: 0 });
  return (
    <Dialog title="Photo" onClose={onClose} width={900}>
      {photo.error && <Notice kind="problem">{photo.error.message}</Notice>}
      {photo.isPending && <Waiting>Fetching the photo…</Waiting>}
      {photo.data !== undefined && <img src={photo.data} alt="Taken on this call" style={{ maxWidth: '100%' }} />}
    </Dialog>
  );
}
