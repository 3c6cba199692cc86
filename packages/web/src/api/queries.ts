import { useQuery } from '@tanstack/react-query';
import type { Identity } from '@zetalysis/core/profile';
import { http } from './http';
import type { Machine, ProfileSummary } from './types';

export const useProfiles = () =>
  useQuery({ queryKey: ['profiles'], queryFn: () => http<ProfileSummary[]>('GET', '/profiles') });

export const useMachines = () =>
  useQuery({ queryKey: ['machines'], queryFn: () => http<Machine[]>('GET', '/machines') });

/** A family, or one variant of it: what a machine is, and what is read about. */
export interface Appliance {
  /** `family` or `family|variant`, for lists and addresses. */
  readonly value: string;
  readonly profile: string;
  readonly variant: string | undefined;
  readonly title: string;
  readonly identity: Identity;
}

export const applianceValue = (profile: string, variant: string | null | undefined): string =>
  variant === null || variant === undefined ? profile : `${profile}|${variant}`;

/** Every family, each followed by its variants. */
export const appliancesOf = (profiles: readonly ProfileSummary[]): Appliance[] =>
  profiles.flatMap((p) => [
    { value: p.id, profile: p.id, variant: undefined, title: p.title, identity: p.identity },
    ...p.variants.map((v) => ({
      value: applianceValue(p.id, v.id),
      profile: p.id,
      variant: v.id,
      title: `${p.title}: ${v.title}`,
      identity: v.identity,
    })),
  ]);
