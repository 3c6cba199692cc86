import type { Sequelize } from 'sequelize';
import { defineAudit } from '../features/audit/model';
import { defineCalls } from '../features/calls/model';
import { defineDays } from '../features/days/model';
import { defineInstruments } from '../features/instruments/model';
import { defineLimits } from '../features/limits/model';
import { defineMachines } from '../features/machines/model';
import { definePhotos } from '../features/photos/model';
import { defineStoredProfile } from '../features/profiles/model';
import { definePatterns } from '../features/patterns/model';
import { definePractice } from '../features/practice/model';
import { definePeople } from '../features/session/model';
import { defineSearch } from '../features/search/model';
import { defineShop } from '../features/shop/model';
import { defineStock } from '../features/stock/model';
import { defineUpkeep } from '../features/upkeep/model';

/** Binds the models to a connection. The tables are made by the migrations. */
export function defineModels(sequelize: Sequelize): void {
  definePeople(sequelize);
  defineMachines(sequelize);
  defineStoredProfile(sequelize);
  defineCalls(sequelize);
  definePhotos(sequelize);
  defineShop(sequelize);
  defineInstruments(sequelize);
  defineLimits(sequelize);
  defineUpkeep(sequelize);
  defineAudit(sequelize);
  defineDays(sequelize);
  defineSearch(sequelize);
  definePractice(sequelize);
  definePatterns(sequelize);
  defineStock(sequelize);
}
