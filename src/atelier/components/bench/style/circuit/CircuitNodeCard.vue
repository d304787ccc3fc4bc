<script setup lang="ts">
/** A node on the board: what runs in and out, the values of what no wire reaches, and what is wrong with it. */
import { computed } from 'vue';
import { Handle, Position } from '@vue-flow/core';
import { EXPRESSION_NAMES } from '../../../../../core/tracking/expression-names';
import type { CircuitNode, Material, NodeValue, PictureSource } from '../../../../../core/document/schema';
import { CATALOGUE } from '../../../../../core/surface/catalogue';
import { settingOf, type InputPort, type Setting } from '../../../../../core/surface/node-kind';
import { ONE_VALUE } from '../../../../../core/surface/maths-ops';
import type { CircuitProblem } from '../../../../../core/surface/plan';
import { numbersOf } from '../../../../../core/surface/ports';
import { problemWords } from '../../../../material-words';
import NumberField from '../../../common/NumberField.vue';
import PictureChoice from '../material/PictureChoice.vue';
import SelectField from '../../../common/SelectField.vue';

const props = defineProps<{
  node: CircuitNode;
  material: Material;
  problems: readonly CircuitProblem[];
  selected: boolean;
}>();
const emit = defineEmits<{
  value: [name: string, value: NodeValue, gesture: string | null];
  picture: [picture: PictureSource | null, gesture: string | null];
  done: [];
  unwire: [port: string];
}>();
const kind = computed(() => CATALOGUE[props.node.type]);
const settings = computed(() => kind.value.settings);
const settingNow = (setting: Setting): string => settingOf(setting, props.node.values[setting.name]);
/** A sum of one value has no second. */
const inputs = computed(() =>
  kind.value.inputs.filter(
    (port) =>
      !(props.node.type === 'maths' && port.name === 'b' && ONE_VALUE.has(settingNow(settings.value[0]!))),
  ),
);
const labelOf = (port: InputPort): string => port.label ?? port.name;
const wired = (port: InputPort): boolean => props.node.inputs[port.name] !== undefined;
const valueOf = (port: InputPort): readonly number[] =>
  numbersOf(props.node.values[port.name], port.type) ?? numbersOf(port.usual, port.type) ?? [0];
const colourOf = (port: InputPort): string => {
  const value = props.node.values[port.name] ?? port.usual;
  return typeof value === 'string' ? value : '#808080';
};
const setPart = (port: InputPort, i: number, value: number): void => {
  const next = [...valueOf(port)];
  next[i] = value;
  emit('value', port.name, next.length === 1 ? next[0]! : (next as [number, number]), `${port.name}${i}`);
};
const options = (setting: Setting) =>
  setting.kind === 'signal'
    ? ['opacity', ...EXPRESSION_NAMES].map((name) => ({ value: name, label: name }))
    : setting.kind === 'choice'
      ? Object.entries(setting.choices).map(([value, label]) => ({ value, label }))
      : [];
const troubled = computed(() => props.problems.filter((p) => 'node' in p && p.node === props.node.id));
const serious = computed(() => troubled.value.some((p) => p.code !== 'idle' && p.code !== 'unwired'));
/** Finer steps for what is usually small. */
const step = (port: InputPort): number => (Math.abs(valueOf(port)[0] ?? 0) > 5 ? 0.5 : 0.01);
</script>

