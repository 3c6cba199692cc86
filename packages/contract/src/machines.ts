import * as t from '@sinclair/typebox';
import { build, uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { moment, nullable, trimmed } from './fields';

const profileId = t.String({ maxLength: 80 });

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

export const machine = t.Object({
  id: uuid,
  ...newMachine.properties,
  /** Where this unit differs from the drawing. */
  wires: nullable(wires),
  createdAt: moment,
});

export type Wires = t.Static<typeof wires>;
export type NewMachine = t.Static<typeof newMachine>;
export type Machine = t.Static<typeof machine>;

const one = t.Object({ id: uuid });

export const machines = {
  list: endpoint({ method: 'GET', path: '/machines', reply: t.Array(machine) }),
  read: endpoint({ method: 'GET', path: '/machines/:id', params: one, reply: machine }),
  add: endpoint({ method: 'POST', path: '/machines', body: newMachine, reply: machine, status: 201 }),
  nameWires: endpoint({ method: 'PUT', path: '/machines/:id/wires', params: one, body: wires, reply: machine }),
  rebuild: endpoint({ method: 'PUT', path: '/machines/:id/build', params: one, body: build, reply: machine }),
};
