<script setup lang="ts">
/** The board: nodes are moved and wired by hand. */
import { computed, markRaw, nextTick, shallowRef, watch } from 'vue';
import {
  ConnectionMode,
  useVueFlow,
  VueFlow,
  type Connection,
  type Edge,
  type EdgeMouseEvent,
  type Node,
  type NodeDragEvent,
} from '@vue-flow/core';
import '@vue-flow/core/dist/style.css';
import type {
  Circuit,
  CircuitNode,
  Material,
  NodeId,
  NodeValue,
  PictureSource,
} from '../../../../../core/document/schema';
import type { CircuitProblem } from '../../../../../core/surface/plan';
import CircuitNodeCard from './CircuitNodeCard.vue';
import type { Port } from './use-circuit';

const props = defineProps<{
  circuit: Circuit;
  material: Material;
  problems: readonly CircuitProblem[];
  selected: readonly NodeId[];
}>();
const emit = defineEmits<{
  select: [ids: readonly NodeId[]];
  connect: [from: Port, to: Port];
  unwire: [to: Port];
  move: [places: ReadonlyMap<NodeId, readonly [number, number]>];
  value: [node: NodeId, name: string, value: NodeValue, gesture: string | null];
  picture: [node: NodeId, picture: PictureSource | null, gesture: string | null];
  done: [];
}>();
const flow = useVueFlow('surface-circuit');
const nodes = shallowRef<Node[]>([]);
const edges = computed<Edge[]>(() =>
  Object.values(props.circuit).flatMap((node) =>
    Object.entries(node.inputs)
      .filter(([, wire]) => props.circuit[wire.node])
      .map(([port, wire]) => ({
        id: `${node.id} ${port}`,
        source: wire.node,
        sourceHandle: wire.port,
        target: node.id,
        targetHandle: port,
        class: props.problems.some((p) => p.code === 'loop' && p.node === node.id && p.port === port)
          ? 'cut'
          : '',
      })),
  ),
);
watch(
  [() => props.circuit, () => props.selected],
  () => {
    nodes.value = Object.values(props.circuit).map((node) => ({
      id: node.id,
      type: 'card',
      position: { x: node.at[0], y: node.at[1] },
      data: markRaw(node),
      selected: props.selected.includes(node.id),
      selectable: true,
      ariaLabel: node.type,
    }));
  },
  { immediate: true },
);
const fit = (): void => {
  void flow.fitView({ padding: 0.04, maxZoom: 1, minZoom: 0.3 });
};
/** Once the nodes have been measured. */
flow.onNodesInitialized(() => {
  if (!fitted) fit();
  fitted = true;
});
let fitted = false;
const connected = ({ source, sourceHandle, target, targetHandle }: Connection): void => {
  if (sourceHandle && targetHandle)
    emit(
      'connect',
      { node: source as NodeId, port: sourceHandle },
      { node: target as NodeId, port: targetHandle },
    );
};
const moved = ({ nodes: dragged }: NodeDragEvent): void => {
  emit('move', new Map(dragged.map((n) => [n.id as NodeId, [n.position.x, n.position.y]])));
};
const edgeTaken = ({ edge }: EdgeMouseEvent): void => {
  emit('unwire', { node: edge.target as NodeId, port: edge.targetHandle! });
};
const picked = (): void => {
  void nextTick(() =>
    emit(
      'select',
      flow.getSelectedNodes.value.map((n) => n.id as NodeId),
    ),
  );
};
/** Where a new node is seen: the middle of the board. */
const middle = (): readonly [number, number] => {
  const { x, y, zoom } = flow.viewport.value;
  const { width, height } = flow.dimensions.value;
  return [(width / 2 - x) / zoom - 90, (height / 2 - y) / zoom - 40];
};
/** Brings all nodes into view when one is put where it would not be seen. */
const reveal = ([left, top]: readonly [number, number]): void => {
  const { x, y, zoom } = flow.viewport.value;
  const { width, height } = flow.dimensions.value;
  const [screenX, screenY] = [left * zoom + x, top * zoom + y];
  const seen =
    screenX >= 0 && screenY >= 0 && screenX + 162 * zoom <= width && screenY + 110 * zoom <= height;
  // As soon as the new node has been measured.
  if (!seen) fitted = false;
};
defineExpose({ fit, middle, reveal });
</script>

<template>
  <div class="board" data-board="circuit">
    <VueFlow
      id="surface-circuit"
      :nodes="nodes"
      :edges="edges"
      :connection-mode="ConnectionMode.Strict"
      :delete-key-code="null"
      :min-zoom="0.25"
      :max-zoom="1.6"
      :apply-default="true"
      :nodes-focusable="true"
      :edges-focusable="false"
      elevate-edges-on-select
      @connect="connected"
      @node-drag-stop="moved"
      @edge-double-click="edgeTaken"
      @node-click="picked"
      @pane-click="emit('select', [])"
      @selection-end="picked"
    >
      <template #node-card="{ data, selected: isSelected }: { data: CircuitNode; selected: boolean }">
        <CircuitNodeCard
          :node="data"
          :material="material"
          :problems="problems"
          :selected="isSelected"
          @value="(name, value, gesture) => emit('value', data.id, name, value, gesture)"
          @picture="(picture, gesture) => emit('picture', data.id, picture, gesture)"
          @done="emit('done')"
          @unwire="(port) => emit('unwire', { node: data.id, port })"
        />
      </template>
    </VueFlow>
  </div>
</template>

<style scoped>
.board {
  height: 100%;
  min-height: 240px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background:
    linear-gradient(var(--line2) 1px, transparent 1px) 0 0 / 24px 24px,
    var(--bench);
  overflow: hidden;
}
.board :deep(.vue-flow__edge-path) {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.board :deep(.vue-flow__edge.selected .vue-flow__edge-path),
.board :deep(.vue-flow__edge:hover .vue-flow__edge-path) {
  stroke: var(--accent);
  stroke-width: 2.2;
}
.board :deep(.vue-flow__edge.cut .vue-flow__edge-path) {
  stroke: var(--madder);
  stroke-dasharray: 4 4;
}
.board :deep(.vue-flow__connection-path) {
  stroke: var(--accent);
  stroke-width: 1.6;
}
.board :deep(.vue-flow__node:focus-visible) {
  outline: 2px solid var(--accent);
  outline-offset: 2px;
}
</style>
