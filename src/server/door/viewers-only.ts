/** What is reached from beyond this computer: pages for viewers and what they fetch. The atelier and its data are not. */
import type { IncomingMessage, RequestListener, ServerResponse } from 'node:http';

const OPEN = ['/try/', '/try-api/', '/show/', '/outlet/', '/assets/', '/trackers/'];

const isOpen = (address: string): boolean => {
  const path = address.split('?')[0]!;
  // Nothing that a router further in could read as another path.
  return OPEN.some((start) => path.startsWith(start)) && !/\.\.|%2e|%2f|%5c|\\|\/\//i.test(path);
};

/** Lets requests for viewers through; answers all others with a sentence. */
export const viewersOnly =
  (app: RequestListener): RequestListener =>
  (request: IncomingMessage, response: ServerResponse): void => {
    if (isOpen(request.url ?? '')) return app(request, response);
    response.writeHead(404, {
      'Content-Type': 'text/plain; charset=utf-8',
      'X-Content-Type-Options': 'nosniff',
    });
    response.end(
      'Iconia itself is open on the computer that runs it only. From here its try links and released effects can be opened: scan the code of a try link.\n',
    );
  };
