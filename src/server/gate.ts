/**
 * Who may ask. Only pages of this server: a name that somebody else's domain was turned into (DNS rebinding) is no name of ours,
 * and what changes something is taken from our own pages only. Programs that are no browsers send neither Origin nor
 * Sec-Fetch-Site, and are let in.
 */
import type { RequestHandler } from 'express';
import { Problem } from './problem';

const HERE = ['127.0.0.1', 'localhost', '[::1]'];
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

const nameOf = (host: string): string => host.replace(/:\d{1,5}$/, '').toLowerCase();

/** `names` are further names under which the server may be reached, without a port. */
export const gate = (names: readonly string[] = []): RequestHandler => {
  const known = new Set([...HERE, ...names.map((n) => n.toLowerCase())]);
  return (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!known.has(nameOf(host)))
      throw new Problem(
        421,
        'host.unknown',
        'Iconia is not served under this name. Open the address it printed when it started.',
      );
    if (!READING.has(request.method) && !fromHere(request.headers, host))
      throw new Problem(
        403,
        'origin.foreign',
        'This was sent by a page of another site, so nothing was changed.',
      );
    next();
  };
};

const fromHere = (headers: NodeJS.Dict<string | string[]>, host: string): boolean => {
  const { origin } = headers;
  const site = headers['sec-fetch-site'];
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return false;
  if (origin === undefined) return true;
  try {
    return new URL(String(origin)).host.toLowerCase() === host.toLowerCase();
  } catch {
    return false;
  }
};
