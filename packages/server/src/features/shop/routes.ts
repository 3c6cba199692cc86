import { Router } from 'express';
import { shop } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { limitsOfShop, tighten } from './service';

export function shopRoutes(): Router {
  const router = Router();
  serve(router, shop.limits, () => limitsOfShop());
  serve(router, shop.tighten, ({ body }, { person }) => tighten(person, body));
  return router;
}
