/** Who somebody is in the shop. */
export const ROLES = ['apprentice', 'technician', 'lead', 'admin'] as const;
export type Role = (typeof ROLES)[number];

/** What a technician or lead was trained for; each is given by name. */
export const GRANTS = ['line', 'gas', 'bypass', 'combustion', 'steam', 'refrigerant'] as const;
export type Grant = (typeof GRANTS)[number];

/** What a person may do, as the shop vouched for it when an entry was made. */
export interface Authority {
  readonly role: Role;
  readonly grants: readonly Grant[];
}

/** A technician with every grant. */
export const TRAINED: Authority = { role: 'technician', grants: GRANTS };

/** Somebody who may do everything: who looks at an appliance without a call, and entries made before rights were kept. */
export const EVERYTHING: Authority = { role: 'lead', grants: GRANTS };
