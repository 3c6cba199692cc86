import type { CallSummary, Me } from '@zetalysis/contract';
import { Block } from '../../kit/Block';
import { isTagged } from './standing';
import { Where } from './ToPutBack';
import { hour } from './waits-for';

/** What waits for a second pair of eyes: claims to be countersigned, calls that are shown, and what is open or apart. */
export function Leads({ calls, me }: { calls: readonly CallSummary[]; me: Me }) {
  const claims = calls
    .flatMap((call) => call.overview.claims.map((claim) => ({ call, claim })))
    .sort((a, b) => a.claim.since.localeCompare(b.claim.since));
  const own = claims.filter(({ claim }) => claim.person === me.name);
  const others = claims.filter(({ claim }) => claim.person !== me.name);
  const shown = calls.filter(({ overview }) => overview.shown && overview.state === 'open');
  const tagged = calls.filter(isTagged);
  return (
    <>
      {me.role !== 'apprentice' && (
        <List title="Wait for a name" empty={claims.length === 0 ? 'Nothing waits for a countersignature.' : ''}>
          {others.map(({ call, claim }) => (
            <li key={claim.event}>
              <Where call={call} /> <strong>{claim.words}</strong>{' '}
              <span className="fine">
                {claim.person}, since {hour(claim.since)}
              </span>
            </li>
          ))}
        </List>
      )}
      {own.length > 0 && (
        <List title="Yours, waiting for a countersignature">
          {own.map(({ call, claim }) => (
            <li key={claim.event}>
              <Where call={call} /> {claim.words}
            </li>
          ))}
        </List>
      )}
      {shown.length > 0 && (
        <List title="Shown to the leads">
          {shown.map((call) => (
            <li key={call.id}>
              <Where call={call} /> <q>{call.complaint}</q>
            </li>
          ))}
        </List>
      )}
      {tagged.length > 0 && (
        <List title="Off and tagged, until proved">
          {tagged.map((call) => (
            <li key={call.id}>
              <Where call={call} /> <q>{call.complaint}</q>{' '}
              {call.overview.stops.map((s) => (
                <strong key={s.id}>
                  {s.title}. Ended by: {s.endedBy}.{' '}
                </strong>
              ))}
            </li>
          ))}
        </List>
      )}
    </>
  );
}

const List = ({ title, empty = '', children }: { title: string; empty?: string; children: React.ReactNode }) => (
  <Block title={title}>{empty === '' ? <ul>{children}</ul> : <p className="fine">{empty}</p>}</Block>
);
