import { Router } from 'express';
import { patterns } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { type Book, standingOf } from './book';
import { advice, breaks, cases, trends } from './figures';
import { ShopRates } from './rates';
import { BookReading } from './reading';

export function patternRoutes(book: Book): Router {
  const reading = new BookReading(book);
  const rates = new ShopRates(book);
  const router = Router();
  serve(router, patterns.standing, () => standingOf(book));
  serve(router, patterns.read, () => reading.read());
  serve(router, patterns.breaks, ({ query }) => breaks(book, query));
  serve(router, patterns.cases, ({ query }, { person }) => cases(person, query));
  serve(router, patterns.advice, ({ query }, { person }) => advice(book, person, query));
  serve(router, patterns.trends, ({ query }) => trends(query));
  serve(router, patterns.rates, () => rates.rates());
  serve(router, patterns.draft, ({ body }, { person }) => rates.draft(person, body.words));
  serve(router, patterns.current, () => rates.current());
  serve(router, patterns.withdraw, ({ body }, { person }) => rates.publish(person, null, body.words));
  serve(router, patterns.book, ({ params }) => rates.book(Number(params.version)));
  serve(router, patterns.publish, ({ params, body }, { person }) =>
    rates.publish(person, Number(params.version), body.words),
  );
  return router;
}
