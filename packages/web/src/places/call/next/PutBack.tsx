import type { CallView } from '@zetalysis/core/presentation';
import { type undoFirst, WHILE_TEMPORARY } from '@zetalysis/core/rules';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';

interface Props {
  readonly undo: NonNullable<ReturnType<typeof undoFirst>>;
  readonly view: CallView;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
}

/** Takes off or puts back what has told what it can. */
export function PutBack({ undo, view: { setup }, onEvents }: Props) {
  const but = (list: readonly string[]): string[] => list.filter((other) => other !== undo.id);
  return (
    <Button
      tone="main"
      onClick={() =>
        onEvents([
          setupEntry({
            ...setup,
            bypassed: but(setup.bypassed),
            unplugged: but(setup.unplugged),
            actions: but(setup.actions),
          }),
        ])
      }
    >
      {undo.kind === 'bypass' ? 'Take the bypass off' : WHILE_TEMPORARY[undo.kind].undo}
    </Button>
  );
}
