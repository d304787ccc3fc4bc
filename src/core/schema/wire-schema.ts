/** A wire into an input of a node, in circuits of any kind. */
import { z } from 'zod';
import { nodeIdSchema } from './node-id';
import { finite, text } from './values-schema';

/** More bends than this no wire has. */
export const MOST_BENDS = 8;
export const boardPlaceSchema = z.tuple([finite, finite]);
export const wireSchema = z.strictObject({
  /** Where it comes from. */
  node: nodeIdSchema,
  port: text(24),
  /** Where it is led past, from where it comes to where it runs: pixels of the board. */
  via: z.array(boardPlaceSchema).min(1).max(MOST_BENDS).optional(),
});
