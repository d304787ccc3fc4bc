<script setup lang="ts">
/** What goes into a node and what comes out of it, over the seconds of an example, with a hand that runs over it. */
import { computed, onBeforeUnmount, ref, watchEffect } from 'vue';
import { line, scaleLinear } from 'd3';
import type { InputPort, OutputPort } from '../../../../../core/kinds/nodes/node-kind';
import {
  EXAMPLE_SECONDS,
  type ExampleTrace,
  type LivingExample,
} from '../../../../../core/kinds/nodes/living-example';
import { PORT_TYPES, type PortValue } from '../../../../../core/kinds/nodes/ports';
import { hexOfLight } from '../../../../../core/maths/srgb';
import { valueWords } from '../../../../circuit-words';
import { reducedMotion } from '../../../../styles/reduced-motion';

const props = defineProps<{ example: LivingExample }>();
const WIDTH = 168;
const HEIGHT = 26;
/** A stripe of a colour is so many pixels wide. */
const STRIPE = 4;

/** Seconds of the example; still where little motion is asked for. */
const time = ref(EXAMPLE_SECONDS / 2);
let frame = 0;
watchEffect(() => {
  cancelAnimationFrame(frame);
  if (reducedMotion.value) return;
  const began = performance.now();
  const run = (now: number): void => {
    time.value = ((now - began) / 1000) % EXAMPLE_SECONDS;
    frame = requestAnimationFrame(run);
  };
  frame = requestAnimationFrame(run);
});
onBeforeUnmount(() => cancelAnimationFrame(frame));

/** Numbers of a value, one line each; none where it is drawn otherwise. */
const numbersOf = (value: PortValue, { type }: InputPort | OutputPort): readonly number[] => {
  const { width } = PORT_TYPES[type];
  if (width === 1) return [value as number];
  return type === 'colour' || typeof value === 'string' ? [] : (value as readonly number[]);
};
const hex = (value: PortValue): string => hexOfLight(value as never);
const drawn = ({ port, values }: ExampleTrace<InputPort | OutputPort>) => {
  const x = scaleLinear([0, values.length - 1], [0, WIDTH]);
  const rows = values.map((value) => numbersOf(value, port));
  const all = rows.flat().filter(Number.isFinite);
  const isYes = port.type === 'truth' || port.type === 'event';
  const [low, high] = isYes ? [0, 1] : [Math.min(...all), Math.max(...all)];
  const y = scaleLinear(high - low < 1e-9 ? [low - 1, high + 1] : [low, high], [HEIGHT - 3, 3]);
  const lines = Array.from({ length: Math.min(3, Math.max(0, ...rows.map((row) => row.length))) }, (_, k) =>
    line<readonly number[]>()
      .defined((row) => Number.isFinite(row[k]))
      .x((_row, i) => x(i))
      .y((row) => y(row[k]!))(rows),
  );
  const stripes =
    port.type === 'colour'
      ? Array.from({ length: WIDTH / STRIPE }, (_, i) => ({
          x: i * STRIPE,
          fill: hex(values[Math.round(x.invert(i * STRIPE))]!),
        }))
      : [];
  return { port, values, lines, stripes };
};
const groups = computed(() => [
  { words: 'Goes in', rows: props.example.inputs.map(drawn) },
  { words: 'Comes out', rows: props.example.outputs.map(drawn) },
]);
const now = (values: readonly PortValue[]): PortValue =>
  values[Math.min(values.length - 1, Math.floor((time.value / EXAMPLE_SECONDS) * values.length))]!;
const hand = computed(() => (time.value / EXAMPLE_SECONDS) * WIDTH);
</script>

<template>
  <figure aria-label="An example that runs">
    <template v-for="{ words, rows } in groups" :key="words">
      <figcaption v-if="rows.length > 0">{{ words }}</figcaption>
      <div v-for="{ port, values, lines, stripes } in rows" :key="port.name" class="row">
        <span class="name cut">{{ port.label ?? port.name }}</span>
        <svg :width="WIDTH" :height="HEIGHT" aria-hidden="true">
          <rect
            v-for="s in stripes"
            :key="s.x"
            :x="s.x"
            y="0"
            :width="STRIPE"
            :height="HEIGHT"
            :fill="s.fill"
          />
          <path v-for="(path, k) in lines" :key="k" :d="path ?? ''" :class="`line l${k}`" />
          <line :x1="hand" :x2="hand" y1="0" :y2="HEIGHT" class="hand" />
        </svg>
        <span class="value">{{ valueWords(now(values), port.type, port.unit, (id) => id) }}</span>
      </div>
    </template>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  padding-top: 4px;
  border-top: 1px solid var(--line);
}
figcaption {
  margin: 4px 0 2px;
  color: var(--soft);
  font-size: 11.5px;
}
.row {
  display: grid;
  grid-template-columns: 68px 168px 1fr;
  gap: 8px;
  align-items: center;
}
.name {
  font-size: 12px;
}
svg {
  border: 1px solid var(--line2);
  border-radius: 4px;
  background: var(--field);
  margin: 1px 0;
}
.line {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.4;
}
.l1 {
  stroke: var(--ochre);
}
.l2 {
  stroke: var(--madder);
}
.hand {
  stroke: var(--ink);
  stroke-opacity: 0.5;
}
.value {
  overflow: hidden;
  font: 11px var(--mono);
  white-space: nowrap;
}
</style>
