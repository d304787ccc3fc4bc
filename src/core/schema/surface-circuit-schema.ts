/**
 * Surface circuits: nodes that make what a surface looks like at each of its points. What a node does stands in
 * `core/surface/catalogue.ts`; here is how circuits are written down.
 */
import { z } from 'zod';
import { assetIdSchema } from './asset-schema';
import { nodeIdSchema, type NodeId } from './node-id';
import { cameraView, finite, hex, text } from './values-schema';
import { boardPlaceSchema, wireSchema } from './wire-schema';

export const SURFACE_NODE_TYPES = [
  'surface',
  'place',
  'position',
  'normal',
  'facing',
  'view',
  'time',
  'signal',
  'number',
  'colour',
  'picture',
  'circle',
  'box',
  'star',
  'text',
  'noise',
  'cells',
  'gradient',
  'stripes',
  'smoothstep',
  'maths',
  'remap',
  'mix',
  'colourMaths',
  'brightness',
  'shift',
  'joinPoint',
  'splitPoint',
  'joinVector',
  'splitVector',
  'length',
  'dot',
] as const;

/** Where a picture comes from: what was brought in, or the camera. */
export const pictureSourceSchema = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('asset'), asset: assetIdSchema }),
  z.strictObject({ from: z.literal('camera'), ...cameraView }),
]);

/** A number, a point or vector, a colour, a choice or a text. */
const valueSchema = z.union([
  finite,
  z.tuple([finite, finite]),
  z.tuple([finite, finite, finite]),
  hex,
  text(60),
]);

export const surfaceNodeSchema = z.strictObject({
  id: nodeIdSchema,
  type: z.enum(SURFACE_NODE_TYPES),
  /** Where it lies on the board. */
  at: boardPlaceSchema,
  /** What its unwired inputs and its settings are; what is not named here has its usual value. */
  values: z.record(text(24), valueSchema),
  /** What runs into its inputs: the output of another node. */
  inputs: z.record(text(24), wireSchema),
  /** Of a picture node: its picture. */
  picture: pictureSourceSchema.nullable(),
});

export const MOST_SURFACE_NODES = 200;
export const surfaceCircuitSchema = z
  .record(nodeIdSchema as unknown as z.ZodString, surfaceNodeSchema)
  .refine((nodes) => Object.keys(nodes).length <= MOST_SURFACE_NODES, `At most ${MOST_SURFACE_NODES} nodes.`)
  .refine(
    (nodes) => Object.entries(nodes).every(([id, node]) => node.id === id),
    'The id of a node differs from its key.',
  );

export type SurfaceNodeType = (typeof SURFACE_NODE_TYPES)[number];
export type PictureSource = z.infer<typeof pictureSourceSchema>;
export type SurfaceNodeValue = z.infer<typeof valueSchema>;
export type SurfaceNode = z.infer<typeof surfaceNodeSchema>;
export type SurfaceCircuit = Record<NodeId, SurfaceNode>;
