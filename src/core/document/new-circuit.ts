/** New behaviour circuits. */
import type { Circuit, CircuitId, ObjectId } from './schema';

/** An empty circuit that is on; `owner` is the object it belongs to. */
export const newCircuit = (
  id: CircuitId,
  name: string,
  order: number,
  owner: ObjectId | null = null,
): Circuit => ({ id, name, order, enabled: true, owner, nodes: {}, notes: {} });
