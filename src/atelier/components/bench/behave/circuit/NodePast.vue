<script setup lang="ts">
/** What was at the outputs of a node over the take: lines of numbers, times of events; and why nothing has come of it. */
import { computed } from 'vue';
import { line as lineOf, scaleLinear } from 'd3';
import { Activity } from '@lucide/vue';
import type { OutputPort } from '../../../../../core/kinds/nodes/node-kind';
import { STEP } from '../../../../../core/units';
import { valueWords } from '../../../../circuit-words';
import IconButton from '../../../common/IconButton.vue';
import type { Past } from './use-node-history';

const props = defineProps<{
  /** What the node is called. */
  name: string;
  outputs: readonly OutputPort[];
  pastOf: (port: string) => Past | undefined;
  inScope: (port: string) => boolean;
  /** The moment on screen, in seconds. */
  time: number;
  /** Why nothing has come of it, in sentences. */
  why: string | null;
}>();
const emit = defineEmits<{ scope: [port: string]; seek: [time: number] }>();
const WIDTH = 220;
const HEIGHT = 30;
const rows = computed(() =>
  props.outputs.flatMap((port) => {
    const past = props.pastOf(port.name);
    if (!past) return [];
    const { line, range } = past;
    const [low, high] = range ?? [0, 0];
    const x = scaleLinear([0, line.length - 1], [0, WIDTH]);
    const y = scaleLinear(high - low < 1e-9 ? [low - 1, high + 1] : [low, high], [HEIGHT - 3, 3]);
    const every = Math.max(1, Math.floor(line.length / WIDTH));
    const isNumber = port.type === 'number';
    // Of what happens within a step the highest between two points is what is seen.
    const points = Array.from({ length: Math.ceil(line.length / every) }, (_, i): [number, number] => {
      const part = line.subarray(i * every, (i + 1) * every);
      return [i * every, isNumber ? part[0]! : part.reduce((a, b) => Math.max(a, b), -Infinity)];
    });
    const path =
      lineOf<[number, number]>()
        .defined(([, v]) => Number.isFinite(v))
        .x(([i]) => x(i))
        .y(([, v]) => y(v))(points) ?? '';
    return [{ port, past, path, at: x(Math.min(line.length - 1, props.time / STEP)), isNumber }];
  }),
);
const ends = ({ range }: Past, { type, unit }: OutputPort): string =>
  range === null ? 'no value' : `${valueWords(range[0], type, unit)} to ${valueWords(range[1], type, unit)}`;
</script>

<template>
  <section v-if="rows.length > 0 || why" class="past" :aria-label="`${name} over the take`">
    <p v-if="why" class="why" role="status">{{ why }}</p>
    <div v-for="{ port, past, path, at, isNumber } in rows" :key="port.name" class="row">
      <span class="name">{{ port.label ?? port.name }}</span>
      <svg
        :width="WIDTH"
        :height="HEIGHT"
        role="img"
        :aria-label="`${port.label ?? port.name} over the take`"
      >
        <path :d="path" class="line" />
        <line :x1="at" :x2="at" y1="0" :y2="HEIGHT" class="now" />
      </svg>
      <span v-if="isNumber" class="soft">{{ ends(past, port) }}</span>
      <span v-else class="soft">
        <template v-if="past.first.length === 0">{{
          port.type === 'event' ? 'did not pass' : 'never yes'
        }}</template>
        <button v-for="t in past.first" :key="t" type="button" @click="emit('seek', t)">
          {{ t.toFixed(2) }} s
        </button>
      </span>
      <IconButton
        :aria-pressed="inScope(port.name)"
        :aria-label="`${port.label ?? port.name} of ${name} in the scope`"
        title="Show it in the scope"
        @click="emit('scope', port.name)"
      >
        <Activity :size="13" />
      </IconButton>
    </div>
  </section>
</template>

<style scoped>
.past {
  display: grid;
  gap: 4px;
}
.row {
  display: flex;
  gap: 8px;
  align-items: center;
}
.name {
  min-width: 60px;
  font-size: 12px;
}
svg {
  flex: none;
  border: 1px solid var(--line2);
  border-radius: 4px;
  background: var(--field);
}
.line {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.4;
}
.now {
  stroke: var(--madder);
}
.soft {
  font-size: 12px;
}
.why {
  margin: 0;
  color: var(--ochre);
  font-size: 12.5px;
}
.row button:not([aria-pressed]) {
  padding: 0 6px 0 0;
  border: 0;
  background: none;
  color: var(--accent);
  font: 11.5px var(--mono);
  cursor: pointer;
}
</style>
