import { Router } from 'express';
import { patterns } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import type { Book } from './service';

export function patternRoutes(book: Book): Router {
  const router = Router();
  serve(router, patterns.standing, () => book.standing());
  serve(router, patterns.read, () => book.read());
  serve(router, patterns.breaks, ({ query }) => book.breaks(query));
  serve(router, patterns.cases, ({ query }) => book.cases(query));
  serve(router, patterns.advice, ({ query }, { person }) => book.advice(person, query));
  serve(router, patterns.rates, () => book.rates());
  serve(router, patterns.draft, ({ body }, { person }) => book.draft(person, body.words));
  serve(router, patterns.current, () => book.current());
  serve(router, patterns.withdraw, ({ body }, { person }) => book.publish(person, null, body.words));
  serve(router, patterns.book, ({ params }) => book.book(Number(params.version)));
  serve(router, patterns.publish, ({ params, body }, { person }) =>
    book.publish(person, Number(params.version), body.words),
  );
  return router;
}
