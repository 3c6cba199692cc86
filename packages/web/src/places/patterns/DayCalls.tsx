import { Link } from 'react-router';
import { CordPiece } from '../../diagrams/CordPiece';
import type { LengthOfCall } from '../../engine/use-lengths';
import { Block } from '../../kit/Block';
import { Empty } from '../../kit/Empty';
import { percent } from './percent';
import type { OfDay } from './use-calls-of';
import styles from './Van.module.css';

interface Props {
  readonly calls: readonly OfDay[];
  readonly planned: boolean;
  readonly lengths: ReadonlyMap<string, LengthOfCall>;
  /** That the first visit mends a call, with what is along then. */
  readonly mended: ReadonlyMap<string, number>;
}

/** The calls of the day: how long each takes, and whether its first visit mends it. */
export function DayCalls({ calls, planned, lengths, mended }: Props) {
  return (
    <Block title="The day" note="minutes: half · 8 in 10">
      {!planned && (
        <p className={styles.fine}>
          Nothing is planned: these are the open calls. <Link to="/day">Plan the day</Link>
        </p>
      )}
      {calls.length === 0 && <Empty>No call is open.</Empty>}
      <ol className={styles.day}>
        {calls.map(({ call, title, words, slot }) => {
          const length = lengths.get(call);
          const first = mended.get(call);
          return (
            <li key={call}>
              <CordPiece state="unlit" />
              <span>
                <b>
                  {slot !== '' && `${slot.split('-')[0]} `}
                  <Link to={`/calls/${call}`}>{title === '' ? 'No machine' : title}</Link>
                </b>
                <i>“{words}”</i>
                {length?.before && (
                  <small>
                    broke before, {length.before.at.slice(0, 10)}: {length.before.title}
                  </small>
                )}
                <small>
                  {first === undefined ? 'is being worked out' : `first visit mends it: ${percent(first)} %`}
                </small>
              </span>
              <span>
                <b>{length?.p50 ?? '–'}</b>
                <small>{length?.p80}</small>
              </span>
            </li>
          );
        })}
      </ol>
    </Block>
  );
}
