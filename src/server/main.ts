/** Starts the server: node dist/server/main.js, with the settings of `options.ts`. */
import { createServer } from 'node:http';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { sentence } from '../core/errors';
import { createApp } from './app';
import { ContentFiles } from './content-files';
import { openDatabase } from './database';
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
const log = pino({ level: process.env.ICONIA_LOG ?? 'warn' }, pino.destination(2));

const main = async (): Promise<void> => {
  const { port, data, demo, hosts, quota } = readSettings(process.argv.slice(2), root);
  const unlock = lockFolder(data, `http://127.0.0.1:${port}`);
  process.on('exit', unlock);
  const db = await openDatabase(data, { templateFile: resolve(root, 'dist/server/template.zip.gz') });
  const content = new ContentFiles(join(data, 'files'));
  await moveBytesOut(db, content);
  if (demo) await seedDemo(db, content, resolve(root, 'demo/packages'));
  const jobs = new WorkerJobs(join(dirname(fileURLToPath(import.meta.url)), 'job-worker.js'));
  const fault = (error: unknown): void => log.error(plainError(error));
  const app = createApp({
    db,
    content,
    jobs,
    ...(process.env.ICONIA_DEV ? {} : { clientDir: resolve(root, 'dist/client') }),
    stockDir: resolve(root, 'stock'),
    trackerDirs: [resolve(root, 'dist/trackers'), resolve(root, 'node_modules/@mediapipe')],
    hosts,
    quota,
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
  let closing = false;
  const close = (): void => {
    if (closing) return;
    closing = true;
    restHouse();
    void jobs.stop();
    // Requests under way are answered; idle connections are closed.
    server.close(() => void db.close().then(() => process.exit(0)));
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 5000).unref();
  };
  process.on('SIGTERM', close);
  process.on('SIGINT', close);
  // Said when it can be ended as well.
  console.log(`Iconia is open at http://127.0.0.1:${actual}/`);
  // The first page has the machine to itself.
  setTimeout(() => jobs.warm(), WARM_AFTER).unref();
};

main().catch((error: unknown) => {
  console.error(sentence(error));
  if (error instanceof Error && error.cause) log.error(plainError(error.cause));
  process.exit(1);
});
