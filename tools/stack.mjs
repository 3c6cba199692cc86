import { join } from 'node:path';
import { ensureWebBuild, WEB_DIST } from './build.mjs';
import { startMariaDb } from './mariadb.mjs';
import { freePort } from './process.mjs';
import { startServer } from './server.mjs';

/** A whole private installation with demo data in `directory`, and a season where one is named: database, server, web app. For tests and pictures. */
export async function startStack(directory, { season } = {}) {
  await ensureWebBuild();
  const database = await startMariaDb(directory, { durable: false });
  const port = await freePort();
  const env = {
    DATABASE_URL: database.url,
    OWNER_DATABASE_URL: database.ownerUrl,
    PORT: String(port),
    SESSION_SECRET: 'only-for-tests-0123456789',
    WEB_DIR: WEB_DIST,
    LOG_LEVEL: 'warn',
    LOG_FILE: join(directory, 'server.log'),
  };
  let server = await startServer(env, { demo: true, season });
  return {
    url: `http://127.0.0.1:${port}`,
    env,
    /** The server's process. */
    pid: () => server.child.pid,
    /** Takes the server away and brings it back at the same address. */
    stopServer: () => server.stop(),
    restartServer: async () => {
      server = await startServer(env);
    },
    stop: async () => {
      await server.stop();
      await database.stop();
    },
  };
}
