/** Where the nodes of a surface circuit lie on their board. */
import type { SurfaceCircuit, SurfaceNode, NodeId, SurfaceNodeType } from '../document/schema';
import * as layout from '../graph/layout';
import { SURFACE_NODES } from './catalogue';
import { planWires } from './plan';

/** Height of a node on the board, from its ports. */
const nodeHeight = (type: SurfaceNodeType): number => {
  const { inputs, outputs, settings } = SURFACE_NODES[type];
  return 44 + 28 * (inputs.length + outputs.length + settings.length + (type === 'picture' ? 1 : 0));
};
const heightOf = ({ type }: SurfaceNode): number => nodeHeight(type);

/** The nearest place to the one wanted where a node of the board lies on no other. */
export const freePlace = (
  circuit: SurfaceCircuit,
  type: SurfaceNodeType,
  wanted: readonly [number, number],
): readonly [number, number] => layout.freePlace(circuit, heightOf, nodeHeight(type), wanted);

/** Places for all nodes, from what comes first on the left to the surface on the right. */
export const tidyPlaces = (circuit: SurfaceCircuit): Map<NodeId, readonly [number, number]> =>
  layout.tidyPlaces(circuit, planWires(circuit).order, heightOf);
