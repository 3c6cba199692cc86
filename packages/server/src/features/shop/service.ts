import { type ShopSettings, UNSAID_SETTINGS } from '@zetalysis/contract';
import { can, type Limits, tightened } from '@zetalysis/core/rules';
import { Problem } from '../../http/problem';
import { audit } from '../audit/audit';
import { authorityOf } from '../session/authority';
import { namesOf } from '../session/repository';
import type { Person } from '../session/model';
import type { ShopSettingsVersion } from './model';
import { addLimits, addSettings, newestLimits, settingsVersions } from './repository';

/** What the rules of this shop count from: practice’s values, or stricter ones. */
export async function limitsOfShop(): Promise<Limits> {
  return tightened((await newestLimits()) ?? {});
}

/** Makes limits stricter than practice’s, or gives practice’s back. Throws a Problem for whom it is not, and what makes no sense. */
export async function tighten(person: Person, limits: Limits): Promise<Limits> {
  if (can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to set', 'A lead or an admin sets the limits of the shop. Ask one of them.');
  if (!(limits.coFind < limits.coOff && limits.coOff < limits.coOut))
    throw new Problem(
      400,
      'Not in order',
      'Finding the source has to begin below switching off, and that below everybody out. Correct the three values.',
    );
  await addLimits(person.id, limits);
  await audit(person, 'limits', 'carbon monoxide', `${limits.coFind}, ${limits.coOff}, ${limits.coOut} ppm`);
  return limitsOfShop();
}

/** A version of the settings as the contract has it. */
export const settingsOf = ({ name, address, currency, hour, paper }: ShopSettingsVersion): ShopSettings => ({
  name,
  address,
  currency,
  hour: hour === null ? null : Number(hour),
  paper: paper === 'A4' ? 'A4' : 'LETTER',
});

/** What stands on the shop’s paper now. */
export async function settingsOfShop(): Promise<ShopSettings> {
  const [newest] = await settingsVersions(1);
  return newest ? settingsOf(newest) : UNSAID_SETTINGS;
}

/** Sets what stands on the shop’s paper from now on. Throws a Problem for whom it is not. */
export async function setSettings(person: Person, settings: ShopSettings): Promise<ShopSettings> {
  if (can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to set', 'A lead or an admin sets what stands on the paper. Ask one of them.');
  await addSettings(person.id, settings);
  await audit(person, 'settings', settings.name);
  return settingsOfShop();
}

/** Every version with who set it, the newest first. */
export async function versionsOfSettings(): Promise<(ShopSettings & { readonly by: string; readonly at: string })[]> {
  const versions = await settingsVersions();
  const names = await namesOf(versions.map(({ personId }) => personId));
  return versions.map((v) => ({ ...settingsOf(v), by: names.get(v.personId) ?? '', at: v.createdAt.toISOString() }));
}
