import type { CSSProperties } from 'react';
import {
  type CallView,
  COMPLAINT_WORDS,
  type Drawing,
  instructionWords,
  type TestView,
} from '@zetalysis/core/presentation';
import { uncapital } from '@zetalysis/core/units';
import type { Complaint } from '@zetalysis/core/question';
import { telephoneList } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Cautions } from '../../kit/Cautions';
import { Choices } from '../../kit/Choices';
import { Dialog } from '../../kit/Dialog';
import { chosen } from './next/chosen';
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

/** Before the visit: what to say and ask on the telephone, what the owner looks at, who is suspected, what to load. */
export default function Triage({ drawing, view, tests, onBody, onClose }: Props) {
  return (
    <Dialog title="Before the visit" close="At the machine" onClose={onClose} width={1200}>
      <div className={styles.triage}>
        <div>
          <Safety gas={drawing.gas} onBody={onBody} />
          <Complaints view={view} onBody={onBody} />
          <History view={view} onBody={onBody} />
        </div>
        <TheOwnerLooks view={view} tests={tests ?? []} onBody={onBody} />
        <div>
          <section aria-label="First suspects">
            <h3>First suspects</h3>
            <ol className={styles.suspects}>
              {view.suspects.slice(0, 4).map((s) => (
                <li key={s.repair} title={s.words}>
                  <span>{s.brief}</span> <strong>{percent(s.probability)}</strong>
                  <i style={{ '--share': percent(s.probability).replace(' ', '') } as CSSProperties} />
                </li>
              ))}
            </ol>
          </section>
          <Van carry={view.carry} />
        </div>
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

const Complaints = ({ view, onBody }: Pick<Props, 'view' | 'onBody'>) => (
  <section aria-label="Complaint">
    <h3>What is wrong?</h3>
    <Choices label="Complaint">
      {(Object.entries(COMPLAINT_WORDS) as [Complaint, string][]).map(([id, words]) => (
        <Button key={id} aria-pressed={view.told === id} onClick={() => onBody({ type: 'told', complaint: id })}>
          {words}
        </Button>
      ))}
    </Choices>
  </section>
);

/** Since when, how often, what the bill says, who was at it. */
function History({ view, onBody }: Pick<Props, 'view' | 'onBody'>) {
  const { followed } = useRules();
  return (
    <section aria-label="History">
      <h3>Since when, how often</h3>
      {telephoneList(followed.c.family)
        .filter(({ group }) => group === 'history')
        .map((q) => (
          <div key={q.id} className={styles.row} role="group" aria-label={q.ask} title={q.why}>
            <span>{q.ask}</span>
            {q.answers.map(({ id, title }) => (
              <Button
                key={id}
                aria-pressed={view.telephone[q.id] === id}
                onClick={() => {
                  onBody({ type: 'by-telephone', asked: q.id, answer: id });
                  // What comes and goes is stayed with longer after the repair.
                  if (q.id === 'often' && id === 'some-days')
                    onBody({ type: 'fact', fact: 'showed', value: 'came-and-went' });
                }}
              >
                {title}
              </Button>
            ))}
          </div>
        ))}
    </section>
  );
}

/** Questions of the engine on the telephone, the best first. */
const ASKED = 3;
const SIGNS: Readonly<Record<string, string>> = { yes: '✓', no: '×', unknown: '?' };

/** What the owner can look at: first what the engine asks, for it moves the suspects; then the list of the family. */
function TheOwnerLooks({ view, tests, onBody }: Pick<Props, 'view' | 'onBody'> & { tests: readonly TestView[] }) {
  const { followed } = useRules();
  const list = telephoneList(followed.c.family).filter(({ group }) => group === 'owner');
  return (
    <section aria-label="Questions">
      <h3>
        The owner looks for us{' '}
        <span className="fine">
          {list.filter(({ id }) => view.telephone[id] !== undefined).length} of {list.length} asked
        </span>
      </h3>
      {tests
        .filter((t) => t.byTelephone)
        .slice(0, ASKED)
        .map((q) => (
          <div key={q.id} className={styles.asked}>
            <p>{instructionWords(q.instruction)}</p>
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
      <div className={styles.owner}>
        {list.map((q) => (
          <div key={q.id} role="group" aria-label={q.ask}>
            <span>
              {q.ask}
              <small>{q.why}</small>
            </span>
            {q.answers.map(({ id, title }) => (
              <Button
                key={id}
                aria-label={title}
                aria-pressed={view.telephone[q.id] === id}
                onClick={() => onBody({ type: 'by-telephone', asked: q.id, answer: id })}
              >
                {SIGNS[id]}
              </Button>
            ))}
          </div>
        ))}
      </div>
      <p className={styles.never}>
        The owner opens nothing, measures nothing, resets nothing. What cannot be seen safely is left for the visit.
      </p>
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

const Van = ({ carry }: Pick<CallView, 'carry'>) => (
  <section aria-label="Load into the van">
    <h3>Load into the van</h3>
    {carry.length === 0 ? (
      <p>No part stands out. Take the meter, the manometer and the cleaning things.</p>
    ) : (
      <ul className={styles.load}>
        {carry.map((c) => (
          <li key={c.part}>
            <strong>{c.title}</strong>
            <small>
              {percent(c.share)}: {uncapital(c.why)}
            </small>
          </li>
        ))}
      </ul>
    )}
    <p className="fine">By assumed fault rates, until the shop’s own record replaces them.</p>
  </section>
);
