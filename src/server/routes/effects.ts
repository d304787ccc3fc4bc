import { Router, json, type RequestHandler } from 'express';
import { CONTRACT } from '../../core/contract/contract';
import type { Patch } from '../../core/document/patch';
import type { EffectsStore, StoredEffect } from '../effects-store';
import { shallow } from '../bounds';
import { answering } from './answering';
import { expectIds } from './path-ids';
import type { ReleasesStore } from '../releases-store';

const record = ({ id, revision, effect, updatedAt }: StoredEffect) => ({
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
  const on = answering(router, '/api/effects');

  on(CONTRACT.listEffects, ({ query: { limit, after } }) => effects.list(limit, after ?? null));
  on(CONTRACT.createEffect, async ({ body }) => record(await effects.create(body)));
  on(CONTRACT.getEffect, async ({ params: { id } }) => record(await effects.get(id)));
  on(CONTRACT.getRevision, async ({ params: { id, revision } }) => ({
    revision,
    document: await effects.at(id, revision),
  }));
  on(CONTRACT.saveEffect, ({ params: { id }, body: { revision, patch } }) =>
    effects.save(id, revision, patch as Patch),
  );
  on(CONTRACT.removeEffect, ({ params: { id }, query: { live } }) => effects.remove(id, live === 'takeDown'));
  on(CONTRACT.listReleases, ({ params: { id } }) => releases.list(id));
  on(CONTRACT.release, ({ params: { id }, body: { revision } }) => releases.release(id, revision), rarely);
  return router;
};
