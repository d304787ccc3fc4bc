/** Addresses under which this computer is reached on its networks. */
import { networkInterfaces, type NetworkInterfaceInfo } from 'node:os';

/** IPv4 addresses that are not this computer's own loop, private ones first: those are what a phone beside it reaches. */
export const networkAddresses = (
  interfaces: NodeJS.Dict<NetworkInterfaceInfo[]> = networkInterfaces(),
): string[] => {
  const found = Object.values(interfaces)
    .flatMap((infos) => infos ?? [])
    .filter((info) => info.family === 'IPv4' && !info.internal && !info.address.startsWith('169.254.'))
    .map((info) => info.address);
  return [...new Set(found)].sort((a, b) => Number(isPrivate(b)) - Number(isPrivate(a)));
};

/** RFC 1918. */
const isPrivate = (address: string): boolean => /^(10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.)/.test(address);
