/** The manifest of a released effect. Its JSON Schema stands in docs/effect-package.schema.json. */
import { z } from 'zod';
import { FILE_MIMES } from '../document/schema';
import { text } from '../schema/values-schema';
import { MOST_PICTURES } from '../vision/picture-search';

export const PACKAGE_FORMAT = 'iconia-effect';
export const PACKAGE_VERSION = 3;

const innerPath = z.string().regex(/^[a-z0-9][a-z0-9._/-]{0,120}$/, 'A path inside the package.');

const sha256 = z.string().regex(/^[0-9a-f]{64}$/);

export const manifestSchema = z.strictObject({
  format: z.literal(PACKAGE_FORMAT),
  version: z.literal(PACKAGE_VERSION),
  name: text(80).min(1),
  summary: text(280),
  tags: z.array(text(24)).max(10),
  /** Counts the releases of this effect, from 1. */
  release: z.number().int().positive(),
  /** The effect document, JSON. */
  document: innerPath,
  /** The picture shown for the effect in lists. */
  icon: innerPath.nullable(),
  /** Every file of the assets in use, each content once. The document names them by their SHA-256. */
  files: z
    .array(
      z.strictObject({
        path: innerPath,
        mime: z.enum(FILE_MIMES),
        bytes: z.number().int().positive(),
        sha256,
      }),
    )
    .max(4000),
  /** What printed pictures are found by on a camera, made when the effect was released: see docs/effect-package.md. */
  targets: z
    .array(
      z.strictObject({
        /** The SHA-256 of what is printed. */
        picture: sha256,
        path: innerPath,
        bytes: z.number().int().positive(),
      }),
    )
    .max(MOST_PICTURES),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** The JSON Schema of a manifest, for programs of others. */
export const manifestJsonSchema = (): object => ({
  $id: 'https://iconia.invalid/effect-package.schema.json',
  title: 'Iconia effect package: manifest.json',
  ...(z.toJSONSchema(manifestSchema) as object),
});

/** Version 1 listed one file for each asset, with the asset's id; until version 2 what printed pictures are found by was made on the viewer's device. */
export const upgradeManifest = (manifest: unknown): unknown => {
  const old = manifest as { version?: unknown; assets?: unknown };
  if (typeof manifest !== 'object' || manifest === null) return manifest;
  if (old.version === 2) return { ...old, version: PACKAGE_VERSION, targets: [] };
  if (old.version !== 1 || !Array.isArray(old.assets)) return manifest;
  const { assets, ...rest } = old;
  return {
    ...rest,
    version: PACKAGE_VERSION,
    files: (assets as Record<string, unknown>[]).map(({ id: _id, ...file }) => file),
    targets: [],
  };
};
