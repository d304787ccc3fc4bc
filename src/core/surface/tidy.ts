/** Where the nodes of a surface circuit lie on their board. */
import type { Circuit, CircuitNode, NodeId, NodeType } from '../document/schema';
import * as layout from '../graph/layout';
import { CATALOGUE } from './catalogue';
import { planWires } from './plan';

/** Height of a node on the board, from its ports. */
const nodeHeight = (type: NodeType): number => {
  const { inputs, outputs, settings } = CATALOGUE[type];
  return 44 + 28 * (inputs.length + outputs.length + settings.length + (type === 'picture' ? 1 : 0));
};
const heightOf = ({ type }: CircuitNode): number => nodeHeight(type);

/** The nearest place to the one wanted where a node of the board lies on no other. */
export const freePlace = (
  circuit: Circuit,
  type: NodeType,
  wanted: readonly [number, number],
): readonly [number, number] => layout.freePlace(circuit, heightOf, nodeHeight(type), wanted);

/** Places for all nodes, from what comes first on the left to the surface on the right. */
export const tidyPlaces = (circuit: Circuit): Map<NodeId, readonly [number, number]> =>
  layout.tidyPlaces(circuit, planWires(circuit).order, heightOf);
