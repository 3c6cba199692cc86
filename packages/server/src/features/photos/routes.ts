import { Router } from 'express';
import { photos } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { erasePhoto, photosOnMachine, readPhoto, takePhoto } from './service';

export function photoRoutes(): Router {
  const router = Router();
  serve(router, photos.send, async ({ params, body }, { person }) => {
    await takePhoto(params.id, body, person);
    return undefined;
  });
  serve(router, photos.onMachine, ({ params }) => photosOnMachine(params.id));
  serve(router, photos.read, ({ params }) => readPhoto(params.id));
  serve(router, photos.erase, async ({ params }, { person }) => {
    await erasePhoto(params.id, person);
    return undefined;
  });
  return router;
}
