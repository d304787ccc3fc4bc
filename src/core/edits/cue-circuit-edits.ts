/** A cue opened as a circuit that does exactly the same, and read as a cue again. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { newCircuit } from '../document/new-circuit';
import { MOST_TRIGGERS } from '../document/cue-schema';
import type { Circuit, CircuitId, Cue, CueId, Effect, NodeId, Trigger } from '../document/schema';
import type { BoardPlace } from '../graph/graph';
import { onBoard, type BoardId } from './board-nodes';
import { newBehaviourNode, type BehaviourNode, type NodeOf } from '../kinds/nodes/nodes';

const COLUMN = 260;
const ROW = 130;
const PORTS = ['a', 'b', 'c', 'd'] as const;

/** The nodes that set a cue off and take it back as its own triggers do. */
const nodesOfCue = (cue: Cue, newId: () => NodeId): readonly BehaviourNode[] => {
  const nodes: BehaviourNode[] = [];
  let row = 0;
  for (const [triggers, what] of [
    [cue.triggers, 'setOff'],
    [cue.resets, 'reset'],
  ] as const) {
    if (triggers.length === 0) continue;
    const events = triggers.map((trigger) =>
      newBehaviourNode(newId(), 'trigger', [0, row++ * ROW], { set: { trigger } }),
    );
    const { from, made, column } = joined(events, newId, COLUMN);
    const end = newBehaviourNode(newId(), 'cue', [column, events[0]!.at[1]], {
      set: { do: what, cue: cue.id },
      inputs: { event: { node: from.id, port: 'event' } },
    });
    nodes.push(...events, ...made, end);
  }
  if (nodes.length > 0) return nodes;
  return [newBehaviourNode(newId(), 'cue', [COLUMN, 0], { set: { do: 'setOff', cue: cue.id } })];
};
const listenByNodes = (cue: Draft<Cue>): void => {
  cue.triggers = [];
  cue.resets = [];
};

/**
 * Opens a cue as a circuit: what sets it off and takes it back becomes nodes, and the cue one that they run into. Conditions, how often it fires
 * and its beats stay in the cue, which is part of the circuit from then on.
 */
export const openAsCircuit = (
  effect: Effect,
  cue: CueId,
  id: CircuitId,
  name: string,
  newId: () => NodeId,
): Edit =>
  edit('Open a cue as a circuit', (d) => {
    const of = effect.cues[cue];
    if (!of) return;
    const order = Object.values(effect.circuits).reduce((most, c) => Math.max(most, c.order + 1), 0);
    const circuit = { ...newCircuit(id, name, order), nodes: byId(nodesOfCue(of, newId)) };
    d.circuits[id] = circuit as Draft<Circuit>;
    listenByNodes(d.cues[cue]!);
  });

/** The same on a board that there is, from a place on: its nodes, in the order in which they were made. */
export const putCueOnBoard = (
  effect: Effect,
  cue: CueId,
  board: BoardId,
  [x, y]: BoardPlace,
  newId: () => NodeId,
): Edit =>
  onBoard(effect, board, 'Put a cue on', ({ nodes }, d) => {
    const of = effect.cues[cue];
    if (!of) return;
    for (const node of nodesOfCue(of, newId))
      nodes[node.id] = { ...node, at: [node.at[0] + x, node.at[1] + y] } as Draft<BehaviourNode>;
    listenByNodes(d.cues[cue]!);
  });

/** Several events joined to one, four at a time. */
const joined = (
  events: readonly BehaviourNode[],
  newId: () => NodeId,
  column: number,
): { readonly from: BehaviourNode; readonly made: readonly BehaviourNode[]; readonly column: number } => {
  if (events.length === 1) return { from: events[0]!, made: [], column };
  const made: BehaviourNode[] = [];
  for (let i = 0; i < events.length; i += PORTS.length) {
    const four = events.slice(i, i + PORTS.length);
    const inputs = Object.fromEntries(four.map((event, p) => [PORTS[p]!, { node: event.id, port: 'event' }]));
    made.push(newBehaviourNode(newId(), 'anyEvent', [column, four[0]!.at[1]], { inputs }));
  }
  const rest = joined(made, newId, column + COLUMN);
  return { ...rest, made: [...made, ...rest.made] };
};
const byId = (nodes: readonly BehaviourNode[]): Record<string, BehaviourNode> =>
  Object.fromEntries(nodes.map((node) => [node.id, node]));

export interface ReadCue {
  readonly cue: CueId;
  readonly triggers: readonly Trigger[];
  readonly resets: readonly Trigger[];
}
/**
 * What a circuit is as a cue: nothing but triggers that run, joined or not, into one cue. Null where it is more than that, is switched off, or
 * belongs to an object.
 */
export const readableAsCue = (effect: Effect, circuit: Circuit): ReadCue | null => {
  if (!circuit.enabled || circuit.owner !== null) return null;
  const nodes = Object.values<BehaviourNode>(circuit.nodes);
  const ends = nodes.filter((node): node is NodeOf<'cue'> => node.kind === 'cue');
  const [cue, ...others] = new Set(ends.map(({ set }) => set.cue));
  if (!cue || !effect.cues[cue] || others.length > 0) return null;
  const isPlain = nodes.every(
    (node) =>
      !node.off &&
      (node.kind === 'trigger' ||
        node.kind === 'anyEvent' ||
        (node.kind === 'cue' && (node.set.do === 'setOff' || node.set.do === 'reset'))),
  );
  if (!isPlain) return null;
  const triggersInto = (id: string, seen: ReadonlySet<string>): Trigger[] | null => {
    const node = circuit.nodes[id as NodeId];
    if (!node || seen.has(id)) return null;
    if (node.kind === 'trigger') return [node.set.trigger];
    const found: Trigger[] = [];
    for (const wire of Object.values(node.inputs)) {
      const more = triggersInto(wire.node, new Set([...seen, id]));
      if (!more) return null;
      found.push(...more);
    }
    return found;
  };
  const of = (what: 'setOff' | 'reset'): Trigger[] | null => {
    const all = ends.filter(({ set }) => set.do === what).map(({ id }) => triggersInto(id, new Set()));
    return all.some((one) => one === null) ? null : all.flatMap((one) => one!);
  };
  const [triggers, resets] = [of('setOff'), of('reset')];
  const { triggers: own, resets: ownResets } = effect.cues[cue] as Cue;
  if (!triggers || !resets) return null;
  const isTooMany =
    own.length + triggers.length > MOST_TRIGGERS || ownResets.length + resets.length > MOST_TRIGGERS;
  return isTooMany ? null : { cue, triggers, resets };
};

/** Reads a circuit as a cue: the cue listens by itself again, and the circuit goes. Does nothing where it is more than that. */
export const readAsCue = (effect: Effect, id: CircuitId): Edit =>
  edit('Read a circuit as a cue', (d) => {
    const read = effect.circuits[id] ? readableAsCue(effect, effect.circuits[id]) : null;
    const cue = read && d.cues[read.cue];
    if (!cue) return;
    cue.triggers.push(...(structuredClone(read.triggers) as Draft<Trigger>[]));
    cue.resets.push(...(structuredClone(read.resets) as Draft<Trigger>[]));
    delete d.circuits[id];
  });
