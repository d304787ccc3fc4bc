import { Router, json } from 'express';
import { CONTRACT } from '../../core/contract/contract';
import { shallow } from '../bounds';
import type { ShelfStore } from '../shelf-store';
import { answering } from './answering';
import { expectIds } from './path-ids';

export const shelfRoutes = (shelf: ShelfStore): Router => {
  const router = Router();
  router.use(json({ limit: '200kb' }), shallow);
  expectIds(router, 'asset');
  const on = answering(router, '/api/shelf');

  on(CONTRACT.listShelf, () => shelf.list());
  on(CONTRACT.putOnShelf, ({ body }) => shelf.put(body));
  on(CONTRACT.takeOffShelf, ({ params: { id } }) => shelf.remove(id));
  return router;
};
