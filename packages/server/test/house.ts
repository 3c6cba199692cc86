import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import request from 'supertest';
import type { WholeProfile } from '@zetalysis/contract';
import { v7 } from 'uuid';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import { type AppOptions, createApp } from '../src/app';
import { connect } from '../src/db/connect';
import { migrate } from '../src/db/migrate';
import { defineModels } from '../src/db/models';
import { DEMO_PASSWORD, loadDemo } from '../src/demo/demo';
import { ProfileChecker } from '../src/features/profiles/checker';
import { BookReader } from '../src/features/patterns/reader';
import { checkScript, factsScript } from '../src/thread-script';
import { Profiles, shippedIn } from '../src/features/profiles/service';
import { KEY_HEADER, SESSION_COOKIE } from '../src/http/sessions';
import { furnished, pour } from './furnished';

/** The migrating user's way into the database server, and the running program's. */
const { TEST_DATABASE_URL: server, TEST_OWNER_DATABASE_URL: ownersServer } = process.env;
if (server === undefined || ownersServer === undefined)
  throw new Error(
    'These tests need a MariaDB: run `npm test`, which starts one, or set TEST_DATABASE_URL and TEST_OWNER_DATABASE_URL.',
  );

/** What a signed-in client sends with every request. */
export type Credentials = Record<'cookie' | typeof KEY_HEADER, string>;

/** A server with demo data on a database of its own, for the tests of one file. */
interface House {
  readonly sequelize: Sequelize;
  /** The same database as the migrating user. */
  readonly owner: Sequelize;
  /** Where its database is. */
  readonly url: string;
  readonly ownerUrl: string;
  /** A request to it. */
  readonly api: () => ReturnType<typeof request>;
  /** One more server process on the same database. */
  readonly anotherApp: (database?: Sequelize, settings?: Partial<AppOptions>) => Express;
  /** Signs a person of the demo in; gives the headers that say so. */
  readonly signIn: (name?: string) => Promise<Credentials>;
}

interface Furnished {
  /** The file of a year’s work that is loaded with the demo. */
  readonly season?: string;
  readonly say?: (done: string) => void;
}

/** Opens the house before the tests of a file, and takes it and its database away after them. */
export function openHouse({ season, say }: Furnished = {}): House {
  const database = `zetalysis_test_${randomBytes(6).toString('hex')}`;
  const [url, ownerUrl] = [server!, ownersServer!].map((u) => u.replace(/\/[^/]+$/, `/${database}`)) as [
    string,
    string,
  ];
  const checker = new ProfileChecker(checkScript(join(__dirname, '../src')));
  const reader = new BookReader(factsScript(join(__dirname, '../src')));
  let profiles: Profiles;
  const sessionSecret = randomBytes(16).toString('hex');
  const logger = pino({ level: 'silent' });
  let sequelize: Sequelize;
  let owner: Sequelize;
  let app: Express;
  const anotherApp = (on = sequelize, settings: Partial<AppOptions> = {}): Express =>
    createApp({ sequelize: on, profiles, reader, sessionSecret, logger, webDir: '', ...settings });

  const create = async (name: string): Promise<void> => {
    const first = connect(ownersServer!, { patient: true });
    await first.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    await first.close();
    owner = connect(ownerUrl, { patient: true });
    sequelize = connect(url, { patient: true });
    defineModels(sequelize);
  };
  /** From nothing: every migration, every profile checked, the demo loaded. */
  const build = async (): Promise<Map<string, WholeProfile>> => {
    await migrate(owner);
    const shipped = await shippedIn(join(__dirname, '../../../profiles'), checker);
    profiles = new Profiles(shipped, checker);
    await profiles.keep();
    await loadDemo(profiles, season, say);
    return shipped;
  };
  beforeAll(async () => {
    await create(database);
    if (season === undefined) {
      const made = await furnished(ownerUrl, build);
      // Somebody else’s: what they built is poured into this one.
      if (made.by !== database) await pour(made.dump, ownerUrl);
      profiles = new Profiles(made.shipped, checker);
    } else await build();
    app = anotherApp();
  });
  afterAll(async () => {
    await reader.close();
    await sequelize.close();
    await owner.query(`DROP DATABASE ${database}`);
    await owner.close();
    await checker.close();
  });
  const api = () => request(app);
  return {
    get sequelize() {
      return sequelize;
    },
    get owner() {
      return owner;
    },
    url,
    ownerUrl,
    api,
    anotherApp,
    signIn: async (name = 'imre') => {
      const answer = await api().post('/api/session').send({ name, password: DEMO_PASSWORD });
      expect(answer.status).toBe(200);
      const cookies = answer.headers['set-cookie'] as unknown as string[];
      const session = cookies.find((c) => c.startsWith(`${SESSION_COOKIE}=`))!;
      return { cookie: session.split(';')[0]!, [KEY_HEADER]: (answer.body as { key: string }).key };
    },
  };
}

/** The version in which the furnace's profile ships. */
export const FURNACE_VERSION = /^version: (\S+)/m.exec(
  readFileSync(join(__dirname, '../../../profiles/furnace-condensing.yaml'), 'utf8'),
)![1]!;

/** The body of the entry that opens a call. */
export const opening = {
  type: 'opened',
  complaint: 'No heat',
  profile: 'furnace-condensing',
  profileVersion: FURNACE_VERSION,
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
