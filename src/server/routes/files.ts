import { Router, json, type Response } from 'express';
import { z } from 'zod';
import { shaSchema } from '../../core/document/schema';
import { cutText } from '../../core/text';
import type { FilesStore } from '../files-store';
import { userContent } from '../security';

const paramsSchema = z.object({ sha256: shaSchema });
const nameSchema = z.string().min(1).max(1000);
const knownSchema = z.strictObject({ sha256: z.array(shaSchema).max(5000) });

export const fileRoutes = (files: FilesStore): Router => {
  const router = Router();

  // The body is the file itself; its name comes percent-encoded in a query parameter.
  router.post('/', async (request, response) => {
    const name = cutText(nameSchema.parse(request.query.name), 200);
    response.status(201).json(await files.add(request, name));
  });
  // Asked before large files are sent: what is kept already need not be sent again.
  router.post('/known', json({ limit: '400kb' }), async (request, response) => {
    const { sha256 } = knownSchema.parse(request.body);
    const known = [];
    for (const sha of sha256) {
      const found = await files.find(sha);
      if (found) known.push(found);
    }
    response.json({ known });
  });
  router.get('/:sha256', async (request, response) => {
    const { sha256 } = paramsSchema.parse(request.params);
    userContent(response);
    response.setHeader('ETag', `"${sha256}"`);
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    // Content under its own hash never changes: whoever has it needs nobody to look.
    if (request.headers['if-none-match'] === `"${sha256}"`) return void response.status(304).end();
    const { path, file } = await files.locate(sha256);
    response.type(file.mime);
    await sendFile(response, path);
  });
  return router;
};

/** Streams a file: ranges and conditions are answered. Resolves when it is sent, or the other side has gone. */
export const sendFile = (response: Response, path: string): Promise<void> =>
  new Promise((done, fail) =>
    response.sendFile(path, { cacheControl: false, lastModified: false, dotfiles: 'allow' }, (error) => {
      const { code } = (error ?? {}) as NodeJS.ErrnoException;
      if (!error || code === 'ECONNABORTED' || code === 'EPIPE') done();
      else fail(error);
    }),
  );
