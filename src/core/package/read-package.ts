/** Packages of every version, opened at once. */
import { readEffect } from '../document/migrations';
import { unpackPackage, withDocument, type OpenedPackage } from './effect-package';

/** Reads a package. Throws `IconiaError` `package.unreadable`, or as `readEffect` does, with what is wrong. */
export const readPackage = (zip: Uint8Array): OpenedPackage => {
  const unpacked = unpackPackage(zip);
  return withDocument(unpacked, readEffect(unpacked.document));
};
