import type { Response } from 'express';
import { Router } from 'express';
import type { Me } from '@ft/contract/sharing';
import { patchTabletSchema, postOfferSchema, postPairSchema, putSharingSchema } from '@ft/contract/sharing';
import { bodyOf, textBody } from '../http/jsonBody';
import { tabletCookie, tabletOf } from './gate';
import type { Sharing } from './sharing';

/** Which tablet asks. */
export function meRoute(): Router {
  const router = Router();
  router.get('/me', (_request, response) => {
    const tablet = tabletOf(response);
    response.json({
      tablet: tablet === undefined ? null : { name: tablet.name, role: tablet.role },
    } satisfies Me);
  });
  return router;
}

/** Opening and closing, codes and tablets: for this computer alone. */
export function sharingRoutes(sharing: Sharing): Router {
  const router = Router();
  const small = textBody('10kb');
  const answer = async (response: Response): Promise<void> => {
    response.json(await sharing.state());
  };
  router.get('/sharing', async (_request, response) => {
    await answer(response);
  });
  router.put('/sharing', small, async (request, response) => {
    await sharing.setOpen(bodyOf(request, putSharingSchema).isOpen);
    await answer(response);
  });
  router.post('/sharing/offers', small, async (request, response) => {
    await sharing.makeOffer(bodyOf(request, postOfferSchema).role);
    await answer(response);
  });
  router.patch('/sharing/tablets/:id', small, async (request, response) => {
    await sharing.setRole(String(request.params['id']), bodyOf(request, patchTabletSchema).role);
    await answer(response);
  });
  router.delete('/sharing/tablets/:id', async (request, response) => {
    await sharing.revoke(request.params.id);
    await answer(response);
  });
  return router;
}

/** Where a tablet on the studio network hands in its code. */
export function pairRoute(sharing: Sharing): Router {
  const router = Router();
  router.post('/pair', textBody('10kb'), async (request, response) => {
    const { code, name } = bodyOf(request, postPairSchema);
    const letIn = await sharing.pair(code, name, request.socket.remoteAddress ?? '');
    response.setHeader('Set-Cookie', tabletCookie(letIn.token));
    response.status(201).json({ name: letIn.name });
  });
  return router;
}
