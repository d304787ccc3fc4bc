<script setup lang="ts">
/** A node on the board: what runs in and out, the values of what no wire reaches, and what is wrong with it. */
import { computed } from 'vue';
import { EXPRESSION_NAMES } from '../../../../../core/tracking/expression-names';
import type {
  SurfaceNode,
  Material,
  SurfaceNodeValue,
  PictureSource,
} from '../../../../../core/document/schema';
import { SURFACE_NODES } from '../../../../../core/surface/catalogue';
import { settingOf, type InputPort, type Setting } from '../../../../../core/surface/node-kind';
import { ONE_VALUE } from '../../../../../core/surface/maths-ops';
import type { CircuitProblem } from '../../../../../core/surface/plan';
import { numbersOf } from '../../../../../core/surface/ports';
import { problemWords } from '../../../../material-words';
import NodeFrame from '../../../common/board/NodeFrame.vue';
import NumberField from '../../../common/NumberField.vue';
import PictureChoice from '../material/PictureChoice.vue';
import SelectField from '../../../common/SelectField.vue';

const props = defineProps<{
  node: SurfaceNode;
  material: Material;
  problems: readonly CircuitProblem[];
  selected: boolean;
}>();
const emit = defineEmits<{
  value: [name: string, value: SurfaceNodeValue, gesture: string | null];
  picture: [picture: PictureSource | null, gesture: string | null];
  done: [];
  unwire: [port: string];
}>();
const kind = computed(() => SURFACE_NODES[props.node.type]);
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
const troubles = computed(() => troubled.value.map((problem) => problemWords(props.material, problem)));
const serious = computed(() => troubled.value.some((p) => p.code !== 'idle' && p.code !== 'unwired'));
/** Finer steps for what is usually small. */
const step = (port: InputPort): number => (Math.abs(valueOf(port)[0] ?? 0) > 5 ? 0.5 : 0.01);
</script>

<template>
  <NodeFrame
    :name="kind.name"
    :note="kind.note"
    :inputs="inputs"
    :outputs="kind.outputs"
    :mark-of="(port) => port.type"
    :is-wired="(port) => node.inputs[port.name] !== undefined"
    :troubles="troubles"
    :serious="serious"
    :selected="selected"
    :last="node.type === 'surface'"
    @unwire="(port) => emit('unwire', port)"
  >
    <template #settings>
      <div v-for="setting in settings" :key="setting.name">
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
      <div v-if="node.type === 'picture'" class="source">
        <PictureChoice
          label="Picture"
          :value="node.picture"
          :removable="false"
          @change="(v, gesture) => emit('picture', v, gesture ?? null)"
          @done="emit('done')"
        />
      </div>
    </template>
    <template #value="{ port }">
      <template v-if="!port.open">
        <input
          v-if="port.type === 'c'"
          type="color"
          :value="colourOf(port)"
          :aria-label="`${kind.name}, ${labelOf(port)}`"
          @input="(e) => emit('value', port.name, (e.target as HTMLInputElement).value, port.name)"
          @change="emit('done')"
        />
        <span v-else class="numbers">
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
    </template>
  </NodeFrame>
</template>

<style scoped>
.source :deep(.picture) {
  grid-template-columns: 24px 1fr;
}
.source :deep(.picture .name) {
  display: none;
}
.source :deep(.camera) {
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
</style>
