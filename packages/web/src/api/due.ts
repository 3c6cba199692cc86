import { useQuery } from '@tanstack/react-query';
import { http } from './http';

const FRESH_MS = 60_000;

/** What is due in the shop, overdue first. */
export const useDue = () =>
  useQuery({ queryKey: ['due'], queryFn: () => http('GET /upkeep'), refetchInterval: FRESH_MS });
