import { Router, raw } from 'express';
import { z } from 'zod';
import { MOST_BYTES } from '../../core/assets/picture';
import type { AssetsStore } from '../assets-store';

const shaSchema = z.object({ sha256: z.string().regex(/^[0-9a-f]{64}$/) });
const nameSchema = z.string().min(1).max(200);

export const assetRoutes = (assets: AssetsStore): Router => {
  const router = Router();

  // The body is the file itself; its name comes percent-encoded in a query parameter.
  router.post('/', raw({ type: () => true, limit: MOST_BYTES }), async (request, response) => {
    const name = nameSchema.parse(request.query.name);
    const body: unknown = request.body;
    const bytes = Buffer.isBuffer(body) ? new Uint8Array(body) : new Uint8Array();
    response.status(201).json(await assets.add(bytes, name));
  });
  router.get('/:sha256', async (request, response) => {
    const { bytes, mime } = await assets.read(shaSchema.parse(request.params).sha256);
    response.type(mime).setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.send(Buffer.from(bytes));
  });
  return router;
};
