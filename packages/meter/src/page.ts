import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type BenchState, readAct } from '@zetalysis/core/instruments';
import { drawingOf } from '@zetalysis/core/presentation';
import express, { type Express } from 'express';
import type { WebSocket } from 'ws';
import { type Hands, linesOf } from './hub';
import type { SimulatedBench } from './simulated-bench';

/** The page is told so often how the bench stands, milliseconds. */
const EVERY = 250;
const NONCE_PLACE = '__NONCE__';

/** The page of the simulated bench, as the web app was built; it reaches nothing but this process. */
export function pageOf(webDir: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use('/assets', express.static(join(webDir, 'assets')));
  app.use('/icon.svg', express.static(join(webDir, 'icon.svg')));
  app.get('/', (_request, response) => {
    const page = join(webDir, 'meter.html');
    if (!existsSync(page)) {
      response.status(503).type('text').send('The page is not built. Run "npm run meter", which builds it.');
      return;
    }
    const nonce = randomBytes(16).toString('base64');
    response
      .setHeader(
        'content-security-policy',
        `default-src 'none'; script-src 'self'; style-src 'self' 'nonce-${nonce}'; img-src 'self' data:; font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`,
      )
      .setHeader('cache-control', 'no-cache')
      .type('html')
      .send(readFileSync(page, 'utf8').replaceAll(NONCE_PLACE, nonce));
  });
  return app;
}

/** Somebody at the bench: their page hears how it stands and what is drawn there, and says what they do. */
export const handsAt =
  (bench: SimulatedBench, about: () => Pick<BenchState, 'code' | 'listeners'>): Hands =>
  (ws: WebSocket) => {
    let drawn: unknown;
    const tell = (): void => {
      if (bench.model !== drawn) {
        drawn = bench.model;
        ws.send(JSON.stringify({ t: 'drawing', drawing: drawingOf(bench.model) }));
      }
      ws.send(JSON.stringify({ t: 'state', state: { ...bench.state(), ...about() } satisfies BenchState }));
    };
    const timer = setInterval(tell, EVERY);
    ws.on('close', () => clearInterval(timer));
    ws.on('message', (data) => {
      for (const line of linesOf(data)) {
        const act = readAct(line);
        const why = 'do' in act ? bench.do(act) : act.why;
        if (why !== undefined) ws.send(JSON.stringify({ t: 'problem', why }));
      }
      tell();
    });
    tell();
  };
