/** JSON Patch (RFC 6902) between documents. */
import jsonpatch, { type Operation } from 'fast-json-patch';
import { z } from 'zod';
import { IconiaError } from '../errors';

export type Patch = Operation[];

const pointer = z
  .string()
  .max(500)
  .regex(/^(\/[^/]*)*$/);
/** A patch as it comes over the network: bounded, well-formed operations. */
export const patchSchema = z
  .array(
    z.discriminatedUnion('op', [
      z.strictObject({ op: z.literal('add'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('replace'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('remove'), path: pointer }),
      z.strictObject({ op: z.literal('test'), path: pointer, value: z.json() }),
      z.strictObject({ op: z.literal('move'), path: pointer, from: pointer }),
      z.strictObject({ op: z.literal('copy'), path: pointer, from: pointer }),
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
