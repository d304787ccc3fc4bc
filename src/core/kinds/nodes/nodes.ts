/** All kinds of nodes of behaviour circuits, and what follows from their definitions. */
import { z } from 'zod';
import { nodeIdSchema } from '../../schema/node-id';
import { text } from '../../schema/values-schema';
import { boardPlaceSchema, wireSchema } from '../../schema/wire-schema';
import { BODY_NODES } from './body-nodes';
import { COLOUR_NODES } from './colour-nodes';
import { COMPOUND_NODES } from './compound-nodes';
import { EFFECT_NODES } from './effect-nodes';
import { EVENT_NODES } from './event-nodes';
import { LIST_NODES } from './list-nodes';
import { LOGIC_NODES } from './logic-nodes';
import { NUMBER_NODES } from './number-nodes';
import { OBJECT_NODES, OBJECT_WRITERS } from './object-nodes';
import { nodeValueSchema } from './ports';
import { PLACED_NODES, WORLD_NODES } from './world-nodes';
import { SCRIPT_NODES } from './script-nodes';
import { TEXT_NODES } from './text-nodes';
import { CHANGE_NODES, TIME_NODES } from './time-nodes';
import { ROTATION_NODES, VECTOR_NODES } from './vector-nodes';
import type { InputPort, NodePorts, NodeSpec, OutputPort, SetOf } from './node-kind';
import { writtenKeys } from '../writables/writables';

/** In the order of the menu within each group. */
export const NODE_KINDS_BY_NAME = {
  ...EFFECT_NODES,
  ...OBJECT_WRITERS,
  ...OBJECT_NODES,
  ...PLACED_NODES,
  ...WORLD_NODES,
  ...LOGIC_NODES,
  ...EVENT_NODES,
  ...TIME_NODES,
  ...NUMBER_NODES,
  ...CHANGE_NODES,
  ...BODY_NODES,
  ...VECTOR_NODES,
  ...ROTATION_NODES,
  ...COLOUR_NODES,
  ...TEXT_NODES,
  ...LIST_NODES,
  ...SCRIPT_NODES,
  ...COMPOUND_NODES,
} as const;
type Kinds = typeof NODE_KINDS_BY_NAME;
export type NodeKind = keyof Kinds;
export const NODE_KINDS = Object.keys(NODE_KINDS_BY_NAME) as readonly NodeKind[];

/** What every node of a behaviour circuit has. */
const shared = {
  id: nodeIdSchema,
  /** Where it lies on the board. */
  at: boardPlaceSchema,
  /** What its unwired inputs are; what is not named here is as usual. */
  values: z.record(text(24), nodeValueSchema),
  /** What runs into its inputs: the output of another node. */
  inputs: z.record(text(24), wireSchema),
  /** Switched off it gives nothing, and does nothing. */
  off: z.boolean(),
};
type Shared = z.infer<z.ZodObject<typeof shared>>;
/** A node; `set` is what is set of its kind beside its inputs. */
export type BehaviourNode = {
  [K in NodeKind]: Shared & { kind: K; set: SetOf<Kinds[K]['fields']> };
}[NodeKind];
export type NodeOf<K extends NodeKind> = Extract<BehaviourNode, { kind: K }>;

/** What is set of a node of each kind beside its inputs. */
const SET_SCHEMAS = Object.fromEntries(
  NODE_KINDS.map((kind) => [kind, z.strictObject(NODE_KINDS_BY_NAME[kind].fields)]),
) as unknown as Readonly<Record<NodeKind, z.ZodType>>;
export const setSchema = (kind: NodeKind): z.ZodType => SET_SCHEMAS[kind];

export const behaviourNodeSchema = z.discriminatedUnion(
  'kind',
  NODE_KINDS.map((kind) =>
    z.strictObject({
      ...shared,
      kind: z.literal(kind),
      set: SET_SCHEMAS[kind],
    }),
  ) as never,
) as unknown as z.ZodType<BehaviourNode>;

interface AnyKind extends NodeSpec<never> {
  readonly fields: z.core.$ZodLooseShape;
  readonly fresh: object;
}
/** What a kind is, for whoever does not care which one it is. */
export const nodeKind = (kind: NodeKind): AnyKind => NODE_KINDS_BY_NAME[kind] as never;

/** What runs in and out of a node. */
export const portsOf = ({ kind, set }: Pick<BehaviourNode, 'kind' | 'set'>): NodePorts => {
  const spec = nodeKind(kind);
  return spec.ports ? spec.ports(set as never) : spec;
};
export const inputOf = (node: BehaviourNode, port: string): InputPort | undefined =>
  portsOf(node).inputs.find(({ name }) => name === port);
export const outputOf = (node: BehaviourNode, port: string): OutputPort | undefined =>
  portsOf(node).outputs.find(({ name }) => name === port);

/** Whether a wire into an input closes no circle. */
export const isLate = (node: BehaviourNode, port: string): boolean => inputOf(node, port)?.late === true;

/** Whether it writes or does something: wires end in it. */
export const isEnd = (kind: NodeKind): boolean => {
  const { writes, lays, steers, does } = nodeKind(kind);
  return [writes, lays, steers, does].some((one) => one !== undefined);
};

/**
 * What a node writes all the time, by key: who has the same key writes the same thing. `nodes` are those it is wired to: an object that
 * comes straight from where it was chosen is known; of one that is found out while it runs nothing is.
 */
export const keysOfNode = (
  { kind, set, inputs }: BehaviourNode,
  nodes: Readonly<Record<string, BehaviourNode>>,
): readonly string[] => {
  const { writes, lays, steersKey, inputs: ports } = nodeKind(kind);
  if (writes) return writtenKeys(writes(set as never));
  if (steersKey) {
    const from = nodes[inputs[ports[0]!.name]?.node ?? ''];
    const object = from && !from.off ? nodeKind(from.kind).gives?.(from.set as never) : null;
    return object ? [steersKey(set as never, object)] : [];
  }
  const key = lays?.key(set as never);
  return key ? [key] : [];
};

/** A node as it is first put on a board. */
export const newBehaviourNode = <K extends NodeKind>(
  id: BehaviourNode['id'],
  kind: K,
  at: readonly [number, number] = [0, 0],
  more: Partial<Pick<Shared, 'values' | 'inputs'>> & { readonly set?: object } = {},
): NodeOf<K> =>
  ({
    id,
    kind,
    at: [at[0], at[1]],
    values: more.values ?? {},
    inputs: more.inputs ?? {},
    off: false,
    set: { ...structuredClone(nodeKind(kind).fresh), ...more.set },
  }) as unknown as NodeOf<K>;
