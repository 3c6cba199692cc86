import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import request from 'supertest';
import { v7 } from 'uuid';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import { createApp } from '../src/app';
import { connect } from '../src/db/connect';
import { migrate } from '../src/db/migrate';
import { defineModels } from '../src/db/models';
import { DEMO_PASSWORD, loadDemo } from '../src/demo/demo';
import { readProfiles } from '../src/features/profiles/service';

const server = process.env['TEST_DATABASE_URL'];
if (server === undefined)
  throw new Error('These tests need a MariaDB: run `npm test`, which starts one, or set TEST_DATABASE_URL.');

/** A server with demo data on a database of its own, for the tests of one file. */
interface House {
  readonly sequelize: Sequelize;
  /** Where its database is. */
  readonly url: string;
  /** A request to it. */
  readonly api: () => ReturnType<typeof request>;
  /** One more server process on the same database. */
  readonly anotherApp: (database?: Sequelize) => Express;
  /** Signs a person of the demo in; gives the cookie. */
  readonly signIn: (name?: string) => Promise<string>;
}

/** Opens the house before the tests of a file, and takes it and its database away after them. */
export function openHouse(): House {
  const database = `zetalysis_test_${randomBytes(6).toString('hex')}`;
  const url = server!.replace(/\/[^/]+$/, `/${database}`);
  const profiles = readProfiles(join(__dirname, '../../../profiles'));
  const sessionSecret = randomBytes(16).toString('hex');
  const logger = pino({ level: 'silent' });
  let sequelize: Sequelize;
  let app: Express;
  const anotherApp = (on = sequelize): Express =>
    createApp({ sequelize: on, profiles, sessionSecret, logger, webDir: '' });

  beforeAll(async () => {
    const first = connect(server!);
    await first.query(`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    await first.close();
    sequelize = connect(url);
    defineModels(sequelize);
    await migrate(sequelize);
    await profiles.keepShipped();
    await loadDemo(profiles);
    app = anotherApp();
  });
  afterAll(async () => {
    await sequelize.query(`DROP DATABASE ${database}`);
    await sequelize.close();
  });
  const api = () => request(app);
  return {
    get sequelize() {
      return sequelize;
    },
    url,
    api,
    anotherApp,
    signIn: async (name = 'imre') => {
      const answer = await api().post('/api/session').send({ name, password: DEMO_PASSWORD });
      expect(answer.status).toBe(200);
      return String(answer.headers['set-cookie']).split(';')[0]!;
    },
  };
}

/** The body of the entry that opens a call. */
export const opening = {
  type: 'opened',
  complaint: 'No heat',
  profile: 'furnace-condensing',
  profileVersion: '1.0.0',
  engineVersion: '1.0.0',
  settings: { units: 'us', settingsVersion: '1' },
} satisfies EventBody;

/** An entry as a device sends it. */
export const made = (call: string, body: EventBody, seq = 1, person = 'imre'): CallEvent => ({
  id: v7(),
  call,
  seq,
  at: new Date().toISOString(),
  device: 'test',
  person,
  body,
});
