/** Starts the server: node dist/server/main.js, with the settings of `options.ts`. */
import { existsSync, readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import type { Door } from '../core/contract/try-contract';
import { sentence } from '../core/errors';
import { createApp } from './app';
import { ContentFiles } from './content-files';
import { openDatabase } from './database';
import { doorHosts, openDoor, type OpenDoor } from './door/open-door';
import { keepHouse } from './housekeeping';
import { WorkerJobs } from './jobs/worker-jobs';
import { lockFolder } from './lock';
import { moveBytesOut } from './move-bytes-out';
import { readSettings } from './options';
import { logRequests, openRequestLog, plainError } from './request-log';
import { seedDemo } from './seed';

const root = process.env.ICONIA_ROOT ?? process.cwd();
/** Milliseconds until the thread for packages is made ready. */
const WARM_AFTER = 3000;
/** Milliseconds between two looks for try links that have expired. */
const EXPIRED_EVERY = 5000;
const log = pino({ level: process.env.ICONIA_LOG ?? 'warn' }, pino.destination(2));

/** What the pages were built of: phones learn from it that theirs are old. */
const buildOf = (stamp: string): string =>
  existsSync(stamp) ? readFileSync(stamp, 'utf8').slice(0, 16) : 'development';

const main = async (): Promise<void> => {
  const { port, data, demo, hosts, quota, door } = readSettings(process.argv.slice(2), root);
  const unlock = lockFolder(data, `http://127.0.0.1:${port}`);
  process.on('exit', unlock);
  const db = await openDatabase(data, { templateFile: resolve(root, 'dist/server/template.zip.gz') });
  const content = new ContentFiles(join(data, 'files'));
  await moveBytesOut(db, content);
  if (demo) await seedDemo(db, content, resolve(root, 'demo/packages'));
  const jobs = new WorkerJobs(join(dirname(fileURLToPath(import.meta.url)), 'job-worker.js'));
  const fault = (error: unknown): void => log.error(plainError(error));
  const doors: Door[] = [];
  const app = createApp({
    db,
    content,
    jobs,
    ...(process.env.ICONIA_DEV ? {} : { clientDir: resolve(root, 'dist/client') }),
    stockDir: resolve(root, 'stock'),
    trackerDirs: [resolve(root, 'dist/trackers'), resolve(root, 'node_modules/@mediapipe')],
    hosts: [...hosts, ...(door ? doorHosts(door) : [])],
    quota,
    doors: () => doors,
    build: buildOf(resolve(root, 'dist/.pages')),
    log: fault,
    requests: logRequests(openRequestLog(join(data, 'requests.log'))),
  });
  const restHouse = keepHouse(db, content, app.files, fault);
  const server = createServer(app);
  // Longer than whoever asks again and again waits, so that no request meets a connection that is just being closed.
  server.keepAliveTimeout = 75_000;
  await new Promise<void>((done, fail) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      fail(
        error.code === 'EADDRINUSE'
          ? new Error(`Port ${port} is taken. Choose another with --port N.`)
          : error,
      ),
    );
    server.listen(port, '127.0.0.1', done);
  });
  const address = server.address();
  const actual = typeof address === 'object' && address ? address.port : port;
  let opened: OpenDoor | null = null;
  if (door) opened = await openDoor(door, hosts, data, app);
  // Behind a proxy that has a certificate a name is reached by HTTPS.
  else for (const name of hosts) doors.push({ base: `https://${name}`, reach: 'name' });
  doors.push(...(opened?.doors ?? []), { base: `http://127.0.0.1:${actual}`, reach: 'computer' });
  const expiring = setInterval(() => app.phones.endExpired(), EXPIRED_EVERY);
  let closing = false;
  const close = (): void => {
    if (closing) return;
    closing = true;
    restHouse();
    clearInterval(expiring);
    void jobs.stop();
    // Streams end, and are asked for again until the server is back.
    app.phones.hangUp();
    opened?.server.close();
    opened?.server.closeIdleConnections();
    // Requests under way are answered; idle connections are closed.
    server.close(() => void db.close().then(() => process.exit(0)));
    server.closeIdleConnections();
    setTimeout(() => {
      server.closeAllConnections();
      opened?.server.closeAllConnections();
    }, 5000).unref();
  };
  process.on('SIGTERM', close);
  process.on('SIGINT', close);
  // Said when it can be ended as well.
  console.log(`Iconia is open at http://127.0.0.1:${actual}/`);
  for (const words of opened?.words ?? []) console.log(words);
  // The first page has the machine to itself.
  setTimeout(() => jobs.warm(), WARM_AFTER).unref();
};

main().catch((error: unknown) => {
  console.error(sentence(error));
  if (error instanceof Error && error.cause) log.error(plainError(error.cause));
  process.exit(1);
});
