/**
 * A certificate for the local network: cameras are open to pages that come by HTTPS only, and no authority vouches for an address at home.
 * It is made once and kept beside the data, so that a phone that was told to trust it is not asked again at each start.
 */
import { X509Certificate } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { generate } from 'selfsigned';
import { IconiaError } from '../../core/errors';

export interface Certificate {
  readonly cert: string;
  readonly key: string;
}

const DAY = 86_400_000;
/** Phones refuse longer ones. */
const LASTS = 397 * DAY;
/** It is made anew when it would end sooner. */
const LEFT = 7 * DAY;

const readPair = (folder: string): Certificate | null => {
  try {
    return {
      cert: readFileSync(join(folder, 'cert.pem'), 'utf8'),
      key: readFileSync(join(folder, 'key.pem'), 'utf8'),
    };
  } catch {
    return null;
  }
};

const isGood = ({ cert }: Certificate, addresses: readonly string[], now: number): boolean => {
  try {
    const read = new X509Certificate(cert);
    return (
      Date.parse(read.validTo) - now > LEFT &&
      addresses.every((address) => read.checkIP(address) !== undefined)
    );
  } catch {
    return false;
  }
};

/** The one of a folder, or a new one where that is missing, ends soon, or does not name all addresses. */
export const certificateFor = async (
  folder: string,
  addresses: readonly string[],
  now = Date.now(),
): Promise<Certificate & { readonly isNew: boolean }> => {
  const kept = readPair(folder);
  if (kept && isGood(kept, addresses, now)) return { ...kept, isNew: false };
  const made = await generate([{ name: 'commonName', value: 'Iconia on this network' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(now - DAY),
    notAfterDate: new Date(now - DAY + LASTS),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [{ type: 2, value: 'localhost' }, ...addresses.map((ip) => ({ type: 7 as const, ip }))],
      },
    ],
  });
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, 'cert.pem'), made.cert);
  writeFileSync(join(folder, 'key.pem'), made.private, { mode: 0o600 });
  return { cert: made.cert, key: made.private, isNew: true };
};

/** One that the creator has. Throws `certificate.unreadable`. */
export const readCertificate = ({ cert, key }: Certificate): Certificate => {
  const read = (path: string, what: string): string => {
    try {
      return readFileSync(path, 'utf8');
    } catch (cause) {
      throw new IconiaError(
        'certificate.unreadable',
        `The ${what} ${path} cannot be read. See that it is there, and that Iconia may read it.`,
        { cause },
      );
    }
  };
  return { cert: read(cert, 'certificate'), key: read(key, 'key') };
};