<template>
  <article
    class="node"
    :class="{ selected, serious, troubled: troubled.length > 0, last: node.type === 'surface' }"
    :aria-label="kind.name"
  >
    <header :title="kind.note">{{ kind.name }}</header>
    <div v-for="output in kind.outputs" :key="output.name" class="port out">
      <span>{{ output.name }}</span>
      <span class="square" aria-hidden="true">{{ output.type }}</span>
      <Handle :id="output.name" type="source" :position="Position.Right" />
    </div>
    <div v-for="setting in settings" :key="setting.name" class="setting nodrag">
      <SelectField
        v-if="setting.kind !== 'text'"
        :name="`${kind.name}, ${setting.name}`"
        :value="settingNow(setting)"
        :options="options(setting)"
        :show-search="setting.kind === 'signal'"
        :dropdown-match-select-width="false"
        @change="(v: unknown) => emit('value', setting.name, String(v), null)"
      />
      <a-input
        v-else
        v-name="`${kind.name}, ${setting.name}`"
        :value="settingNow(setting)"
        size="small"
        :maxlength="60"
        @update:value="(v: string) => emit('value', setting.name, v, setting.name)"
        @blur="emit('done')"
      />
    </div>
    <div v-if="node.type === 'picture'" class="setting nodrag">
      <PictureChoice
        label="Picture"
        :value="node.picture"
        :removable="false"
        @change="(v, gesture) => emit('picture', v, gesture ?? null)"
        @done="emit('done')"
      />
    </div>
    <div v-for="port in inputs" :key="port.name" class="port in">
      <Handle :id="port.name" type="target" :position="Position.Left" />
      <span class="square" aria-hidden="true">{{ port.type }}</span>
      <span class="label">{{ labelOf(port) }}</span>
      <button
        v-if="wired(port)"
        class="off nodrag"
        type="button"
        :aria-label="`Take the wire off ${labelOf(port)} of ${kind.name}`"
        @click="emit('unwire', port.name)"
      >
        wire
      </button>
      <template v-else-if="!port.open">
        <input
          v-if="port.type === 'c'"
          class="nodrag"
          type="color"
          :value="colourOf(port)"
          :aria-label="`${kind.name}, ${labelOf(port)}`"
          @input="(e) => emit('value', port.name, (e.target as HTMLInputElement).value, port.name)"
          @change="emit('done')"
        />
        <span v-else class="numbers nodrag">
          <NumberField
            v-for="(number, i) in valueOf(port)"
            :key="i"
            :value="number"
            :label="`${kind.name}, ${labelOf(port)}${valueOf(port).length > 1 ? ` ${'xyz'[i]}` : ''}`"
            :step="step(port)"
            :digits="3"
            :min="-1e6"
            :max="1e6"
            @change="(v) => setPart(port, i, v)"
            @done="emit('done')"
          />
        </span>
      </template>
    </div>
    <p v-for="(problem, i) in troubled" :key="i" :class="serious ? 'bad' : 'warn'">
      {{ problemWords(material, problem) }}
    </p>
  </article>
</template>

<style scoped>
.node {
  width: 162px;
  padding-bottom: 6px;
  border: 1px solid var(--line);
  border-radius: 4px 4px 12px 4px;
  background: var(--sheet);
  box-shadow: 0 1px 2px rgb(0 0 0 / 6%);
  font-size: 12px;
}
.node.last {
  border-radius: 4px;
  border-width: 1px 1px 3px;
}
.node.troubled {
  border-color: var(--ochre);
}
.node.serious {
  border-color: var(--madder);
}
.node.selected {
  border-color: var(--accent);
  box-shadow: 0 0 0 1px var(--accent);
}
header {
  padding: 6px 10px 4px;
  font-weight: 600;
  cursor: grab;
}
.port {
  position: relative;
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 26px;
  padding: 0 10px;
  color: var(--soft);
}
.port.out {
  justify-content: flex-end;
}
.label {
  white-space: nowrap;
}
.port.in > :nth-child(4) {
  margin-left: auto;
}
.square {
  flex: none;
  display: grid;
  place-items: center;
  width: 15px;
  height: 15px;
  border: 1px solid var(--ink);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font:
    600 9.5px 'JetBrains Mono Variable',
    monospace;
}
.setting {
  padding: 2px 10px;
}
.setting :deep(.ant-select) {
  width: 100%;
}
/* On a board that is zoomed, a fading border is painted late. */
.setting :deep(.ant-select-selector) {
  transition: none;
}
.setting :deep(.picture) {
  grid-template-columns: 24px 1fr;
}
.setting :deep(.picture .name) {
  display: none;
}
.setting :deep(.camera) {
  margin-left: 0;
}
.numbers {
  display: flex;
  gap: 3px;
  max-width: 84px;
}
.numbers :deep(input) {
  min-width: 0;
}
input[type='color'] {
  width: 34px;
  height: 20px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 3px;
}
.off {
  border: 0;
  background: none;
  color: var(--faint);
  font: inherit;
  font-size: 11px;
  cursor: pointer;
}
.off:hover,
.off:focus-visible {
  color: var(--madder);
  text-decoration: line-through;
}
p {
  margin: 4px 10px 0;
  font-size: 11px;
  line-height: 1.35;
}
/* The handle covers the little square, so that wires begin and end in it. */
.node :deep(.vue-flow__handle) {
  width: 22px;
  height: 22px;
  min-width: 0;
  min-height: 0;
  border: 0;
  background: transparent;
}
.node :deep(.vue-flow__handle-left) {
  left: 17px;
}
.node :deep(.vue-flow__handle-right) {
  right: 17px;
}
</style>
