import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import type { FoundEntry } from '@zetalysis/contract';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Search } from '../../kit/Search';
import { Waiting } from '../../kit/Waiting';
import styles from './SearchPage.module.css';

const KINDS: Readonly<Record<FoundEntry['kind'], string>> = {
  note: 'Notes',
  'break-recorded': 'Breaks',
  code: 'Codes',
  recommended: 'Recommended',
  'part-needed': 'Parts needed',
};
const day = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', year: 'numeric' });

/** Machines and sites by their names; breaks, codes, notes and parts by what is written in them. */
export default function SearchPage() {
  const [asked, ask] = useSearchParams();
  const words = asked.get('words') ?? '';
  const found = useQuery({
    queryKey: ['search', words],
    enabled: words !== '',
    queryFn: () => http('GET /search', { query: { words } }),
  });
  const { machines = [], entries = [], total = 0 } = found.data ?? {};
  return (
    <Page
      title={words === '' ? 'Search' : `Search: ${words}`}
      actions={
        <Search
          label="Search everything"
          placeholder="Machine, street, break, code, note"
          initial={words}
          onSearch={(to) => ask(to === '' ? {} : { words: to }, { replace: true })}
        />
      }
      className={styles.found}
    >
      {found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {words === '' && <Empty>Type a machine, a street, a part, a code, or a word of a note.</Empty>}
      {words !== '' && found.isPending && <Waiting>Looking…</Waiting>}
      {found.data && machines.length + entries.length === 0 && <Empty>Nothing has these words.</Empty>}
      {machines.length > 0 && (
        <Block
          title="Machines and sites"
          note={total > machines.length ? `the first ${machines.length} of ${total}` : total}
        >
          <ul>
            {machines.map((m) => (
              <li key={m.id}>
                <Link to={`/machines/${m.id}`}>{m.label}</Link> <span>{m.site}</span>
              </li>
            ))}
          </ul>
        </Block>
      )}
      {(Object.keys(KINDS) as FoundEntry['kind'][]).map((kind) => (
        <Entries key={kind} title={KINDS[kind]} entries={entries.filter((e) => e.kind === kind)} />
      ))}
    </Page>
  );
}

function Entries({ title, entries }: { readonly title: string; readonly entries: readonly FoundEntry[] }) {
  if (entries.length === 0) return null;
  return (
    <Block title={title} note={entries.length}>
      <ul>
        {entries.map((e) => (
          <li key={e.id}>
            <Link to={`/calls/${e.call}`}>{e.machine?.label ?? 'A call'}</Link> <span>{e.words}</span>
            <small> {day.format(new Date(e.opened))}</small>
          </li>
        ))}
      </ul>
    </Block>
  );
}
