import { useQuery } from '@tanstack/react-query';
import type { CallEvent } from '@zetalysis/core/visit';
import { ratesWith } from '../../store/rates';

/** Whose rates the shares of a call rest on, and how many cases of the family stand behind them. */
export function RatesSaid({ events }: { readonly events: readonly CallEvent[] | undefined }) {
  const opened = events?.find((e) => e.body.type === 'opened')?.body;
  const head = opened?.type === 'opened' ? opened : undefined;
  const version = head?.settings.rates?.version;
  const book = useQuery({
    queryKey: ['rates of', version],
    enabled: version !== undefined,
    staleTime: Infinity,
    queryFn: async () => (await ratesWith(version!)) ?? null,
  });
  if (version === undefined || book.data === null)
    return <span title="Until the shop’s own record replaces them.">rates assumed</span>;
  const family = book.data?.families[head!.profile];
  if (!family)
    return <span title={`Version ${version} of the shop’s rates has no case of this family.`}>rates assumed</span>;
  const cases = Object.values(family.ways).reduce((sum, w) => sum + w.cases, 0);
  return (
    <span title={`Version ${version} of the shop’s rates: ${Math.round(cases)} cases of this family stand behind it.`}>
      rates of the shop, {Math.round(cases)} cases
    </span>
  );
}
