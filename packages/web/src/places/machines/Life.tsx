import { Link } from 'react-router';
import type { CallSummary, Machine } from '@zetalysis/contract';
import { breakWords, callbacksOf, endedWords } from '../../api/ended';
import type { BeadState } from '../../diagrams/BeadMark';
import { Strand, StrandRow } from '../../diagrams/Strand';
import styles from './Life.module.css';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

interface Props {
  readonly machine: Machine;
  /** The newest first. */
  readonly calls: readonly CallSummary[];
}

/** The calls on a machine as they hang on its cord, back to when it came into the register. */
export function Life({ machine, calls }: Props) {
  const callbacks = callbacksOf(calls);
  return (
    <Strand>
      {calls.map((call) => (
        <StrandRow key={call.id} state={beadOf(call)} className={styles.call!} data-call={call.id}>
          <time>{DAY.format(new Date(call.openedAt))}</time>
          <Link to={`/calls/${call.id}`}>
            <b>{breakWords(call.overview) ?? `“${call.complaint}”`}</b>
            <small>
              {standing(call)} · {call.person}
              {callbackWords(callbacks.get(call.id), calls)}
            </small>
          </Link>
        </StrandRow>
      ))}
      <StrandRow state="open" className={styles.call!}>
        <time>{DAY.format(new Date(machine.createdAt))}</time>
        <span>
          <b>Into the register</b>
          <small>{machine.serial === '' ? '' : `serial ${machine.serial}`}</small>
        </span>
      </StrandRow>
    </Strand>
  );
}

/** That somebody had to come back, on both calls. */
function callbackWords(
  callback: { readonly of?: string; readonly by?: string } | undefined,
  calls: Props['calls'],
): string {
  const day = (id: string): string => DAY.format(new Date(calls.find((c) => c.id === id)!.openedAt));
  return [
    callback?.of === undefined ? '' : ` · callback of ${day(callback.of)}`,
    callback?.by === undefined ? '' : ` · called back on ${day(callback.by)}`,
  ].join('');
}

const isOpen = ({ overview }: CallSummary): boolean => overview.state !== 'closed';

/** A break that was found is where the cord broke; a call without one was a look. */
const beadOf = (call: CallSummary): BeadState =>
  isOpen(call) ? 'clock' : call.overview.record ? 'front' : call.overview.ending === 'proved' ? 'lit' : 'unlit';

function standing(call: CallSummary): string {
  const { overview } = call;
  const words = isOpen(call) ? 'open' : endedWords(overview).toLowerCase();
  return overview.record && overview.record.cause !== '' ? `${words}, ${overview.record.cause}` : words;
}
