import { Router, json } from 'express';
import { z } from 'zod';
import { shallow } from '../bounds';
import { expectIds } from './path-ids';
import { assetSchema } from '../../core/document/schema';
import type { ShelfStore } from '../shelf-store';

const idSchema = z.object({ id: z.uuid() });

export const shelfRoutes = (shelf: ShelfStore): Router => {
  const router = Router();
  router.use(json({ limit: '200kb' }), shallow);
  expectIds(router, 'asset');

  router.get('/', async (_request, response) => {
    response.json(await shelf.list());
  });
  router.post('/', async (request, response) => {
    response.status(201).json(await shelf.put(assetSchema.parse(request.body)));
  });
  router.delete('/:id', async (request, response) => {
    await shelf.remove(idSchema.parse(request.params).id);
    response.status(204).end();
  });
  return router;
};
