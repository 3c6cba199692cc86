import type { CallSummary, Me } from '@zetalysis/contract';
import styles from './Leads.module.css';
import { Where } from './Watch';

const time = new Intl.DateTimeFormat('en', { weekday: 'short', hour: '2-digit', minute: '2-digit', hour12: false });
const at = (moment: string): string => time.format(new Date(moment));

/** What waits for a second pair of eyes: claims to be countersigned, calls that are shown, and what is open or apart. */
export function Leads({ calls, me }: { calls: readonly CallSummary[]; me: Me }) {
  const claims = calls
    .flatMap((call) => call.overview.claims.map((claim) => ({ call, claim })))
    .sort((a, b) => a.claim.since.localeCompare(b.claim.since));
  const own = claims.filter(({ claim }) => claim.person === me.name);
  const others = claims.filter(({ claim }) => claim.person !== me.name);
  const shown = calls.filter(({ overview }) => overview.shown && overview.state === 'open');
  const tagged = calls.filter(isTagged);
  const temporary = calls.flatMap((call) => call.overview.temporary.map((t) => ({ call, t })));
  return (
    <>
      {me.role !== 'apprentice' && (
        <List title="Wait for a name" empty={claims.length === 0 ? 'Nothing waits for a countersignature.' : ''}>
          {others.map(({ call, claim }) => (
            <li key={claim.event}>
              <Where call={call} /> <strong>{claim.words}</strong>{' '}
              <span className="fine">
                {claim.person}, since {at(claim.since)}
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
      {me.role === 'lead' && temporary.length > 0 && (
        <List title="To put back">
          {temporary.map(({ call, t }, i) => (
            <li key={`${call.id} ${i}`}>
              <Where call={call} /> {t.title}{' '}
              <span className="fine">
                {t.person}, since {at(t.since)}
              </span>
            </li>
          ))}
        </List>
      )}
    </>
  );
}

/** It was left off with a tag, and nobody has proved it since. */
export const isTagged = ({ overview }: CallSummary): boolean =>
  overview.state === 'closed' && overview.ending === 'left-off' && overview.bypasses.length === 0;

const List = ({ title, empty = '', children }: { title: string; empty?: string; children: React.ReactNode }) => (
  <section className={styles.list} aria-label={title}>
    <h2>{title}</h2>
    {empty === '' ? <ul>{children}</ul> : <p className="fine">{empty}</p>}
  </section>
);
