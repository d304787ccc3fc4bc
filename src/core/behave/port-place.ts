/** An output of a node of a circuit, as a run knows it: within compounds by the way through their uses. */
import type { CircuitId, NodeId } from '../document/schema';

export interface PortPlace {
  readonly circuit: CircuitId;
  readonly node: NodeId;
  readonly port: string;
}
export const isSamePort = (a: PortPlace, b: PortPlace): boolean =>
  a.circuit === b.circuit && a.node === b.node && a.port === b.port;
