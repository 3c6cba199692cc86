import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router } from 'express';
import helmet from 'helmet';

/** What the page's style tags carry, so that the strict content policy lets them pass. */
const NONCE_PLACE = '__NONCE__';

/** Security headers for everything; styles need the nonce that the page was served with. */
export const securityHeaders = (nonce: string, hstsDays: number) =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'"],
        styleSrc: ["'self'", `'nonce-${nonce}'`],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        // Instruments speak on the machine of whoever measures.
        connectSrc: ["'self'", 'ws://127.0.0.1:*', 'ws://localhost:*'],
        manifestSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: hstsDays === 0 ? false : { maxAge: hstsDays * 86_400, includeSubDomains: false },
  });

/** Serves the built web app: hashed assets for ever, the page itself fresh with a new nonce. */
export function webRoutes(directory: string): Router {
  const router = Router();
  const page = readFileSync(join(directory, 'index.html'), 'utf8');
  router.use(
    '/assets',
    express.static(join(directory, 'assets'), { immutable: true, maxAge: '365d', fallthrough: false }),
  );
  router.use(express.static(directory, { index: false, maxAge: 0 }));
  router.get(/^\/(?!api\/).*/, (_request, response) => {
    response
      .type('html')
      .setHeader('cache-control', 'no-cache')
      .send(page.replaceAll(NONCE_PLACE, response.locals['nonce'] as string));
  });
  return router;
}

export const newNonce = (): string => randomBytes(16).toString('base64');
