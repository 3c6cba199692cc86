import { lazy, Suspense, useState } from 'react';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { useAppliance } from '../use-appliance';

// The tests of the Bench are loaded when one of them is wanted.
const JudgeTest = lazy(() => import('../../../judging/JudgeTest'));

interface Props {
  readonly part: string;
  /** The passage, of a part that has several. */
  readonly branch: string | undefined;
  readonly type: 'ohms' | 'farads';
  /** What stands in the field. */
  readonly begun: string;
  readonly onBody: (body: EventBody) => void;
}

/** A dead test of the Bench in its place: leads and warmth taken off, judged by this machine's limits, entered as evidence. */
export function JudgeIt({ part, branch, type, begun, onBody }: Props) {
  const { drawing, units } = useAppliance();
  const [open, setOpen] = useState(false);
  const known = drawing.parts.find((p) => p.id === part);
  const passages = Object.keys(known?.bench ?? {});
  const passage = branch ?? passages[0];
  const bench = passage === undefined ? undefined : known?.bench[passage];
  if (!known || !bench) return null;
  return (
    <>
      <Button tone="quiet" onClick={() => setOpen(true)}>
        Leads, warmth, limits: judge it
      </Button>
      {open && (
        <Suspense fallback={null}>
          <JudgeTest
            title={known.title}
            bench={bench}
            units={units}
            begun={begun}
            onClose={() => setOpen(false)}
            onJudged={(judged) => {
              setOpen(false);
              onBody({
                type,
                part,
                ...(type === 'ohms' && passage ? { branch: passage } : {}),
                ...judged,
              } as EventBody);
            }}
          />
        </Suspense>
      )}
    </>
  );
}
