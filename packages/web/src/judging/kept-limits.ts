import { useQuery } from '@tanstack/react-query';
import { type KeptField, typedLimits } from '@zetalysis/core/bench';
import { http } from '../api/http';

interface Kept {
  /** What was kept for a measure, as it is typed: the shop's, and of the machine its plate and its own value. */
  readonly typed: (test: string, measure: string) => Readonly<Partial<Record<KeptField | 'source', string>>>;
}

/** Limits that are kept with the shop, and with a machine where one is named. */
export function useKeptLimits(machine: string | undefined): Kept {
  const { data = [] } = useQuery({
    queryKey: ['limits', machine ?? 'shop'],
    queryFn: () => http('GET /limits', { query: machine === undefined ? {} : { machine } }),
  });
  return { typed: (test, measure) => typedLimits(data, test, measure) };
}
