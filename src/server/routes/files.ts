import { Router, raw } from 'express';
import { z } from 'zod';
import { MOST_KEPT_BYTES } from '../../core/assets/limits';
import { shaSchema } from '../../core/document/schema';
import type { FilesStore } from '../files-store';

const paramsSchema = z.object({ sha256: shaSchema });
const nameSchema = z.string().min(1).max(200);

export const fileRoutes = (files: FilesStore): Router => {
  const router = Router();

  // The body is the file itself; its name comes percent-encoded in a query parameter.
  router.post('/', raw({ type: () => true, limit: MOST_KEPT_BYTES }), async (request, response) => {
    const name = nameSchema.parse(request.query.name);
    const body: unknown = request.body;
    const bytes = Buffer.isBuffer(body) ? new Uint8Array(body) : new Uint8Array();
    response.status(201).json(await files.add(bytes, name));
  });
  // Asked before a large file is sent: what is kept already need not be sent again.
  router.head('/:sha256', async (request, response) => {
    const found = await files.find(paramsSchema.parse(request.params).sha256);
    // "Nothing here" is an answer, not a failure.
    if (!found) return void response.status(204).end();
    response.type(found.mime).setHeader('X-Bytes', String(found.bytes));
    response.end();
  });
  router.get('/:sha256', async (request, response) => {
    const { bytes, mime } = await files.read(paramsSchema.parse(request.params).sha256);
    response.type(mime).setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.send(Buffer.from(bytes));
  });
  return router;
};
