/** The id of a node of any circuit. */
import type { z } from 'zod';
import { idOf } from './references';

export const nodeIdSchema = idOf('nodes').brand<'NodeId'>();
export type NodeId = z.infer<typeof nodeIdSchema>;
