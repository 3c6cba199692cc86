import { useEffect } from 'react';
import { type CallView, minutesWords, tapped, type TestView } from '@zetalysis/core/presentation';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Cautions } from '../../../kit/Cautions';
import { Choice } from '../../../kit/Choice';
import { useAppliance } from '../use-appliance';
import { ByMeter } from './ByMeter';
import { Field } from './Field';
import { JudgeIt } from './JudgeIt';
import { Means, worth } from './Means';
import { Sheet } from './Sheet';
import styles from './Sheet.module.css';
import type { TypedEntry } from './use-entry';
import { Where } from './Where';

interface Props {
  readonly probes: readonly string[];
  readonly view: CallView;
  readonly tests: readonly TestView[] | undefined;
  readonly entry: TypedEntry;
  readonly onBack: () => void;
  readonly onBody: (body: EventBody) => void;
  readonly onLifted: (kind: 'lead' | 'part-out', title: string, of: string) => void;
}

/** The width up to which the pad is there. */
const BY_THUMB = '(max-width: 60em)';

/** What was tapped: the same sheet, the same field, another sentence. */
export function YourChoice({ probes, view, tests, entry, onBack, onBody, onLifted }: Props) {
  const { drawing } = useAppliance();
  const { field } = entry;
  const names = probes.join(' ');
  useEffect(() => {
    // By thumb there is the pad, and what was tapped stays in sight above it; else one goes on typing.
    if (matchMedia(BY_THUMB).matches)
      document.querySelector('[data-ladder] [data-red]')?.scrollIntoView({ block: 'center' });
    else field.current?.focus();
  }, [field, names]);
  const back = (
    <Button tone="quiet" onClick={onBack}>
      Back to the next test
    </Button>
  );
  const { asked, form, good, bad, probes: at, cautions, never } = tapped(drawing, view.ladder, probes, view.at);
  if (never !== undefined) return <Sheet title="Your choice" beside={back} says={never} />;
  const same = tests?.find((t) => at.length > 0 && t.probes.join() === at.join());
  const best = tests?.[0];
  return (
    <Sheet title="Your choice" beside={back} says={{ before: '', ...asked }}>
      {cautions.length > 0 && (
        <Cautions>
          {cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </Cautions>
      )}
      <ByMeter entry={entry} toRead={{ form, probes: at }} busy={false}>
        <Field
          entry={entry}
          label={`Reading ${names}`}
          asked={form}
          {...(form.dimension === 'resistance' && { other: 'Or amperes by a clamp: 4.2A, ten turns 42A x10' })}
        />
      </ByMeter>
      <div className={styles.also}>
        <JudgeIt subject={subjectOf(form.dimension, probes, at, view.at)} begun={entry.text} onBody={onBody} />
        {form.dimension === 'resistance' && <OnlyABeeper part={probes[0]!} branch={probes[1]} onBody={onBody} />}
        {form.dimension === 'voltage' && form.unit === undefined && (
          <OnlyALamp red={at[0]!} black={at[1]} phase={view.at} onBody={onBody} />
        )}
        {!(probes[0]! in drawing.words.gauges) && (
          <Apart point={at.length > 0 ? probes[0]! : undefined} part={probes[0]!} onLifted={onLifted} />
        )}
      </div>
      <div className={styles.room} data-room tabIndex={0} role="group" aria-label="Where">
        {at.length > 0 && <Where view={view} probes={at} good={same ? undefined : good} bad={same ? undefined : bad} />}
        {same ? (
          <Means test={same} />
        ) : (
          best && (
            <p className="fine">
              The next test {worth(best)} in {minutesWords(best.minutes)}.
            </p>
          )
        )}
      </div>
    </Sheet>
  );
}

/** What an entry about it would be about. */
function subjectOf(
  dimension: string,
  [first, second]: readonly string[],
  [red, black]: readonly string[],
  phase: string,
) {
  if (red !== undefined) return { type: 'volts', red, black, phase };
  if (dimension === 'resistance') return { type: 'ohms', part: first, ...(second !== undefined && { branch: second }) };
  return dimension === 'capacitance' ? { type: 'farads', part: first } : { type: 'gauge', gauge: first };
}

interface ApartProps {
  /** The point that was tapped; nothing where a part was. */
  readonly point: string | undefined;
  readonly part: string;
  readonly onLifted: Props['onLifted'];
}

/** A lead of a point is lifted, or a part is out: where a point has several leads, each by the part it goes to. */
function Apart({ point, part, onLifted }: ApartProps) {
  const { drawing } = useAppliance();
  if (point === undefined) {
    const title = drawing.parts.find((p) => p.id === part)?.title ?? part;
    return (
      <Button tone="quiet" onClick={() => onLifted('part-out', title, part)}>
        It is taken out
      </Button>
    );
  }
  const leads = drawing.points[point]?.leads ?? [];
  if (leads.length <= 1)
    return (
      <Button tone="quiet" onClick={() => onLifted('lead', `lead at ${point}`, point)}>
        Its lead is lifted
      </Button>
    );
  return (
    <Choice
      label="Its lead is lifted"
      labelHidden
      placeholder="A lead is lifted…"
      value={undefined}
      options={leads.map(({ id, title }) => ({ value: id, label: title }))}
      onChange={(id) => onLifted('lead', leads.find((l) => l.id === id)!.title, id)}
    />
  );
}

interface LampProps {
  readonly red: string;
  /** Nothing where no common is known for the first. */
  readonly black: string | undefined;
  readonly phase: string;
  readonly onBody: Props['onBody'];
}

/** Somebody has no meter at hand: a lamp shows whether there is voltage, not how much. */
function OnlyALamp({ red, black, phase, onBody }: LampProps) {
  if (black === undefined) return null;
  const said = (lights: 'yes' | 'no'): void => onBody({ type: 'lamp', red, black, phase, lights });
  return (
    <p className="fine" role="group" aria-label="Only a test lamp">
      Only a test lamp?{' '}
      <Button tone="quiet" onClick={() => said('yes')}>
        It lights
      </Button>
      <Button tone="quiet" onClick={() => said('no')}>
        Dark
      </Button>
    </p>
  );
}

interface BeeperProps {
  readonly part: string;
  /** Which of its windings, where it has several. */
  readonly branch: string | undefined;
  readonly onBody: Props['onBody'];
}

/** Somebody has no ohms at hand: it is kept for what it is worth, which clears no contact. */
function OnlyABeeper({ part, branch, onBody }: BeeperProps) {
  const { drawing } = useAppliance();
  if (branch === undefined && (drawing.words.parts[part] ?? []).length > 1) return null;
  const said = (sounds: 'yes' | 'no'): void =>
    onBody({ type: 'continuity', part, ...(branch !== undefined && { branch }), sounds });
  return (
    <p className="fine" role="group" aria-label="Only a beeper">
      Only a beeper?{' '}
      <Button tone="quiet" onClick={() => said('yes')}>
        It beeps
      </Button>
      <Button tone="quiet" onClick={() => said('no')}>
        Silent
      </Button>
    </p>
  );
}
