/** Edits of behaviour circuits. Unknown ids change nothing. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import {
  MOST_NODES,
  type BoardNoteId,
  circuitSchema,
  type Circuit,
  type Compound,
  type CircuitId,
  type Effect,
  type NodeId,
  type ObjectId,
  type Variable,
} from '../document/schema';
import { IconiaError } from '../errors';
import type { BehaviourNode } from '../kinds/nodes/nodes';
import type { DeclaredPort } from '../kinds/nodes/declared-ports';
import { mapReferences } from '../schema/references';
import { onBoard, type BoardId } from './board-nodes';
import { isPortNode, whyNotOn } from './whole-compounds';
import { bendIn, moveIn, removeFrom, straightenIn, wireIn, type PortOf } from './graph-edits';
import type { BoardPlace } from '../graph/graph';

/** Adds a circuit, or puts it in the place of the one with its id. */
export const putCircuit = (circuit: Circuit, label = `Change ${circuit.name || 'circuit'}`): Edit =>
  edit(label, (d) => {
    d.circuits[circuit.id] = circuit as Draft<Circuit>;
  });
export const removeCircuit = (effect: Effect, id: CircuitId): Edit =>
  edit(`Delete ${effect.circuits[id]?.name || 'circuit'}`, (d) => {
    delete d.circuits[id];
  });
/** Its name, whether it is on, whom it belongs to. */
export const changeCircuit = (
  effect: Effect,
  id: CircuitId,
  change: Partial<Pick<Circuit, 'name' | 'enabled' | 'owner'>>,
): Edit =>
  edit(`Change ${effect.circuits[id]?.name || 'circuit'}`, (d) => {
    const circuit = d.circuits[id];
    if (circuit) Object.assign(circuit, change);
  });

const inNodes = (
  effect: Effect,
  id: BoardId,
  label: string,
  change: (nodes: Draft<Record<NodeId, BehaviourNode>>, d: Draft<Effect>) => void,
): Edit => onBoard(effect, id, label, (board, d) => change(board.nodes, d));

/** What nodes use, and an effect may not have. */
export interface Brought {
  readonly compounds?: readonly Compound[];
  readonly variables?: readonly Variable[];
}
/**
 * Adds nodes to a board, and what they bring along.
 * Throws `IconiaError` `circuit.full` when that many do not fit, `compound.within` where a compound would contain itself.
 */
export const addToCircuit = (
  effect: Effect,
  id: BoardId,
  nodes: readonly BehaviourNode[],
  { compounds = [], variables = [] }: Brought = {},
): Edit =>
  inNodes(effect, id, nodes.length === 1 ? 'Add a node to' : 'Add nodes to', (draft, d) => {
    for (const compound of compounds) d.compounds[compound.id] = compound as Draft<Compound>;
    for (const variable of variables) d.variables[variable.id] = variable;
    if (Object.keys(draft).length + nodes.length > MOST_NODES)
      throw new IconiaError(
        'circuit.full',
        `A circuit holds ${MOST_NODES} nodes, so ${nodes.length} more do not fit. Nothing was added.`,
      );
    for (const node of nodes) {
      const why = whyNotOn(effect, id, node);
      if (why) throw new IconiaError('compound.within', why);
      draft[node.id] = node as Draft<BehaviourNode>;
    }
  });

/** Takes nodes off a board. What runs in and comes out of a compound stays. */
export const removeFromCircuit = (effect: Effect, id: BoardId, gone: readonly NodeId[]): Edit =>
  inNodes(effect, id, gone.length === 1 ? 'Delete a node of' : 'Delete nodes of', (draft) =>
    removeFrom<Draft<BehaviourNode>>(draft, gone, isPortNode),
  );

/** Moves nodes, and notes. */
export const moveInCircuit = (
  effect: Effect,
  id: BoardId,
  places: ReadonlyMap<NodeId | BoardNoteId, BoardPlace>,
): Edit =>
  onBoard(effect, id, 'Move nodes of', ({ nodes, notes }) => {
    moveIn(nodes, places);
    for (const [note, [x, y]] of places)
      if (notes[note as BoardNoteId]) notes[note as BoardNoteId]!.at = [Math.round(x), Math.round(y)];
  });

/** Lays nodes out anew: wires run straight again. */
export const layOutCircuit = (effect: Effect, id: BoardId, places: ReadonlyMap<NodeId, BoardPlace>): Edit =>
  inNodes(effect, id, 'Lay out the nodes of', (draft) => {
    straightenIn(draft);
    moveIn(draft, places);
  });

