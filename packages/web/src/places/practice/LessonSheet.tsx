import type { Me } from '@zetalysis/contract';
import type { LessonView } from '@zetalysis/core/presentation';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Failure } from '../../kit/Failure';
import { Page } from '../../kit/Page';
import { Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import { useSend } from '../../store/use-outbox';
import { forgetExercise, keepEnded } from '../../store/practice';
import { BeliefChart } from './BeliefChart';
import styles from './Lesson.module.css';
import { goBackTo, type Standing } from './use-stand';

interface Props {
  readonly me: Me;
  readonly code: string;
  readonly level: number;
  readonly standing: Standing;
  /** It is somebody else’s: looked at, and neither kept nor played on. */
  readonly others: boolean;
}

/** What each move was worth, what was believed wrongly, and how the engine would have gone about it. */
export function LessonSheet({ me, code, level, standing, others }: Props) {
  const [lesson, setLesson] = useState<LessonView>();
  const [problem, setProblem] = useState<string>();
  const { lesson: ask } = standing;
  const send = useSend();
  useEffect(() => {
    let here = true;
    ask()
      .then((found) => {
        if (!here) return;
        setLesson(found);
        if (others) return;
        const { mark, planned, misconceptions } = found;
        keepEnded(me.name, {
          code,
          level,
          title: found.title,
          at: new Date().toISOString(),
          mark: mark.total,
          proved: mark.proved,
          critical: mark.critical.length > 0,
          minutes: mark.minutes,
          planned: planned.minutes,
          confused: [...new Set([...mark.inVain, ...misconceptions.flatMap(({ part }) => part ?? [])])],
        });
        void send();
      })
      .catch((error: unknown) => here && setProblem((error as Error).message));
    return () => {
      here = false;
    };
    // Once for each exercise.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [code]);
  if (problem !== undefined)
    return (
      <Failure title="The lesson cannot be worked out" problem={problem}>
        Your moves are kept. <Link to="/practice">Practice</Link>
      </Failure>
    );
  if (!lesson) return <Waiting>Going through your moves…</Waiting>;
  const { mark } = lesson;
  const testing = lesson.moves.filter((m) => !m.proof);
  return (
    <Page
      title={lesson.title}
      about={lesson.summary}
      actions={
        <p className={styles.points}>
          {mark.total}
          <small> of 100{mark.total < mark.uncapped ? `, ${mark.uncapped} without the cap` : ''}</small>
        </p>
      }
      className={styles.lesson}
    >
      <Block title="Your moves, and what could be believed" className={styles.moves}>
        <BeliefChart rows={lesson.rows} chain={lesson.chain} moves={testing} />
      </Block>
      <div className={styles.side}>
        <Block title="Mark">
          <ol className={styles.shares}>
            {lesson.shares.map(({ title, got, of }) => (
              <li key={title}>
                <span>{title}</span>
                <b>
                  {Math.round(got)} of {of}
                </b>
                <meter min={0} max={of} value={got} aria-label={title} />
              </li>
            ))}
          </ol>
          {mark.caps.map(({ words, at }) => (
            <p key={words} className={styles.cap}>
              Held at {at}: {words}
            </p>
          ))}
          <p className="fine">
            {counted(mark.tests, 'test')}, {lesson.wasted} that told nothing new; {counted(mark.parts, 'part')} fitted;{' '}
            {counted(mark.hints, 'hint')}. The planner: {counted(lesson.planned.tests, 'test')} in{' '}
            {Math.round(lesson.planned.minutes)} minutes
            {lesson.knowing !== undefined && `; who knows needs ${Math.round(lesson.knowing)} minutes of tests`}.
          </p>
        </Block>
        {lesson.misconceptions.length > 0 && (
          <Block title="What was not so">
            {lesson.misconceptions.map((m) => (
              <p key={`${m.id} ${m.move}`} className={styles.not}>
                <b>{m.title}</b> {m.lesson} <span className="fine">({lesson.moves[m.move]?.words})</span>
              </p>
            ))}
          </Block>
        )}
        <Block title="What it was">
          <p>{lesson.truth}</p>
          <details>
            <summary>The true run beside the book’s</summary>
            <Table
              label="Steps, seconds after the call"
              rows={lesson.run}
              keyOf={({ title }) => title}
              empty="It does nothing, and it should do nothing."
              columns={[
                { title: 'Step', cell: ({ title }) => title },
                { title: 'Here, s', figures: true, cell: ({ here }) => secondsOf(here) },
                { title: 'Book, s', figures: true, cell: ({ book }) => secondsOf(book) },
              ]}
            />
          </details>
          <details>
            <summary>The planner’s way</summary>
            <ol className={styles.planned}>
              {lesson.planned.moves.map((m) => (
                <li key={m.move}>{m.words}</li>
              ))}
            </ol>
          </details>
        </Block>
        <p className={styles.actions}>
          <Link to={`/practice?level=${level}`}>Another exercise</Link>
          {!others && (
            <>
              <Choice
                label="Play on from"
                labelHidden
                placeholder="Play on from a move…"
                value={undefined}
                options={testing.map((m) => ({ value: String(m.move), label: m.words }))}
                onChange={(move) => {
                  goBackTo(me.name, code, Number(move));
                  location.reload();
                }}
              />
              <Button
                onClick={() => {
                  forgetExercise(me.name, code);
                  location.reload();
                }}
              >
                Play it again
              </Button>
            </>
          )}
        </p>
      </div>
    </Page>
  );
}

const secondsOf = (at: number | undefined): string => (at === undefined ? 'never' : at.toFixed(0));

const counted = (n: number, of: string): string => `${n} ${of}${n === 1 ? '' : 's'}`;
