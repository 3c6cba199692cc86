import { lazy, Suspense, useState } from 'react';
import type { BenchTest } from '@zetalysis/core/bench';
import type { Drawing } from '@zetalysis/core/presentation';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { useAppliance } from '../use-appliance';

// The tests of the Bench are loaded when one of them is wanted.
const JudgeTest = lazy(() => import('../../../judging/JudgeTest'));

/** The body of an entry without its answer. */
type Subject = Readonly<Record<string, string | number | undefined>>;

interface Props {
  readonly subject: Subject;
  /** What stands in the field. */
  readonly begun: string;
  readonly onBody: (body: EventBody) => void;
}

/** A test of the Bench in its place: corrected, judged by this machine's limits, entered as evidence. */
export function JudgeIt({ subject, begun, onBody }: Props) {
  const { drawing, units, machine } = useAppliance();
  const [open, setOpen] = useState(false);
  const known = judged(drawing, subject);
  if (!known) return null;
  return (
    <>
      <Button tone="quiet" onClick={() => setOpen(true)}>
        Conditions, limits: judge it
      </Button>
      {open && (
        <Suspense fallback={null}>
          <JudgeTest
            title={known.title}
            bench={known.bench}
            machine={machine}
            units={units}
            begun={begun}
            onClose={() => setOpen(false)}
            onJudged={(reading) => {
              setOpen(false);
              onBody({ ...subject, ...ofTheClamp(subject, reading.judged.given), ...reading } as EventBody);
            }}
          />
        </Suspense>
      )}
    </>
  );
}

/** How often the wire went through the jaw, and what the clamp can, as it was said to the judge. */
const ofTheClamp = ({ type }: Subject, { turns, clamp }: Readonly<Record<string, string>>): Subject =>
  type === 'amps'
    ? { ...(turns !== undefined && { turns: Number(turns) }), ...(clamp !== undefined && { clamp }) }
    : {};

/** What is judged, and how; nothing where the Bench has no test of it. */
function judged(
  { gauges, parts, volts }: Drawing,
  { type, gauge, part, branch, red, black }: Subject,
): { readonly title: string; readonly bench: BenchTest } | undefined {
  if (type === 'gauge') {
    const known = gauges.find((g) => g.id === gauge);
    return known?.bench && { title: known.title, bench: known.bench };
  }
  if (type === 'volts') {
    const bench = volts[`${red} ${black}`] ?? volts[`${black} ${red}`];
    return bench && { title: `Volts ${red}–${black}`, bench };
  }
  if (type === 'amps') {
    const known = parts.find((p) => p.id === part);
    return known?.amps && { title: `Amps, ${known.title}`, bench: known.amps };
  }
  if (type !== 'ohms' && type !== 'farads') return undefined;
  const known = parts.find((p) => p.id === part);
  const bench = known?.bench[String(branch ?? Object.keys(known.bench)[0])];
  return known && bench && { title: known.title, bench };
}
