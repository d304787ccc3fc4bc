/**
 * The released effect: one zip with `manifest.json`, its JSON Schema, the document and the assets in use.
 * Written on the server, read by the show page.
 */
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { usedAssets } from '../document/queries';
import { readEffect } from '../document/migrations';
import type { AssetId, Effect } from '../document/schema';
import { IconiaError } from '../errors';
import {
  manifestJsonSchema,
  manifestSchema,
  PACKAGE_FORMAT,
  PACKAGE_VERSION,
  type Manifest,
} from './manifest';

/** Largest package read, unpacked. */
const MOST_UNPACKED = 200 * 1024 * 1024;
/** Zip keeps times; a fixed one makes the same effect give the same bytes. */
const FIXED_TIME = '2000-01-01T00:00:00';

const ENDING = { 'image/png': 'png', 'image/jpeg': 'jpg', 'image/webp': 'webp' } as const;

/** The effect as it is released: assets that nothing uses are left out. */
export const trimForRelease = (effect: Effect): Effect => {
  const used = new Set(usedAssets(effect));
  return {
    ...effect,
    assets: Object.fromEntries(Object.entries(effect.assets).filter(([id]) => used.has(id as AssetId))),
  };
};

/**
 * Packs a release. `bytesOf` gives the content of an asset in use.
 * Pictures are stored, not deflated: they are compressed already.
 */
export const writePackage = (
  effect: Effect,
  release: number,
  bytesOf: (id: AssetId) => Uint8Array,
): Uint8Array => {
  const trimmed = trimForRelease(effect);
  const files: Zippable = {};
  const assets = Object.values(trimmed.assets).map((asset) => {
    const path = `assets/${asset.sha256}.${ENDING[asset.mime]}`;
    files[path] = [bytesOf(asset.id), { level: 0, mtime: FIXED_TIME }];
    return { id: asset.id, path, mime: asset.mime, bytes: asset.bytes, sha256: asset.sha256 };
  });
  const manifest: Manifest = {
    format: PACKAGE_FORMAT,
    version: PACKAGE_VERSION,
    name: effect.name,
    summary: effect.listing.summary,
    tags: effect.listing.tags,
    release,
    document: 'effect.json',
    icon: assets.find((a) => a.id === effect.listing.icon)?.path ?? null,
    assets,
  };
  const json = (value: unknown): Zippable[string] => [
    strToU8(JSON.stringify(value, null, 1)),
    { mtime: FIXED_TIME },
  ];
  return zipSync({
    'manifest.json': json(manifestSchema.parse(manifest)),
    'manifest.schema.json': json(manifestJsonSchema()),
    'effect.json': json(trimmed),
    ...files,
  });
};

export interface OpenedPackage {
  readonly manifest: Manifest;
  readonly effect: Effect;
  readonly assets: ReadonlyMap<AssetId, { readonly bytes: Uint8Array; readonly mime: string }>;
}

/** Reads a package. Throws `IconiaError` `package.unreadable` with what is wrong. */
export const readPackage = (zip: Uint8Array): OpenedPackage => {
  const broken = (what: string, cause?: unknown): never => {
    throw new IconiaError('package.unreadable', `This effect package cannot be opened: ${what}`, { cause });
  };
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
  const parsed = manifestSchema.safeParse(json('manifest.json'));
  if (!parsed.success) return broken('its manifest does not follow the schema.', parsed.error);
  const manifest = parsed.data;
  const assets = new Map<AssetId, { bytes: Uint8Array; mime: string }>();
  for (const entry of manifest.assets) {
    const bytes = files[entry.path];
    if (!bytes) return broken(`${entry.path} is missing.`);
    if (bytes.length !== entry.bytes)
      return broken(`${entry.path} has ${bytes.length} bytes, not ${entry.bytes}.`);
    assets.set(entry.id, { bytes, mime: entry.mime });
  }
  return { manifest, effect: readEffect(json(manifest.document)), assets };
};
