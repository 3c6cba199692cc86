import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp } from './app';
import { readConfig } from './config';
import { connect } from './db/connect';
import { loadDemo } from './demo/demo';
import { migrate } from './db/migrate';
import { defineModels } from './db/models';
import { readProfiles } from './features/profiles/service';

// `main.ts migrate` only brings the database up to date; `--demo` loads the demo data when there is none.
const config = readConfig(process.env);
const logger = pino({ level: config.logLevel }, pino.destination(config.logFile === '' ? 1 : config.logFile));
const sequelize = connect(config.databaseUrl);
defineModels(sequelize);

const applied = await migrate(sequelize);
if (applied.length > 0) logger.info({ applied }, 'database migrated');
const profiles = readProfiles(resolve(dirname(fileURLToPath(import.meta.url)), '../../../profiles'));
await profiles.keepShipped();
if (process.argv.includes('--demo')) await loadDemo(profiles);

const app = createApp({ sequelize, profiles, sessionSecret: config.sessionSecret, logger, webDir: config.webDir });
const server = app.listen(config.port, config.host, (error) => {
  if (error) {
    logger.fatal({ err: error }, 'cannot listen');
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
