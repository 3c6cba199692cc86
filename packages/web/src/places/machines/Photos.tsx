import { useQuery } from '@tanstack/react-query';
import type { Machine } from '@zetalysis/contract';
import { lazy, Suspense, useState } from 'react';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import styles from './Photos.module.css';

const ShowPhoto = lazy(() => import('../../photos/ShowPhoto'));

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** What was photographed on a machine's calls, the newest first; one opens by a tap. */
export function Photos({ machine }: { readonly machine: Machine }) {
  const photos = useQuery({
    queryKey: ['photos', machine.id],
    queryFn: () => http('GET /machines/:id/photos', { params: { id: machine.id } }),
  });
  const [open, setOpen] = useState<string>();
  const all = photos.data ?? [];
  if (all.length === 0 && open === undefined && !photos.error) return null;
  return (
    <Block title="Photos" note={`${all.length}, newest first`}>
      {photos.error && <p className="problem">{photos.error.message}</p>}
      <ul className={styles.photos}>
        {all.map(({ id, at, thumbnail, kind, words }) => (
          <li key={id}>
            <button type="button" onClick={() => setOpen(id)}>
              <img src={`data:image/webp;base64,${thumbnail}`} alt={`Photo of ${DAY.format(new Date(at))}`} />
              <small>
                {kind !== '' && <b>{kind} </b>}
                {words} {DAY.format(new Date(at))}
              </small>
            </button>
          </li>
        ))}
      </ul>
      {open !== undefined && (
        <Suspense fallback={null}>
          <ShowPhoto id={open} onClose={() => setOpen(undefined)} />
        </Suspense>
      )}
    </Block>
  );
}
