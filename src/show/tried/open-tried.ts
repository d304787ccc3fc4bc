/** An effect that is being made, by its try link: as it is now, and as it becomes. */
import type { Effect } from '../../core/document/schema';
import type { Opening } from '../opening';
import { readDocument } from '../read-document';
import { deviceName } from './device-name';
import { Follower } from './follower';
import { TryServer } from './try-server';

/** Throws what there is to say: the link is unknown, revoked, expired, another device's, or the server is away. */
export const openTried = async (): Promise<Opening> => {
  const server = new TryServer(location.pathname.split('/').filter(Boolean).at(-1) ?? '');
  const device = deviceName(navigator.userAgent);
  const joined = await server.join(device);
  const effect: Effect = await readDocument(joined.document);
  return {
    playable: {
      effect,
      files: (file) => server.file(file),
      urlOf: (file) => server.urlOf(file),
    },
    summary: `You try this effect while it is being made: it changes as its maker changes it. This device is phone ${joined.number}. It tells the maker how fast it draws, what it finds in the picture and what goes wrong.`,
    small:
      'The camera picture stays on this device, but for pictures the maker asks for: you are told of each.',
    icon: null,
    mayChange: true,
    begin: (player) => new Follower(server, device, joined, effect, player).begin(),
  };
};
