import { useState } from 'react';
import { evidenceFor, type FactValue, factWith, missingEvidence, type StandingStop } from '@zetalysis/core/rules';
import { type EventBody, orderBodies } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Choices } from '../../../kit/Choices';
import { Field } from '../../../kit/Field';
import { Claims } from './Claims';
import { FactAnswer } from './FactAnswer';
import styles from './StopScreen.module.css';
import { useRules } from './use-rules';
import type { CallView } from '@zetalysis/core/presentation';

interface Props {
  readonly setup: CallView['setup'];
  readonly onBodies: (bodies: readonly EventBody[]) => void;
}

const time = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', second: '2-digit', hour12: false });

const GRADES = { out: 'Everybody out', off: 'It stays off', hold: 'Hold' } as const;

/** A stop takes the whole screen: what to do in order, who may end it, and on what. Graver ones come first. */
export function StopScreen({ setup, onBodies }: Props) {
  const { followed } = useRules();
  const [first, ...others] = followed.stops;
  /** The stop whose screen was put away for what may be done meanwhile. */
  const [away, setAway] = useState<StandingStop['since']>();
  if (!first || followed.ending !== undefined) return null;
  if (away === first.since)
    return (
      <div className={styles.band} role="alert">
        <strong>STOP: {first.stop.title}.</strong> <span>Only: {first.stop.meanwhile}</span>
        <Button tone="alarm" onClick={() => setAway(undefined)}>
          Back to the stop
        </Button>
      </div>
    );
  return (
    <div
      className={styles.screen}
      role="alertdialog"
      aria-label={`Stop: ${first.stop.title}`}
      data-stop={first.stop.id}
    >
      <div className={styles.sheet}>
        <p className={styles.word}>STOP</p>
        <h2>
          {first.stop.title}
          {first.about !== undefined && `: ${first.about}`}
        </h2>
        <p className={styles.since}>
          <strong>{GRADES[first.grade]}.</strong> In the log since {time.format(new Date(first.since))}
          {first.person !== '' && `, by ${first.person}`}.
        </p>
        <Orders key={first.stop.id} standing={first} setup={setup} onBodies={onBodies} />
        <p className={styles.meanwhile}>
          Meanwhile: {first.stop.meanwhile}{' '}
          {first.stop.allows.length > 0 && first.orders.every(({ answer }) => answer !== undefined) && (
            <Button tone="quiet" onClick={() => setAway(first.since)}>
              Go on with that
            </Button>
          )}
        </p>
        <End key={`end ${first.stop.id}`} standing={first} onBodies={onBodies} />
        <Claims onBody={(body) => onBodies([body])} />
        {others.length > 0 && (
          <p className={styles.meanwhile}>Waiting below: {others.map(({ stop }) => stop.title).join(' · ')}</p>
        )}
      </div>
    </div>
  );
}

/** The orders one by one: those that were answered, the one to follow now, and the rest. */
function Orders({ standing, setup, onBodies }: Props & { readonly standing: StandingStop }) {
  const { followed } = useRules();
  const { stop, orders } = standing;
  const now = orders.findIndex(({ answer }) => answer === undefined);
  const [why, setWhy] = useState<string>();
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const answer = (given: 'done' | 'cannot', said: string): void => {
    const { order } = orders[now]!;
    onBodies(orderBodies(stop.id, order, given, said, setup));
    setWhy(undefined);
    setWords('');
    setProblem(undefined);
  };
  return (
    <ol className={styles.orders}>
      {orders.map(({ order, answer: given }, i) => {
        const state = given ?? (i === now ? 'now' : 'later');
        return (
          <li key={order.id} data-state={state} aria-current={state === 'now' ? 'step' : undefined}>
            <span>
              {order.sentence} {given !== undefined && <em>{given === 'done' ? 'done ✓' : 'cannot ✗'}</em>}
            </span>
            {state === 'now' && why === undefined && (
              <span className={styles.answers}>
                {order.wants && 'fact' in order.wants ? (
                  <FactAnswer
                    fact={factWith(order.wants.fact)!}
                    onAnswer={(value: FactValue, body) => {
                      onBodies([body, ...orderBodies(stop.id, order, 'done', String(value), setup)]);
                    }}
                  />
                ) : (
                  <>
                    {order.wants && 'words' in order.wants && (
                      <Field
                        label={order.wants.words}
                        maxLength={200}
                        value={words}
                        problem={problem}
                        onChange={setWords}
                      />
                    )}
                    <Button
                      tone="main"
                      onClick={() =>
                        order.wants && words.trim() === ''
                          ? setProblem(`Write it: ${'words' in order.wants ? order.wants.words : ''}.`)
                          : answer('done', words.trim())
                      }
                    >
                      Done
                    </Button>
                  </>
                )}
                <Button tone="quiet" onClick={() => setWhy('')}>
                  Cannot
                </Button>
              </span>
            )}
            {state === 'now' && why !== undefined && (
              <span className={styles.answers}>
                <Field label="Why it cannot be done" maxLength={200} value={why} problem={problem} onChange={setWhy} />
                <Button
                  onClick={() =>
                    why.trim() === '' ? setProblem('Write why it cannot be done.') : answer('cannot', why.trim())
                  }
                >
                  Cannot: go on
                </Button>
              </span>
            )}
          </li>
        );
      })}
      {now < 0 && <li data-state="all">All are answered.</li>}
      {followed.unable.length > 0 && <li data-state="told">The lead is told what could not be shut off.</li>}
    </ol>
  );
}

