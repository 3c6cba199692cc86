import { Link } from 'react-router';
import type { CallSummary } from '@zetalysis/contract';
import { clockOffset } from '../../api/server-clock';
import { Notice } from '../../kit/Notice';

const DANGER = { gas: 'Strong smell of gas', co: 'CO alarm or high CO', fire: 'Fire or scorching' } as const;
const time = new Intl.DateTimeFormat('en', { weekday: 'short', hour: '2-digit', minute: '2-digit', hour12: false });

/** Something on a call that must not be forgotten: a danger, a bypass with its clock, an entry that came after the closing. */
export function Watch({ call, now }: { call: CallSummary; now: number }) {
  const { overview } = call;
  const shopTime = now - (clockOffset() ?? 0);
  return (
    <>
      {overview.danger !== null && (
        <Notice kind="danger">
          {DANGER[overview.danger]} at <Where call={call} />. Not declared over.
        </Notice>
      )}
      {overview.bypasses.map((b) => (
        <Notice
          key={b.id}
          kind="danger"
          more={`Placed by ${b.person} ${time.format(new Date(b.since))}; ${
            shopTime > Date.parse(b.until)
              ? `it had to be off ${time.format(new Date(b.until))}`
              : `it has to be off by ${time.format(new Date(b.until))}`
          }.`}
        >
          {shopTime > Date.parse(b.until) ? 'Bypass past its limit' : 'Bypass in place'}: {b.title} at{' '}
          <Where call={call} />. Take it off.
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

const Where = ({ call }: { call: CallSummary }) => (
  <Link to={`/calls/${call.id}`}>{call.machine?.label ?? 'a machine'}</Link>
);
