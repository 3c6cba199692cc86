import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Colleague, PracticeStanding } from '@zetalysis/contract';
import { LEVELS, progressOf } from '@zetalysis/core/practice';
import { useState } from 'react';
import { Link } from 'react-router';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Chart } from '../../kit/Chart';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Table } from '../../kit/Table';
import styles from './Practice.module.css';
import { PRACTICE_KEY } from './use-practised';

interface Props {
  readonly standing: PracticeStanding;
}

/** For who teaches: how everybody stands at each level, one person’s marks over time, and levels signed off. */
export function Learners({ standing }: Props) {
  const people = useQuery({ queryKey: ['people'], queryFn: () => http('GET /people') });
  const [person, setPerson] = useState<string>();
  const learners = (people.data ?? []).filter(({ role, disabled }) => role !== 'admin' && !disabled);
  const who = learners.find(({ id }) => id === person);
  const of = (id: string) => standing.results.filter((r) => r.person === id);
  return (
    <Block title="Learners" note={`${standing.results.length} played`} className={styles.learners}>
      <Table
        label="Everybody, level by level"
        rows={learners}
        keyOf={({ id }) => id}
        empty="Nobody works here yet."
        columns={[
          { title: 'Name', cell: ({ fullName }) => fullName },
          ...LEVELS.map(({ level, title }) => ({
            title: String(level),
            cell: ({ id }: Colleague) => <Cell id={id} level={level} title={title} standing={standing} />,
          })),
        ]}
      />
      <Choice
        label="Look closer at"
        value={person}
        placeholder="Somebody…"
        options={learners.map(({ id, fullName }) => ({ value: id, label: fullName }))}
        onChange={setPerson}
      />
      {who && <Learner who={who} results={of(who.id)} />}
    </Block>
  );
}

function Cell({
  id,
  level,
  title,
  standing,
}: {
  readonly id: string;
  readonly level: number;
  readonly title: string;
  readonly standing: PracticeStanding;
}) {
  const { passed, played, inARow } = progressOf(standing.results.filter((r) => r.person === id))[level]!;
  if (standing.signed.some((s) => s.person === id && s.level === level))
    return (
      <b title={`${title}: signed off`}>
        <abbr>✓✓</abbr>
      </b>
    );
  if (passed) return <b title={`${title}: passed`}>✓</b>;
  return <span title={title}>{played === 0 ? '–' : `${inARow}/5`}</span>;
}

function Learner({ who, results }: { readonly who: Colleague; readonly results: PracticeStanding['results'] }) {
  const queries = useQueryClient();
  const [words, setWords] = useState('');
  const [level, setLevel] = useState<string>();
  const signing = useMutation({
    mutationFn: (of: number) =>
      http('POST /practice/signed', { body: { person: who.id, level: of, words: words.trim() } }),
    onSuccess: (now) => queries.setQueryData(PRACTICE_KEY, now),
  });
  const points = results.map(({ mark }, i) => ({ x: i + 1, y: mark }));
  const pace = results.map(({ minutes, planned }, i) => ({
    x: i + 1,
    y: Math.min(100, Math.round((100 * planned) / Math.max(minutes, 0.1))),
  }));
  return (
    <div className={styles.learner}>
      {points.length > 1 && (
        <Chart
          title={`Marks of ${who.fullName}; dashed: the planner’s minutes by theirs, per cent`}
          unit="of 100"
          across="exercise"
          points={points}
          beside={[{ title: 'pace', points: pace }]}
        />
      )}
      <ol className={styles.list}>
        {results
          .slice(-8)
          .reverse()
          .map((r) => (
            <li key={r.id}>
              <b>{r.mark}</b> <Link to={`/practice/${r.code}?of=${r.id}`}>{r.title}</Link>, level {r.level}
              {r.critical && ', a critical act'}
            </li>
          ))}
      </ol>
      {results.length === 0 && <p>{who.fullName} has not played yet.</p>}
      <Field label="What was seen beside somebody" value={words} onChange={setWords} maxLength={200} />
      <Choice
        label="Level to sign off"
        value={level}
        placeholder="Sign off…"
        options={LEVELS.map(({ level: n, title }) => ({ value: String(n), label: `${n} ${title}` }))}
        onChange={setLevel}
      />
      <Button loading={signing.isPending} disabled={level === undefined} onClick={() => signing.mutate(Number(level))}>
        Sign it off
      </Button>
      {signing.isError && <Notice kind="danger">{signing.error.message}</Notice>}
      {signing.isSuccess && <p role="status">Signed off.</p>}
      <p className="fine">
        This unlocks nothing on real machines: what somebody may do there is granted under{' '}
        <Link to="/people">People</Link>, after work beside somebody.
      </p>
    </div>
  );
}
