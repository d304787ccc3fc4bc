/** Bounds of what is asked: how deep bodies are nested, how often one address may ask. */
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { Problem } from './problem';

/** Documents are nested a dozen levels deep. */
export const MOST_DEPTH = 40;

/** Whether JSON is nested no deeper than so. Walks without recursion, so that no depth can hurt it. */
export const isShallow = (json: unknown, most = MOST_DEPTH): boolean => {
  let level: unknown[] = [json];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > most) return false;
    const next: unknown[] = [];
    for (const value of level)
      if (typeof value === 'object' && value !== null)
        for (const inner of Object.values(value))
          if (typeof inner === 'object' && inner !== null) next.push(inner);
    level = next;
  }
  return true;
};

/** Behind the body parser: refuses what is nested too deep, before anything looks into it. */
export const shallow: RequestHandler = (request, _response, next) => {
  if (!isShallow(request.body))
    throw new Problem(400, 'request.too-deep', `What was sent is nested deeper than ${MOST_DEPTH} levels.`);
  next();
};

/** Requests a minute from one address, by kind. */
export interface Rates {
  readonly reads: number;
  readonly saves: number;
  readonly uploads: number;
  readonly releases: number;
  /** Of those that are refused: whoever tries secret addresses. */
  readonly guesses: number;
}
/** Far beyond what a person does, and what the page does by itself. */
export const RATES: Rates = { reads: 20_000, saves: 3000, uploads: 3000, releases: 30, guesses: 300 };

export const atMost = (perMinute: number): RequestHandler => limited(perMinute, false);
/** Counts what is refused only: many who are let in may share an address. */
export const fewFailures = (perMinute: number): RequestHandler => limited(perMinute, true);

const limited = (perMinute: number, skipSuccessfulRequests: boolean): RequestHandler =>
  rateLimit({
    skipSuccessfulRequests,
    windowMs: 60_000,
    limit: perMinute,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new Problem(429, 'request.too-often', 'That was asked too often. Wait a minute, then try again.');
    },
  });
