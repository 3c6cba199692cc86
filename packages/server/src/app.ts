import { LONGEST_FILE, LONGEST_PHOTO } from '@zetalysis/contract';
import compression from 'compression';
import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Sequelize } from 'sequelize';
import { ownOrigin } from './http/origin';
import { inBrief, notFound, problemHandler } from './http/problem';
import { callRoutes } from './features/calls/routes';
import { Calls } from './features/calls/service';
import { dayRoutes } from './features/days/routes';
import { exchangeRoutes } from './features/exchange/routes';
import { instrumentRoutes } from './features/instruments/routes';
import { limitRoutes } from './features/limits/routes';
import { machineRoutes } from './features/machines/routes';
import { Machines } from './features/machines/service';
import type { BookReader } from './features/patterns/reader';
import { patternRoutes } from './features/patterns/routes';
import { BookSums } from './features/patterns/sums';
import { peopleRoutes } from './features/people/routes';
import { practiceRoutes } from './features/practice/routes';
import { searchRoutes } from './features/search/routes';
import { shopRoutes } from './features/shop/routes';
import { photoRoutes } from './features/photos/routes';
import { profileRoutes } from './features/profiles/routes';
import type { Profiles } from './features/profiles/service';
import { stockRoutes } from './features/stock/routes';
import { openRoutes, upkeepRoutes } from './features/upkeep/routes';
import { Upkeep } from './features/upkeep/service';
import { passwordLimits } from './features/session/limits';
import { sessionRoutes } from './features/session/routes';
import { sessions, signedIn } from './http/sessions';
import { newNonce, securityHeaders, webRoutes } from './web';

export interface AppOptions {
  readonly sequelize: Sequelize;
  readonly profiles: Profiles;
  readonly reader: BookReader;
  readonly sessionSecret: string;
  readonly logger: Logger;
  readonly webDir: string;
  readonly trustProxy?: boolean | number | string;
  readonly secureCookies?: boolean | 'auto';
  readonly hstsDays?: number;
}

/** The whole HTTP application. Keeps nothing in memory that another process would miss. */
export function createApp(options: AppOptions): Express {
  const { sequelize, profiles, reader, sessionSecret, logger, webDir } = options;
  const { trustProxy = false, secureCookies = 'auto', hstsDays = 0 } = options;
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', trustProxy);
  app.use(pinoHttp({ logger, serializers: SAID, autoLogging: { ignore: (r) => r.url === '/api/health' } }));
  app.use((request, response, next) => {
    const nonce = newNonce();
    response.locals['nonce'] = nonce;
    securityHeaders(nonce, hstsDays)(request, response, next);
  });
  app.use(compression());
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  app.get('/api/health', async (_request, response) => {
    await sequelize.authenticate();
    response.json({ ok: true });
  });
  app.use('/api', ownOrigin);
  app.use('/api/photos', express.json({ limit: LONGEST_PHOTO + 1000 }));
  const session = sessions(sequelize, { secret: sessionSecret, secureCookies });
  // A whole shop is read only from somebody; a little more than the file: its quotes are written with a stroke before them.
  app.use('/api/import', session, signedIn, express.json({ limit: 2 * LONGEST_FILE }));
  app.use('/api', express.json({ limit: '256kb' }));
  app.use('/api', session);
  const upkeep = new Upkeep(profiles);
  app.use(openRoutes(upkeep));
  app.use(sessionRoutes(passwordLimits(sequelize, sessionSecret), sessionSecret));
  app.use(
    [
      '/api/people',
      '/api/shop',
      '/api/profiles',
      '/api/machines',
      '/api/calls',
      '/api/photos',
      '/api/instruments',
      '/api/limits',
      '/api/upkeep',
      '/api/addresses',
      '/api/export',
      '/api/days',
      '/api/practice',
      '/api/patterns',
      '/api/rates',
      '/api/stock',
      '/api/search',
      '/api/import',
    ],
    signedIn,
  );
  app.use(peopleRoutes());
  app.use(shopRoutes());
  app.use(profileRoutes(profiles));
  app.use(machineRoutes(new Machines(profiles)));
  app.use(callRoutes(new Calls(profiles)));
  app.use(photoRoutes());
  app.use(instrumentRoutes());
  app.use(limitRoutes());
  app.use(upkeepRoutes(upkeep));
  app.use(exchangeRoutes(upkeep));
  app.use(dayRoutes());
  app.use(practiceRoutes());
  app.use(patternRoutes({ profiles, reader, sums: new BookSums() }));
  app.use(stockRoutes());
  app.use(searchRoutes());
  app.use('/api', notFound);
  if (webDir !== '') app.use(webRoutes(webDir));
  app.use(notFound);
  app.use(problemHandler);
  return app;
}

/** What a log says of a request: neither headers nor what was searched for. */
const SAID = {
  req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({ id, method, path: url.split('?')[0] }),
  res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
  err: inBrief,
};
