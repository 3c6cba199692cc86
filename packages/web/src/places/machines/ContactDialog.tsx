import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Contact, Machine } from '@zetalysis/contract';
import { useState } from 'react';
import { http } from '../../api/http';
import { useContact } from '../../api/queries';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';

/** Whose machine it is. It stands in no log, so that it can be changed and erased. */
export function ContactDialog({ machine, onClose }: { machine: Machine; onClose: () => void }) {
  const queries = useQueryClient();
  const kept = useContact(machine.id);
  const [changed, setChanged] = useState<Contact>();
  const contact = changed ?? kept.data;
  const save = useMutation({
    mutationFn: ({ customer, telephone, access }: Contact) =>
      http('PUT /machines/:id/contact', {
        params: { id: machine.id },
        body: { customer: customer.trim(), telephone: telephone.trim(), access: access.trim() },
      }),
    onSuccess: (now) => {
      queries.setQueryData(['contact', machine.id], now);
      onClose();
    },
  });
  const error = save.error ?? (contact === undefined ? kept.error : null);
  return (
    <Dialog
      title={`Customer of ${machine.label}`}
      onClose={onClose}
      {...(contact === undefined ? {} : { action: 'Save', onAction: () => save.mutate(contact) })}
      busy={save.isPending}
    >
      {error && <Notice kind="problem">{error.message}</Notice>}
      {contact === undefined ? (
        !error && <Waiting>One moment…</Waiting>
      ) : (
        <>
          <Field
            label="Customer"
            maxLength={120}
            value={contact.customer}
            onChange={(customer) => setChanged({ ...contact, customer })}
          />
          <Field
            label="Telephone"
            maxLength={60}
            value={contact.telephone}
            onChange={(telephone) => setChanged({ ...contact, telephone })}
          />
          <Field
            label="How to get in"
            maxLength={300}
            placeholder="key with the neighbour, dog, not before nine"
            value={contact.access}
            onChange={(access) => setChanged({ ...contact, access })}
          />
          <p className="fine">Emptied fields are erased at the server. Do not write names or numbers into notes.</p>
        </>
      )}
    </Dialog>
  );
}
