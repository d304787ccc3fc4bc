/** A board, and how its nodes are found in a run. */
import type { BehaviourNodes, CircuitId, NodeId } from '../../../../../core/document/schema';

export interface RunBoard {
  readonly circuit: CircuitId;
  readonly nodes: BehaviourNodes;
  /** Null where a compound is looked at without a use. */
  readonly inRun: (node: NodeId) => NodeId | null;
}
