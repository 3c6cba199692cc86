import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Me, PatternsFilter, RateLine, Rates } from '@zetalysis/contract';
import { FEW_CASES } from '@zetalysis/core/book';
import { can } from '@zetalysis/core/rules';
import { useState } from 'react';
import { Link } from 'react-router';
import { http } from '../../api/http';
import { useProfiles } from '../../api/queries';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Dialog } from '../../kit/Dialog';
import { Empty } from '../../kit/Empty';
import { Field } from '../../kit/Field';
import { Notice } from '../../kit/Notice';
import { Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import { Cases } from './Cases';
import styles from './Patterns.module.css';
import { LearnedTests } from './LearnedTests';
import { saveTable } from './save-table';
import { type Behind, RATES_KEY, useRates } from './use-patterns';

/** As many rates as are looked at at once. */
const SHOWN = 10;
/** Between these rates the lines are drawn, by a hundred machines and year. */
const FROM = 0.1;
const TO = 40;
const TICKS = [0.2, 0.5, 1, 2, 5, 10, 20];

const across = (rate: number): number =>
  (100 * (Math.log(Math.min(TO, Math.max(FROM, rate))) - Math.log(FROM))) / (Math.log(TO) - Math.log(FROM));

/** What was learned of how often things fail, beside what is assumed; and what of that new calls are worked with. */
export function RatesView({ me, filter }: { readonly me: Me; readonly filter: PatternsFilter }) {
  const { data, error } = useRates();
  const profiles = useProfiles();
  const [behind, setBehind] = useState<Behind>();
  const [asTable, setAsTable] = useState(false);
  const [tests, setTests] = useState(false);
  if (error) return <Notice kind="problem">{error.message}</Notice>;
  if (!data) return <Waiting>Learning…</Waiting>;
  const titles = new Map((profiles.data ?? []).map((p) => [p.id, p.title]));
  const lines = data.lines.filter((l) => filter.profile === undefined || l.profile === filter.profile);
  const counted = lines.filter((l) => l.cases >= 0.5);
  const show = (l: RateLine): void => setBehind({ title: l.title, way: l.way, profile: l.profile });
  return (
    <Block
      title="Rates, learned beside assumed"
      note={
        <>
          {Math.round(data.years)} machine years{' '}
          <Button tone="quiet" onClick={() => setAsTable(!asTable)}>
            {asTable ? 'Drawn' : 'Table'}
          </Button>{' '}
          <Button tone="quiet" onClick={() => saveTable('rates', lines as never)}>
            CSV
          </Button>{' '}
          <Button tone="quiet" onClick={() => setTests(true)}>
            Tests
          </Button>
        </>
      }
    >
      {counted.length === 0 ? (
        <Empty>Nothing was counted yet: what ships is all there is.</Empty>
      ) : asTable ? (
        <AsTable lines={counted} onShow={show} />
      ) : (
        <Drawn lines={counted.slice(0, SHOWN)} families={titles} onShow={show} />
      )}
      <Published rates={data} may={can(me, 'rates') === '+'} />
      {tests && (
        <LearnedTests
          tests={data.tests.filter((x) => filter.profile === undefined || x.profile === filter.profile)}
          families={titles}
          onShow={setBehind}
          onClose={() => setTests(false)}
        />
      )}
      {behind && <Cases behind={behind} filter={filter} onClose={() => setBehind(undefined)} />}
    </Block>
  );
}

interface DrawnProps {
  readonly lines: readonly RateLine[];
  readonly families: ReadonlyMap<string, string>;
  readonly onShow: (l: RateLine) => void;
}

function Drawn({ lines, families, onShow }: DrawnProps) {
  return (
    <>
      <p className={styles.key}>
        <i data-is="assumed" /> assumed <i data-is="learned" /> learned, 9 in 10 within <i data-is="few" /> under{' '}
        {FEW_CASES} cases: the assumed still weighs
      </p>
      <ol className={styles.rates}>
        <li aria-hidden="true">
          <span>part and fault</span>
          <span>by 100 machines and year</span>
          <span>cases</span>
        </li>
        {lines.map((l) => (
          <li key={`${l.profile} ${l.way}`}>
            <button type="button" onClick={() => onShow(l)}>
              {l.title}
              <small>{families.get(l.profile) ?? l.profile}</small>
            </button>
            <svg viewBox="0 0 100 20" preserveAspectRatio="none" role="img" aria-label={inWords(l)}>
              {TICKS.map((t) => (
                <path key={t} className={styles.grid} d={`M${across(t)} 0V20`} />
              ))}
              <path
                className={styles.within}
                data-few={l.cases < FEW_CASES || undefined}
                d={`M${across(l.low)} 10H${across(l.high)}M${across(l.low)} 6V14M${across(l.high)} 6V14`}
              />
              <path
                className={styles.point}
                data-few={l.cases < FEW_CASES || undefined}
                d={`M${across(l.rate)} 10h0`}
              />
              <path className={styles.assumed} d={`M${across(l.assumed)} 10h0`} />
            </svg>
            <span>{l.cases < FEW_CASES ? `${oneDigit(l.cases)}, few` : oneDigit(l.cases)}</span>
          </li>
        ))}
        <li aria-hidden="true" className={styles.ticks}>
          <span />
          <span>
            {TICKS.map((t) => (
              <i key={t} style={{ left: `${across(t)}%` }}>
                {t}
              </i>
            ))}
          </span>
          <span />
        </li>
      </ol>
    </>
  );
}

const oneDigit = (n: number): string => String(Math.round(n * 10) / 10);

const inWords = (l: RateLine): string =>
  `assumed ${l.assumed.toFixed(2)}, learned ${l.rate.toFixed(2)}, between ${l.low.toFixed(2)} and ${l.high.toFixed(2)} by a hundred machines and year`;

function AsTable({ lines, onShow }: { readonly lines: readonly RateLine[]; readonly onShow: (l: RateLine) => void }) {
  return (
    <Table
      label="Rates by a hundred machines and year"
      rows={lines}
      keyOf={(l) => `${l.profile} ${l.way}`}
      empty="Nothing was counted yet."
      columns={[
        {
          title: 'Part and fault',
          cell: (l) => (
            <Button tone="quiet" onClick={() => onShow(l)}>
              {l.title}
            </Button>
          ),
        },
        { title: 'Family', cell: (l) => l.profile },
        { title: 'Cases', figures: true, cell: (l) => oneDigit(l.cases) },
        { title: 'Assumed', figures: true, cell: (l) => l.assumed.toFixed(2) },
        { title: 'Learned', figures: true, cell: (l) => l.rate.toFixed(2) },
        { title: '9 in 10', figures: true, cell: (l) => `${l.low.toFixed(2)}–${l.high.toFixed(2)}` },
      ]}
    />
  );
}

/** Which rates new calls are worked with, and what the learned ones would have changed. */
function Published({ rates, may }: { readonly rates: Rates; readonly may: boolean }) {
  const queries = useQueryClient();
  const [asks, setAsks] = useState<'draft' | 'changed' | 'versions'>();
  const [words, setWords] = useState('');
  const done = (now: Rates): void => {
    queries.setQueryData(RATES_KEY, now);
    setAsks(undefined);
    setWords('');
  };
  const publish = useMutation({
    mutationFn: (version: number | null) =>
      version === null
        ? http('POST /rates/shipped', { body: { words: words.trim() } })
        : http('POST /rates/:version/publish', { params: { version: String(version) }, body: { words: words.trim() } }),
    onSuccess: done,
  });
  const draft = useMutation({
    mutationFn: async () => {
      const kept = await http('POST /rates', { body: { words: words.trim() } });
      const { version } = kept.versions[0]!;
      return http('POST /rates/:version/publish', {
        params: { version: String(version) },
        body: { words: words.trim() },
      });
    },
    onSuccess: done,
  });
  const { better, worse, neither, of, calls } = rates.changed;
  const changed = better + worse + neither;
  const problem = publish.error ?? draft.error;
  return (
    <div className={styles.publish}>
      <b>
        {rates.current === null
          ? 'New calls are worked with the rates that ship'
          : `New calls are worked with version ${rates.current} of the shop’s rates`}
      </b>
      <p>
        What is learned now would have changed the first suspect in {changed} of {of} calls:{' '}
        <b>
          {better} for the better, {worse} for the worse
        </b>
        . These are the calls that it was learned from. Open calls keep what they began with.
      </p>
      <div>
        {may && (
          <Button tone="main" onClick={() => setAsks('draft')}>
            Publish
          </Button>
        )}
        <Button onClick={() => setAsks('changed')} disabled={changed === 0}>
          See the {changed}
        </Button>
        <Button tone="quiet" onClick={() => setAsks('versions')}>
          Versions
        </Button>
      </div>
      {problem && <Notice kind="problem">{problem.message}</Notice>}
      {asks === 'draft' && (
        <Dialog
          title="Publish what is learned now"
          onClose={() => setAsks(undefined)}
          action="Publish"
          busy={draft.isPending}
          ready={words.trim() !== ''}
          onAction={() => draft.mutate()}
        >
          <p>
            Calls that are opened from now on weigh their suspects by these rates. It can be taken back: every version
            stays.
          </p>
          <Field label="Why, in a few words" value={words} onChange={setWords} maxLength={300} />
        </Dialog>
      )}
      {asks === 'changed' && (
        <Dialog title="What it would have changed" onClose={() => setAsks(undefined)}>
          <ul className={styles.list}>
            {calls.map((c) => (
              <li key={c.call}>
                <Link to={`/calls/${c.call}`}>{c.machine ?? 'No machine'}</Link> {c.openedAt.slice(0, 10)}:{' '}
                {HOW[c.how as keyof typeof HOW]}
              </li>
            ))}
          </ul>
        </Dialog>
      )}
      {asks === 'versions' && (
        <Dialog title="Versions of the rates" onClose={() => setAsks(undefined)}>
          {may && <Field label="Why, in a few words" value={words} onChange={setWords} maxLength={300} />}
          <ul className={styles.list}>
            <li>
              <b>What ships</b>
              {rates.current === null && ', used now'}
              {may && rates.current !== null && (
                <Button disabled={words.trim() === '' || publish.isPending} onClick={() => publish.mutate(null)}>
                  Go back to it
                </Button>
              )}
            </li>
            {rates.versions.map((v) => (
              <li key={v.version}>
                <b>Version {v.version}</b>, {v.at.slice(0, 10)}, {v.by}: {v.words}. {oneDigit(Math.round(v.cases))}{' '}
                cases.
                {rates.current === v.version && ' Used now.'}
                {may && rates.current !== v.version && (
                  <Button disabled={words.trim() === '' || publish.isPending} onClick={() => publish.mutate(v.version)}>
                    Use it
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </Dialog>
      )}
    </div>
  );
}

const HOW = {
  better: 'the right one would have been first',
  worse: 'the right one would not have been first any more',
  neither: 'another one first, neither of them right or both',
} as const;
