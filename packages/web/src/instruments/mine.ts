import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import type { Instrument } from '@zetalysis/contract';
import type { Instruments, Measure } from '@zetalysis/core/bench';
import { instrumentsBy, type InstrumentKind } from '@zetalysis/core/instruments';
import { http } from '../api/http';

/** The register of the shop. */
export const useRegister = () => useQuery({ queryKey: ['instruments'], queryFn: () => http('GET /instruments') });

/** Which of them somebody measures with on this device, one of a kind, by id. */
type Mine = Partial<Readonly<Record<InstrumentKind, string>>>;

const KEY = 'zetalysis.my-instruments';
const heard = new Set<() => void>();
let known: { readonly text: string | null; readonly mine: Mine } = { text: null, mine: {} };

function mine(): Mine {
  const text = localStorage.getItem(KEY);
  if (text !== known.text) known = { text, mine: JSON.parse(text ?? '{}') as Mine };
  return known.mine;
}

/** From now on this one is measured with, or none of its kind. */
export function measureWith(kind: InstrumentKind, id: string | undefined): void {
  const { [kind]: _, ...others } = mine();
  localStorage.setItem(KEY, JSON.stringify(id === undefined ? others : { ...others, [kind]: id }));
  for (const listener of heard) listener();
}

export const useMine = (): Mine =>
  useSyncExternalStore((listener) => {
    heard.add(listener);
    return () => heard.delete(listener);
  }, mine);

interface MeasuredWith {
  /** What the judge counts with. */
  readonly instruments: Instruments;
  /** Ohms of the leads, where the register has them. */
  readonly leadZero: number | undefined;
  readonly titles: readonly string[];
}

/** What is measured with on this device, as the register has it; a usual bag where nothing was chosen. */
export function useMeasuredWith(): MeasuredWith {
  const { data: register = [] } = useRegister();
  const chosen = useMine();
  const used = Object.values(chosen)
    .map((id) => register.find((i) => i.id === id))
    .filter((i): i is Instrument => i !== undefined && !i.retired);
  return {
    instruments: Object.assign({}, ...used.map((i) => instrumentsBy(i.classes))) as Instruments,
    leadZero: used.find((i) => i.kind === 'multimeter')?.leadZero ?? undefined,
    titles: used.map((i) => i.title),
  };
}

/** What was typed, with the ohms of the leads from the register where they are asked and nobody typed others. */
export const withLeads = (
  { asks }: Measure,
  leadZero: number | undefined,
  typed: Readonly<Record<string, string>>,
): Readonly<Record<string, string>> =>
  leadZero !== undefined && asks.some((a) => a.id === 'Lz') ? { Lz: String(leadZero), ...typed } : typed;
