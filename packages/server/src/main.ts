import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp } from './app';
import { readConfig } from './config';
import { connect } from './db/connect';
import { migrate, pendingMigrations } from './db/migrate';
import { defineModels } from './db/models';
import { loadDemo } from './demo/demo';
import { makeMissingOverviews } from './features/calls/overviews';
import { ProfileChecker } from './features/profiles/checker';
import { BookReader } from './features/patterns/reader';
import { Profiles, shippedIn } from './features/profiles/service';
import { checkScript, factsScript } from './thread-script';

// The server. `--demo` loads the demo data when there is none, `--season FILE` a year of its work with them. What else there is to do to a database: see admin.ts.
const here = dirname(fileURLToPath(import.meta.url));
const config = readConfig(process.env);
const logger = pino({ level: config.logLevel }, pino.destination(config.logFile === '' ? 1 : config.logFile));

// Libraries warn to the console, and quote statements there: the log says only that they did.
console.warn = () => logger.warn('a library warned');

if (config.ownerUrl !== '') {
  const owner = connect(config.ownerUrl, { patient: true });
  const applied = await migrate(owner);
  await owner.close();
  if (applied.length > 0) logger.info({ applied }, 'database migrated');
}
const sequelize = connect(config.databaseUrl, { nodes: config.databaseNodes });
defineModels(sequelize);
const pending = await pendingMigrations(sequelize);
if (pending.length > 0) {
  logger.fatal({ pending }, 'the database is not up to date: run the migrate command first');
  await sequelize.close();
  process.exit(1);
}

await makeMissingOverviews();

const checker = new ProfileChecker(checkScript(here));
const profiles = new Profiles(await shippedIn(resolve(here, '../../../profiles'), checker), checker);
await profiles.keep();
const season = process.argv.indexOf('--season');
if (process.argv.includes('--demo'))
  await loadDemo(profiles, season < 0 ? undefined : process.argv[season + 1], (done) => void process.send?.({ done }));

const app = createApp({ ...config, sequelize, profiles, reader: new BookReader(factsScript(here)), logger });
const server = app.listen(config.port, config.host, (error) => {
  if (error) {
    logger.fatal({ code: (error as NodeJS.ErrnoException).code }, 'cannot listen');
    process.exitCode = 1;
    void sequelize.close().then(() => process.exit(1));
    return;
  }
  logger.info({ host: config.host, port: config.port }, 'listening');
  // The start command waits for this.
  process.send?.('listening');
});

function stop(): void {
  server.close(() => void sequelize.close().then(() => process.exit(0)));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 3000).unref();
}
// The start command is gone: nobody would stop this process any more.
process.on('disconnect', stop);
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
