<script setup lang="ts">
/** What runs into a script or a compound, or comes out of it: names, types, units, and what is there now. */
import { Plus, X } from '@lucide/vue';
import type { PortSide } from '../../../../../core/edits/circuit-edits';
import { PORT_TYPES, type PortType } from '../../../../../core/kinds/nodes/ports';
import { newPort, type DeclaredPort } from '../../../../../core/kinds/nodes/declared-ports';
import { UNITS, type UnitName } from '../../../../../core/schema/properties';
import ChoiceField from '../../../common/ChoiceField.vue';
import IconButton from '../../../common/IconButton.vue';
import TextField from '../../../common/TextField.vue';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{
  side: PortSide;
  ports: readonly DeclaredPort[];
  /** What is at a port now. */
  valueAt: (name: string) => string;
}>();
const emit = defineEmits<{ declare: [index: number, port: DeclaredPort | null]; done: [] }>();

const TYPE_NAMES: Readonly<Record<PortType, string>> = {
  number: 'number',
  truth: 'yes or no',
  event: 'event',
  point: 'point',
  vector: 'vector',
  colour: 'colour',
  rotation: 'rotation',
  text: 'text',
  list: 'list',
};
const types = Object.entries(TYPE_NAMES).map(([value, label]) => ({ value, label }));
const units = (['plain', 'percent', 'centimetres', 'degrees', 'seconds'] as const).map((value) => ({
  value: value as string,
  label: value === 'plain' ? 'no unit' : UNITS[value].mark.trim(),
}));
const words = props.side === 'takes' ? 'Input' : 'Output';
/** Names are parts of code: what cannot stand there is left out. */
const named = (typed: string): string =>
  typed
    .replace(/[^A-Za-z0-9_]/g, '')
    .replace(/^[0-9]+/, '')
    .slice(0, 24);
const rename = (i: number, typed: string): void => {
  const name = named(typed);
  const isTaken = props.ports.some((port, j) => j !== i && port.name === name);
  if (name !== '' && !isTaken) emit('declare', i, { ...props.ports[i]!, name });
};
const hasUnit = ({ type }: DeclaredPort): boolean =>
  type === 'number' || type === 'vector' || type === 'point';
const add = (): void => {
  let n = props.ports.length + 1;
  const isTaken = (name: string): boolean => props.ports.some((port) => port.name === name);
  while (isTaken(`port${n}`)) n++;
  emit('declare', props.ports.length, newPort(`port${n}`));
  emit('done');
};
const MOST = 16;
</script>

<template>
  <section>
    <h3>{{ side === 'takes' ? 'Runs in' : 'Comes out' }}</h3>
    <div v-for="(port, i) in ports" :key="i" class="port" role="group" :aria-label="`${words} ${port.name}`">
      <span class="mark" aria-hidden="true">{{ PORT_TYPES[port.type].mark }}</span>
      <TextField
        class="name"
        :label="`Name of ${words.toLowerCase()} ${i + 1}`"
        :value="port.name"
        @change="(typed: string) => rename(i, typed)"
        @done="emit('done')"
      />
      <ChoiceField
        :label="`Type of ${port.name}`"
        :value="port.type"
        :options="types"
        @change="(type) => emit('declare', i, { ...port, type: type as PortType, usual: null })"
      />
      <ChoiceField
        v-if="hasUnit(port)"
        :label="`Unit of ${port.name}`"
        :value="port.unit"
        :options="units"
        @change="(unit) => emit('declare', i, { ...port, unit: unit as UnitName })"
      />
      <output class="now">{{ valueAt(port.name) }}</output>
      <IconButton
        :aria-label="`Take ${port.name} away`"
        title="Take it away"
        @click="emit('declare', i, null)"
      >
        <X :size="13" />
      </IconButton>
    </div>
    <WordButton v-if="ports.length < MOST" @click="add"><Plus :size="12" /> {{ words }}</WordButton>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 4px;
  justify-items: start;
}
.port {
  display: flex;
  gap: 4px;
  align-items: center;
  width: 100%;
}
.mark {
  flex: none;
  width: 16px;
  border: 1px solid var(--line);
  border-radius: 4px;
  font: 11px/14px var(--mono);
  text-align: center;
}
.name {
  flex: 1;
  min-width: 60px;
}
.port :deep(.ant-select) {
  flex: none;
  width: 96px;
  min-width: 0;
}
.port :deep(.ant-select ~ .ant-select) {
  width: 62px;
}
.now {
  flex: none;
  width: 62px;
  overflow: hidden;
  color: var(--accent);
  font: 11.5px var(--mono);
  text-align: right;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
