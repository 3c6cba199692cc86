import { formatDuration } from '@zetalysis/core/units';
import { useState } from 'react';
import type { Guide } from '@zetalysis/core/presentation';
import { Strand, StrandRow } from '../../diagrams/Strand';
import { Block } from '../../kit/Block';
import { Field } from '../../kit/Field';
import styles from './Faults.module.css';

type Fault = Guide['faults'][number];

/** Faults under which every step comes. */
const RUNS = '';

interface Props {
  readonly guide: Guide;
  /** The step that is looked at: its faults, and the circuit then. */
  readonly phase: string;
  readonly onPhase: (phase: string) => void;
}

/** What does one see? The steps with how many faults keep each from coming, and those of the chosen one by what it does then. */
export function FaultsBySight({ guide, phase, onPhase }: Props) {
  const [runs, setRuns] = useState(false);
  const [wanted, setWanted] = useState('');
  const at = (step: string): readonly Fault[] => guide.faults.filter((f) => (f.breaksAt ?? RUNS) === step);
  const shown = wanted === '' ? at(runs ? RUNS : phase) : guide.faults.filter((f) => has(f, wanted));
  const step = guide.phases.find((p) => p.id === phase);
  const many = shown.length === 1 ? '1 fault' : `${shown.length} faults`;
  const title = runs ? 'Every step comes' : step?.unwanted ? step.title : `“${step?.title}” does not come`;
  return (
    <div className={styles.sight}>
      <Block title="Sequence" note="what does one see? tap a step" className={styles.steps}>
        <Strand>
          {guide.phases.map((p) => (
            <StrandRow
              key={p.id}
              state={!runs && p.id === phase ? 'front' : 'open'}
              data-unwanted={p.unwanted || undefined}
            >
              <Step
                title={p.title}
                note={p.unwanted ? 'should not happen' : p.at === undefined ? '' : `due ${formatDuration(p.at)}`}
                ask={p.ask}
                many={p.unwanted ? undefined : at(p.id).length}
                chosen={!runs && p.id === phase}
                onChoose={() => {
                  setRuns(false);
                  onPhase(p.id);
                }}
              />
            </StrandRow>
          ))}
          <StrandRow state={runs ? 'front' : 'open'}>
            <Step
              title="Every step comes"
              note="and yet something is wrong"
              ask=""
              many={at(RUNS).length}
              chosen={runs}
              onChoose={() => setRuns(true)}
            />
          </StrandRow>
        </Strand>
      </Block>
      <section aria-label="Faults" className={styles.faults}>
        <div className={styles.head}>
          <h2>{wanted === '' ? `${title}: ${many}` : `${many} that show this`}</h2>
          <span className="fine">by what it does then; bars: how often, of 100 breaks of this family</span>
        </div>
        <Field
          label="What do you see?"
          labelHidden
          value={wanted}
          onChange={setWanted}
          placeholder="What do you see? starts over, code 6, click…"
        />
        {shown.length === 0 && (
          <p>
            {wanted === ''
              ? 'No single fault keeps this step from coming.'
              : 'No fault of this appliance looks like that. Try fewer words.'}
          </p>
        )}
        {byWhatItDoes(shown).map(([then, faults]) => (
          <div key={then}>
            <h3>{then}</h3>
            <ul>
              {faults.map((f) => (
                <li key={f.id}>
                  <b>{f.words}</b>
                  <Share share={f.share} />
                  <small>{cluesOf(f)}</small>
                </li>
              ))}
            </ul>
          </div>
        ))}
      </section>
    </div>
  );
}

const has = ({ words, signature }: Fault, wanted: string): boolean => {
  const text = `${words} ${signature.join(' ')}`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((w) => text.includes(w));
};

/** The likeliest way to go on first, and in each the likeliest fault. */
function byWhatItDoes(faults: readonly Fault[]): [string, Fault[]][] {
  const groups = new Map<string, Fault[]>();
  for (const f of [...faults].sort((a, b) => b.share - a.share)) groups.set(f.then, [...(groups.get(f.then) ?? []), f]);
  const weight = (of: readonly Fault[]): number => of.reduce((sum, f) => sum + f.share, 0);
  return [...groups].sort(([, a], [, b]) => weight(b) - weight(a));
}

/** What tells it from its neighbours: what the group's title and the chosen step say already is left out. */
const cluesOf = ({ signature, then, breaksAt }: Fault): string => {
  const said = signature.filter((w) => !then.includes(w) && !(breaksAt !== undefined && w.startsWith('breaks off')));
  return said.length === 0 ? (signature.length === 0 ? 'shows nothing from outside' : '') : said.join(' · ');
};

/** A bar is full at this share of all breaks. */
const FULL = 0.12;

const Share = ({ share }: { share: number }) => {
  const words = `${Math.max(0.1, share * 100).toFixed(1)} of 100`;
  return (
    <span className={styles.bar} role="img" aria-label={words} title={words}>
      <i style={{ width: `${Math.min(1, share / FULL) * 100}%` }} />
    </span>
  );
};

interface StepProps {
  readonly title: string;
  readonly note: string;
  readonly ask: string;
  readonly many: number | undefined;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

const Step = ({ title, note, ask, many, chosen, onChoose }: StepProps) => (
  <button type="button" className={styles.step} aria-pressed={chosen} title={ask} onClick={onChoose}>
    <span>
      <b>{title}</b>
      <small>{note}</small>
    </span>
    <strong>{many}</strong>
  </button>
);
