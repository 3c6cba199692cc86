import { ageAt } from '@zetalysis/core/history';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Paper, quotePaper, quoteProblem } from '@zetalysis/report';
import { http } from '../../api/http';
import { Button } from '../../kit/Button';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import styles from './ReportPage.module.css';
import type { ForPaper } from './use-report';

interface Props {
  readonly made: ForPaper;
  readonly onQuote: (paper: Paper) => void;
}

const numberOf = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

/** What goes into a quote: the part, what it costs, and how long it takes; the rate and the history are known. */
export function QuoteForm({ made: { report, around, settings, machine }, onQuote }: Props) {
  const needed = report.handover.needed[0]?.what;
  const [part, setPart] = useState(needed ?? '');
  const [price, setPrice] = useState('');
  const [minutes, setMinutes] = useState('60');
  const [problem, setProblem] = useState<string>();
  const life = useQuery({
    queryKey: ['life', machine],
    enabled: machine !== undefined,
    queryFn: () => http('GET /machines/:id/calls', { params: { id: machine! } }),
  });
  if (settings.hour === null)
    return (
      <Notice kind="caution">
        Nobody said yet what an hour costs. A lead or an admin sets it <Link to="/me">at their name</Link>.
      </Notice>
    );
  const hour = settings.hour;
  const write = (e: React.FormEvent): void => {
    e.preventDefault();
    const given = { part, price: numberOf(price), minutes: numberOf(minutes) };
    const wrong = quoteProblem(given);
    setProblem(wrong);
    if (wrong !== undefined) return;
    const calls = life.data ?? [];
    onQuote(
      quotePaper(report, around, {
        ...given,
        part: part.trim(),
        hour,
        currency: settings.currency,
        age: ageAt(around.machine?.made, new Date()),
        calls: calls.length,
        breaks: calls.filter((c) => c.overview.record !== null && c.overview.record.part !== 'none').length,
      }),
    );
  };
  return (
    <form className={styles.papers} onSubmit={write}>
      <Field label="Part" maxLength={200} value={part} problem={problem} onChange={setPart} />
      <Field label={`It costs (${settings.currency})`} maxLength={12} value={price} onChange={setPrice} />
      <Field label="Minutes of work" maxLength={6} value={minutes} onChange={setMinutes} />
      <Button htmlType="submit">Write the quote</Button>
    </form>
  );
}
