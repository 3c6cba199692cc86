import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Me } from '@zetalysis/contract';
import { http } from '../../api/http';
import { Button } from '../../kit/Button';
import styles from './Import.module.css';

/** Brings a profile in from a file. It is checked by the server, kept in its version, and never runs code. */
export function Import({ me }: { me: Me }) {
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
    <div className={styles.import}>
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
      <Button disabled={me.role === 'apprentice'} onClick={() => field.current?.click()}>
        Bring in a profile
      </Button>
      {said && (
        <pre role={said.problem ? 'alert' : 'status'} className={said.problem ? 'problem' : 'fine'}>
          {said.words}
        </pre>
      )}
    </div>
  );
}
