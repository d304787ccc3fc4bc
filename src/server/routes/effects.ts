import { Router, json } from 'express';
import { z } from 'zod';
import { readEffect } from '../../core/document/migrations';
import { patchSchema, type Patch } from '../../core/document/patch';
import type { EffectsStore, StoredEffect } from '../effects-store';
import type { ReleasesStore } from '../releases-store';

const idSchema = z.object({ id: z.uuid() });
const saveSchema = z.strictObject({ revision: z.number().int().positive(), patch: patchSchema });
const releaseSchema = z.strictObject({ revision: z.number().int().positive() });

const wire = ({ id, revision, effect, updatedAt }: StoredEffect) => ({
  id,
  revision,
  document: effect,
  updatedAt,
});

export const effectRoutes = (effects: EffectsStore, releases: ReleasesStore): Router => {
  const router = Router();
  router.use(json({ limit: '4mb' }));

  router.get('/', async (_request, response) => {
    response.json((await effects.list()).map(wire));
  });
  router.post('/', async (request, response) => {
    response.status(201).json(wire(await effects.create(readEffect(request.body))));
  });
  router.get('/:id', async (request, response) => {
    response.json(wire(await effects.get(idSchema.parse(request.params).id)));
  });
  router.patch('/:id', async (request, response) => {
    const { id } = idSchema.parse(request.params);
    const { revision, patch } = saveSchema.parse(request.body);
    response.json(await effects.save(id, revision, patch as Patch));
  });
  router.delete('/:id', async (request, response) => {
    await effects.remove(idSchema.parse(request.params).id);
    response.status(204).end();
  });
  router.get('/:id/releases', async (request, response) => {
    response.json(await releases.list(idSchema.parse(request.params).id));
  });
  router.post('/:id/releases', async (request, response) => {
    const { id } = idSchema.parse(request.params);
    response.status(201).json(await releases.release(id, releaseSchema.parse(request.body).revision));
  });
  return router;
};