/** Leads the wire into an input past these places; along none it runs straight. */
export const bendWire = (effect: Effect, id: BoardId, to: PortOf, via: readonly BoardPlace[]): Edit =>
  inNodes(effect, id, via.length > 0 ? 'Bend a wire of' : 'Straighten a wire of', (draft) =>
    bendIn(draft, to, via),
  );

export const wireCircuit = (effect: Effect, id: BoardId, to: PortOf, from: PortOf | null): Edit =>
  inNodes(effect, id, from ? 'Wire nodes of' : 'Take a wire off', (draft) => wireIn(draft, to, from));

/** Switches nodes off or on. */
export const switchInCircuit = (effect: Effect, id: BoardId, nodes: readonly NodeId[], off: boolean): Edit =>
  inNodes(effect, id, off ? 'Switch off nodes of' : 'Switch on nodes of', (draft) => {
    for (const node of nodes) if (draft[node]) draft[node].off = off;
  });

/** Changes what a node's inputs are without a wire, and what else is set of it. */
export const changeInCircuit = (
  effect: Effect,
  id: BoardId,
  node: NodeId,
  change: { readonly values?: BehaviourNode['values']; readonly set?: object },
): Edit =>
  inNodes(effect, id, 'Change a node of', (nodes) => {
    const draft = nodes[node];
    if (!draft) return;
    if (change.values) Object.assign(draft.values, change.values);
    if (change.set) Object.assign(draft.set, change.set);
  });

export type PortSide = 'takes' | 'gives';
/** Puts a port in the place of the one at `index` of a side, behind the last one for one more; null takes it away. */
const redeclare = (
  board: Draft<Record<NodeId, BehaviourNode>>,
  node: Draft<BehaviourNode>,
  side: PortSide,
  index: number,
  port: DeclaredPort | null,
): void => {
  const ports = (node.set as Draft<Partial<Record<PortSide, DeclaredPort[]>>>)[side];
  if (!ports) return;
  const was = ports[index];
  ports.splice(index, 1, ...(port ? [{ ...port } as Draft<DeclaredPort>] : []));
  if (!was) return;
  const stays = port !== null && port.type === was.type;
  const rename = <T>(of: Record<string, T>): void => {
    const { [was.name]: kept } = of;
    delete of[was.name];
    if (stays && kept !== undefined) of[port.name] = kept;
  };
  // Within a compound what comes out is wired like an input, and what runs in like an output.
  if (side === 'takes' ? node.kind !== 'enter' : node.kind === 'leave') {
    rename(node.inputs);
    rename(node.values);
    return;
  }
  for (const other of Object.values<Draft<BehaviourNode>>(board))
    for (const [name, wire] of Object.entries(other.inputs)) {
      if (wire.node !== node.id || wire.port !== was.name) continue;
      if (stays) wire.port = port.name;
      else delete other.inputs[name];
    }
};

/**
 * Declares a port of a script, or of a compound: then of all its uses too. Wires go along with a new name; those of a port that is gone, or
 * brings another type, go with it.
 */
export const declarePort = (
  effect: Effect,
  id: BoardId,
  of: NodeId,
  side: PortSide,
  index: number,
  port: DeclaredPort | null,
): Edit =>
  inNodes(effect, id, 'Change the ports in', (nodes, d) => {
    const node = nodes[of];
    if (!node) return;
    redeclare(nodes, node, side, index, port);
    if (node.kind !== 'enter' && node.kind !== 'leave') return;
    for (const board of [...Object.values(d.circuits), ...Object.values(d.compounds)])
      for (const use of Object.values<Draft<BehaviourNode>>(board.nodes))
        if (use.kind === 'compound' && use.set.compound === id)
          redeclare(board.nodes, use, side, index, port);
  });

/** Circuits of objects that were copied: each copy gets its own, which means the copy where it meant the original. */
export const copyCircuits = (
  d: Draft<Effect>,
  copies: ReadonlyMap<ObjectId, ObjectId>,
  newId: (prefix: string) => string,
): void => {
  for (const drafted of Object.values(d.circuits)) {
    const circuit = drafted as unknown as Circuit;
    if (circuit.owner === null || !copies.has(circuit.owner)) continue;
    const id = newId('circuit') as CircuitId;
    const copy = mapReferences(circuitSchema, circuit as never, (to, old) =>
      to === 'objects' ? (copies.get(old as ObjectId) ?? old) : old === circuit.id ? id : old,
    ) as unknown as Circuit;
    d.circuits[id] = { ...copy, order: circuit.order + 0.5 } as Draft<Circuit>;
  }
};
