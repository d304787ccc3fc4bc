/** A released effect: its package, from the address of the page. */
import { IconiaError } from '../core/errors';
import type { FileRef } from '../core/document/schema';
import { unpackPackage, withDocument, type OpenedPackage } from '../core/package/effect-package';
import { arrived, notLoaded } from './arriving';
import type { Opening } from './opening';
import { readDocument } from './read-document';

const fetchPackage = async (): Promise<OpenedPackage> => {
  const slug = location.pathname.split('/').filter(Boolean).at(-1) ?? '';
  const response = await arrived(fetch(`/outlet/${encodeURIComponent(slug)}/effect.zip`));
  if (response.status === 404)
    throw new IconiaError(
      'release.missing',
      'No effect is released under this address. Ask whoever sent it for the new one.',
    );
  if (!response.ok) throw notLoaded();
  const unpacked = unpackPackage(new Uint8Array(await arrived(response.arrayBuffer())));
  return withDocument(unpacked, await readDocument(unpacked.document));
};

export const openReleased = async (): Promise<Opening> => {
  const { effect, manifest, files, targets } = await fetchPackage();
  const blobOf = ({ sha256 }: Pick<FileRef, 'sha256'>): Blob | null => {
    const file = files.get(sha256);
    return file ? new Blob([file.bytes as BlobPart], { type: file.mime }) : null;
  };
  const urls = new Map<string, string>();
  const urlOf = (file: Pick<FileRef, 'sha256'>): string | null => {
    const blob = urls.has(file.sha256) ? null : blobOf(file);
    if (blob) urls.set(file.sha256, URL.createObjectURL(blob));
    return urls.get(file.sha256) ?? null;
  };
  const icon = manifest.files.find((f) => f.path === manifest.icon);
  return {
    playable: {
      effect,
      files: async (file) => {
        const blob = blobOf(file);
        if (blob) return blob;
        throw new IconiaError('package.unreadable', 'A file of the effect is missing from its package.');
      },
      urlOf,
      targets,
    },
    summary: manifest.summary,
    icon: icon ? urlOf(icon) : null,
    mayChange: false,
  };
};
