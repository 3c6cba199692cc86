import { queryOptions, useQuery } from '@tanstack/react-query';
import type { Machine, machines, Sent } from '@zetalysis/contract';
import { keepMachines, knownMachine, knownMachines } from '../store/machines';
import { http, ServerProblem } from './http';

/** Every family, as lists show it. */
export const profilesQuery = queryOptions({ queryKey: ['profiles'], queryFn: () => http('GET /profiles') });

/** What the shop writes on its papers. */
export const settingsQuery = queryOptions({ queryKey: ['settings'], queryFn: () => http('GET /shop/settings') });

export const useProfiles = () => useQuery(profilesQuery);

type MachinesAsked = Sent<typeof machines.list>['query'];

/** A page of the register; while the server is away, of what is known of it here. */
export const useMachines = (asked: MachinesAsked) =>
  useQuery({
    queryKey: ['machines', asked],
    placeholderData: (before) => before,
    queryFn: async () => {
      try {
        const page = await http('GET /machines', { query: asked });
        await keepMachines(page.machines).catch(() => undefined);
        return page;
      } catch (error) {
        if (!(error instanceof ServerProblem) || !error.away) throw error;
        const known = await knownMachines(asked.search ?? '', Number(asked.size ?? 25));
        if (known.length === 0) throw error;
        return { machines: known, total: known.length };
      }
    },
  });

/** What a machine’s history is made of: readings and repairs of its calls. */
export const entriesQuery = (id: string) =>
  queryOptions({
    queryKey: ['entries', id],
    queryFn: () => http('GET /machines/:id/readings', { params: { id } }),
  });

/** Whose machine it is. */
export const useContact = (id: string | undefined) =>
  useQuery({
    queryKey: ['contact', id],
    enabled: id !== undefined,
    queryFn: () => http('GET /machines/:id/contact', { params: { id: id! } }),
  });

/** One machine; while the server is away, as it is known here. */
export const useMachine = (id: string | undefined) =>
  useQuery({
    queryKey: ['machine', id],
    enabled: id !== undefined,
    queryFn: async (): Promise<Machine> => {
      try {
        const machine = await http('GET /machines/:id', { params: { id: id! } });
        await keepMachines([machine]).catch(() => undefined);
        return machine;
      } catch (error) {
        const known = await knownMachine(id!);
        if (known && error instanceof ServerProblem && error.away) return known;
        throw error;
      }
    },
  });
