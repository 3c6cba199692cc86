import type { Machine } from '@zetalysis/contract';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { useMachine } from '../../api/queries';
import { Failure } from '../../kit/Failure';
import { Waiting } from '../../kit/Waiting';

/** The machine that the address names, once it is read; why it cannot be shown, where it cannot. */
export function OneMachine({ children }: { readonly children: (machine: Machine) => ReactNode }) {
  const { id } = useParams<{ id: string }>();
  const machine = useMachine(id);
  if (machine.error)
    return (
      <Failure title="This machine cannot be shown" problem={machine.error.message}>
        <Link to="/machines">Machines</Link>
      </Failure>
    );
  return machine.data ? children(machine.data) : <Waiting>Reading the register…</Waiting>;
}
