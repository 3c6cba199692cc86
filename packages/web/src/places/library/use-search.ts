import { useEffect, useState } from 'react';
import type { Found, Sought } from '@zetalysis/core/analysis';
import type { Appliance } from '../../api/appliances';
import { holdEngine } from '../../engine/client';

interface Hit {
  readonly appliance: Appliance;
  readonly found: readonly Found[];
}

interface Search {
  readonly hits: readonly Hit[];
  /** Appliances that were not looked at yet. */
  readonly left: number;
  readonly problem: string | undefined;
}

/** Typing goes on: a search begins when it pauses this long, milliseconds. */
const PAUSE = 400;

/** Goes through families and variants, one after the other, and gives what it finds as it goes. */
export function useSearch(sought: readonly Sought[], among: readonly Appliance[]): Search {
  const [all] = useState(among);
  const [wanted] = useState(sought);
  const [hits, setHits] = useState<readonly Hit[]>([]);
  const [left, setLeft] = useState(all.length);
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    const engine = holdEngine();
    let alive = true;
    void (async () => {
      await new Promise((resolve) => setTimeout(resolve, PAUSE));
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
  return { hits, left, problem };
}
