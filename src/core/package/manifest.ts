/** The manifest of a released effect. Its JSON Schema stands in docs/effect-package.schema.json. */
import { z } from 'zod';
import { assetIdSchema } from '../document/schema';

export const PACKAGE_FORMAT = 'iconia-effect';
export const PACKAGE_VERSION = 1;

const innerPath = z.string().regex(/^[a-z0-9][a-z0-9._/-]{0,120}$/, 'A path inside the package.');

export const manifestSchema = z.strictObject({
  format: z.literal(PACKAGE_FORMAT),
  version: z.literal(PACKAGE_VERSION),
  name: z.string().min(1).max(80),
  summary: z.string().max(280),
  tags: z.array(z.string().max(24)).max(10),
  /** Counts the releases of this effect, from 1. */
  release: z.number().int().positive(),
  /** The effect document, JSON. */
  document: innerPath,
  /** The picture shown for the effect in lists. */
  icon: innerPath.nullable(),
  assets: z
    .array(
      z.strictObject({
        id: assetIdSchema,
        path: innerPath,
        mime: z.enum(['image/png', 'image/jpeg', 'image/webp']),
        bytes: z.number().int().positive(),
        sha256: z.string().regex(/^[0-9a-f]{64}$/),
      }),
    )
    .max(1000),
});
export type Manifest = z.infer<typeof manifestSchema>;

export const manifestJsonSchema = (): object => ({
  $id: 'https://iconia.invalid/effect-package.schema.json',
  title: 'Iconia effect package: manifest.json',
  ...(z.toJSONSchema(manifestSchema) as object),
});
