import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Sequelize } from 'sequelize';
import { notFound, problemHandler } from './http/problem';
import { callRoutes } from './features/calls/routes';
import { Calls } from './features/calls/service';
import { machineRoutes } from './features/machines/routes';
import { Machines } from './features/machines/service';
import { profileRoutes } from './features/profiles/routes';
import type { Profiles } from './features/profiles/service';
import { signInLimit } from './features/session/rate-limit';
import { sessionRoutes } from './features/session/routes';
import { sessions, signedIn } from './http/sessions';
import { newNonce, securityHeaders, webRoutes } from './web';

export interface AppOptions {
  readonly sequelize: Sequelize;
  readonly profiles: Profiles;
  readonly sessionSecret: string;
  readonly logger: Logger;
  readonly webDir: string;
}

/** The whole HTTP application. Keeps nothing in memory that another process would miss. */
export function createApp({ sequelize, profiles, sessionSecret, logger, webDir }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger,
      redact: ['req.headers.cookie', 'res.headers["set-cookie"]'],
      autoLogging: { ignore: (r) => r.url === '/api/health' },
    }),
  );
  app.use((request, response, next) => {
    const nonce = newNonce();
    response.locals['nonce'] = nonce;
    securityHeaders(nonce)(request, response, next);
  });
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  app.get('/api/health', async (_request, response) => {
    await sequelize.authenticate();
    response.json({ ok: true });
  });
  app.use('/api', express.json({ limit: '256kb' }));
  const session = sessions(sequelize, sessionSecret);
  // Profiles are no secret, and are needed before anybody can sign in again after a cold start.
  app.use(profileRoutes(profiles, [session, signedIn]));
  app.use('/api', session);
  app.use(sessionRoutes(signInLimit(sequelize)));
  app.use(['/api/machines', '/api/calls'], signedIn);
  app.use(machineRoutes(new Machines(profiles)));
  app.use(callRoutes(new Calls(profiles)));
  app.use('/api', notFound);
  if (webDir !== '') app.use(webRoutes(webDir));
  app.use(notFound);
  app.use(problemHandler);
  return app;
}
