import { Router, json } from 'express';
import { z } from 'zod';
import { shallow } from '../bounds';
import { expectIds } from './path-ids';
import type { TakesStore } from '../takes-store';

const idSchema = z.object({ id: z.uuid() });
const bodySchema = z.looseObject({});

export const takeRoutes = (takes: TakesStore): Router => {
  const router = Router();
  router.use(json({ limit: '200kb' }), shallow);
  expectIds(router, 'take');

  router.get('/', async (_request, response) => {
    response.json(await takes.list());
  });
  router.post('/', async (request, response) => {
    response.status(201).json(await takes.create(bodySchema.parse(request.body)));
  });
  router.put('/:id', async (request, response) => {
    const { id } = idSchema.parse(request.params);
    response.json(await takes.replace(id, bodySchema.parse(request.body)));
  });
  router.delete('/:id', async (request, response) => {
    await takes.remove(idSchema.parse(request.params).id);
    response.status(204).end();
  });
  return router;
};
