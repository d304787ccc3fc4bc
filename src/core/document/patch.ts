/** JSON Patch (RFC 6902) between documents. */
import jsonpatch, { type Operation } from 'fast-json-patch';
import { z } from 'zod';
import { IconiaError } from '../errors';

export type Patch = Operation[];

/** Documents are a dozen levels deep. */
const pointer = z
  .string()
  .max(500)
  .regex(/^(\/[^/]*){1,24}$/);
/**
 * A patch as it comes over the network: what `diff` gives, and nothing else. Copying is not among it: thirty copies of a part into
 * itself make a document of gigabytes from two kilobytes.
 */
export const patchSchema = z
  .array(
    z.discriminatedUnion('op', [
      z.strictObject({ op: z.literal('add'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('replace'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('remove'), path: pointer }),
    ]),
  )
  .min(1)
  .max(20_000);

/** The patch that turns `before` into `after`; parts shared between them are not visited. */
export const diff = (before: object, after: object): Patch => jsonpatch.compare(before, after);

/** A copy in which nothing is shared: objects may share an anchor, and a change of one must not change the other. */
const copy = <T>(json: T): T => JSON.parse(JSON.stringify(json)) as T;

/**
 * The patched document; `target` is not changed.
 * Throws `IconiaError` `patch.does-not-fit` when an operation does not apply.
 */
export const applyPatch = <T extends object>(target: T, patch: readonly Operation[]): T => {
  try {
    return jsonpatch.applyPatch(copy(target), copy([...patch]), true, true).newDocument;
  } catch (cause) {
    throw new IconiaError('patch.does-not-fit', 'The change does not fit the effect as it is now.', {
      cause,
    });
  }
};

/** Whether two JSON values are alike; parts shared between them are not visited, and the first difference ends it. */
export const isSameJson = (a: unknown, b: unknown): boolean => {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every(
      (key) =>
        Object.hasOwn(b, key) &&
        isSameJson((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
    )
  );
};
