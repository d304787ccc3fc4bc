/** The simulated outlet *Open Web*: anyone with the address can fetch the released package. */
import { Router } from 'express';
import { z } from 'zod';
import type { ReleasesStore } from '../releases-store';

const slugSchema = z.object({ slug: z.string().regex(/^[a-z0-9-]{1,60}$/) });

export const outletRoutes = (releases: ReleasesStore): Router => {
  const router = Router();
  router.get('/:slug/effect.zip', async (request, response) => {
    const { zip, version } = await releases.packageOf(slugSchema.parse(request.params).slug);
    response.type('application/zip').setHeader('ETag', `"v${version}"`);
    response.setHeader('Cache-Control', 'no-cache');
    response.send(Buffer.from(zip));
  });
  return router;
};
