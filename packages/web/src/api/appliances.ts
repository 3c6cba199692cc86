import type { ProfileSummary } from '@zetalysis/contract';
import { type Build, buildKey, type Identity, PLAIN, withVariant } from '@zetalysis/core/profile';

/** A family, or one variant of it: what a machine is, and what is read about. */
export interface Appliance {
  readonly profile: string;
  readonly build: Build;
  readonly title: string;
  readonly identity: Identity;
}

/** A key that is equal for the same appliance, for lists. */
export const applianceKey = ({ profile, build }: Pick<Appliance, 'profile' | 'build'>): string =>
  buildKey(build) === buildKey(PLAIN) ? profile : `${profile} ${buildKey(build)}`;

/** Every family, each followed by its variants. */
export const appliancesOf = (profiles: readonly ProfileSummary[]): Appliance[] =>
  profiles.flatMap((p) => [
    { profile: p.id, build: PLAIN, title: p.title, identity: p.identity },
    ...p.variants.map((v) => ({
      profile: p.id,
      build: withVariant(v.id),
      title: `${p.title}: ${v.title}`,
      identity: v.identity,
    })),
  ]);

/** How a machine is built, in words: what is present beside its family. */
export function buildWords(
  profiles: readonly ProfileSummary[],
  { profile, build }: Pick<Appliance, 'profile' | 'build'>,
): string {
  const family = profiles.find((p) => p.id === profile);
  const options = build.options.map((id) => family?.variants.find((v) => v.id === id)?.title ?? id);
  const own = Object.keys(build.order).length > 0 ? ['switches in another order'] : [];
  return [family?.title ?? profile, [...options, ...own].join(', ')].filter((w) => w !== '').join(': ');
}

/** Where an appliance is read about. */
export const libraryAddress = ({ profile, build: { options } }: Pick<Appliance, 'profile' | 'build'>): string =>
  `/library/${profile}${options[0] === undefined ? '' : `?variant=${encodeURIComponent(options[0])}`}`;
