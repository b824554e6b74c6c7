import express, { Router } from 'express';
import type { Me } from '@ft/contract/sharing';
import { patchDeviceSchema, postOfferSchema, postPairSchema, putSharingSchema } from '@ft/contract/sharing';
import { deviceCookie, deviceOf } from './gate';
import type { Sharing } from './sharing';

/** Which device asks. */
export function meRoute(): Router {
  const router = Router();
  router.get('/me', (_request, response) => {
    const device = deviceOf(response);
    response.json({
      device: device === undefined ? null : { name: device.name, role: device.role },
    } satisfies Me);
  });
  return router;
}

/** Opening and closing, codes and devices: for this computer alone. */
export function sharingRoutes(sharing: Sharing): Router {
  const router = Router();
  const json = express.json({ limit: '10kb' });
  const answer = async (response: express.Response): Promise<void> => {
    response.json(await sharing.state());
  };
  router.get('/sharing', async (_request, response) => {
    await answer(response);
  });
  router.put('/sharing', json, async (request, response) => {
    await sharing.setOpen(putSharingSchema.parse(request.body).isOpen);
    await answer(response);
  });
  router.post('/sharing/offers', json, async (request, response) => {
    await sharing.makeOffer(postOfferSchema.parse(request.body).role);
    await answer(response);
  });
  router.patch('/sharing/devices/:id', json, async (request, response) => {
    await sharing.setRole(request.params.id, patchDeviceSchema.parse(request.body).role);
    await answer(response);
  });
  router.delete('/sharing/devices/:id', async (request, response) => {
    await sharing.revoke(request.params.id);
    await answer(response);
  });
  return router;
}

/** Where a device on the studio network hands in its code. */
export function pairRoute(sharing: Sharing): Router {
  const router = Router();
  router.post('/pair', express.json({ limit: '10kb' }), async (request, response) => {
    const { code, name } = postPairSchema.parse(request.body);
    const token = await sharing.pair(code, name);
    response.setHeader('Set-Cookie', deviceCookie(token));
    response.status(201).json({ name });
  });
  return router;
}
