/** Routes of the contract: what is asked is read as it says, and what is answered is as it says. */
import type { Request, RequestHandler, Response, Router } from 'express';
import type { z } from 'zod';
import type { Route } from '../../core/contract/route';

/** What was asked, read. */
export interface Read<R extends Route> {
  readonly params: z.output<R['params']>;
  readonly query: z.output<R['query']>;
  readonly body: z.output<R['body']>;
  readonly request: Request;
}

const METHODS = { GET: 'get', POST: 'post', PUT: 'put', PATCH: 'patch', DELETE: 'delete' } as const;

/**
 * Adds routes of the contract to a router that lies at `prefix`. What is asked and does not fit is answered 400, by the parts that do not;
 * 201 answers what was made, 204 what was deleted.
 */
export const answering =
  (router: Router, prefix: string) =>
  <R extends Route>(
    route: R,
    answer: (asked: Read<R>) => Promise<z.input<R['answer']>>,
    ...before: readonly RequestHandler[]
  ): void => {
    router[METHODS[route.method]](pathWithin(route, prefix), ...before, async (request, response) => {
      const answered = await answer(readRequest(route, request));
      response.status(route.status);
      if (route.status === 204) response.end();
      else response.json(answered);
    });
  };

/** The same for what is not answered in JSON: a file, a package. */
export const sending =
  (router: Router, prefix: string) =>
  <R extends Route>(route: R, send: (asked: Read<R>, response: Response) => Promise<void>): void => {
    router[METHODS[route.method]](pathWithin(route, prefix), (request, response) =>
      send(readRequest(route, request), response),
    );
  };

const pathWithin = ({ path }: Route, prefix: string): string => path.slice(prefix.length) || '/';

const readRequest = <R extends Route>(route: R, request: Request): Read<R> => ({
  params: route.params.parse(request.params) as z.output<R['params']>,
  query: route.query.parse(request.query) as z.output<R['query']>,
  body: route.body.parse(request.body) as z.output<R['body']>,
  request,
});
