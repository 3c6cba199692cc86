import * as t from '@sinclair/typebox';
import { FAMILIES, type Family } from '@zetalysis/core/rules';
import { endpoint } from './endpoint';
import { nullable, personName, profileId, profileVersion } from './fields';

const identity = t.Record(t.String(), t.String());

const summary = t.Object({
  id: profileId,
  title: t.String(),
  summary: t.String(),
  version: profileVersion,
  /** What it is to the safety rules; nothing where it does not say. */
  family: t.Optional(t.Unsafe<Family>(t.Union(FAMILIES.map((f) => t.Literal(f))))),
  identity,
  /** The steps of the family's sequence. */
  phases: t.Array(t.Object({ id: t.String(), title: t.String(), unwanted: t.Boolean() })),
  variants: t.Array(t.Object({ id: t.String(), title: t.String(), identity })),
  /** Who brought it in; nothing for those that ship with the program. */
  importedBy: nullable(personName),
});

const whole = t.Object({ ...summary.properties, source: t.String() });

/** The fields of a profile that are columns. */
export const profileFields = summary.properties;

export type ProfileSummary = t.Static<typeof summary>;
export type WholeProfile = t.Static<typeof whole>;

export const profiles = {
  list: endpoint({ method: 'GET', path: '/profiles', reply: t.Array(summary) }),
  read: endpoint({
    method: 'GET',
    path: '/profiles/:id',
    params: t.Object({ id: profileId }),
    query: t.Object({ version: t.Optional(profileVersion) }),
    reply: whole,
  }),
  bringIn: endpoint({
    method: 'POST',
    path: '/profiles',
    body: t.Object({ source: t.String({ minLength: 1, maxLength: 200_000 }) }),
    reply: summary,
    status: 201,
  }),
};
