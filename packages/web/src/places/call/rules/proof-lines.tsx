import { useState } from 'react';
import type { CallView } from '@zetalysis/core/presentation';
import {
  factWith,
  lineProblem,
  minutesFired,
  minutesStayed,
  offer,
  type ProofLine,
  type Range,
  stayMinutes,
} from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Field } from '../../../kit/Field';
import { clock } from '../../../kit/clock';
import { Answer } from '../next/Answer';
import { FactAnswer } from './FactAnswer';
import { NeedFirst } from './NeedFirst';
import styles from './ProofList.module.css';
import { RunTimer, startsInWords, useStarts } from './RunTimer';
import { useRules } from './use-rules';

type Said = Omit<Extract<EventBody, { type: 'proof-line' }>, 'type' | 'line' | 'answer'>;

export interface LineProps {
  readonly call: string;
  readonly line: ProofLine;
  readonly view: CallView;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly onDone: (said?: Said) => void;
}

/** A line that is done, or not. */
export function Tick({ call, line, onDone }: Pick<LineProps, 'call' | 'line' | 'onDone'>) {
  const [starts = []] = useStarts(call);
  return (
    <>
      <p>Has to come out: {line.limit}</p>
      <Button tone="main" onClick={() => onDone(timed(line, starts))}>
        Done
      </Button>
      {line.starts !== undefined && <RunTimer call={call} wanted={line.starts} />}
    </>
  );
}

/** What was timed of a run goes with its line. */
const timed = ({ starts: wanted }: ProofLine, starts: Parameters<typeof startsInWords>[0]): Said => {
  const words = wanted === undefined ? '' : startsInWords(starts);
  return words === '' ? {} : { words: `starts timed: ${words}` };
};

const numberOf = (typed: string): number | undefined =>
  typed.trim() === '' ? undefined : Number(typed.trim().replace(',', '.'));

/** A line that wants a number: within practice's limits for the fuel, or the plate's own. */
export function LineNumber({ call, line, onEvents, onDone }: LineProps) {
  const [starts = []] = useStarts(call);
  const { c } = useRules().followed;
  const { unit, fuels, plate: hasPlate, runs } = line.number!;
  const fired = Math.floor(minutesFired(c));
  const [typed, setTyped] = useState(runs && fired > 0 ? String(fired) : '');
  const [plate, setPlate] = useState<{ least: string; most: string }>();
  const [problem, setProblem] = useState<string>();
  const fuel = c.is('fuel', 'natural') ? 'natural' : c.is('fuel', 'propane') ? 'propane' : undefined;
  const enter = (e: React.FormEvent): void => {
    e.preventDefault();
    const value = numberOf(typed);
    const own = plate && rangeFrom(plate);
    const wrong =
      own === 'wrong' ? 'Type the plate’s limits as numbers.' : lineProblem(line, { value, plate: own }, fuel);
    setProblem(wrong);
    if (wrong === undefined && own !== 'wrong')
      onDone({ value: value!, ...timed(line, starts), ...(fuels && fuel && { fuel }), ...(own && { plate: own }) });
  };
  return (
    <>
      <p>Has to come out: {line.limit}</p>
      {runs && <p className="fine">By the entries it could run {fired} min since the repair.</p>}
      {fuels && !plate && (
        <div data-fuel={fuel ?? ''}>
          <FactAnswer fact={factWith('fuel')!} value={fuel} onAnswer={(_value, body) => onEvents([body])} />
        </div>
      )}
      <form className={styles.answers} onSubmit={enter}>
        {plate && (
          <>
            <Field
              label={`Plate: from (${unit})`}
              maxLength={8}
              value={plate.least}
              onChange={(least) => setPlate({ ...plate, least })}
            />
            <Field
              label={`Plate: to (${unit})`}
              maxLength={8}
              value={plate.most}
              onChange={(most) => setPlate({ ...plate, most })}
            />
          </>
        )}
        <Field label={`Read (${unit})`} maxLength={12} value={typed} problem={problem} onChange={setTyped} />
        <Button tone="main" htmlType="submit">
          Enter
        </Button>
        {hasPlate && (
          <Button tone="quiet" onClick={() => setPlate(plate ? undefined : { least: '', most: '' })}>
            {plate ? 'By the fuel' : 'The plate has its own limits'}
          </Button>
        )}
      </form>
      {line.starts !== undefined && <RunTimer call={call} wanted={line.starts} />}
    </>
  );
}

