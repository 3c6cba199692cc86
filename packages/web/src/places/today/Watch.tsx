import { Link } from 'react-router';
import type { CallSummary } from '@zetalysis/contract';
import { shopTime } from '../../api/server-clock';
import { Notice } from '../../kit/Notice';

const time = new Intl.DateTimeFormat('en', { weekday: 'short', hour: '2-digit', minute: '2-digit', hour12: false });
const at = (moment: string): string => time.format(new Date(moment));

const GRADES = { out: 'Everybody out', off: 'It stays off', hold: 'Hold' } as const;

/** What must not be forgotten on a call: a stop, a bypass with its clock, an entry that came after the closing. */
export function Watch({ call, now }: { call: CallSummary; now: number }) {
  const { overview } = call;
  const shopNow = shopTime(now);
  const overdue = overview.bypasses.filter((b) => shopNow > Date.parse(b.until));
  return (
    <>
      {overview.stops.map((s) => (
        <Notice
          key={s.id}
          kind="danger"
          more={
            <>
              {GRADES[s.grade]}. {s.person}, since {at(s.since)}.{' '}
              {s.order !== null && <>Not answered yet: {s.order} </>}
              {s.unable.length > 0 && <strong>Could not: {s.unable.join(' ')} </strong>}
              Ended by: {s.endedBy}.
            </>
          }
        >
          {s.title} at <Where call={call} />
        </Notice>
      ))}
      {overview.bypasses.map((b) => (
        <Notice
          key={b.id}
          kind="danger"
          more={`Placed by ${b.person} ${at(b.since)}; ${
            overdue.includes(b) ? `it had to be off ${at(b.until)}` : `it has to be off by ${at(b.until)}`
          }.`}
        >
          {overdue.includes(b) ? 'Bypass past its limit' : 'Bypass in place'}: {b.title} at <Where call={call} />. Take
          it off.
        </Notice>
      ))}
      {overview.state === 'late' && (
        <Notice kind="danger" more="It touches gas, power, a bypass, a danger or a repair. Read it, and settle it.">
          Open: late entry at <Where call={call} />.
        </Notice>
      )}
    </>
  );
}

export const Where = ({ call }: { call: CallSummary }) => (
  <Link to={`/calls/${call.id}`}>{call.machine?.label ?? 'a machine'}</Link>
);
