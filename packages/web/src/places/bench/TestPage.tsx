import { useParams } from 'react-router';
import {
  COMPONENT_TESTS,
  type ComponentTest,
  isAnswered,
  judgeMeasure,
  type Judged,
  type Measure,
  readLimits,
  unitOfMeasure,
  windingCourse,
} from '@zetalysis/core/bench';
import { sayJudged, windingView } from '@zetalysis/core/presentation';
import type { Me } from '@zetalysis/contract';
import { useMeasuredWith, withLeads } from '../../instruments/mine';
import { Button } from '../../kit/Button';
import { Cautions } from '../../kit/Cautions';
import { Choices } from '../../kit/Choices';
import { Empty } from '../../kit/Empty';
import { Page } from '../../kit/Page';
import { AskForm } from '../../judging/AskForm';
import { Band } from '../../judging/Band';
import { Counted } from '../../judging/Counted';
import { KeepLimits } from '../../judging/KeepLimits';
import { useKeptLimits } from '../../judging/kept-limits';
import { SetUp } from '../../judging/SetUp';
import styles from './TestPage.module.css';
import { under, useTyped } from './use-typed';
import { VerdictMark } from '../../judging/VerdictMark';
import { WindingCourse } from '../../judging/WindingCourse';

/** One component test: how it is set up, what is read, and what that says. What was typed stands in the address. */
export default function TestPage({ me }: { me: Me }) {
  const { id } = useParams();
  const test = COMPONENT_TESTS.find((t) => t.id === id);
  if (!test) return <Empty>There is no test of that name. Go back to the Bench.</Empty>;
  return <Test key={id} test={test} me={me} />;
}

function Test({ test, me }: { readonly test: ComponentTest; readonly me: Me }) {
  const { typed, set, clear } = useTyped();
  const used = useMeasuredWith();
  const kept = useKeptLimits(undefined);
  const measure = test.measures.find((m) => m.id === typed['m']) ?? test.measures[0]!;
  const judgedOf = (m: Measure) => {
    // The ohms of the leads are known where the register has them.
    const own = withLeads(m, used.leadZero, under(typed, m.id));
    const read = readLimits(m, { ...kept.typed(test.id, m.id), ...under(own, 'limits') });
    const { judged, problems } = judgeMeasure(m, own, { ...read.around, instruments: used.instruments });
    const begun = m.asks.some((a) => (typed[`${m.id}.${a.id}`] ?? '') !== '');
    return { own, judged, problems, limits: read.problems, begun };
  };
  const all = new Map(test.measures.map((m) => [m.id, judgedOf(m)]));
  const { own, judged, problems, limits, begun } = all.get(measure.id)!;
  const asks = measure.asks.filter((a) => isAnswered(a.when, (ask) => own[ask]));
  const view = sayJudged(measure, judged, me.units);
  const course = windingCourse(measure, own, judged, used.instruments);
  const together = (test.together ?? []).filter(({ when }) =>
    Object.entries(when).every(([m, verdict]) => all.get(m)?.begun && all.get(m)?.judged.verdict === verdict),
  );
  const type = (name: string, value: string): void => set(`${measure.id}.${name}`, value);
  return (
    <Page
      title={test.title}
      about={test.question}
      tools={
        test.measures.length > 1 && (
          <Choices label="What is read">
            {test.measures.map((m) => (
              <Button key={m.id} aria-pressed={m === measure} onClick={() => set('m', m.id)}>
                {all.get(m.id)!.begun && <VerdictMark verdict={all.get(m.id)!.judged.verdict} small />}
                {m.title}
              </Button>
            ))}
          </Choices>
        )
      }
      actions={
        <>
          <Button tone="quiet" onClick={() => clear(['m'])}>
            Begin anew
          </Button>
          <Button tone="quiet" onClick={() => print()}>
            Print
          </Button>
        </>
      }
      className={styles.test}
    >
      <div className={styles.asked}>
        <AskForm asks={asks} typed={own} problems={problems} onType={type} />
      </div>
      <div className={styles.judged}>
        <section
          className={styles.head}
          aria-label="Judgement"
          aria-live="polite"
          data-verdict={begun ? judged.verdict : undefined}
        >
          {begun ? (
            <>
              <VerdictMark verdict={judged.verdict} />
              <h2>{view.word}</h2>
              <p>
                {view.value !== '' && <b>{view.value}: </b>}
                {view.sentence} {about(judged, measure)}
                {judged.notes.map((n) => (
                  <span key={n}> {n}</span>
                ))}
              </p>
            </>
          ) : (
            <p>Answer what is asked at the left: it is judged while you type.</p>
          )}
        </section>
        {view.band && (
          <Band
            band={view.band}
            words={`${view.value}: ${view.word}. Good ${view.limits?.good ?? ''}, marginal ${view.limits?.marginal ?? ''}`}
          />
        )}
        {course && <WindingCourse view={windingView(course, me.units)} />}
        {together.map((t) => (
          <p key={t.says} className={styles.together}>
            <b>Together:</b> {t.says}
          </p>
        ))}
        <div className={styles.more}>
          <section aria-label="How to set it up">
            <h2>How to set it up</h2>
            <Cautions>
              {test.cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </Cautions>
            <SetUp measure={measure} />
          </section>
          <section aria-label="What it says">
            <h2>What it proves</h2>
            <p>{measure.proves}</p>
            {measure.provesNot !== undefined && <p>{measure.provesNot}</p>}
            {measure.dimension && (
              <Counted
                counted={view.limits?.whose}
                good={view.limits?.good}
                marginal={view.limits?.marginal}
                unit={unitOfMeasure(measure) === '' ? '' : `, ${unitOfMeasure(measure)}`}
                typed={{ ...kept.typed(test.id, measure.id), ...under(own, 'limits') }}
                problems={limits}
                onType={(name, value) => type(`limits.${name}`, value)}
              >
                {(me.role === 'lead' || me.role === 'admin') && (
                  <KeepLimits
                    fields={['shop']}
                    machine={null}
                    test={test.id}
                    measure={measure.id}
                    typed={under(own, 'limits')}
                  />
                )}
              </Counted>
            )}
          </section>
        </div>
        <p className="fine">
          Local codes, the maker’s instructions and licensed practice come first. Limits without another name are common
          practice.{used.titles.length > 0 && ` Measured with ${used.titles.join(', ')}.`}
        </p>
      </div>
    </Page>
  );
}

const about = (judged: Judged, measure: Measure): string =>
  judged.verdict !== 'repeat' && judged.about !== measure.about ? `This is about: ${judged.about}.` : '';
