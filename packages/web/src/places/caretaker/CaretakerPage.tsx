import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { dutyWith } from '@zetalysis/core/upkeep';
import { http } from '../../api/http';
import { today } from '../../api/today';
import { AntTheme } from '../../kit/AntTheme';
import { Button } from '../../kit/Button';
import { Failure } from '../../kit/Failure';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';
import styles from './CaretakerPage.module.css';

/** The weekly test of one machine, for whoever looks after the house: no account, one form. */
export default function CaretakerPage() {
  const { secret } = useParams<{ secret: string }>();
  const form = useQuery({
    queryKey: ['caretaker', secret],
    queryFn: () => http('GET /caretaker/:secret', { params: { secret: secret! } }),
    gcTime: 0,
  });
  const [by, setBy] = useState('');
  const [words, setWords] = useState('');
  const [day, setDay] = useState(today);
  const [problem, setProblem] = useState<string>();
  const fill = useMutation({
    mutationFn: (result: 'good' | 'bad') =>
      http('POST /caretaker/:secret', {
        params: { secret: secret! },
        body: { day, result, by: by.trim(), words: words.trim() },
      }),
  });
  const say = (result: 'good' | 'bad'): void => {
    if (by.trim() === '') return setProblem('Write your name, then press it again.');
    setProblem(undefined);
    fill.mutate(result);
  };
  if (form.error)
    return (
      <Failure title="This form cannot be shown" problem={form.error.message}>
        <p>Until then: do the test all the same, write it down, and phone the shop if the burner does not go out.</p>
      </Failure>
    );
  if (!form.data) return <Waiting>One moment…</Waiting>;
  const { machine, shop, duty, last } = form.data;
  const { title, how, caution } = dutyWith(duty)!;
  const result = fill.data?.last?.result;
  return (
    <AntTheme>
      <main className={styles.form}>
        <p className="fine">{shop.name}</p>
        <h1>{machine}</h1>
        <h2>{title}</h2>
        {fill.data ? (
          <Answer result={result ?? 'good'} shop={shop} />
        ) : (
          <>
            {caution !== undefined && <Notice kind="caution">{caution}</Notice>}
            <p>{how}</p>
            {last && (
              <p className="fine">
                Last time: {last.day}, {last.result}.
              </p>
            )}
            <Field label="Your name" maxLength={80} value={by} problem={problem} onChange={setBy} />
            <Field label="Day" type="date" value={day} onChange={setDay} />
            <Field label="What was seen (if you like)" maxLength={400} value={words} onChange={setWords} />
            {fill.error && <Notice kind="problem">{fill.error.message}</Notice>}
            <div className={styles.answers}>
              <Button tone="main" loading={fill.isPending} onClick={() => say('good')}>
                The burner went out
              </Button>
              <Button tone="alarm" loading={fill.isPending} onClick={() => say('bad')}>
                It did not, or I am not sure
              </Button>
            </div>
          </>
        )}
      </main>
    </AntTheme>
  );
}

interface AnswerProps {
  readonly result: 'good' | 'bad';
  readonly shop: { readonly name: string; readonly address: string };
}

/** What is to be done now. */
const Answer = ({ result, shop }: AnswerProps) =>
  result === 'bad' ? (
    <Notice kind="danger" more={<p>{`${shop.name}. ${shop.address}`}</p>}>
      Burner off at its switch, and leave it off. Do not fill water into a hot boiler. Phone us now.
    </Notice>
  ) : (
    <p role="status">
      <b>Thank you, it is written down.</b> Let the level come back, and see that the burner lights again.
    </p>
  );
