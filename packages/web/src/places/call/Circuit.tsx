import type { InputRef } from 'antd';
import type { RefObject } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { EventBody } from '@zetalysis/core/visit';
import type { Wires } from '@zetalysis/contract';
import { Ladder } from '../../diagrams/Ladder';
import styles from './Circuit.module.css';
import { EntryLine } from './EntryLine';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly wires: Wires;
  readonly probes: readonly string[];
  readonly field: RefObject<InputRef | null>;
  readonly onProbes: (probes: readonly string[]) => void;
  readonly onBody: (body: EventBody) => void;
}

/** The circuit at a step, and the line into which its readings are typed. */
export function Circuit({ drawing, view, wires, probes, field, onProbes, onBody }: Props) {
  const step = drawing.phases.find((p) => p.id === view.at)?.title ?? '';
  const place = (next: readonly string[]): void => {
    onProbes(next);
    field.current?.focus();
  };
  return (
    <section className={styles.circuit} aria-label="Circuit and readings">
      <h2>
        Circuit <span className="fine">at “{step}”</span>
        <span className={styles.legend} aria-hidden="true">
          <i data-state="live" /> live <i data-state="dead" /> dead <i data-state="unknown" /> unknown
        </span>
      </h2>
      <Ladder
        drawing={drawing}
        view={view.ladder}
        red={probes[0]}
        // A tapped point is a probe; the next one is the black probe, else the point's own common.
        onNet={(net) => place(probes.length === 1 && probes[0] !== net ? [probes[0]!, net] : [net])}
        // Of a part with several windings, the one that was tapped.
        onPart={(part, branch) => {
          const passages = drawing.words.parts[part] ?? [];
          place(passages.length > 1 && passages.includes(branch) ? [part, branch] : [part]);
        }}
        wires={wires}
      />
      <EntryLine
        drawing={drawing}
        wires={wires}
        at={view.at}
        phaseTitle={step}
        probes={probes.join(' ')}
        field={field}
        onBody={onBody}
        onClear={() => onProbes([])}
      />
    </section>
  );
}
