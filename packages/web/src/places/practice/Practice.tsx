import type { Me } from '@zetalysis/contract';
import { confusedIn, LEVELS, PASS, profileFor, progressOf, readExerciseCode } from '@zetalysis/core/practice';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useProfiles } from '../../api/queries';
import { Strand, StrandRow } from '../../diagrams/Strand';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choice } from '../../kit/Choice';
import { Empty } from '../../kit/Empty';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { profileSource } from '../../store/profiles';
import styles from './Practice.module.css';
import { SetExercise } from './SetExercise';
import { FromCall } from './FromCall';
import { Learners } from './Learners';
import { usePractised } from './use-practised';
import { newSeed, startPractice } from './use-stand';

const ANY = 'any';

/** The course: eight levels, how one stands at each, and the next exercise. */
export default function Practice({ me }: { me: Me }) {
  const profiles = useProfiles();
  const go = useNavigate();
  const [query] = useSearchParams();
  const { played, open, signed, set, all } = usePractised(me);
  const call = query.get('call');
  const progress = progressOf(played);
  const first = progress.find((p) => !p.passed)?.level ?? 7;
  const [level, setLevel] = useState(Number(query.get('level') ?? first));
  const [family, setFamily] = useState<string>(ANY);
  const [link, setLink] = useState('');
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const begin = async (): Promise<void> => {
    setBusy(true);
    setProblem(undefined);
    const { api, end } = startPractice();
    try {
      const known = (profiles.data ?? []).map((p) => p.id);
      const seed = newSeed();
      const profile = family === ANY ? profileFor(level, seed, known) : family;
      const code = await api.draw({ level, seed, profile }, await profileSource(profile), confusedIn(played));
      void go(`/practice/${code}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    } finally {
      end();
    }
  };
  const follow = (): void => {
    const code = link.trim().split('/').at(-1) ?? '';
    const exercise = readExerciseCode(code);
    if ('problem' in exercise) return setProblem(exercise.problem);
    void go(`/practice/${code}`);
  };
  return (
    <Page
      title="Practice"
      about="The same appliances with something hidden in them. Nothing here is live, and nothing here unlocks work on real ones: a lead does, after work beside somebody."
      className={styles.practice}
    >
      <Strand aria-label="Levels">
        {LEVELS.map(({ level: n, title, about }) => {
          const p = progress[n]!;
          return (
            <StrandRow key={n} state={p.passed ? 'lit' : n === level ? 'clock' : 'open'}>
              <button type="button" className={styles.level} aria-pressed={n === level} onClick={() => setLevel(n)}>
                <b>
                  {n} {title}
                </b>
                <span>{about}</span>
                <small>
                  {p.passed
                    ? `Passed: ${p.played} played${signed.some((s) => s.level === n) ? ', signed off' : ''}`
                    : p.played === 0
                      ? 'Not begun'
                      : `${p.inARow} in a row of ${PASS.inARow}; still: ${p.missing.join('; ')}`}
                </small>
              </button>
            </StrandRow>
          );
        })}
      </Strand>
      <div className={styles.side}>
        <Block title={`Level ${level}: ${LEVELS[level]!.title}`}>
          <p>{LEVELS[level]!.about}</p>
          <Choice
            label="On which appliance"
            value={family}
            options={[
              { value: ANY, label: 'Whichever comes' },
              ...(profiles.data ?? []).map((p) => ({ value: p.id, label: p.title })),
            ]}
            onChange={setFamily}
          />
          <Button tone="main" loading={busy} disabled={!profiles.data} onClick={() => void begin()}>
            Begin an exercise
          </Button>
          {problem !== undefined && <Notice kind="danger">{problem}</Notice>}
          <Field
            label="Or one that somebody gave you: its link"
            value={link}
            onChange={setLink}
            placeholder="/practice/4.…"
          />
          <Button onClick={follow} disabled={link.trim() === ''}>
            Go there
          </Button>
        </Block>
        {set.length > 0 && (
          <Block title="Set for you" note={`${set.length}`}>
            <ul className={styles.list}>
              {set.map((s) => (
                <li key={s.id}>
                  <Link to={`/practice/${s.code}`}>
                    {profiles.data?.find((p) => s.code.endsWith(`.${p.id}`))?.title ?? s.code}, level {s.code[0]}
                  </Link>{' '}
                  by {s.by}
                  {s.words !== '' && `: ${s.words}`}
                </li>
              ))}
            </ul>
          </Block>
        )}
        {call !== null && <FromCall key={call} call={call} />}
        {me.role === 'lead' && profiles.data && <SetExercise level={level} profiles={profiles.data} />}
        {open.length > 0 && (
          <Block title="Begun, not ended" note={`${open.length}`}>
            <ul className={styles.list}>
              {open.map((e) => (
                <li key={e.code}>
                  <Link to={`/practice/${e.code}`}>
                    {profiles.data?.find((p) => e.code.endsWith(`.${p.id}`))?.title ?? e.code}, level {e.code[0]}
                  </Link>{' '}
                  {Math.round(e.clock / 60_000)} min used
                </li>
              ))}
            </ul>
          </Block>
        )}
        <Block title="Played" note={`${played.length}`}>
          {played.length === 0 && <Empty>Nothing yet. The first level asks only for eyes and ears.</Empty>}
          <ol className={styles.list}>
            {played
              .slice(-12)
              .reverse()
              .map((e) => (
                <li key={e.code + e.at}>
                  <b>{e.mark}</b> <Link to={`/practice/${e.code}`}>{e.title}</Link>, level {e.level}
                  {e.critical && ', a critical act'}
                </li>
              ))}
          </ol>
        </Block>
      </div>
      {me.role === 'lead' && all && <Learners standing={all} />}
    </Page>
  );
}
