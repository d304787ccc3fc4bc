/** Errors as RFC 9457 problem details. */
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import { z } from 'zod';
import { IconiaError, sentence } from '../core/errors';
import { describeIssues } from '../core/document/migrations';
import { diskFull, isDiskFull } from './disk';
import { Problem } from './problem';

const TITLES: Record<number, string> = {
  400: 'The request is not well-formed',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  413: 'Too large',
  415: 'Wrong kind of content',
  421: 'Another host is meant',
  422: 'Not accepted',
  429: 'Too often',
  500: 'Something went wrong in Iconia',
  507: 'No room',
};

const send = (response: Response, { status, code, message, extra }: Problem): void => {
  response
    .status(status)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: `/problems/${code}`,
        title: TITLES[status] ?? 'Problem',
        status,
        code,
        detail: message,
        ...extra,
      }),
    );
};

export const notFound: RequestHandler = (request) => {
  throw new Problem(404, 'not-found', `There is nothing at ${request.path}.`);
};

/** PostgreSQL: untranslatable characters, and bytes that are none. */
const UNHOLDABLE = new Set(['22P05', '22021']);

const toProblem = (error: unknown): Problem | null => {
  if (error instanceof Problem) return error;
  if (error instanceof IconiaError) return new Problem(422, error.code, error.message);
  if (error instanceof z.ZodError) return new Problem(400, 'request.invalid', describeIssues(error));
  if (isDiskFull(error)) return diskFull();
  // What the database cannot hold; the schema keeps it out of documents, with its place.
  if (UNHOLDABLE.has((error as { code?: string }).code ?? ''))
    return new Problem(
      422,
      'request.unholdable',
      'A text here holds half a character or U+0000. Write it anew.',
    );
  // Errors of the body parser carry a status of their own.
  const { status, type } = error as { status?: number; type?: string };
  if (type === 'entity.too.large')
    return new Problem(413, 'request.too-large', 'That is more than is taken at once.');
  if (type === 'entity.parse.failed')
    return new Problem(400, 'request.malformed', 'What was sent is not JSON. Nothing was changed.');
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem(status, 'request.invalid', sentence(error));
  return null;
};

export const problems =
  (log: (error: unknown) => void): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = toProblem(error);
    if (!problem) log(error);
    send(
      response,
      problem ?? new Problem(500, 'internal', 'The request failed. Nothing was changed; try again.'),
    );
  };
