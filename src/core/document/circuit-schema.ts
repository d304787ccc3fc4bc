/** Behaviour circuits: nodes that are worked out in every step of an effect. What a node does stands in `core/kinds/nodes`. */
import { z } from 'zod';
import { behaviourNodeSchema, type BehaviourNode } from '../kinds/nodes/nodes';
import { circuitIdSchema, compoundIdSchema } from '../schema/behave-ids';
import { objectIdSchema } from '../schema/placed-schema';
import { orNone } from '../schema/references';
import { nodeIdSchema, type NodeId } from '../schema/node-id';
import { finite, label, text } from '../schema/values-schema';
import { boardNotesSchema, type BoardNotes } from './board-note-schema';

/** More nodes than this nobody oversees. */
export const MOST_NODES = 20_000;

const nodesSchema = z
  .record(nodeIdSchema as unknown as z.ZodString, behaviourNodeSchema)
  .refine((nodes) => Object.keys(nodes).length <= MOST_NODES, `A circuit has at most ${MOST_NODES} nodes.`)
  .refine(
    (nodes) => Object.entries(nodes).every(([id, node]) => node.id === id),
    'The id of a node differs from its key.',
  );

export const circuitSchema = z.strictObject({
  id: circuitIdSchema,
  name: label,
  order: finite,
  enabled: z.boolean(),
  /** Goes along when it is copied; null is the effect's own. */
  owner: orNone(objectIdSchema, 'Belongs to', 'the effect'),
  nodes: nodesSchema,
  notes: boardNotesSchema,
});
export type BehaviourNodes = Readonly<Record<NodeId, BehaviourNode>>;
/** A board: its nodes, and what is written beside them. */
interface Board {
  nodes: Record<NodeId, BehaviourNode>;
  notes: BoardNotes;
}
export type Circuit = Omit<z.infer<typeof circuitSchema>, keyof Board> & Board;

/** Nodes that are used as one. Among them are one `enter` and one `leave`, which hold its ports. */
export const compoundSchema = z.strictObject({
  id: compoundIdSchema,
  name: label,
  order: finite,
  /** What it does: its help. */
  note: text(300),
  nodes: nodesSchema,
  notes: boardNotesSchema,
});
export type Compound = Omit<z.infer<typeof compoundSchema>, keyof Board> & Board;
export type Compounds = Readonly<Record<string, Compound>>;
