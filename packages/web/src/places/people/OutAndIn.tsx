import { useMutation } from '@tanstack/react-query';
import { Checkbox } from 'antd';
import { useState } from 'react';
import type { BroughtIn, Me, Replied, exchange } from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import { download } from '../../api/download';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';
import styles from './PeoplePage.module.css';

const TABLES = ['calls', 'breaks', 'readings', 'machines', 'parts', 'due'] as const;

/** The shop's data, taken out as tables or whole, and brought in again. */
export function OutAndIn({ me }: { readonly me: Me }) {
  const [photos, setPhotos] = useState(false);
  const get = useMutation({
    mutationFn: ({ file, query = '' }: { file: string; query?: string }) =>
      download(`/api/export/${file}${query}`, file),
  });
  return (
    <Block title="Out and in">
      {get.error && <Notice kind="problem">{get.error.message}</Notice>}
      <p>Tables for a spreadsheet (CSV), or the whole shop as lines of JSON, without anybody’s password.</p>
      <div className={styles.does}>
        {TABLES.map((table) => (
          <Button key={table} disabled={get.isPending} onClick={() => get.mutate({ file: `${table}.csv` })}>
            {table}
          </Button>
        ))}
        <Button
          loading={get.isPending}
          onClick={() => get.mutate({ file: 'shop.jsonl', query: photos ? '?photos=yes' : '' })}
        >
          The whole shop
        </Button>
        <Checkbox checked={photos} onChange={(e) => setPhotos(e.target.checked)}>
          with photos
        </Checkbox>
      </div>
      {can(me, 'accounts') === '+' && <BringIn />}
    </Block>
  );
}

type Came = Replied<typeof exchange.bringIn>;

/** A shop's file: first what would become of each line, then in earnest. */
function BringIn() {
  const [text, setText] = useState<string>();
  const dry = useMutation({ mutationFn: (of: string) => http('POST /import', { body: { text: of, dry: true } }) });
  const earnest = useMutation({ mutationFn: (of: string) => http('POST /import', { body: { text: of, dry: false } }) });
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    earnest.reset();
    const of = await file.text();
    setText(of);
    dry.mutate(of);
  };
  const error = earnest.error ?? dry.error;
  const came = earnest.data ?? dry.data;
  return (
    <>
      <label className={styles.file}>
        <span>Bring a shop’s file in: nothing is written before you have seen what would change</span>
        <input type="file" accept=".jsonl" onChange={(e) => void choose(e.target.files?.[0])} />
      </label>
      {error && <Notice kind="problem">{error.message}</Notice>}
      {came && <Told came={came} done={earnest.data !== undefined} />}
      {dry.data && text !== undefined && !earnest.data && (
        <Button
          tone="main"
          disabled={dry.data.counts.new === 0}
          loading={earnest.isPending}
          onClick={() => earnest.mutate(text)}
        >
          Bring {dry.data.counts.new} lines in
        </Button>
      )}
    </>
  );
}

const TONES = { new: 'good', same: 'plain', differs: 'plain', wrong: 'alarm' } as const;

const Told = ({ came: { counts, lines }, done }: { readonly came: Came; readonly done: boolean }) => (
  <>
    <p role="status">
      {done ? 'Brought in' : 'Would be brought in'}: {counts.new} new, {counts.same} here already, {counts.differs} here
      otherwise (they stay as they are here), {counts.wrong} that cannot be.
    </p>
    {lines.length > 0 && (
      <Table<BroughtIn>
        label="Lines, scrolls sideways"
        rows={lines}
        keyOf={(l) => String(l.line)}
        empty="Nothing to say of any line."
        columns={[
          { title: 'Line', cell: (l) => l.line, figures: true },
          { title: 'What', cell: (l) => l.kind },
          { title: '', cell: (l) => <Status tone={TONES[l.becomes]}>{l.becomes}</Status> },
          { title: '', cell: (l) => l.words, wide: true },
        ]}
      />
    )}
  </>
);
