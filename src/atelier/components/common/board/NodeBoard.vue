<script setup lang="ts" generic="N extends GraphNode">
/** A board of nodes that are moved and wired by hand, whatever they work out. How a node looks is left to who uses it. */
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
  type OnConnectStartParams,
} from '@vue-flow/core';
import '@vue-flow/core/dist/style.css';
import BoardMap from './BoardMap.vue';
import { boundsOf, useBoardWindow, type Rect } from './use-board-window';
import type { Graph, GraphNode } from '../../../../core/graph/graph';

type Id = N['id'];
interface Port {
  readonly node: Id;
  readonly port: string;
}
const props = defineProps<{
  /** Tells one board from another. */
  board: string;
  graph: Graph<N>;
  selected: readonly Id[];
  /** What a node is read out as. */
  labelOf: (node: N) => string;
  /** Whether the wire into an input is not followed. */
  isCut: (node: N, port: string) => boolean;
}>();
const emit = defineEmits<{
  select: [ids: readonly Id[]];
  connect: [from: Port, to: Port];
  unwire: [to: Port];
  move: [places: ReadonlyMap<Id, readonly [number, number]>];
  /** A wire was let go of where nothing is: from an output, or from an input. */
  loose: [from: Port, isOutput: boolean, at: readonly [number, number]];
}>();
defineSlots<{ node(props: { node: N; selected: boolean }): unknown }>();
const flow = useVueFlow(props.board);
const nodes = shallowRef<Node[]>([]);
const list = computed<readonly N[]>(() => Object.values(props.graph));
/** From so many nodes on there is a map of them. */
const MAPPED = 12;
const { isLarge, shown, look } = useBoardWindow<N>(() => list.value);
/** What of the board is in view. */
const view = shallowRef<Rect>({ left: 0, top: 0, right: 1, bottom: 1 });
const lookNow = (): void => {
  const { x, y, zoom } = flow.viewport.value;
  const { width, height } = flow.dimensions.value;
  if (width === 0) return;
  view.value = { left: -x / zoom, top: -y / zoom, right: (width - x) / zoom, bottom: (height - y) / zoom };
  look(view.value);
};
watch([flow.viewport, flow.dimensions], lookNow, { deep: true });
const shownIds = computed(() => new Set<string>(shown.value.map(({ id }) => id)));
const edges = computed<Edge[]>(() =>
  shown.value.flatMap((node) =>
    Object.entries(node.inputs)
      .filter(([, wire]) => shownIds.value.has(wire.node))
      .map(([port, wire]) => ({
        id: `${node.id} ${port}`,
        source: wire.node,
        sourceHandle: wire.port,
        target: node.id,
        targetHandle: port,
        class: props.isCut(node, port) ? 'cut' : '',
      })),
  ),
);
watch(
  [shown, () => props.selected],
  () => {
    nodes.value = shown.value.map((node) => ({
      id: node.id,
      type: 'card',
      position: { x: node.at[0], y: node.at[1] },
      data: markRaw(node),
      selected: props.selected.includes(node.id),
      selectable: true,
      ariaLabel: props.labelOf(node),
    }));
  },
  { immediate: true },
);
const fit = (): void => {
  if (!isLarge.value) return void flow.fitView({ padding: 0.04, maxZoom: 1, minZoom: 0.3 });
  const all = boundsOf(list.value);
  const { width, height } = flow.dimensions.value;
  if (!all || width === 0) return;
  const zoom = Math.min(
    1,
    Math.max(0.3, (0.92 * width) / (all.right - all.left)),
    Math.max(0.3, (0.92 * height) / (all.bottom - all.top)),
  );
  const middle = [(all.left + all.right) / 2, (all.top + all.bottom) / 2] as const;
  void flow.setViewport({ x: width / 2 - middle[0] * zoom, y: height / 2 - middle[1] * zoom, zoom });
};
const go = (x: number, y: number): void => {
  void flow.setCenter(x, y, { zoom: flow.viewport.value.zoom });
};
/** Once the nodes have been measured. */
flow.onNodesInitialized(() => {
  if (!fitted) fit();
  fitted = true;
});
let fitted = false;
watch(
  () => flow.dimensions.value.width,
  (width) => {
    if (width === 0 || fitted || !isLarge.value) return;
    fit();
    fitted = true;
  },
);
const connected = ({ source, sourceHandle, target, targetHandle }: Connection): void => {
  if (sourceHandle && targetHandle)
    emit('connect', { node: source, port: sourceHandle }, { node: target, port: targetHandle });
};
/** The end of a wire that is being drawn. */
let drawn: { readonly from: Port; readonly isOutput: boolean } | null = null;
const begun = ({ nodeId, handleId, handleType }: OnConnectStartParams): void => {
  drawn =
    nodeId && handleId ? { from: { node: nodeId, port: handleId }, isOutput: handleType === 'source' } : null;
};
const ended = (event?: MouseEvent | TouchEvent): void => {
  const target = event?.target;
  if (
    drawn &&
    event &&
    'clientX' in event &&
    target instanceof Element &&
    target.closest('.vue-flow__pane')
  ) {
    const { x, y } = flow.screenToFlowCoordinate({ x: event.clientX, y: event.clientY });
    emit('loose', drawn.from, drawn.isOutput, [x, y]);
  }
  drawn = null;
};
const moved = ({ nodes: dragged }: NodeDragEvent): void => {
  emit('move', new Map(dragged.map((n) => [n.id, [n.position.x, n.position.y]])));
};
const edgeTaken = ({ edge }: EdgeMouseEvent): void => {
  emit('unwire', { node: edge.target, port: edge.targetHandle! });
};
const picked = (): void => {
  void nextTick(() =>
    emit(
      'select',
      flow.getSelectedNodes.value.map((n) => n.id),
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
/** How high a node is drawn; undefined before it is. */
const heightOf = (id: Id): number | undefined => {
  const height = flow.findNode(id)?.dimensions.height;
  return height ? height : undefined;
};
/** Brings one node into the middle. */
const show = (id: Id): void => {
  const node = props.graph[id];
  if (!node) return;
  // One that is out of view has not been measured.
  const { width = 196, height = 100 } = flow.findNode(id)?.dimensions ?? {};
  void flow.setCenter(node.at[0] + width / 2, node.at[1] + height / 2, {
    zoom: Math.max(0.8, flow.viewport.value.zoom),
  });
};
defineExpose({ show, fit, middle, reveal, heightOf });
</script>

<template>
  <div class="board" :data-board="board">
    <VueFlow
      :id="board"
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
      @connect-start="begun"
      @connect-end="ended"
      @node-drag-stop="moved"
      @edge-double-click="edgeTaken"
      @node-click="picked"
      @pane-click="emit('select', [])"
      @selection-end="picked"
    >
      <template #node-card="{ data, selected: isSelected }: { data: N; selected: boolean }">
        <slot name="node" :node="data" :selected="isSelected" />
      </template>
    </VueFlow>
    <BoardMap v-if="list.length >= MAPPED" :nodes="list" :selected="selected" :view="view" @go="go" />
  </div>
</template>

<style scoped>
.board {
  position: relative;
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
