import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Colleague, Me } from '@zetalysis/contract';
import { PRIORITIES, PRIORITY_WORDS, type Priority, readSlot } from '@zetalysis/core/schedule';
import { dutyWith, dueWords } from '@zetalysis/core/upkeep';
import { useDue } from '../../api/due';
import { http } from '../../api/http';
import { today } from '../../api/today';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';

interface Props {
  readonly day: string;
  readonly me: Me;
  /** In whose day it may be put. */
  readonly workers: readonly Colleague[];
}

/** Puts a call or something that is due into a day. */
export function AddItem({ day, me, workers }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button tone="main" disabled={workers.length === 0} onClick={() => setOpen(true)}>
        Put into the day
      </Button>
      {open && <Adding day={day} me={me} workers={workers} onClose={() => setOpen(false)} />}
    </>
  );
}

function Adding({ day, me, workers, onClose }: Props & { readonly onClose: () => void }) {
  const queries = useQueryClient();
  const asked = { state: 'open', size: '100' } as const;
  const calls = useQuery({ queryKey: ['calls', asked], queryFn: () => http('GET /calls', { query: asked }) });
  const due = useDue().data ?? [];
  const [what, setWhat] = useState<string>();
  const [person, setPerson] = useState<string | undefined>(workers.find((p) => p.id === me.id)?.id ?? workers[0]?.id);
  const [slot, setSlot] = useState('');
  const [priority, setPriority] = useState<Priority>('usual');
  const [problem, setProblem] = useState<string>();
  const add = useMutation({
    mutationFn: ({ to, chosen }: { to: string; chosen: string }) => {
      const [kind, id = '', index = ''] = chosen.split(' ');
      const duty = kind === 'duty' ? due[Number(index)]! : undefined;
      return http('POST /days', {
        body: {
          day,
          person: to,
          call: duty ? null : id,
          duty: duty?.duty ?? null,
          machine: duty?.machine.id ?? null,
          slot: slot.trim(),
          priority,
        },
      });
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['day'] });
      onClose();
    },
  });
  const choose = (to: string): void => {
    setWhat(to);
    const call = calls.data?.calls.find((c) => to === `call ${c.id}`);
    if (call && call.overview.stops.some(({ grade }) => grade !== 'hold')) setPriority('danger');
  };
  const submit = (): void => {
    const read = readSlot(slot);
    if (what === undefined || person === undefined) return setProblem('Choose what is to be done, and who does it.');
    if ('wrong' in read) return setProblem(read.wrong);
    setProblem(undefined);
    add.mutate({ to: person, chosen: what });
  };
  const error = add.error?.message ?? calls.error?.message ?? problem;
  return (
    <Dialog title="Put into the day" action="Put it in" busy={add.isPending} onAction={submit} onClose={onClose}>
      {error !== undefined && <Notice kind="problem">{error}</Notice>}
      <Choice
        label="What"
        placeholder="A call, or something that is due…"
        value={what}
        options={[
          {
            label: 'Open calls and those that wait',
            options: (calls.data?.calls ?? []).map((c) => ({
              value: `call ${c.id}`,
              label: `${c.machine?.label ?? c.profile}: ${c.complaint.slice(0, 60)}`,
            })),
          },
          {
            label: 'Due',
            options: due.map((d, i) => ({
              value: `duty ${d.machine.id} ${i}`,
              label: `${d.machine.label}: ${dutyWith(d.duty)?.title}, ${dueWords(d.due, today())}`,
            })),
          },
        ]}
        onChange={choose}
      />
      <Choice
        label="Who"
        value={person}
        options={workers.map((p) => ({ value: p.id, label: p.fullName }))}
        onChange={setPerson}
      />
      <Choice
        label="How grave"
        value={priority}
        options={PRIORITIES.map((p) => ({ value: p, label: PRIORITY_WORDS[p] }))}
        onChange={setPriority}
      />
      <Field label="They were told" placeholder="9-11" maxLength={20} value={slot} onChange={setSlot} />
    </Dialog>
  );
}
