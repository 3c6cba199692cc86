import { useQuery } from '@tanstack/react-query';
import { http } from '../api/http';
import type { Wires } from '@zetalysis/contract';

const kept = (machine: string): string => `zetalysis.wires.${machine}`;

/** Terminal names and wire colours of one machine; kept in the browser for when the server is away. */
export function useWires(machine: string | undefined): Wires {
  const found = useQuery({
    queryKey: ['wires', machine],
    enabled: machine !== undefined,
    queryFn: async () => {
      const all = await http('GET /machines');
      const wires = all.find((m) => m.id === machine)?.wires ?? {};
      localStorage.setItem(kept(machine!), JSON.stringify(wires));
      return wires;
    },
  });
  if (found.data) return found.data;
  return machine === undefined ? {} : (JSON.parse(localStorage.getItem(kept(machine)) ?? '{}') as Wires);
}
