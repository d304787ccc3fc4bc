/** The HTTP application: routes, pages, headers, errors. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import sirv from 'sirv';
import type { Door } from '../core/contract/try-contract';
import { atMost, fewFailures, RATES, type Rates } from './bounds';
import type { ContentFiles } from './content-files';
import type { Database } from './database';
import { EffectsStore } from './effects-store';
import { FilesStore } from './files-store';
import { gate } from './gate';
import type { Jobs } from './jobs/jobs';
import { notFound, problems } from './problem-answers';
import { ReleasesStore } from './releases-store';
import { effectRoutes } from './routes/effects';
import { FilmsStore } from './films-store';
import { fileRoutes } from './routes/files';
import { filmRoutes } from './routes/films';
import { outletRoutes } from './routes/outlet';
import { compoundRoutes } from './routes/compounds';
import { shelfRoutes } from './routes/shelf';
import { takeRoutes } from './routes/takes';
import { tryRoutes } from './routes/tries';
import { tryLinkRoutes } from './routes/try-links';
import { Phones } from './phones/phones';
import { TryLinksStore } from './phones/try-links-store';
import * as security from './security';
import { CompoundsStore } from './compounds-store';
import { ShelfStore } from './shelf-store';
import { TakesStore } from './takes-store';

export interface AppOptions {
  readonly db: Database;
  readonly content: ContentFiles;
  readonly jobs: Jobs;
  /** The built pages; without it only the interface for programs is served (tests, development). */
  readonly clientDir?: string;
  /** What ships with Iconia: the stock's catalogue and files. */
  readonly stockDir?: string;
  /** The built tracker worker, and the tracker package's files. */
  readonly trackerDirs?: readonly string[];
  /** Names beside 127.0.0.1 and localhost under which the server is reached. */
  readonly hosts?: readonly string[];
  readonly rates?: Rates;
  /** Bytes an account may keep. */
  readonly quota?: number;
  /** Where pages for viewers are reached from. */
  readonly doors?: () => readonly Door[];
  /** Changes with the pages: phones learn from it that theirs are old. */
  readonly build?: string;
  /** Milliseconds since 1970; tests give their own. */
  readonly now?: () => number;
  readonly log?: (error: unknown) => void;
  /** Told of every request. */
  readonly requests?: RequestHandler;
}

/** Bytes an account may keep when nothing else is said. */
export const QUOTA = 20 * 1024 ** 3;

export const createApp = ({
  db,
  content,
  jobs,
  clientDir,
  stockDir,
  trackerDirs = [],
  hosts = [],
  rates = RATES,
  quota = QUOTA,
  doors = () => [],
  build = 'unbuilt',
  now = Date.now,
  log = () => {},
  requests,
}: AppOptions): Express & { readonly files: FilesStore; readonly phones: Phones } => {
  const phones = new Phones((clip) => content.discard(clip), now);
  const effects = new EffectsStore(db, {
    saved: (id, from, revision, patch) => phones.edited(id, from, revision, patch),
    removed: (id) => phones.end(id, 'This effect was deleted by whoever made it.'),
  });
  const links = new TryLinksStore(db, now);
  const files = new FilesStore(db, content, jobs, quota);
  const releases = new ReleasesStore(db, effects, files, content, jobs);
  const app = express();
  app.disable('x-powered-by');
  if (requests) app.use(requests);
  app.use(security.permissions);
  app.use(security.strict);
  app.use(gate(hosts));

  for (const dir of trackerDirs) app.use('/trackers', security.compiling, shipped(dir));

  app.get('/healthz', async (_request, response) => {
    await db.query('select 1');
    response.json({ ok: true, pid: process.pid });
  });
  const reads = atMost(rates.reads);
  const saves = atMost(rates.saves);
  const uploads = atMost(rates.uploads);
  app.use(['/api', '/outlet', '/try-api'], (request, response, next) => {
    const sends = request.path.startsWith('/files') ? uploads : saves;
    return (request.method === 'GET' || request.method === 'HEAD' ? reads : sends)(request, response, next);
  });
  app.use('/api/files', fileRoutes(files));
  app.use('/api', compression());
  app.use('/api/effects', tryLinkRoutes(links, phones, doors));
  app.use('/api/effects', filmRoutes(new FilmsStore(db)));
  app.use('/api/effects', effectRoutes(effects, releases, atMost(rates.releases)));
  app.use('/api/shelf', shelfRoutes(new ShelfStore(db, files)));
  app.use('/api/compounds', compoundRoutes(new CompoundsStore(db)));
  app.use('/api/takes', takeRoutes(new TakesStore(db)));
  app.use('/outlet', outletRoutes(releases));
  app.use(
    '/try-api',
    tryRoutes({ links, phones, effects, files, content, build, guesses: fewFailures(rates.guesses) }),
  );
  if (stockDir) app.use('/stock-files', shipped(stockDir));
  app.use(['/api', '/outlet', '/try-api', '/trackers', '/stock-files'], notFound);

  if (clientDir) servePages(app, clientDir);
  app.use(notFound);
  app.use(problems(log));
  return Object.assign(app, { files, phones });
};

/** Files that ship with Iconia and change with its version only. */
const shipped = (dir: string): RequestHandler => express.static(dir, { index: false, maxAge: '1h' });

const servePages = (app: Express, clientDir: string): void => {
  if (!existsSync(join(clientDir, 'index.html')))
    throw new Error(`The pages are not built: ${clientDir} is empty.`);
  const page =
    (file: string): RequestHandler =>
    (_request, response) => {
      response.setHeader('Cache-Control', 'no-cache');
      response.sendFile(join(clientDir, file));
    };
  app.use('/assets/workers', (request, response, next) => {
    const policy = request.path.startsWith('/ktx2-worker-') ? security.compiling : security.intake;
    policy(request, response, next);
  });
  // Packed when they were built (`scripts/build.mjs`), named by their content.
  app.use(
    '/assets',
    sirv(join(clientDir, 'assets'), {
      immutable: true,
      maxAge: 31_536_000,
      etag: true,
      gzip: true,
      brotli: true,
    }),
  );
  app.use('/assets', notFound);
  app.get('/show/:slug', page('show.html'));
  app.get('/try/:secret', page('show.html'));
  // Driven by `npm run rehearse`; there is nothing on it.
  app.get('/rehearse.html', page('rehearse.html'));
  app.get(/.*/, security.atelier, page('index.html'));
};
