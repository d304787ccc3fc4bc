import { Router, json } from 'express';
import { CONTRACT } from '../../core/contract/contract';
import { shallow } from '../bounds';
import type { TakesStore } from '../takes-store';
import { answering } from './answering';
import { expectIds } from './path-ids';

export const takeRoutes = (takes: TakesStore): Router => {
  const router = Router();
  router.use(json({ limit: '200kb' }), shallow);
  expectIds(router, 'take');
  const on = answering(router, '/api/takes');

  on(CONTRACT.listTakes, () => takes.list());
  on(CONTRACT.createTake, ({ body }) => takes.create(body));
  on(CONTRACT.saveTake, ({ params: { id }, body }) => takes.replace(id, body));
  on(CONTRACT.removeTake, ({ params: { id } }) => takes.remove(id));
  return router;
};