const ENDERS = { anyone: 'Anybody', technician: 'A technician', lead: 'A lead' } as const;

/** Who may end the stop, on what, and the form for it; what was claimed without the right waits. */
function End({ standing, onBodies }: Pick<Props, 'onBodies'> & { readonly standing: StandingStop }) {
  const { followed } = useRules();
  const [asked, setAsked] = useState(false);
  const [given, setGiven] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string>();
  const { stop, endedBy, since } = standing;
  const lines = evidenceFor(stop, followed.c.family);
  const waiting = followed.claims.some(({ what }) => what.type === 'stop-ended' && what.stop === stop.id);
  const who = `${ENDERS[endedBy.role]}${endedBy.grant === undefined ? '' : ` with the grant “${endedBy.grant}”`} ends it`;
  const evidence = (): Record<string, FactValue> =>
    Object.fromEntries(
      lines.flatMap(({ id, is }): [string, FactValue][] => {
        const typed = given[id]?.trim() ?? '';
        if (typed === '') return [];
        return [[id, typeof is === 'object' && 'unit' in is ? Number(typed.replace(',', '.')) : typed]];
      }),
    );
  const end = (): void => {
    const missing = missingEvidence(stop, since, evidence(), followed.c);
    if (missing.length > 0)
      return setProblem(`Still missing, or not within its limit: ${missing.map((l) => l.ask).join('; ')}.`);
    setProblem(undefined);
    setAsked(false);
    onBodies([{ type: 'stop-ended', stop: stop.id, evidence: evidence() }]);
  };
  const raised = standing.raisedBy.at(-1);
  return (
    <div className={styles.end}>
      <p>
        {who}, on: {lines.map(({ ask }) => ask).join(' · ')}. {stop.afterwards}
      </p>
      {waiting && <p role="status">Claimed to be over: it waits for a countersignature, and the stop stays.</p>}
      {asked ? (
        <div className={styles.evidence} role="group" aria-label="What it ends on">
          {lines.map((line) => {
            if (typeof line.is === 'object' && ('minutes' in line.is || 'need' in line.is)) {
              const met = !missingEvidence(stop, since, {}, followed.c).includes(line);
              return (
                <p key={line.id} className={styles.line}>
                  {met ? '✓' : '○'} {line.ask}
                </p>
              );
            }
            if (line.is === 'tick')
              return (
                <Choices key={line.id} label={line.ask}>
                  <Button
                    aria-pressed={given[line.id] === 'yes'}
                    onClick={() => setGiven({ ...given, [line.id]: given[line.id] === 'yes' ? '' : 'yes' })}
                  >
                    {given[line.id] === 'yes' ? '✓ ' : '○ '}
                    {line.ask}
                  </Button>
                </Choices>
              );
            return (
              <Field
                key={line.id}
                label={line.ask}
                maxLength={300}
                value={given[line.id] ?? ''}
                onChange={(value) => setGiven({ ...given, [line.id]: value })}
              />
            );
          })}
          {problem !== undefined && (
            <p role="alert" className="problem">
              {problem}
            </p>
          )}
          <Button tone="alarm" onClick={end}>
            It is over
          </Button>
          <Button tone="quiet" onClick={() => setAsked(false)}>
            Not yet
          </Button>
        </div>
      ) : (
        <span className={styles.answers}>
          <Button onClick={() => setAsked(true)}>It is over…</Button>
          {raised !== undefined && raised !== '' && (
            <Button tone="quiet" onClick={() => onBodies([{ type: 'retracted', event: raised }])}>
              It was not so: take it back
            </Button>
          )}
        </span>
      )}
    </div>
  );
}
