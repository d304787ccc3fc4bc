/** The behaviour circuit that is open, and the edits of it as the board makes them. */
import { computed, ref } from 'vue';
import {
  addToCircuit,
  changeCircuit,
  changeInCircuit,
  declarePort,
  bendWire,
  layOutCircuit,
  moveInCircuit,
  putCircuit,
  removeCircuit,
  removeFromCircuit,
  switchInCircuit,
  wireCircuit,
  type Brought,
  type PortSide,
} from '../../../../../core/edits/circuit-edits';
import type { DeclaredPort } from '../../../../../core/kinds/nodes/declared-ports';
import { nodesOfText, shiftedBy, textOfNodes } from '../../../../../core/edits/circuit-text';
import type { PortOf } from '../../../../../core/edits/graph-edits';
import { newCircuit } from '../../../../../core/document/new-circuit';
import { inOrder } from '../../../../../core/document/queries';
import type { BehaviourNodes, Circuit, CircuitId, NodeId } from '../../../../../core/document/schema';
import { sentence } from '../../../../../core/errors';
import type { Edit } from '../../../../../core/document/edit';
import { alignedPlaces, type Alignment, type Laid } from '../../../../../core/graph/align';
import { copiedNodes, wouldLoop, type BoardPlace } from '../../../../../core/graph/graph';
import * as layout from '../../../../../core/graph/layout';
import {
  inputOf,
  isLate,
  newBehaviourNode,
  nodeKind,
  outputOf,
  portsOf,
  type BehaviourNode,
  type NodeKind,
} from '../../../../../core/kinds/nodes/nodes';
import { conversion, refusal } from '../../../../../core/kinds/nodes/ports';
import { planNodes } from '../../../../../core/program/circuits';
import { newCircuitId, newId } from '../../../../api/ids';
import { nodeName } from '../../../../circuit-words';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { isPortNode } from '../../../../../core/edits/whole-compounds';
import { nodesOn } from '../../../../../core/edits/board-nodes';
import { addNotes } from '../../../../../core/edits/board-note-edits';
import { useBoardNotes } from './use-board-notes';
import { useCompounds } from './use-compounds';
import { hasIn } from '../../../../../core/document/named-in';

/** Of a node on the board. */
const WIDTH = 196;
/** Height of a node that is not drawn yet, from its ports. */
const likelyHeight = ({ kind, set }: Pick<BehaviourNode, 'kind' | 'set'>): number => {
  const { fields } = nodeKind(kind);
  const { inputs, outputs } = portsOf({ kind, set });
  return 44 + 28 * (inputs.length + outputs.length + 1.4 * Object.keys(fields).length);
};
const NO_NODES: BehaviourNodes = {};

