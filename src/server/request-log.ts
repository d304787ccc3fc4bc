/** One line of JSON a request: when, what, how it ended, how long it took. No query, no body, nothing of what was sent. */
import { openSync, renameSync, statSync } from 'node:fs';
import type { RequestHandler } from 'express';
import { pino, type Logger } from 'pino';

/** A log this large is set aside at a start, in place of the one set aside before. */
const LARGE = 16 * 1024 * 1024;

export const openRequestLog = (file: string): Logger => {
  try {
    if (statSync(file).size > LARGE) renameSync(file, `${file}.before`);
  } catch {
    // There is none yet.
  }
  // Opened here, and written at once: a server that ends could not wait for a file that is still being opened, or for a line that another
  // thread has yet to write. A line takes some microseconds.
  return pino({ base: null }, pino.destination({ dest: openSync(file, 'a'), sync: true }));
};

export const logRequests =
  (log: Pick<Logger, 'info'>): RequestHandler =>
  (request, response, next) => {
    const started = performance.now();
    const { method, path } = request;
    response.on('close', () =>
      log.info({
        method,
        path,
        status: response.writableFinished ? response.statusCode : 499,
        ms: Math.round(performance.now() - started),
        bytes: Number(response.getHeader('Content-Length') ?? 0),
      }),
    );
    next();
  };

/** An error as it is logged: never what a query or a request carried with it. */
export const plainError = (error: unknown): object => {
  if (!(error instanceof Error)) return { message: String(error).slice(0, 400) };
  const { name, message, stack, cause } = error;
  const { code } = error as { code?: unknown };
  return {
    name,
    message: message.slice(0, 400),
    stack: stack?.slice(0, 4000),
    ...(code === undefined ? {} : { code: String(code) }),
    ...(cause === undefined ? {} : { cause: plainError(cause) }),
  };
};
