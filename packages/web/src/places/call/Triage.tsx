import { useState } from 'react';
import { type CallView, COMPLAINT_WORDS, type Drawing, type TestView } from '@zetalysis/core/presentation';
import type { Complaint } from '@zetalysis/core/question';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Cautions } from '../../kit/Cautions';
import { Choices } from '../../kit/Choices';
import { Dialog } from '../../kit/Dialog';
import { Field } from '../../kit/Field';
import { chosen } from './chosen';
import { percent } from './percent';
import { useRules } from './rules/use-rules';
import styles from './Triage.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly tests: readonly TestView[] | undefined;
  readonly onBody: (body: EventBody) => void;
  readonly onClose: () => void;
}

/** Before the visit: what to say on the telephone, what to ask, who is suspected, what to load into the van. */
export default function Triage({ drawing, view, tests, onBody, onClose }: Props) {
  return (
    <Dialog title="Before the visit" close="At the machine" onClose={onClose} width={900}>
      <div className={styles.triage}>
        <Safety gas={drawing.gas} onBody={onBody} />
        <Questions view={view} tests={tests ?? []} onBody={onBody} />
        <section aria-label="First suspects" className={styles.suspects}>
          <h3>First suspects</h3>
          <ol>
            {view.suspects.slice(0, 5).map((s) => (
              <li key={s.repair}>
                {percent(s.probability)} {s.words}
              </li>
            ))}
          </ol>
        </section>
        <Van carry={view.carry} />
      </div>
    </Dialog>
  );
}

const Safety = ({ gas, onBody }: { gas: boolean; onBody: Props['onBody'] }) => (
  <section aria-label="Safety first" className={styles.safety}>
    <h3>First say this</h3>
    <Cautions>
      {gas && (
        <li>
          Smell of gas, or a CO alarm? No switches, no flame, everybody out, gas shut outside if that is safe, and call
          the emergency number from outside. Nobody goes back in before it is declared safe.
        </li>
      )}
      <li>Water, scorch marks, a breaker that trips again? Leave it off until somebody has looked.</li>
      <li>Do not press a reset again and again: once is enough, and say what the light shows first.</li>
    </Cautions>
    {gas && (
      <Choices>
        <Button onClick={() => onBody({ type: 'danger', danger: 'gas' })}>They smell gas</Button>
        <Button onClick={() => onBody({ type: 'danger', danger: 'co' })}>CO alarm</Button>
      </Choices>
    )}
  </section>
);

/** Questions on the telephone, the best first. */
const ASKED = 3;

function Questions({ view, tests, onBody }: Pick<Props, 'view' | 'onBody'> & { tests: readonly TestView[] }) {
  return (
    <section aria-label="Questions" className={styles.questions}>
      <h3>What does the customer say?</h3>
      <Choices label="Complaint">
        {(Object.entries(COMPLAINT_WORDS) as [Complaint, string][]).map(([id, words]) => (
          <Button key={id} aria-pressed={view.told === id} onClick={() => onBody({ type: 'told', complaint: id })}>
            {words}
          </Button>
        ))}
      </Choices>
      <HowItShows onBody={onBody} />
      {tests
        .filter((t) => t.byTelephone)
        .slice(0, ASKED)
        .map((q) => (
          <div key={q.id}>
            <p className={styles.question}>{q.instruction}</p>
            {q.answer.kind === 'choice' && (
              <Choices label={q.title}>
                {q.answer.options.map((o) => (
                  <Button key={o.id} onClick={() => onBody(chosen(q.answer, o.id))}>
                    {o.title}
                  </Button>
                ))}
              </Choices>
            )}
          </div>
        ))}
      <ol className={styles.told}>
        {view.log
          .filter((l) => l.undoable && !l.retracted)
          .map((l) => (
            <li key={l.id}>
              {l.words}{' '}
              <Button tone="quiet" onClick={() => onBody({ type: 'retracted', event: l.id })}>
                undo
              </Button>
            </li>
          ))}
      </ol>
    </section>
  );
}

const BILLS = ['Gas bill as usual', 'Gas bill higher than usual'] as const;

/** How often (what comes and goes is stayed with longer), since when, and what the gas bill says. */
function HowItShows({ onBody }: Pick<Props, 'onBody'>) {
  const { followed } = useRules();
  const [since, setSince] = useState('');
  const showed = followed.c.said.get('showed')?.value;
  return (
    <>
      <p className={styles.question}>How often does it do that?</p>
      <Choices label="How often">
        <Button onClick={() => onBody({ type: 'note', text: 'It does that always' })}>Always</Button>
        <Button
          aria-pressed={showed === 'came-and-went'}
          onClick={() => onBody({ type: 'fact', fact: 'showed', value: 'came-and-went' })}
        >
          Now and then
        </Button>
      </Choices>
      <form
        className={styles.since}
        onSubmit={(e) => {
          e.preventDefault();
          if (since.trim() === '') return;
          onBody({ type: 'note', text: `Since when: ${since.trim()}` });
          setSince('');
        }}
      >
        <Field label="Since when?" maxLength={200} value={since} onChange={setSince} />
        <Button htmlType="submit">Note it</Button>
      </form>
      <Choices label="Gas bill">
        {BILLS.map((bill) => (
          <Button key={bill} onClick={() => onBody({ type: 'note', text: bill })}>
            {bill}
          </Button>
        ))}
      </Choices>
    </>
  );
}

const Van = ({ carry }: Pick<CallView, 'carry'>) => (
  <section aria-label="Load into the van" className={styles.van}>
    <h3>Load into the van</h3>
    {carry.length === 0 ? (
      <p>No part stands out. Take the meter, the manometer and the cleaning things.</p>
    ) : (
      <ul>
        {carry.map((c) => (
          <li key={c.part}>
            <strong>{c.title}</strong>, needed with {Math.round(c.share * 100)} %
          </li>
        ))}
      </ul>
    )}
    <p className="fine">By assumed fault rates, until the shop’s own record replaces them.</p>
  </section>
);
