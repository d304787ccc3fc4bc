/** The simulated outlet *Open Web*: anyone with the address can fetch the released package. */
import { Router } from 'express';
import { z } from 'zod';
import type { ReleasesStore } from '../releases-store';
import { userContent } from '../security';
import { sendFile } from './files';

const slugSchema = z.object({ slug: z.string().regex(/^[a-z0-9-]{1,60}$/) });

export const outletRoutes = (releases: ReleasesStore): Router => {
  const router = Router();
  router.get('/:slug/effect.zip', async (request, response) => {
    const { path, sha256 } = await releases.packageOf(slugSchema.parse(request.params).slug);
    userContent(response);
    response.type('application/zip').setHeader('ETag', `"${sha256}"`);
    response.setHeader('Cache-Control', 'no-cache');
    // Answered before anything is read.
    if (request.headers['if-none-match'] === `"${sha256}"`) return void response.status(304).end();
    await sendFile(response, path);
  });
  return router;
};
