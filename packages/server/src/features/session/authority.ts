import { type Authority, type Grant, GRANTS, type Role, ROLES } from '@zetalysis/core/rules';

/** Grants as a column keeps them. */
export const grantsText = (grants: readonly Grant[]): string => GRANTS.filter((g) => grants.includes(g)).join(',');

export const grantsFrom = (text: string): Grant[] => GRANTS.filter((g) => text.split(',').includes(g));

/** What a person may do now. */
export const authorityOf = ({ role, grants }: { readonly role: Role; readonly grants: string }): Authority => ({
  role,
  grants: grantsFrom(grants),
});

/** The same as an entry keeps it beside itself. */
export const authorityText = ({ role, grants }: Authority): string => `${role}:${grantsText(grants)}`;

export function authorityFrom(text: string): Authority {
  const [role = '', grants = ''] = text.split(':');
  return { role: ROLES.find((r) => r === role) ?? 'apprentice', grants: grantsFrom(grants) };
}
