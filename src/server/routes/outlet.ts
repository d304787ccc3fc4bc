/** The simulated outlet *Open Web*: anyone with the address can fetch the released package. */
import { Router } from 'express';
import { CONTRACT } from '../../core/contract/contract';
import type { ReleasesStore } from '../releases-store';
import { userContent } from '../security';
import { sending } from './answering';
import { sendFile } from './files';

export const outletRoutes = (releases: ReleasesStore): Router => {
  const router = Router();
  sending(router, '/outlet')(CONTRACT.getPackage, async ({ params: { slug }, request }, response) => {
    const { path, sha256 } = await releases.packageOf(slug);
    userContent(response);
    response.type('application/zip').setHeader('ETag', `"${sha256}"`);
    response.setHeader('Cache-Control', 'no-cache');
    // Answered before anything is read.
    if (request.headers['if-none-match'] === `"${sha256}"`) return void response.status(304).end();
    await sendFile(response, path);
  });
  return router;
};
