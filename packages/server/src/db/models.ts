import type { Sequelize } from 'sequelize';
import { defineCalls } from '../features/calls/model';
import { defineMachine } from '../features/machines/model';
import { defineStoredProfile } from '../features/profiles/model';
import { definePerson } from '../features/session/model';

/** Binds the models to a connection. The tables are made by the migrations. */
export function defineModels(sequelize: Sequelize): void {
  definePerson(sequelize);
  defineMachine(sequelize);
  defineStoredProfile(sequelize);
  defineCalls(sequelize);
}
