import { useQuery } from '@tanstack/react-query';
import type { Me } from '@zetalysis/contract';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { local } from '../store/local';

interface Props {
  readonly me: Me;
  /** How it stands with the outbox. */
  readonly words: string;
  /** Whether somebody is about to sign out. */
  readonly leaving: boolean;
  readonly onSend: () => void;
  readonly onLeave: () => void;
  readonly onClose: () => void;
}

/** What waits on this device to be sent, and what becomes of it. */
export default function Waits({ me, words, leaving, onSend, onLeave, onClose }: Props) {
  const waiting = useQuery({ queryKey: ['waiting'], queryFn: () => local.waiting(me.name), gcTime: 0 });
  const { events = [], photos = [] } = waiting.data ?? {};
  const refused = [...events, ...photos].filter((k) => k.refused !== undefined);
  const again = (): void => void local.tryAgain(me.name).then(onSend);
  return (
    <Dialog
      title={leaving ? 'Sign out with entries that wait?' : 'Waiting to be sent'}
      onClose={onClose}
      {...(leaving ? { action: 'Sign out', onAction: onLeave } : {})}
    >
      <p>
        {counted(events.length, 'entry', 'entries')}
        {photos.length > 0 && ` and ${counted(photos.length, 'photo', 'photos')}`} of {me.fullName} on this device.
        {leaving &&
          ' What waits stays here, nobody else sees it, and it goes out under your name when you sign in here again.'}
      </p>
      <p>{words}.</p>
      {refused.length > 0 && (
        <>
          <ul>
            {refused.map((k) => (
              <li key={k.id}>Refused: {k.refused}</li>
            ))}
          </ul>
          <Button onClick={again}>Send those again</Button>
        </>
      )}
    </Dialog>
  );
}

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;
