/** The HTTP application: routes, pages, headers, errors. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type RequestHandler } from 'express';
import type { Database } from './database';
import { EffectsStore } from './effects-store';
import { FilesStore } from './files-store';
import { notFound, problems } from './problem';
import { ReleasesStore } from './releases-store';
import { effectRoutes } from './routes/effects';
import { fileRoutes } from './routes/files';
import { outletRoutes } from './routes/outlet';
import { shelfRoutes } from './routes/shelf';
import { takeRoutes } from './routes/takes';
import * as security from './security';
import { ShelfStore } from './shelf-store';
import { TakesStore } from './takes-store';

export interface AppOptions {
  readonly db: Database;
  /** The built pages; without it only the interface for programs is served (tests, development). */
  readonly clientDir?: string;
  /** What ships with Iconia: the stock's catalogue and files. */
  readonly stockDir?: string;
  /** The built tracker worker, and the tracker package's files. */
  readonly trackerDirs?: readonly string[];
  readonly log?: (error: unknown) => void;
}

export const createApp = ({
  db,
  clientDir,
  stockDir,
  trackerDirs = [],
  log = () => {},
}: AppOptions): Express => {
  const effects = new EffectsStore(db);
  const files = new FilesStore(db);
  const releases = new ReleasesStore(db, effects, files);
  const app = express();
  app.disable('x-powered-by');
  app.use(security.permissions);

  for (const dir of trackerDirs)
    app.use('/trackers', security.compiling, express.static(dir, { index: false, maxAge: '1h' }));

  app.use(security.strict);
  app.get('/healthz', async (_request, response) => {
    await db.query('select 1');
    response.json({ ok: true, pid: process.pid });
  });
  app.use('/api/effects', effectRoutes(effects, releases));
  app.use('/api/files', fileRoutes(files));
  app.use('/api/shelf', shelfRoutes(new ShelfStore(db, files)));
  app.use('/api/takes', takeRoutes(new TakesStore(db)));
  app.use('/outlet', outletRoutes(releases));
  if (stockDir) app.use('/stock-files', express.static(stockDir, { index: false, maxAge: '1h' }));
  app.use(['/api', '/outlet', '/trackers', '/stock-files'], notFound);

  if (clientDir) {
    const page =
      (file: string): RequestHandler =>
      (_request, response) => {
        response.setHeader('Cache-Control', 'no-cache');
        response.sendFile(join(clientDir, file));
      };
    if (!existsSync(join(clientDir, 'index.html')))
      throw new Error(`The pages are not built: ${clientDir} is empty.`);
    app.use('/assets/workers', (request, response, next) => {
      const policy = request.path.startsWith('/ktx2-worker-') ? security.compiling : security.intake;
      policy(request, response, next);
    });
    app.use(
      '/assets',
      express.static(join(clientDir, 'assets'), { immutable: true, maxAge: '1y', index: false }),
    );
    app.use('/assets', notFound);
    app.get('/show/:slug', page('show.html'));
    app.get(/.*/, security.atelier, page('index.html'));
  }
  app.use(notFound);
  app.use(problems(log));
  return app;
};
