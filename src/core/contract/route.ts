/** How a route of the server is written down, so that whoever asks and whoever answers read the same. */
import { z } from 'zod';

export interface Route<
  Params extends z.ZodType = z.ZodType,
  Query extends z.ZodType = z.ZodType,
  Body extends z.ZodType = z.ZodType,
  Answer extends z.ZodType = z.ZodType,
> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** With `:name` where a parameter stands. */
  readonly path: string;
  readonly params: Params;
  readonly query: Query;
  /** What is sent; what is not JSON is no matter of the contract. */
  readonly body: Body;
  readonly answer: Answer;
  /** Of the answer, when all went well; 204 has none. */
  readonly status: number;
}

/** What is usual: something was made, something is gone. */
const STATUS: Readonly<Record<Route['method'], number>> = {
  GET: 200,
  POST: 201,
  PUT: 200,
  PATCH: 200,
  DELETE: 204,
};
const nothing = z.unknown();
type Nothing = typeof nothing;

/** A route; what it does not say is not looked at. */
export const route = <
  Params extends z.ZodType = Nothing,
  Query extends z.ZodType = Nothing,
  Body extends z.ZodType = Nothing,
  Answer extends z.ZodType = Nothing,
>(
  method: Route['method'],
  path: string,
  of: {
    readonly params?: Params;
    readonly query?: Query;
    readonly body?: Body;
    readonly answer?: Answer;
    readonly status?: number;
  } = {},
): Route<Params, Query, Body, Answer> =>
  ({
    method,
    path,
    params: nothing,
    query: nothing,
    body: nothing,
    answer: nothing,
    status: STATUS[method],
    ...of,
  }) as never;

/** What is asked of a route: its parameters, query and body as they are sent. */
export interface Asked<R extends Route> {
  readonly params?: z.input<R['params']>;
  readonly query?: z.input<R['query']>;
  readonly body?: z.input<R['body']>;
}

/**
 * The address of a route.
 *
 * ```ts
 * addressOf(CONTRACT.getEffect, { params: { id } }); // '/api/effects/3f9a...'
 * ```
 */
export const addressOf = <R extends Route>({ path }: R, { params, query }: Asked<R> = {}): string => {
  const given = (params ?? {}) as Readonly<Record<string, unknown>>;
  const filled = path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(given[name])));
  const asked = Object.entries((query ?? {}) as Readonly<Record<string, unknown>>)
    .filter(([, value]) => value !== undefined && value !== null)
    .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`);
  return asked.length > 0 ? `${filled}?${asked.join('&')}` : filled;
};
