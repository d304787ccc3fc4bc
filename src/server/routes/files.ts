import { Router, json, type Response } from 'express';
import { CONTRACT } from '../../core/contract/contract';
import { cutText } from '../../core/text';
import type { FilesStore } from '../files-store';
import { userContent } from '../security';
import { answering, sending } from './answering';

export const fileRoutes = (files: FilesStore): Router => {
  const router = Router();
  const on = answering(router, '/api/files');

  // The body is the file itself; its name comes percent-encoded in a query parameter.
  on(CONTRACT.addFile, ({ query: { name }, request }) => files.add(request, cutText(name, 200)));
  router.use('/known', json({ limit: '400kb' }));
  on(CONTRACT.knownFiles, async ({ body: { sha256 } }) => {
    const known = [];
    for (const sha of sha256) {
      const found = await files.find(sha);
      if (found) known.push(found);
    }
    return { known };
  });
  sending(router, '/api/files')(CONTRACT.getFile, async ({ params: { sha256 }, request }, response) => {
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
