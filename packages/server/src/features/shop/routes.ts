import { Router } from 'express';
import { shop } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { limitsOfShop, setSettings, settingsOfShop, tighten, versionsOfSettings } from './service';

export function shopRoutes(): Router {
  const router = Router();
  serve(router, shop.limits, () => limitsOfShop());
  serve(router, shop.tighten, ({ body }, { person }) => tighten(person, body));
  serve(router, shop.settings, () => settingsOfShop());
  serve(router, shop.set, ({ body }, { person }) => setSettings(person, body));
  serve(router, shop.versions, () => versionsOfSettings());
  return router;
}
