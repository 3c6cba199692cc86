import { useQuery } from '@tanstack/react-query';
import { http } from './http';

export const useProfiles = () => useQuery({ queryKey: ['profiles'], queryFn: () => http('GET /profiles') });

export const useMachines = () => useQuery({ queryKey: ['machines'], queryFn: () => http('GET /machines') });
