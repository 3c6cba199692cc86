import { useState } from 'react';
import {
  type BenchTest,
  COMPONENT_TESTS,
  isAnswered,
  judgeMeasure,
  readAsk,
  readLimits,
  unitOfMeasure,
} from '@zetalysis/core/bench';
import { sayJudged } from '@zetalysis/core/presentation';
import { formatReading, type Reading, type UnitSystem } from '@zetalysis/core/units';
import { useMeasuredWith, withLeads } from '../instruments/mine';
import { Dialog } from '../kit/Dialog';
import { AskForm } from './AskForm';
import { Band } from './Band';
import { Counted } from './Counted';
import { KeepLimits } from './KeepLimits';
import { useKeptLimits } from './kept-limits';
import styles from './JudgeTest.module.css';
import { SetUp } from './SetUp';
import { VerdictMark } from './VerdictMark';

/** What goes into the call: the corrected reading, how sure it is, and what it was judged by. */
interface JudgedReading {
  readonly reading: Reading;
  readonly typed: string;
  readonly judged: {
    readonly test: string;
    readonly measure: string;
    readonly verdict: 'good' | 'marginal' | 'bad';
    readonly u: number;
    readonly given: Readonly<Record<string, string>>;
  };
}

interface Props {
  readonly title: string;
  readonly bench: BenchTest;
  /** Of which machine; nothing where it is in no register. */
  readonly machine: string | undefined;
  readonly units: UnitSystem;
  /** What the field had in it when this was opened. */
  readonly begun: string;
  readonly onJudged: (judged: JudgedReading) => void;
  readonly onClose: () => void;
}

/** A component test inside a call: leads, warmth and limits of this machine; what is judged becomes evidence. */
export default function JudgeTest({ title, bench, machine, units, begun, onJudged, onClose }: Props) {
  const test = COMPONENT_TESTS.find((t) => t.id === bench.test)!;
  const measure = test.measures.find((m) => m.id === bench.measure)!;
  const used = useMeasuredWith();
  const [own, setTyped] = useState<Readonly<Record<string, string>>>({ ...bench.typed, [bench.reads]: begun });
  // The ohms of the leads are known where the register has them.
  const typed = withLeads(measure, used.leadZero, own);
  const kept = useKeptLimits(machine);
  const [limits, setLimits] = useState<Readonly<Record<string, string>>>({});
  const otherLimits = { ...kept.typed(test.id, measure.id), ...limits };
  const others = readLimits(measure, otherLimits);
  const { judged, problems } = judgeMeasure(measure, typed, {
    limits: bench.limits,
    ...others.around,
    ...(others.around.limits === undefined && { limits: bench.limits }),
    instruments: used.instruments,
  });
  const view = sayJudged(measure, judged, units);
  const asks = measure.asks.filter((a) => isAnswered(a.when, (id) => typed[id]));
  const { verdict } = judged;
  const read = measure.asks.find((a) => a.id === bench.reads);
  const raw = readAsk(typed[bench.reads] ?? '', read as Extract<typeof read, { kind: 'number' }>);
  const reading: Reading | undefined =
    raw.ok && (raw.value.kind === 'open' || bench.entersAsRead)
      ? raw.value
      : judged.x && measure.dimension && { kind: 'value', value: judged.x.value, dimension: measure.dimension };
  const enter = (): void => {
    if (verdict === 'repeat' || !reading) return;
    const given = Object.fromEntries(Object.entries(typed).filter(([, value]) => value !== ''));
    onJudged({
      reading,
      typed: formatReading(reading, units),
      judged: { test: test.id, measure: measure.id, verdict, u: bench.entersAsRead ? 0 : (judged.x?.u ?? 0), given },
    });
  };
  return (
    <Dialog
      title={`${title}: judged`}
      action="Into the call as evidence"
      ready={verdict !== 'repeat' && reading !== undefined}
      onAction={enter}
      onClose={onClose}
      width={920}
    >
      <div className={styles.judge}>
        <AskForm
          asks={asks}
          typed={typed}
          problems={problems}
          onType={(id, value) => setTyped({ ...own, [id]: value })}
        />
        <div>
          <section className={styles.said} aria-label="Judgement" aria-live="polite">
            <VerdictMark verdict={verdict} />
            <p>
              <b>{view.word}.</b> {view.value !== '' && <b>{view.value}: </b>}
              {view.sentence}
            </p>
          </section>
          {view.band && <Band band={view.band} words={`${view.value}: ${view.word}`} />}
          {measure.dimension && (
            <Counted
              counted={view.limits?.whose}
              good={view.limits?.good}
              marginal={view.limits?.marginal}
              unit={unitOfMeasure(measure) === '' ? '' : `, ${unitOfMeasure(measure)}`}
              typed={otherLimits}
              problems={others.problems}
              onType={(id, value) => setLimits({ ...limits, [id]: value })}
            >
              {machine !== undefined && (
                <KeepLimits
                  fields={['plate', 'own']}
                  machine={machine}
                  test={test.id}
                  measure={measure.id}
                  typed={{ ...limits, source: limits['source'] ?? '' }}
                />
              )}
            </Counted>
          )}
          <SetUp measure={measure} />
        </div>
      </div>
    </Dialog>
  );
}
