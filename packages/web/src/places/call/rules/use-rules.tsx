import { createContext, type ReactNode, useContext, useMemo } from 'react';
import { type Authority, follow, type Followed } from '@zetalysis/core/rules';
import {
  type Arrived,
  happeningsOf,
  type Meanings,
  mergeEvents,
  settled,
  termsOf,
  withMeanings,
} from '@zetalysis/core/visit';
import { shopTime } from '../../../api/server-clock';
import { useNow } from '../../../kit/use-now';

/** What the rules say of the call at this second, to whoever is signed in. */
export interface Rules {
  readonly followed: Followed;
  /** By the shop's clock, milliseconds since 1970. */
  readonly now: number;
  readonly person: Authority;
  /** What the person signs in with. */
  readonly name: string;
}

const Context = createContext<Rules | undefined>(undefined);

interface Props {
  readonly arrived: readonly Arrived[];
  readonly meanings: Meanings;
  readonly person: Authority;
  readonly name: string;
  readonly children: ReactNode;
}

const SECOND = 1000;

/** Follows the rules of a call second by second. What stands inside is drawn again only where it asks for them. */
export function RulesProvider({ arrived, meanings, person, name, children }: Props) {
  const tick = useNow(SECOND);
  const now = shopTime(tick);
  const log = useMemo(() => {
    const numbered = arrived.map(({ event, number }) => (Number.isFinite(number) ? { ...event, number } : event));
    const events = withMeanings(meanings, settled(mergeEvents(numbered)));
    return { happenings: happeningsOf(events), terms: termsOf(events) };
  }, [arrived, meanings]);
  const rules = useMemo(() => {
    const { happenings, terms } = log;
    const family = meanings.family ?? terms.family;
    return { followed: follow(happenings, { ...terms, family, now }), now, person, name };
  }, [log, meanings.family, now, person, name]);
  return <Context value={rules}>{children}</Context>;
}

export function useRules(): Rules {
  const rules = useContext(Context);
  if (!rules) throw new Error('useRules stands inside a RulesProvider');
  return rules;
}
