/**
 * The released effect: one zip with `manifest.json`, its JSON Schema, the document and the assets in use.
 * Written on the server, read by the show page.
 */
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { neededAssets, usedFiles } from '../document/queries';
import type { AssetId, Effect, FileMime, FileRef } from '../document/schema';
import { IconiaError } from '../errors';
import {
  manifestJsonSchema,
  manifestSchema,
  PACKAGE_FORMAT,
  PACKAGE_VERSION,
  upgradeManifest,
  type Manifest,
} from './manifest';

/** Largest package read, unpacked. */
const MOST_UNPACKED = 200 * 1024 * 1024;
/** Zip keeps times; a fixed one makes the same effect give the same bytes. */
const FIXED_TIME = '2000-01-01T00:00:00';

const ENDING: Record<FileMime, string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/webp': 'webp',
  'model/gltf-binary': 'glb',
  'audio/webm': 'webm',
  'audio/mpeg': 'mp3',
  'audio/wav': 'wav',
  'audio/ogg': 'ogg',
  'audio/mp4': 'm4a',
  'audio/flac': 'flac',
  'video/webm': 'webm',
  'video/mp4': 'mp4',
  'text/x-cube': 'cube',
  'image/vnd.radiance': 'hdr',
  'font/ttf': 'ttf',
  'font/otf': 'otf',
  'font/woff': 'woff',
  'font/woff2': 'woff2',
};
/** What is not compressed in itself. */
const DEFLATED: ReadonlySet<FileMime> = new Set([
  'model/gltf-binary',
  'audio/wav',
  'text/x-cube',
  'image/vnd.radiance',
  'font/ttf',
  'font/otf',
]);

/** The ending a file of this kind bears. */
export const endingOf = (mime: FileMime): string => ENDING[mime];

/**
 * The effect as it is released: assets that nothing uses are left out, and so is what only the atelier needs,
 * such as files as they were before they were prepared.
 */
export const trimForRelease = (effect: Effect): Effect => {
  const used = new Set(neededAssets(effect));
  return {
    ...effect,
    assets: Object.fromEntries(
      Object.entries(effect.assets)
        .filter(([id]) => used.has(id as AssetId))
        .map(([id, asset]) => [id, { ...asset, original: null, preview: null, from: null }]),
    ),
  };
};

/** Packs a release. `bytesOf` gives the content of a file in use, `targets` what printed pictures are found by, by the content of what is printed. */
export const writePackage = (
  effect: Effect,
  release: number,
  bytesOf: (file: FileRef) => Uint8Array,
  targets: ReadonlyMap<string, Uint8Array> = new Map(),
): Uint8Array => {
  const trimmed = trimForRelease(effect);
  const packed: Zippable = {};
  const files = usedFiles(trimmed).map((file) => {
    const path = `assets/${file.sha256}.${ENDING[file.mime]}`;
    packed[path] = [bytesOf(file), { level: DEFLATED.has(file.mime) ? 6 : 0, mtime: FIXED_TIME }];
    return { path, mime: file.mime, bytes: file.bytes, sha256: file.sha256 };
  });
  const made = [...targets].map(([picture, bytes]) => {
    const path = `targets/${picture}.target`;
    packed[path] = [bytes, { level: 6, mtime: FIXED_TIME }];
    return { picture, path, bytes: bytes.length };
  });
  const icon = effect.listing.icon ? trimmed.assets[effect.listing.icon]?.files[0] : undefined;
  const manifest: Manifest = {
    format: PACKAGE_FORMAT,
    version: PACKAGE_VERSION,
    name: effect.name,
    summary: effect.listing.summary,
    tags: effect.listing.tags,
    release,
    document: 'effect.json',
    icon: files.find((f) => f.sha256 === icon?.sha256)?.path ?? null,
    files,
    targets: made,
  };
  const json = (value: unknown): Zippable[string] => [
    strToU8(JSON.stringify(value, null, 1)),
    { mtime: FIXED_TIME },
  ];
  return zipSync({
    'manifest.json': json(manifestSchema.parse(manifest)),
    'manifest.schema.json': json(manifestJsonSchema()),
    'effect.json': json(trimmed),
    ...packed,
  });
};

/** A package that is taken apart; its document is not read yet. */
export interface UnpackedPackage {
  readonly manifest: Manifest;
  readonly document: unknown;
  /** By SHA-256. */
  readonly files: ReadonlyMap<string, { readonly bytes: Uint8Array; readonly mime: FileMime }>;
  /** What printed pictures are found by, by the SHA-256 of what is printed. Packages up to version 2 have none. */
  readonly targets: ReadonlyMap<string, Uint8Array>;
}

export interface OpenedPackage extends Omit<UnpackedPackage, 'document'> {
  readonly effect: Effect;
}

const broken = (what: string, cause?: unknown): never => {
  throw new IconiaError('package.unreadable', `This effect package cannot be opened: ${what}`, { cause });
};

/** Takes a package apart. Throws `IconiaError` `package.unreadable` with what is wrong. */
export const unpackPackage = (zip: Uint8Array): UnpackedPackage => {
  let files: Record<string, Uint8Array> = {};
  let unpacked = 0;
  try {
    files = unzipSync(zip, {
      filter: (file) => {
        unpacked += file.originalSize;
        if (unpacked > MOST_UNPACKED) throw new Error('it unpacks to more than 200 MB.');
        return true;
      },
    });
  } catch (cause) {
    broken(cause instanceof Error ? cause.message : 'it is not a zip file.', cause);
  }
  const json = (path: string): unknown => {
    const file = files[path];
    if (!file) return broken(`${path} is missing.`);
    try {
      return JSON.parse(strFromU8(file));
    } catch (cause) {
      return broken(`${path} is not JSON.`, cause);
    }
  };
  const parsed = manifestSchema.safeParse(upgradeManifest(json('manifest.json')));
  if (!parsed.success) return broken('its manifest does not follow the schema.', parsed.error);
  const manifest = parsed.data;
  const read = new Map<string, { bytes: Uint8Array; mime: FileMime }>();
  const bytesOf = (entry: { readonly path: string; readonly bytes: number }): Uint8Array => {
    const bytes = files[entry.path];
    if (!bytes) return broken(`${entry.path} is missing.`);
    if (bytes.length !== entry.bytes)
      return broken(`${entry.path} has ${bytes.length} bytes, not ${entry.bytes}.`);
    return bytes;
  };
  for (const entry of manifest.files) read.set(entry.sha256, { bytes: bytesOf(entry), mime: entry.mime });
  const targets = new Map(manifest.targets.map((entry) => [entry.picture, bytesOf(entry)]));
  return { manifest, document: json(manifest.document), files: read, targets };
};

/** The package with its document, as it was read. Throws `package.unreadable` where a file that it uses is missing. */
export const withDocument = (
  { manifest, files, targets }: UnpackedPackage,
  effect: Effect,
): OpenedPackage => {
  const lost = usedFiles(effect).find((file) => !files.has(file.sha256));
  if (lost) return broken(`a file of its assets (${lost.mime}) is missing.`);
  return { manifest, effect, files, targets };
};
