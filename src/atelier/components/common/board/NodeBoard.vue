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
  type OnConnectStartParams,
} from '@vue-flow/core';
import '@vue-flow/core/dist/style.css';
import { refDebounced } from '@vueuse/core';
import type { BoardNote, BoardNotes } from '../../../../core/document/board-note-schema';
import BoardGhosts from './BoardGhosts.vue';
import BoardMap from './BoardMap.vue';
import BoardNoteCard from './BoardNoteCard.vue';
import BoardWire from './BoardWire.vue';
import { useBoardMoves } from './use-board-moves';
import { useBoardSync, type BoardNode } from './use-board-sync';
import { boundsOf, REST, useBoardWindow, type Rect } from './use-board-window';
import type { BoardPlace, Graph, GraphNode } from '../../../../core/graph/graph';

type Id = N['id'];
interface Port {
  readonly node: Id;
  readonly port: string;
}
const props = defineProps<{
  /** Tells one board from another. */
  board: string;
  graph: Graph<N>;
  /** What is written beside the nodes, where boards have that. */
  notes?: Readonly<BoardNotes>;
  /** Nodes, and notes. */
  selected: readonly string[];
  /** What a node is read out as. */
  labelOf: (node: N) => string;
  /** Whether the wire into an input is not followed. */
  isCut: (node: N, port: string) => boolean;
}>();
const emit = defineEmits<{
  select: [ids: readonly string[]];
  connect: [from: Port, to: Port];
  unwire: [to: Port];
  bend: [to: Port, via: readonly BoardPlace[]];
  /** Of nodes, and of notes. */
  move: [places: ReadonlyMap<string, BoardPlace>];
  note: [id: string, change: Partial<Pick<BoardNote, 'text' | 'colour' | 'size'>>, gesture: string | null];
  noted: [];
  /** A wire was let go of where nothing is: from an output, or from an input. */
  loose: [from: Port, isOutput: boolean, at: readonly [number, number]];
}>();
defineSlots<{ node(props: { node: N; selected: boolean }): unknown }>();
// What it changes is laid in by `use-board-sync.ts`.
const flow = useVueFlow({ id: props.board, applyDefault: false });
const list = computed<readonly N[]>(() => Object.values(props.graph));
/** From so many nodes on there is a map of them. */
const MAPPED = 12;
const { isLarge, shown, missing, look } = useBoardWindow<N>(() => list.value);
/**
 * From so far away nothing but the names of nodes can be read: of a large board nothing else is drawn, and those are drawn large. Not while it is
 * zoomed, since all are drawn anew for it.
 */
const FAR = 0.45;
const rested = refDebounced(
  computed(() => flow.viewport.value.zoom),
  REST,
);
const isFar = computed(() => isLarge.value && rested.value < FAR);
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
const NONE: readonly BoardPlace[] = [];
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
        type: 'wire',
        class: props.isCut(node, port) ? 'cut' : '',
        data: { via: wire.via ?? NONE, words: `${port} of ${props.labelOf(node)}` },
      })),
  ),
);
/** Areas lie behind the wires, notes before them. */
const noteNode = (note: BoardNote) => ({
  id: note.id,
  type: 'note',
  position: { x: note.at[0], y: note.at[1] },
  data: markRaw(note),
  selected: props.selected.includes(note.id),
  selectable: true,
  connectable: false,
  dragHandle: '.grip',
  ariaLabel: note.kind === 'area' ? `Area ${note.text}` : `Note ${note.text}`,
  ...(note.kind === 'area' ? { zIndex: -1, style: { pointerEvents: 'none' as const } } : { zIndex: 1 }),
});
const nodes = computed<BoardNode[]>(() => {
  const selected = new Set(props.selected);
  return [
    ...Object.values(props.notes ?? {}).map(noteNode),
    ...shown.value.map((node) => ({
      id: node.id,
      type: 'card',
      position: { x: node.at[0], y: node.at[1] },
      data: markRaw(node),
      selected: selected.has(node.id),
      zIndex: selected.has(node.id) ? 2 : 1,
      selectable: true,
      ariaLabel: props.labelOf(node),
    })),
  ];
});
useBoardSync(
  flow,
  () => nodes.value,
  () => edges.value,
);
const { sizeOf, dragging, moved, changed } = useBoardMoves(
  flow,
  () => list.value,
  () => props.notes ?? {},
  (places) => emit('move', places),
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
/** The place on the board at a point of the page. */
const placeAt = (clientX: number, clientY: number): BoardPlace => {
  const { x, y } = flow.screenToFlowCoordinate({ x: clientX, y: clientY });
  return [x, y];
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
const heightOf = (id: string): number | undefined => {
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
defineExpose({ show, fit, middle, placeAt, reveal, heightOf, sizeOf });
</script>

<template>
  <div class="board" :class="{ far: isFar }" :data-board="board">
    <BoardGhosts
      v-if="isLarge"
      :nodes="missing"
      :graph="graph"
      :label-of="labelOf"
      :viewport="flow.viewport.value"
      :width="flow.dimensions.value.width"
      :height="flow.dimensions.value.height"
      :far="isFar"
    />
    <VueFlow
      :id="board"
      :connection-mode="ConnectionMode.Strict"
      :delete-key-code="null"
      :min-zoom="0.25"
      :max-zoom="1.6"
      :apply-default="false"
      :nodes-focusable="true"
      :edges-focusable="false"
      :elevate-nodes-on-select="false"
      elevate-edges-on-select
      @nodes-change="changed"
      @node-drag="dragging"
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
      <template #node-note="{ data, selected: isSelected }: { data: BoardNote; selected: boolean }">
        <BoardNoteCard
          :note="data"
          :selected="isSelected"
          :zoom="flow.viewport.value.zoom"
          @change="(change, gesture) => emit('note', data.id, change, gesture)"
          @done="emit('noted')"
        />
      </template>
      <template #edge-wire="wire">
        <BoardWire
          :id="wire.id"
          :from="[wire.sourceX, wire.sourceY]"
          :to="[wire.targetX, wire.targetY]"
          :via="wire.data.via"
          :words="wire.data.words"
          @bend="(via) => emit('bend', { node: wire.target, port: wire.targetHandleId! }, via)"
        />
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
/* The hand that moves the board is inherited by all that lies on it: thousands of elements would be styled anew at each move. */
.board :deep(.vue-flow__transformationpane) {
  cursor: default;
}
.board.far :deep(.node:not(.selected)) {
  border-radius: 0;
  box-shadow: none;
}
/* None of it changes its size: nothing has to be measured anew when a board is zoomed. */
.board.far :deep(.node > *) {
  visibility: hidden;
}
.board.far :deep(.node)::after {
  content: attr(aria-label);
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  padding: 4px;
  overflow: hidden;
  font-size: 26px;
  font-weight: 600;
  line-height: 1.1;
  text-align: center;
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
