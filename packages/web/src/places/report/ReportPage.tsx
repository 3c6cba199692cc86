import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Me } from '@zetalysis/contract';
import { customerPaper, handoverPaper, type Paper, PaperSheet, technicalPaper } from '@zetalysis/report';
import '@zetalysis/report/paper.css';
import { saveFile } from '../../api/download';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { useCall } from '../../store/use-call';
import { useStandard } from '../../theme/use-standard';
import { QuoteForm } from './QuoteForm';
import styles from './ReportPage.module.css';
import { type ForPaper, useReport } from './use-report';

const PAPERS = {
  customer: { title: 'For the customer', of: ({ report, around }: ForPaper) => customerPaper(report, around) },
  technical: { title: 'Technical record', of: ({ report, around }: ForPaper) => technicalPaper(report, around) },
  handover: { title: 'Handover', of: ({ report, around }: ForPaper) => handoverPaper(report, around) },
} as const;
type PaperName = keyof typeof PAPERS | 'quote';
const TITLES: Readonly<Record<PaperName, string>> = {
  customer: PAPERS.customer.title,
  technical: PAPERS.technical.title,
  handover: PAPERS.handover.title,
  quote: 'Quote',
};
const NAMES = Object.keys(TITLES) as PaperName[];

/** What a call leaves on paper: looked at, printed, or taken along as PDF or HTML. Made here, without network. */
export default function ReportPage({ me }: { readonly me: Me }) {
  const { id } = useParams<{ id: string }>();
  const log = useCall(id!, me);
  const [standard] = useStandard();
  const { problem, paper } = useReport(log.events, me, standard);
  if (log.missing !== undefined) return <Notice kind="problem">{log.missing}</Notice>;
  if (problem !== undefined) return <Notice kind="problem">{problem}</Notice>;
  return paper ? <Papers id={id!} made={paper} /> : <Waiting>Writing the report…</Waiting>;
}

function Papers({ id, made }: { readonly id: string; readonly made: ForPaper }) {
  const [asked, ask] = useSearchParams();
  const name = NAMES.find((n) => n === asked.get('for')) ?? 'customer';
  const [quote, setQuote] = useState<Paper>();
  const paper = name === 'quote' ? quote : PAPERS[name].of(made);
  return (
    <Page
      title={<span className={styles.screen}>Report</span>}
      actions={<Taken paper={paper} size={made.settings.paper} call={id} caseFile={made.caseFile} />}
    >
      <nav className={styles.papers} aria-label="Papers">
        {NAMES.map((n) => (
          <Button key={n} tone="quiet" aria-pressed={n === name} onClick={() => ask({ for: n }, { replace: true })}>
            {TITLES[n]}
          </Button>
        ))}
        <Link to={`/calls/${id}/review`}>Review</Link>
      </nav>
      {name === 'quote' && <QuoteForm made={made} onQuote={setQuote} />}
      {paper && (
        <div className={styles.sheet}>
          <PaperSheet paper={paper} />
        </div>
      )}
    </Page>
  );
}

interface TakenProps {
  /** Nothing while a quote was not filled in. */
  readonly paper: Paper | undefined;
  readonly size: 'A4' | 'LETTER';
  readonly call: string;
  readonly caseFile: string | undefined;
}

/** The paper taken along: printed, or as a file. */
function Taken({ paper, size, call, caseFile }: TakenProps) {
  const [making, setMaking] = useState<'pdf' | 'html'>();
  const [problem, setProblem] = useState<string>();
  const save = async (kind: 'pdf' | 'html'): Promise<void> => {
    if (!paper) return;
    setMaking(kind);
    setProblem(undefined);
    try {
      const { pdfFile, htmlFile } = await import('./files');
      const file = await (kind === 'pdf' ? pdfFile : htmlFile)(paper, size);
      saveFile(file, `${paper.title.replaceAll(/[^\w-]+/g, '-')}.${kind}`);
    } catch (error) {
      setProblem(`The file could not be made (${(error as Error).message}). Print it instead, or try again.`);
    } finally {
      setMaking(undefined);
    }
  };
  return (
    <span className={styles.screen}>
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      <Link to={`/calls/${call}`}>Back to the call</Link>
      {caseFile !== undefined && (
        <Button
          onClick={() => saveFile(new Blob([caseFile], { type: 'application/yaml' }), `call-${call.slice(-4)}.yaml`)}
        >
          Case file
        </Button>
      )}
      <Button disabled={!paper} loading={making === 'html'} onClick={() => void save('html')}>
        HTML
      </Button>
      <Button disabled={!paper} loading={making === 'pdf'} onClick={() => void save('pdf')}>
        PDF
      </Button>
      <Button tone="main" disabled={!paper} onClick={() => print()}>
        Print
      </Button>
    </span>
  );
}
