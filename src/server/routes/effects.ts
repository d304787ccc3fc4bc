import { Router, json, type RequestHandler } from 'express';
import { z } from 'zod';
import { readEffect } from '../../core/document/migrations';
import { patchSchema, type Patch } from '../../core/document/patch';
import type { EffectsStore, StoredEffect } from '../effects-store';
import { shallow } from '../bounds';
import { expectIds } from './path-ids';
import type { ReleasesStore } from '../releases-store';

const idSchema = z.object({ id: z.uuid() });
const revisionSchema = z.object({ id: z.uuid(), revision: z.coerce.number().int().positive() });
const saveSchema = z.strictObject({ revision: z.number().int().positive(), patch: patchSchema });
const listSchema = z.object({
  after: z.string().max(200).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(60),
});
const removeSchema = z.object({ live: z.enum(['keep', 'takeDown']).default('keep') });
const releaseSchema = z.strictObject({ revision: z.number().int().positive() });

const wire = ({ id, revision, effect, updatedAt }: StoredEffect) => ({
  id,
  revision,
  document: effect,
  updatedAt,
});

export const effectRoutes = (
  effects: EffectsStore,
  releases: ReleasesStore,
  rarely: RequestHandler,
): Router => {
  const router = Router();
  router.use(json({ limit: '4mb' }), shallow);
  expectIds(router, 'effect');

  // Summaries, a page at a time: whole documents are asked for one by one.
  router.get('/', async (request, response) => {
    const { after, limit } = listSchema.parse(request.query);
    response.json(await effects.list(limit, after ?? null));
  });
  router.post('/', async (request, response) => {
    response.status(201).json(wire(await effects.create(readEffect(request.body))));
  });
  router.get('/:id', async (request, response) => {
    response.json(wire(await effects.get(idSchema.parse(request.params).id)));
  });
  router.get('/:id/revisions/:revision', async (request, response) => {
    const { id, revision } = revisionSchema.parse(request.params);
    response.json({ revision, document: await effects.at(id, revision) });
  });
  router.patch('/:id', async (request, response) => {
    const { id } = idSchema.parse(request.params);
    const { revision, patch } = saveSchema.parse(request.body);
    response.json(await effects.save(id, revision, patch as Patch));
  });
  router.delete('/:id', async (request, response) => {
    const { live } = removeSchema.parse(request.query);
    await effects.remove(idSchema.parse(request.params).id, live === 'takeDown');
    response.status(204).end();
  });
  router.get('/:id/releases', async (request, response) => {
    response.json(await releases.list(idSchema.parse(request.params).id));
  });
  router.post('/:id/releases', rarely, async (request, response) => {
    const { id } = idSchema.parse(request.params);
    response.status(201).json(await releases.release(id, releaseSchema.parse(request.body).revision));
  });
  return router;
};
