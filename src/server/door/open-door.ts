/** Opens pages for viewers beyond this computer, by HTTPS. */
import type { RequestListener } from 'node:http';
import { createServer, type Server } from 'node:https';
import { join } from 'node:path';
import type { Door } from '../../core/contract/try-contract';
import { IconiaError } from '../../core/errors';
import type { DoorSettings } from '../options';
import { certificateFor, readCertificate } from './certificate';
import { networkAddresses } from './network-addresses';
import { viewersOnly } from './viewers-only';

export interface OpenDoor {
  readonly server: Server;
  readonly doors: readonly Door[];
  /** What to print: where it is open, and what a phone will say to it. */
  readonly words: readonly string[];
}

const WARNING =
  'The first time, a phone warns that the connection is not private: nobody but this computer vouches for its certificate. On the phone choose "Advanced" or "Details", then go on to the address; it asks once.';

/** Names and addresses that requests through it may carry. */
export const doorHosts = ({ certificate }: DoorSettings): readonly string[] =>
  certificate ? [] : networkAddresses();

/** Throws sentences: the port is taken, the certificate cannot be used, there is no network. */
export const openDoor = async (
  { port, certificate }: DoorSettings,
  hosts: readonly string[],
  data: string,
  app: RequestListener,
): Promise<OpenDoor> => {
  const addresses = networkAddresses();
  if (!certificate && addresses.length === 0)
    throw new IconiaError(
      'door.no-network',
      'Iconia does not start with --lan: this computer is in no network. Connect it to the one your phone is in, then start again.',
    );
  const pair = certificate
    ? readCertificate(certificate)
    : await certificateFor(join(data, 'certificate'), addresses);
  let server: Server;
  try {
    server = createServer({ cert: pair.cert, key: pair.key }, viewersOnly(app));
  } catch (cause) {
    throw new IconiaError(
      'certificate.unusable',
      'The certificate and its key cannot be used: they have to be PEM files, and the key has to be that of the certificate.',
      { cause },
    );
  }
  server.keepAliveTimeout = 75_000;
  await new Promise<void>((done, fail) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      fail(
        error.code === 'EADDRINUSE'
          ? new IconiaError(
              'door.port',
              `Port ${port}, for viewers, is taken. Choose another with --viewers-port N.`,
            )
          : error,
      ),
    );
    server.listen(port, '0.0.0.0', done);
  });
  const address = server.address();
  const actual = typeof address === 'object' && address ? address.port : port;
  const doors = certificate
    ? hosts.map((name): Door => ({
        base: `https://${name}${actual === 443 ? '' : `:${actual}`}`,
        reach: 'name',
      }))
    : addresses.map((ip): Door => ({ base: `https://${ip}:${actual}`, reach: 'network' }));
  return {
    server,
    doors,
    words: [
      `Try links and released effects are open at ${doors.map((d) => d.base).join(' and ')}. The atelier is not: it stays on this computer.`,
      ...(certificate ? [] : [WARNING]),
    ],
  };
};
