/** A board, and how its nodes are found in a run. */
import type { PortPlace } from '../../../../../core/behave/port-place';
import type { BehaviourNodes, CircuitId, NodeId } from '../../../../../core/document/schema';

export interface RunBoard {
  readonly circuit: CircuitId;
  readonly nodes: BehaviourNodes;
  /** Null where a compound is looked at without a use. */
  readonly inRun: (node: NodeId) => NodeId | null;
}

/** Where an output of a node is in a run; null where it is in none. */
export const placeOn = (board: RunBoard | null, node: NodeId, port: string): PortPlace | null => {
  const inRun = board?.inRun(node);
  return board && inRun ? { circuit: board.circuit, node: inRun, port } : null;
};
