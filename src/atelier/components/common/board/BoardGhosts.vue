<script setup lang="ts" generic="N extends GraphNode">
/** Nodes of a large board that are not made yet: their places, names and wires, drawn in one picture, so that a board can be moved over them. */
import { ref, watchPostEffect } from 'vue';
import type { Graph, GraphNode } from '../../../../core/graph/graph';
import { useDeskStore } from '../../../stores/desk';

const props = defineProps<{
  nodes: readonly N[];
  graph: Graph<N>;
  labelOf: (node: N) => string;
  viewport: { readonly x: number; readonly y: number; readonly zoom: number };
  width: number;
  height: number;
  /** Only names can be read, and they are drawn large. */
  far: boolean;
}>();
/** About as a node is drawn, in the board's space. */
const [WIDTH, HEIGHT, HEAD] = [196, 120, 24];
const desk = useDeskStore();
const canvas = ref<HTMLCanvasElement | null>(null);
watchPostEffect(() => {
  // In its colours: drawn anew for the other theme.
  void desk.dark;
  const context = canvas.value?.getContext('2d');
  if (!context) return;
  const { viewport, width, height, far } = props;
  const { x, y, zoom } = viewport;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, width, height);
  if (props.nodes.length === 0) return;
  const style = getComputedStyle(canvas.value!);
  const colour = (name: string): string => style.getPropertyValue(name);
  context.setTransform(zoom, 0, 0, zoom, x, y);
  context.strokeStyle = colour('--ink');
  context.lineWidth = 1.4;
  context.beginPath();
  for (const { at, inputs } of props.nodes)
    for (const { node } of Object.values(inputs)) {
      const from = props.graph[node as N['id']];
      if (!from) continue;
      context.moveTo(from.at[0] + WIDTH, from.at[1] + HEAD);
      context.lineTo(at[0], at[1] + HEIGHT / 2);
    }
  context.stroke();
  context.lineWidth = 1;
  context.strokeStyle = colour('--line');
  context.textBaseline = 'middle';
  context.textAlign = far ? 'center' : 'left';
  context.font = `600 ${far ? 26 : 12}px ${style.fontFamily}`;
  for (const node of props.nodes) {
    const [left, top] = node.at;
    context.fillStyle = colour('--sheet');
    context.fillRect(left, top, WIDTH, HEIGHT);
    context.strokeRect(left, top, WIDTH, HEIGHT);
    context.fillStyle = colour('--ink');
    context.fillText(
      props.labelOf(node),
      far ? left + WIDTH / 2 : left + 10,
      far ? top + HEIGHT / 2 : top + HEAD / 2 + 2,
      WIDTH - 20,
    );
  }
});
</script>

<template>
  <canvas ref="canvas" class="ghosts" aria-hidden="true" :width="width" :height="height" />
</template>

<style scoped>
.ghosts {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
</style>