function rangeFrom({ least, most }: { least: string; most: string }): Range | 'wrong' {
  const [from, to] = [numberOf(least), numberOf(most)];
  if (from === undefined || to === undefined || !Number.isFinite(from) || !Number.isFinite(to)) return 'wrong';
  return { least: from, most: to };
}

/** How the fault showed, and how long one stays for that. */
export function Stay({ view, onEvents, onDone }: LineProps) {
  const { c } = useRules().followed;
  const minutes = stayMinutes(c);
  const left = (minutes ?? 0) - minutesStayed(c);
  const showed = c.said.get('showed')?.value;
  const ask = minutes !== undefined && showed === 'came-and-went' ? 'shows-after' : undefined;
  const say = (value: string | number, body: EventBody): void =>
    onEvents([
      body,
      ...(value !== 'came-and-went' && view.tripsAfter !== undefined
        ? [{ type: 'fact', fact: 'trips-after', value: view.tripsAfter } as const]
        : []),
    ]);
  return (
    <>
      <p>{factWith('showed')!.ask}</p>
      <FactAnswer fact={factWith('showed')!} value={showed} onAnswer={say} />
      {ask && (
        <>
          <p>{factWith(ask)!.ask}</p>
          <FactAnswer fact={factWith(ask)!} value={c.number(ask)} onAnswer={(_value, body) => onEvents([body])} />
        </>
      )}
      {minutes !== undefined && minutes > 0 && (
        <>
          <p>
            Stay {minutes} min{' '}
            {showed === 'came-and-went'
              ? '(twice the longest it took, 15 to 60)'
              : '(as long as its cause takes to stop it)'}
            {left > 0 && (
              <>
                {': '}
                <strong role="timer">{clock(left * 60_000)}</strong> left
              </>
            )}
          </p>
          {view.returns.length > 0 && (
            <ul className="fine" aria-label="What would show again by then">
              {view.returns.map(({ words, minutes: within }) => (
                <li key={words}>
                  {words} within {within} min
                </li>
              ))}
            </ul>
          )}
          <Button tone="main" disabled={left > 0} onClick={() => onDone()}>
            It did not come back
          </Button>
        </>
      )}
    </>
  );
}

/** What condemned the part is read again, and has to be good now. */
export function ReadAgain({ view, onEvents, onDone }: LineProps) {
  const { title, words, now, answer, wanted } = view.condemning!;
  const { followed, person } = useRules();
  const [declined, setDeclined] = useState(false);
  const offered = offer(wanted, followed, person);
  const need = offered.offered ? offered.first[0] : undefined;
  return (
    <>
      <p>It was: {words}.</p>
      {now?.good === true ? (
        <>
          <p>Now: {now.words}. As in a sound appliance.</p>
          <Button tone="main" onClick={() => onDone()}>
            Now good
          </Button>
        </>
      ) : (
        <>
          {now && <p>Now: {now.words}. That is not good: look further, or read it again.</p>}
          <p>Read it again.</p>
          {!need && <Answer title={title} answer={answer} onBody={(body) => onEvents([body])} />}
          {need && !declined && (
            <NeedFirst
              key={need.id}
              need={need}
              of={wanted.of}
              setup={view.setup}
              onEvents={onEvents}
              onDecline={() => setDeclined(true)}
            />
          )}
          {need && declined && (
            <p>Without it a reading proves nothing. The line stays open; the call can end as repaired, not proved.</p>
          )}
        </>
      )}
    </>
  );
}
