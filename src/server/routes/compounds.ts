import { Router, json } from 'express';
import { CONTRACT } from '../../core/contract/contract';
import { shallow } from '../bounds';
import type { CompoundsStore } from '../compounds-store';
import { answering } from './answering';
import { expectIds } from './path-ids';

export const compoundRoutes = (compounds: CompoundsStore): Router => {
  const router = Router();
  // Quoted as JSON the longest text is larger.
  router.use(json({ limit: '1mb' }), shallow);
  expectIds(router, 'compound');
  const on = answering(router, '/api/compounds');

  on(CONTRACT.listCompounds, () => compounds.list());
  on(CONTRACT.getCompound, async ({ params: { id } }) => ({ text: await compounds.text(id) }));
  on(CONTRACT.keepCompound, ({ body: { text } }) => compounds.keep(text));
  on(CONTRACT.dropCompound, ({ params: { id } }) => compounds.drop(id));
  return router;
};
