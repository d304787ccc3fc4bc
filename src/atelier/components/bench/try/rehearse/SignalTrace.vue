<script setup lang="ts">
/** How a signal went over the take. */
import { computed } from 'vue';
import { line as pathOf, scaleLinear } from 'd3';
import { rangeOf } from '../../../../../core/behave/chronicle';

const props = defineProps<{ words: string; line: Float32Array; rate: number }>();
const [WIDTH, HEIGHT] = [320, 34];
/** A point every so many values: more are not seen. */
const EVERY = 4;
const path = computed(() => {
  const range = rangeOf(props.line);
  if (!range) return null;
  const [low, high] = range[0] === range[1] ? [range[0] - 0.5, range[1] + 0.5] : range;
  const x = scaleLinear([0, props.line.length - 1], [1, WIDTH - 1]);
  const y = scaleLinear([low, high], [HEIGHT - 3, 3]);
  const points = Array.from({ length: Math.ceil(props.line.length / EVERY) }, (_, i): [number, number] => [
    i * EVERY,
    props.line[i * EVERY]!,
  ]);
  return pathOf<[number, number]>()
    .defined(([, v]) => !Number.isNaN(v))
    .x(([i]) => x(i))
    .y(([, v]) => y(v))(points);
});
</script>

<template>
  <figure>
    <svg v-if="path" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" preserveAspectRatio="none" aria-hidden="true">
      <path :d="path" />
    </svg>
    <figcaption class="soft">{{ words }}{{ path ? '' : ': no value on this take' }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  display: block;
  width: 100%;
  height: 34px;
  border-bottom: 1px solid var(--line);
}
path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
figcaption {
  font-size: 11px;
}
</style>
