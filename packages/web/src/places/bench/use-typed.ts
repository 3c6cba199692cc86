import { useCallback, useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';

interface InAddress {
  /** What was typed and chosen, by its name. */
  readonly typed: Readonly<Record<string, string>>;
  readonly set: (name: string, value: string) => void;
  readonly clear: (keep: readonly string[]) => void;
}

/** What was typed stands in the address: it can be sent to somebody, kept, and gone back to. */
export function useTyped(): InAddress {
  const [params, setParams] = useSearchParams();
  // What is typed counts at once; the address follows, and never holds up a key.
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() => Object.fromEntries(params));
  useEffect(() => setParams(typed, { replace: true }), [typed, setParams]);
  const set = useCallback(
    (name: string, value: string) =>
      setTyped(({ [name]: _, ...rest }) => (value === '' ? rest : { ...rest, [name]: value })),
    [],
  );
  const clear = useCallback(
    (keep: readonly string[]) =>
      setTyped((now) => Object.fromEntries(Object.entries(now).filter(([name]) => keep.includes(name)))),
    [],
  );
  return { typed, set, clear };
}

/** Those that begin with a name and a point, without them. */
export const under = (typed: Readonly<Record<string, string>>, name: string): Record<string, string> =>
  Object.fromEntries(
    Object.entries(typed)
      .filter(([key]) => key.startsWith(`${name}.`))
      .map(([key, value]) => [key.slice(name.length + 1), value]),
  );
