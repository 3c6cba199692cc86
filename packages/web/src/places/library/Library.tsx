import { useState } from 'react';
import { Link } from 'react-router';
import { parseSought } from '@zetalysis/core/analysis';
import { useProfiles } from '../../api/queries';
import type { Me, ProfileSummary } from '@zetalysis/contract';
import { Cards } from '../../kit/Cards';
import { Empty } from '../../kit/Empty';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { Import } from './Import';
import styles from './Library.module.css';
import { Readings } from './Readings';

/** Every appliance there is; searched by words or by readings; profiles come in and go out as files. */
export default function Library({ me }: { me: Me }) {
  const profiles = useProfiles();
  const [text, setText] = useState('');
  const sought = parseSought(text);
  const words = sought ? [] : text.toLowerCase().split(/\s+/);
  const shown = (profiles.data ?? []).filter((p) => {
    const about = `${p.id} ${p.title} ${p.summary} ${p.variants.map((v) => v.title).join(' ')}`.toLowerCase();
    return words.every((w) => about.includes(w));
  });
  return (
    <Page title="Library" actions={<Import me={me} />}>
      <Field
        label="Search by words, or by readings"
        value={text}
        onChange={setText}
        placeholder="damper, or: 26 V on TH, nothing on SP"
      />
      {profiles.error && <Notice kind="problem">{profiles.error.message}</Notice>}
      {profiles.isPending && <Waiting>One moment…</Waiting>}
      {sought ? (
        profiles.data && <Readings key={JSON.stringify(sought)} sought={sought} profiles={profiles.data} />
      ) : (
        <>
          {profiles.data && shown.length === 0 && (
            <Empty>Nothing is called that. Readings are written like this: 26 V on TH, nothing on SP.</Empty>
          )}
          <Cards>
            {shown.map((p) => (
              <Card key={p.id} profile={p} />
            ))}
          </Cards>
        </>
      )}
    </Page>
  );
}

const Card = ({ profile: p }: { profile: ProfileSummary }) => (
  <li className={styles.card} data-profile={p.id}>
    <Link to={`/library/${p.id}`}>
      <strong>{p.title}</strong>
    </Link>
    <span>{p.summary}</span>
    {p.variants.length > 0 && (
      <ul>
        {p.variants.map((v) => (
          <li key={v.id}>
            <Link to={`/library/${p.id}?variant=${v.id}`}>{v.title}</Link>
          </li>
        ))}
      </ul>
    )}
    <span className="fine">
      {p.id} {p.version}
      {p.importedBy !== null && ` · brought in by ${p.importedBy}`}
    </span>
  </li>
);
