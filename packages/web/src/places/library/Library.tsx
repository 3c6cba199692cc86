import { useState } from 'react';
import { Link } from 'react-router';
import { parseSought, type Sought } from '@zetalysis/core/analysis';
import { type Identity, mayBe } from '@zetalysis/core/profile';
import { appliancesOf } from '../../api/appliances';
import { useProfiles } from '../../api/queries';
import type { Me, ProfileSummary } from '@zetalysis/contract';
import { MiniCord } from '../../diagrams/MiniCord';
import { Strand, StrandRow } from '../../diagrams/Strand';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { Field } from '../../kit/Field';
import { Identify } from '../../kit/Identify';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { Import } from './Import';
import styles from './Library.module.css';
import { Readings } from './Readings';

/** Every appliance there is; searched by words, by readings, or by what anybody sees of it; profiles come in as files. */
export default function Library({ me }: { me: Me }) {
  const profiles = useProfiles();
  const [text, setText] = useState('');
  // On a phone the questions are opened when they are wanted.
  const [narrowing, setNarrowing] = useState(false);
  const [answers, setAnswers] = useState<Identity>({});
  const sought = parseSought(text);
  const words = sought ? [] : text.toLowerCase().split(/\s+/);
  const all = profiles.data ?? [];
  const candidates = appliancesOf(all);
  const shown = all.filter((p) => {
    const about = `${p.id} ${p.title} ${p.summary} ${p.variants.map((v) => v.title).join(' ')}`.toLowerCase();
    return words.every((w) => about.includes(w)) && anyMayBe(p, answers);
  });
  return (
    <Page
      title="Library"
      tools={
        <div className={styles.find}>
          <Field
            label="Search by words, or by readings"
            labelHidden
            value={text}
            onChange={setText}
            placeholder="damper, or: 26 V on TH, nothing on SP"
          />
          <span className="fine">
            {sought ? (
              <>
                Understood:{' '}
                {sought.map((s, i) => (
                  <b key={i}>{readingWords(s)} </b>
                ))}
              </>
            ) : (
              'Words, or readings in any order: “26 V on TH, nothing on SP”'
            )}
          </span>
        </div>
      }
      actions={<Import me={me} />}
      className={styles.library}
    >
      <div className={styles.list}>
        {profiles.error && <Notice kind="problem">{profiles.error.message}</Notice>}
        {profiles.isPending && <Waiting>One moment…</Waiting>}
        {sought
          ? profiles.data && (
              <Readings
                key={JSON.stringify([sought, answers])}
                sought={sought}
                profiles={all}
                among={candidates.filter((c) => mayBe(c.identity, answers))}
              />
            )
          : profiles.data && (
              <Block title="Families" note={`${shown.length} of ${all.length}`}>
                {shown.length === 0 && (
                  <Empty>Nothing is called that. Readings are written like this: 26 V on TH, nothing on SP.</Empty>
                )}
                <Strand>
                  {shown.map((p) => (
                    <Family key={p.id} profile={p} />
                  ))}
                </Strand>
              </Block>
            )}
      </div>
      <div className={styles.side} data-open={narrowing || undefined}>
        <Button aria-expanded={narrowing} onClick={() => setNarrowing(!narrowing)}>
          Which machine is it? {Object.keys(answers).length > 0 && `${shown.length} left`}
        </Button>
        <Block title="Which machine is it?" note={`${all.length} → ${shown.length}`}>
          <Identify candidates={candidates} answers={answers} onAnswer={setAnswers} />
        </Block>
      </div>
    </Page>
  );
}

/** Whether a family, or a variant of it, may be what was answered. */
const anyMayBe = ({ identity, variants }: ProfileSummary, answers: Identity): boolean =>
  mayBe(identity, answers) || variants.some((v) => mayBe(v.identity, answers));

const readingWords = ({ net, volts }: Sought): string => `${net} ${volts} V`;

const Family = ({ profile: p }: { profile: ProfileSummary }) => (
  <StrandRow state="open" className={styles.family!} data-profile={p.id}>
    <div>
      <Link to={`/library/${p.id}`}>
        <b>{p.title}</b>
        <span>{p.summary}</span>
      </Link>
      <Steps profile={p} />
      <span className={styles.variants}>
        {p.variants.map((v) => (
          <Link key={v.id} to={`/library/${p.id}?variant=${v.id}`}>
            {v.title}
          </Link>
        ))}
        <span className="fine">
          {p.id} {p.version}
          {p.importedBy !== null && ` · brought in by ${p.importedBy}`}
        </span>
      </span>
    </div>
  </StrandRow>
);

const Steps = ({ profile: { phases } }: { profile: ProfileSummary }) => {
  const wanted = phases.filter((phase) => !phase.unwanted);
  return <MiniCord steps={wanted.map(() => 'lit')} words={`${wanted.length} steps`} />;
};
