<script setup lang="ts">
/** The board of a surface circuit. */
import { ref } from 'vue';
import type {
  SurfaceCircuit,
  SurfaceNode,
  Material,
  NodeId,
  SurfaceNodeValue,
  PictureSource,
} from '../../../../../core/document/schema';
import type { BoardPlace } from '../../../../../core/graph/graph';
import { SURFACE_NODES } from '../../../../../core/surface/catalogue';
import type { CircuitProblem } from '../../../../../core/surface/plan';
import NodeBoard from '../../../common/board/NodeBoard.vue';
import CircuitNodeCard from './CircuitNodeCard.vue';
import type { Port } from './use-circuit';

const props = defineProps<{
  circuit: SurfaceCircuit;
  material: Material;
  problems: readonly CircuitProblem[];
  selected: readonly NodeId[];
}>();
const emit = defineEmits<{
  select: [ids: readonly string[]];
  connect: [from: Port, to: Port];
  unwire: [to: Port];
  bend: [to: Port, via: readonly BoardPlace[]];
  move: [places: ReadonlyMap<string, BoardPlace>];
  value: [node: NodeId, name: string, value: SurfaceNodeValue, gesture: string | null];
  picture: [node: NodeId, picture: PictureSource | null, gesture: string | null];
  done: [];
}>();
const board = ref<{
  fit(): void;
  middle(): readonly [number, number];
  reveal(at: readonly [number, number]): void;
  sizeOf(id: string): BoardPlace;
} | null>(null);
const isCut = (node: SurfaceNode, port: string): boolean =>
  props.problems.some((p) => p.code === 'loop' && p.node === node.id && p.port === port);
defineExpose({
  fit: () => board.value?.fit(),
  middle: () => board.value?.middle() ?? ([0, 0] as const),
  reveal: (at: readonly [number, number]) => board.value?.reveal(at),
  sizeOf: (id: string) => board.value?.sizeOf(id) ?? ([0, 0] as const),
});
</script>

<template>
  <NodeBoard
    ref="board"
    board="surface-circuit"
    :graph="circuit"
    :selected="selected"
    :label-of="(node: SurfaceNode) => SURFACE_NODES[node.type].name"
    :is-cut="isCut"
    @select="(ids) => emit('select', ids)"
    @connect="(from, to) => emit('connect', from, to)"
    @unwire="(to) => emit('unwire', to)"
    @bend="(to, via) => emit('bend', to, via)"
    @move="(places) => emit('move', places)"
  >
    <template #node="{ node, selected: isSelected }">
      <CircuitNodeCard
        :node="node"
        :material="material"
        :problems="problems"
        :selected="isSelected"
        @value="(name, value, gesture) => emit('value', node.id, name, value, gesture)"
        @picture="(picture, gesture) => emit('picture', node.id, picture, gesture)"
        @done="emit('done')"
        @unwire="(port) => emit('unwire', { node: node.id, port })"
      />
    </template>
  </NodeBoard>
</template>
