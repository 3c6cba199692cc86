import { lazy, Suspense } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import { usePaired } from '../../instruments/paired';
import { useRules } from './rules/use-rules';

// Only where a meter is paired.
const MachineFollows = lazy(() => import('../../instruments/MachineFollows'));

/** Instruments that are paired are told how the call says that the machine stands: a simulated one follows. */
export function TellInstruments({ view }: { readonly view: CallView }) {
  const paired = usePaired();
  const { followed } = useRules();
  if (!paired || view.closed) return null;
  return (
    <Suspense fallback={null}>
      <MachineFollows
        paired={paired}
        setup={view.setup}
        apart={view.ladder.lifted}
        repaired={[...followed.c.repaired.keys()]}
      />
    </Suspense>
  );
}
