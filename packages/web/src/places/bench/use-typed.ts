import { useCallback } from 'react';
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
  const set = useCallback(
    (name: string, value: string) =>
      setParams(
        (now) => {
          if (value === '') now.delete(name);
          else now.set(name, value);
          return now;
        },
        { replace: true },
      ),
    [setParams],
  );
  const clear = useCallback(
    (keep: readonly string[]) =>
      setParams((now) => new URLSearchParams([...now].filter(([name]) => keep.includes(name))), { replace: true }),
    [setParams],
  );
  return { typed: Object.fromEntries(params), set, clear };
}

/** Those that begin with a name and a point, without them. */
export const under = (typed: Readonly<Record<string, string>>, name: string): Record<string, string> =>
  Object.fromEntries(
    Object.entries(typed)
      .filter(([key]) => key.startsWith(`${name}.`))
      .map(([key, value]) => [key.slice(name.length + 1), value]),
  );
