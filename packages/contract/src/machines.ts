import * as t from '@sinclair/typebox';
import { SHEET, type Sheet } from '@zetalysis/core/history';
import type { Build } from '@zetalysis/core/profile';
import { build, uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { listing, moment, nullable, profileId, trimmed } from './fields';

/** By net: what its terminal is called on this unit, and the colour of its wire. */
const wires = t.Record(t.String({ pattern: '^.{1,40}$' }), t.Object({ terminal: trimmed(40), colour: trimmed(40) }), {
  maxProperties: 80,
});

const newMachine = t.Object({
  label: trimmed(120, 1),
  site: trimmed(200, 1),
  make: trimmed(80),
  modelName: trimmed(80),
  serial: trimmed(80),
  profile: profileId,
  /** How it is built, beside its family. */
  build,
});

/** Beside its name: its plate, how it stands, what is normal on it. */
const sheet = t.Unsafe<Sheet>(
  t.Object(Object.fromEntries(Object.entries(SHEET).map(([id, { most }]) => [id, trimmed(most)]))),
);

/** Why it is there no longer. */
const reason = trimmed(200, 1);

export const machine = t.Object({
  id: uuid,
  ...newMachine.properties,
  /** Where this unit differs from the drawing. */
  wires: nullable(wires),
  sheet,
  /** Why it is there no longer; nothing while it is. */
  retired: nullable(reason),
  /** The machine that it was entered as before: its calls are counted there. */
  mergedInto: nullable(uuid),
  createdAt: moment,
});

/** The fields of a machine that are columns. */
export const machineFields = machine.properties;

export type Wires = t.Static<typeof wires>;
export type NewMachine = t.Static<typeof newMachine>;
export type Machine = t.Static<typeof machine>;

/** Whose machine it is: personal, so it stands beside the register and the logs, and can be erased. */
const contact = t.Object({
  customer: trimmed(120),
  telephone: trimmed(60),
  /** How one gets to it: keys, dogs, when somebody is in. */
  access: trimmed(300),
});

export type Contact = t.Static<typeof contact>;

/** The fields of a contact that are columns. */
export const contactFields = contact.properties;

const one = t.Object({ id: uuid });

const { label, site, make, modelName, serial } = newMachine.properties;
const correction = t.Object({ label, site, make, modelName, serial });

export type MachineCorrection = t.Static<typeof correction>;

/** As much of a machine as one change is about. */
interface Part extends Partial<MachineCorrection> {
  readonly sheet?: Sheet | null;
  readonly build?: Build;
  readonly wires?: Wires | null;
  readonly retired?: string | null;
  readonly mergedInto?: string | null;
}

const part = t.Unsafe<Part>(
  t.Partial(
    t.Object({
      ...correction.properties,
      sheet: nullable(sheet),
      build,
      wires: nullable(wires),
      retired: nullable(reason),
      mergedInto: nullable(uuid),
    }),
  ),
);

/** What of a machine was changed, from what to what. */
const change = t.Object({
  id: uuid,
  at: moment,
  by: t.String(),
  what: t.Unsafe<ChangeOf>(
    t.Union(['register', 'sheet', 'build', 'wires', 'retired', 'merged'].map((w) => t.Literal(w))),
  ),
  was: part,
  becomes: part,
});

export type ChangeOf = 'register' | 'sheet' | 'build' | 'wires' | 'retired' | 'merged';
export type MachineChange = t.Static<typeof change>;

const name = t.String();
const pressed = t.Object({ safety: name, kind: name, title: name, at: moment, event: name });

export const machines = {
  list: endpoint({
    method: 'GET',
    path: '/machines',
    query: listing(['label', 'site', 'make']),
    reply: t.Object({ machines: t.Array(machine), total: t.Integer() }),
  }),
  read: endpoint({ method: 'GET', path: '/machines/:id', params: one, reply: machine }),
  add: endpoint({ method: 'POST', path: '/machines', body: newMachine, reply: machine, status: 201 }),
  /** Corrects what the register says of a machine; its calls keep what they were opened with. */
  correct: endpoint({ method: 'PUT', path: '/machines/:id', params: one, body: correction, reply: machine }),
  /** Writes down its plate, how it stands and what is normal on it. */
  writeSheet: endpoint({ method: 'PUT', path: '/machines/:id/sheet', params: one, body: sheet, reply: machine }),
  /** Takes it out of the register, or back into it; its calls stay. */
  retire: endpoint({
    method: 'PUT',
    path: '/machines/:id/retired',
    params: one,
    body: t.Object({ retired: nullable(reason) }),
    reply: machine,
  }),
  /** Says that it was entered twice: its calls are counted with the other one, until that is taken back. */
  merge: endpoint({
    method: 'PUT',
    path: '/machines/:id/merged',
    params: one,
    body: t.Object({ into: nullable(uuid) }),
    reply: machine,
  }),
  /** Everything that was changed of it, the newest first. */
  changes: endpoint({ method: 'GET', path: '/machines/:id/changes', params: one, reply: t.Array(change) }),
  /** Resets without a cause on this machine in the last thirty days. */
  resets: endpoint({ method: 'GET', path: '/machines/:id/resets', params: one, reply: t.Array(pressed) }),
  nameWires: endpoint({ method: 'PUT', path: '/machines/:id/wires', params: one, body: wires, reply: machine }),
  rebuild: endpoint({ method: 'PUT', path: '/machines/:id/build', params: one, body: build, reply: machine }),
  contact: endpoint({ method: 'GET', path: '/machines/:id/contact', params: one, reply: contact }),
  setContact: endpoint({
    method: 'PUT',
    path: '/machines/:id/contact',
    params: one,
    body: contact,
    reply: contact,
  }),
};