/** `drawnHeight` is how high a node is drawn; undefined before it is. */
export const useBehaviourCircuit = (drawnHeight: (id: NodeId) => number | undefined) => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const circuits = computed(() => inOrder(effectStore.effect.circuits));
  const circuit = computed<Circuit | null>(
    () => circuits.value.find(({ id }) => id === desk.behave.circuit) ?? circuits.value[0] ?? null,
  );
  const compounds = useCompounds(() => circuit.value);
  const { board } = compounds;
  const nodes = computed<BehaviourNodes>(() =>
    board.value ? nodesOn(effectStore.effect, board.value) : NO_NODES,
  );
  const plan = computed(() =>
    planNodes(nodes.value, hasIn(effectStore.effect), effectStore.effect.compounds),
  );
  /** Why something could not be done. */
  const said = ref<string | null>(null);

  const open = (id: CircuitId): void => {
    desk.behave.circuit = id;
    compounds.leaveTo(0);
    said.value = null;
  };
  const make = (): void => {
    const order = (circuits.value.at(-1)?.order ?? 0) + 1;
    const made = newCircuit(newCircuitId(), `Circuit ${circuits.value.length + 1}`, order);
    effectStore.edit(putCircuit(made, 'Add a circuit'));
    open(made.id);
  };
  /** A script of the whole effect: a circuit with nothing else in it. */
  const makeScript = (): NodeId => {
    const order = (circuits.value.at(-1)?.order ?? 0) + 1;
    const node = newBehaviourNode(newId('node') as NodeId, 'script');
    const count = circuits.value.filter(({ name }) => name.startsWith('Script')).length;
    const made = { ...newCircuit(newCircuitId(), `Script ${count + 1}`, order), nodes: { [node.id]: node } };
    effectStore.edit(putCircuit(made, 'Add a script'));
    open(made.id);
    return node.id;
  };
  /** Declares a port of a script, or of a compound. */
  const declare = (id: NodeId, side: PortSide, index: number, port: DeclaredPort | null): void => {
    if (board.value)
      effectStore.edit(
        declarePort(effectStore.effect, board.value, id, side, index, port),
        port && `${id} ${side} ${index}`,
      );
  };
  const set = (
    change: Partial<Pick<Circuit, 'name' | 'enabled' | 'owner'>>,
    gesture: string | null = null,
  ): void => {
    if (circuit.value) effectStore.edit(changeCircuit(effectStore.effect, circuit.value.id, change), gesture);
  };
  const drop = (): void => {
    if (circuit.value) effectStore.edit(removeCircuit(effectStore.effect, circuit.value.id));
  };

  const heightOf = (node: BehaviourNode): number => drawnHeight(node.id) ?? likelyHeight(node);

  /** The nearest to the one wanted where something of this height lies on no node. */
  const freePlace = (wanted: BoardPlace, height: number): BoardPlace => {
    const [x, y] = layout.freePlace(nodes.value, heightOf, height, wanted, WIDTH);
    return [Math.round(x), Math.round(y)];
  };
  /** `set` is what is set of it already. */
  const add = (
    kind: NodeKind,
    wanted: readonly [number, number],
    set: object | null = null,
  ): { id: NodeId; at: readonly [number, number] } | null => {
    if (!board.value) return null;
    const height = likelyHeight({ kind, set: (set ?? nodeKind(kind).fresh) as BehaviourNode['set'] });
    const whole = freePlace(wanted, height);
    // What is selected in the Stack is meant, where an object is meant at all.
    const written = { to: { kind: 'number', objects: [...desk.selection], property: 'size' } };
    const node = newBehaviourNode(newId('node') as NodeId, kind, whole, {
      set: set ?? (kind === 'write' ? written : {}),
    });
    return put([node]) ? { id: node.id, at: whole } : null;
  };
  /** Does an edit; whether it could be done, and why not. */
  const edited = (make: () => Edit): boolean => {
    said.value = null;
    try {
      effectStore.edit(make());
      return true;
    } catch (error) {
      said.value = sentence(error);
      return false;
    }
  };
  const put = (made: readonly BehaviourNode[], brought: Brought = {}): boolean =>
    edited(() => addToCircuit(effectStore.effect, board.value!, made, brought));
  const notes = useBoardNotes(() => board.value, edited);
  /** Runs a wire from an output into an input. What is not read there, and what would run in a circle, is not drawn, and that is said. */
  const connect = (from: PortOf, to: PortOf): void => {
    if (!board.value) return;
    said.value = null;
    const [source, target] = [nodes.value[from.node as NodeId], nodes.value[to.node as NodeId]];
    const output = source && outputOf(source, from.port);
    const input = target && inputOf(target, to.port);
    if (!output || !input) return;
    if (conversion(output.type, input.type) === undefined) {
      said.value = `${refusal(output.type, input.type)} The wire was not drawn.`;
      return;
    }
    if (!input.late && wouldLoop(nodes.value, source.id, target.id, isLate)) {
      const [a, b] = [nodeName(effectStore.effect, source), nodeName(effectStore.effect, target)];
      said.value = `A wire from ${a} to ${b} would run in a circle: put the node “A step before” between them. It was not drawn.`;
      return;
    }
    effectStore.edit(wireCircuit(effectStore.effect, board.value, to, from));
  };
  const unwire = (to: PortOf): void => {
    if (board.value) effectStore.edit(wireCircuit(effectStore.effect, board.value, to, null));
  };
  /** Of those that are meant, those that can be copied: what a compound has itself is there once. */
  const among = (ids: readonly string[]): BehaviourNode[] =>
    ids.flatMap((id) => nodes.value[id as NodeId] ?? []);
  const copyable = (ids: readonly string[]): BehaviourNode[] =>
    among(ids).filter((node) => !isPortNode(node));
  /** Nodes and notes. */
  const remove = (ids: readonly string[]): void => {
    const gone = copyable(ids).map(({ id }) => id);
    said.value =
      gone.length < among(ids).length
        ? 'What runs in and comes out of a compound stays: it cannot be without.'
        : null;
    effectStore.asOneStep('delete from the board', () => {
      if (board.value && gone.length > 0)
        effectStore.edit(removeFromCircuit(effectStore.effect, board.value, gone));
      notes.remove(ids);
    });
    done();
  };
  const change = (
    id: NodeId,
    to: Parameters<typeof changeInCircuit>[3],
    gesture: string | null = null,
  ): void => {
    if (board.value) effectStore.edit(changeInCircuit(effectStore.effect, board.value, id, to), gesture);
  };
  /** Off all of them, or on again when all are off: one step. */
  const switchAll = (ids: readonly NodeId[]): void => {
    const off = ids.some((id) => nodes.value[id]?.off === false);
    if (board.value) effectStore.edit(switchInCircuit(effectStore.effect, board.value, ids, off));
  };
  const move = (places: ReadonlyMap<string, BoardPlace>): void => {
    if (board.value && places.size > 0)
      effectStore.edit(moveInCircuit(effectStore.effect, board.value, places as Map<NodeId, BoardPlace>));
  };
  const bend = (to: PortOf, via: readonly BoardPlace[]): void => {
    if (board.value) effectStore.edit(bendWire(effectStore.effect, board.value, to, via));
  };
  /** What is chosen of the board, with its size. */
  const laid = (ids: readonly string[], sizeOf: (id: string) => BoardPlace): Laid[] => [
    ...among(ids).map(({ id, at }) => ({ id, at, size: sizeOf(id) })),
    ...notes.among(ids),
  ];
  const align = (ids: readonly string[], how: Alignment, sizeOf: (id: string) => BoardPlace): void =>
    move(alignedPlaces(laid(ids, sizeOf), how));
  /** Copies of nodes and notes beside them, wired as they are among each other. */
  const duplicate = (ids: readonly string[]): string[] => {
    const copies = copiedNodes(copyable(ids), () => newId('node') as NodeId);
    const made: string[] = [];
    effectStore.asOneStep('copy on the board', () => {
      if (copies.length > 0 && put(copies)) made.push(...copies.map(({ id }) => id));
      made.push(...notes.duplicate(ids));
    });
    done();
    return made;
  };
  /** Null where none of them is there. */
  const textOf = (ids: readonly string[]): string | null => {
    const [there, written] = [copyable(ids), notes.among(ids)];
    return there.length + written.length > 0 ? textOfNodes(there, effectStore.effect, written) : null;
  };
  /** Nodes that were copied as text, here or elsewhere, the first at the place wanted: all of them, or none and a sentence. */
  const paste = (text: string, wanted: BoardPlace | null = null): string[] => {
    if (!board.value) return [];
    said.value = null;
    try {
      let pasted = nodesOfText(text, effectStore.effect, nodes.value, newId);
      const [first] = pasted.nodes;
      if (wanted && first) {
        const [x, y] = freePlace(wanted, likelyHeight(first));
        pasted = shiftedBy(pasted, [x - first.at[0], y - first.at[1]]);
      }
      // Both are there, or neither.
      const edits = [
        addToCircuit(effectStore.effect, board.value, pasted.nodes, pasted),
        ...(pasted.notes.length > 0 ? [addNotes(effectStore.effect, board.value, pasted.notes)] : []),
      ];
      effectStore.asOneStep('paste on the board', () => {
        for (const edit of edits) effectStore.edit(edit);
      });
      done();
      return [...pasted.nodes, ...pasted.notes].map(({ id }) => id);
    } catch (error) {
      said.value = sentence(error);
      return [];
    }
  };
  const tidy = (): void => {
    const places = layout.tidyPlaces(nodes.value, plan.value.order, heightOf, WIDTH);
    if (board.value && places.size > 0)
      effectStore.edit(layOutCircuit(effectStore.effect, board.value, places));
  };
  const done = (): void => effectStore.endGesture();
  return {
    compounds,
    circuits,
    circuit,
    nodes,
    plan,
    said,
    make,
    makeScript,
    declare,
    open,
    set,
    drop,
    add,
    connect,
    unwire,
    remove,
    change,
    switchAll,
    move,
    bend,
    align,
    laid,
    freePlace,
    notes,
    duplicate,
    textOf,
    paste,
    tidy,
    done,
  };
};
