import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { type Found, parseSought, type Sought } from '@zetalysis/core/analysis';
import { http } from '../../api/http';
import { applianceKey, appliancesOf, libraryAddress, type Appliance } from '../../api/appliances';
import { useProfiles } from '../../api/queries';
import type { Me, ProfileSummary } from '@zetalysis/contract';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { holdEngine } from '../../engine/client';
import '../../theme/library.css';

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
    <Page title="Library" actions={<Import me={me} />} className="library">
      <label className="filter">
        Search by words, or by readings
        <input
          value={text}
          onChange={(e) => setText(e.target.value)}
          placeholder="damper, or: 26 V on TH, nothing on SP"
        />
      </label>
      {profiles.error && <Notice kind="problem">{profiles.error.message}</Notice>}
      {profiles.isPending && <p className="waiting">One moment…</p>}
      {sought ? (
        profiles.data && <Readings key={JSON.stringify(sought)} sought={sought} profiles={profiles.data} />
      ) : (
        <>
          {profiles.data && shown.length === 0 && (
            <p>Nothing is called that. Readings are written like this: 26 V on TH, nothing on SP.</p>
          )}
          <ul className="call-cards">
            {shown.map((p) => (
              <li key={p.id} className="library-card">
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
            ))}
          </ul>
        </>
      )}
    </Page>
  );
}

interface Hit {
  readonly appliance: Appliance;
  readonly found: readonly Found[];
}

/** Goes through every family and variant, one after the other, and shows what it finds as it goes. */
function Readings({ sought, profiles }: { sought: readonly Sought[]; profiles: readonly ProfileSummary[] }) {
  const [all] = useState(() => appliancesOf(profiles));
  const [wanted] = useState(sought);
  const [hits, setHits] = useState<readonly Hit[]>([]);
  const [left, setLeft] = useState(all.length);
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    const engine = holdEngine();
    let alive = true;
    void (async () => {
      // Typing goes on: the search begins when it pauses.
      await new Promise((resolve) => setTimeout(resolve, 400));
      try {
        for (const one of all) {
          if (!alive) return;
          const loaded = await engine.load(one.profile, undefined, one.build);
          const found = await loaded.find(wanted);
          await loaded.forget();
          if (!alive) return;
          if (found.length > 0) setHits((h) => [...h, { appliance: one, found }]);
          setLeft((n) => n - 1);
        }
      } catch (error) {
        if (alive) setProblem((error as Error).message);
      }
    })();
    return () => {
      alive = false;
      engine.release();
    };
  }, [all, wanted]);
  return (
    <section aria-label="Where these readings can be" aria-live="polite">
      {problem !== undefined && <Notice kind="problem">{problem}</Notice>}
      <p className="fine" role="status">
        {left > 0
          ? `Looking, ${left} more to go…`
          : hits.length === 0
            ? 'No appliance here shows that at any step, sound or with a single fault.'
            : `Found in ${hits.length}.`}
      </p>
      {hits.map(({ appliance: a, found }) => (
        <article key={applianceKey(a)} className="hit">
          <h2>
            <Link to={libraryAddress(a)}>{a.title}</Link>
          </h2>
          <ul>
            {found.map((f) => (
              <li key={f.phase}>
                <strong>{f.phase}</strong>: {f.sound && 'a sound one. '}
                {f.faults
                  .slice(0, 4)
                  .map((x) => x.words)
                  .join('; ')}
                {f.faults.length > 4 && ` and ${f.faults.length - 4} more`}
              </li>
            ))}
          </ul>
        </article>
      ))}
    </section>
  );
}

/** Brings a profile in from a file. It is checked by the server, kept in its version, and never runs code. */
function Import({ me }: { me: Me }) {
  const queries = useQueryClient();
  const field = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ problem: boolean; words: string }>();
  const bring = async (file: File): Promise<void> => {
    setSaid({ problem: false, words: 'Checking every variant…' });
    try {
      if (file.size > 200_000) throw new Error('This file is larger than any profile: 200 kB is the most.');
      const made = await http('POST /profiles', { body: { source: await file.text() } });
      await queries.invalidateQueries({ queryKey: ['profiles'] });
      setSaid({ problem: false, words: `${made.title} ${made.version} is in the Library.` });
    } catch (error) {
      setSaid({ problem: true, words: (error as Error).message });
    }
  };
  return (
    <div className="import">
      <input
        ref={field}
        type="file"
        accept=".yaml,.yml,.json"
        className="hidden"
        tabIndex={-1}
        aria-label="Profile file"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) void bring(file);
          e.target.value = '';
        }}
      />
      <button type="button" disabled={me.role === 'apprentice'} onClick={() => field.current?.click()}>
        Bring in a profile
      </button>
      {said && (
        <pre role={said.problem ? 'alert' : 'status'} className={said.problem ? 'problem' : 'fine'}>
          {said.words}
        </pre>
      )}
    </div>
  );
}
