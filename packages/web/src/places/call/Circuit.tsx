import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { JointFound } from '@zetalysis/core/question';
import { capital } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';
import type { Wires } from '@zetalysis/contract';
import { Ladder } from '../../diagrams/Ladder';
import { Choice } from '../../kit/Choice';
import styles from './Circuit.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly wires: Wires;
  readonly probes: readonly string[];
  readonly onProbes: (probes: readonly string[]) => void;
  readonly onBody: (body: EventBody) => void;
}

/** The circuit at a step: a point that is tapped is measured, and so is what is chosen from the list. */
export function Circuit({ drawing, view, wires, probes, onProbes, onBody }: Props) {
  const step = drawing.phases.find((p) => p.id === view.at)?.title ?? '';
  const pick = (chosen: string): void => {
    const [kind, subject, answer] = chosen.split(' ') as [string, string, string | undefined];
    if (kind === 'joint') onBody({ type: 'joint', joint: subject, found: answer as JointFound });
    else if (kind === 'look') onBody({ type: 'look', look: subject, answer: answer! });
    else onProbes([subject]);
  };
  return (
    <section
      className={styles.circuit}
      aria-label="Circuit and readings"
      data-other-world={view.whatIf !== undefined || undefined}
    >
      <div className={styles.head}>
        <h2>
          Circuit <span className="fine">at “{step}”</span>
        </h2>
        <span className={styles.legend} aria-hidden="true">
          <i data-state="live" /> live <i data-state="dead" /> dead <i data-state="unknown" /> unknown
        </span>
        <Choice
          label="Look or measure"
          labelHidden
          value={undefined}
          placeholder="Look, measure…"
          options={[
            { label: 'Measure', options: drawing.gauges.map((g) => ({ value: `gauge ${g.id}`, label: g.title })) },
            ...drawing.joints.map((j) => ({
              label: `${capital(j.title)}: found`,
              options: j.found.map((f) => ({ value: `joint ${j.id} ${f.id}`, label: f.title })),
            })),
            ...drawing.looks.map((l) => ({
              label: l.ask,
              options: l.answers.map((a) => ({ value: `look ${l.id} ${a.id}`, label: a.title })),
            })),
          ]}
          onChange={pick}
        />
      </div>
      <Ladder
        drawing={drawing}
        view={view.ladder}
        red={probes[0]}
        passage={probes[1]}
        walked
        // A tapped point is a probe; the next one is the black probe, else the point's own common.
        onNet={(net) => onProbes(probes.length === 1 && probes[0] !== net ? [probes[0]!, net] : [net])}
        // Of a part with several windings, the one that was tapped.
        onPart={(part, branch) => {
          const passages = drawing.words.parts[part] ?? [];
          onProbes(passages.length > 1 && passages.includes(branch) ? [part, branch] : [part]);
        }}
        wires={wires}
      />
    </section>
  );
}
