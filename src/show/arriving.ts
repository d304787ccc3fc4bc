/** What comes over the network: where it does not, the viewer is told so. */
import { IconiaError } from '../core/errors';

export const notLoaded = (cause?: unknown): IconiaError =>
  new IconiaError('release.failed', 'The effect could not be loaded. Check the connection and reload.', {
    cause,
  });

export const arrived = <T>(coming: Promise<T>): Promise<T> =>
  coming.catch((cause: unknown) => {
    throw notLoaded(cause);
  });
