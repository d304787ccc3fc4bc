/** Edits of the circuit that is open, as the board makes them. */
import { computed, ref } from 'vue';
import {
  addNodes,
  changeMaterial,
  changeNode,
  bendSurfaceWire,
  layOutNodes,
  moveNodes,
  removeNodes,
  wire,
} from '../../../../../core/edits/material-edits';
import { newSurfaceNode } from '../../../../../core/document/new-material';
import type {
  SurfaceCircuit,
  SurfaceNode,
  NodeId,
  SurfaceNodeType,
} from '../../../../../core/document/schema';
import { SURFACE_NODES } from '../../../../../core/surface/catalogue';
import { alignedPlaces, type Alignment } from '../../../../../core/graph/align';
import { copiedNodes, wouldLoop, type BoardPlace } from '../../../../../core/graph/graph';
import { planCircuit, type CircuitProblem } from '../../../../../core/surface/plan';
import { tidyPlaces } from '../../../../../core/surface/tidy';
import { sentence } from '../../../../../core/errors';
import { newId } from '../../../../api/ids';
import { useEffectStore } from '../../../../stores/effect';
import { useMaterial } from '../material/use-material';

export interface Port {
  readonly node: NodeId;
  readonly port: string;
}

export const useCircuit = () => {
  const effectStore = useEffectStore();
  const use = useMaterial();
  const { material } = use;
  const circuit = computed<SurfaceCircuit>(() => (material.value?.circuit ?? {}) as SurfaceCircuit);
  const problems = computed<readonly CircuitProblem[]>(
    () => planCircuit(circuit.value, (id) => effectStore.effect.assets[id as never] !== undefined).problems,
  );
  /** Why something could not be done. */
  const said = ref<string | null>(null);

  const add = (type: SurfaceNodeType, at: readonly [number, number]): NodeId | null => {
    if (!material.value) return null;
    const node = newSurfaceNode(newId('node') as NodeId, type, [Math.round(at[0]), Math.round(at[1])]);
    try {
      effectStore.edit(addNodes(effectStore.effect, material.value.id, [node]));
    } catch (error) {
      said.value = sentence(error);
      return null;
    }
    return node.id;
  };
  /** Runs a wire from an output into an input; one that would run in a circle is not drawn, and that is said. */
  const connect = (from: Port, to: Port): void => {
    if (!material.value) return;
    said.value = null;
    if (wouldLoop(circuit.value, from.node, to.node)) {
      const name = (id: NodeId): string => SURFACE_NODES[circuit.value[id]!.type].name;
      said.value = `A wire from ${name(from.node)} to ${name(to.node)} would run in a circle: ${name(from.node)} itself depends on ${name(to.node)}. It was not drawn.`;
      return;
    }
    effectStore.edit(wire(effectStore.effect, material.value.id, to, from));
  };
  const unwire = (to: Port): void => {
    if (material.value) effectStore.edit(wire(effectStore.effect, material.value.id, to, null));
  };
  const remove = (ids: readonly NodeId[]): void => {
    if (!material.value) return;
    const gone = ids.filter((id) => circuit.value[id] && circuit.value[id]!.type !== 'surface');
    if (gone.length > 0) effectStore.edit(removeNodes(effectStore.effect, material.value.id, gone));
    else if (ids.length > 0) said.value = 'The surface stays: wires end in it.';
  };
  const change = (
    id: NodeId,
    to: Partial<Pick<SurfaceNode, 'values' | 'picture'>>,
    gesture: string | null = null,
  ): void => {
    if (material.value) effectStore.edit(changeNode(effectStore.effect, material.value.id, id, to), gesture);
  };
  const bend = (to: Port, via: readonly BoardPlace[]): void => {
    if (material.value) effectStore.edit(bendSurfaceWire(effectStore.effect, material.value.id, to, via));
  };
  const align = (ids: readonly NodeId[], how: Alignment, sizeOf: (id: string) => BoardPlace): void => {
    const laid = ids
      .flatMap((id) => circuit.value[id] ?? [])
      .map(({ id, at }) => ({ id, at, size: sizeOf(id) }));
    move(alignedPlaces(laid, how));
  };
  const move = (places: ReadonlyMap<NodeId, readonly [number, number]>): void => {
    if (material.value && places.size > 0)
      effectStore.edit(moveNodes(effectStore.effect, material.value.id, places));
  };
  /** Copies of nodes beside them, wired as they are among each other. */
  const duplicate = (ids: readonly NodeId[]): NodeId[] => {
    if (!material.value) return [];
    const originals = ids.flatMap((id) => circuit.value[id] ?? []).filter((n) => n.type !== 'surface');
    const copies = copiedNodes(originals, () => newId('node') as NodeId);
    try {
      if (copies.length > 0) effectStore.edit(addNodes(effectStore.effect, material.value.id, copies));
    } catch (error) {
      said.value = sentence(error);
      return [];
    }
    return copies.map((n) => n.id);
  };
  const tidy = (): void => {
    if (material.value)
      effectStore.edit(layOutNodes(effectStore.effect, material.value.id, tidyPlaces(circuit.value)));
  };
  const drop = (): void => {
    if (material.value)
      effectStore.edit(changeMaterial(effectStore.effect, material.value.id, { circuit: null }));
  };
  const outputsOf = (id: NodeId) => SURFACE_NODES[circuit.value[id]!.type].outputs;
  const done = (): void => effectStore.endGesture();
  return {
    ...use,
    circuit,
    problems,
    said,
    add,
    connect,
    unwire,
    remove,
    change,
    move,
    bend,
    align,
    duplicate,
    tidy,
    drop,
    outputsOf,
    done,
  };
};
