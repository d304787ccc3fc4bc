<script setup lang="ts">
/** What runs into a script or a compound, or comes out of it: names, types, units, and what is there now. */
import { computed, ref } from 'vue';
import { Plus, X } from '@lucide/vue';
import { clamp } from '../../../../../core/maths/scalar';
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
  object: 'object',
  picture: 'picture',
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
/** One step of undo. */
const declare = (i: number, port: DeclaredPort | null): void => {
  emit('declare', i, port);
  emit('done');
};
const ANY = { low: null, high: null } as const;
const add = (): void => {
  let n = props.ports.length + 1;
  const isTaken = (name: string): boolean => props.ports.some((port) => port.name === name);
  while (isTaken(`port${n}`)) n++;
  declare(props.ports.length, newPort(`port${n}`));
};
const MOST = 16;
/** Between which numbers are kept is shown. */
const ranges = ref(false);
const numbers = computed(() =>
  props.ports.flatMap((port, i) => (port.type === 'number' ? [{ port, i }] : [])),
);
const endOf = (port: DeclaredPort, end: 'low' | 'high'): string => {
  const value = port[end];
  return value === null ? '' : String(Number((value * UNITS[port.unit].factor).toPrecision(12)));
};
/** Nothing typed is any; what is no number changes nothing. */
const setEnd = (i: number, end: 'low' | 'high', typed: string): void => {
  const port = props.ports[i]!;
  const number = Number(typed.replace(',', '.')) / UNITS[port.unit].factor;
  if (typed.trim() === '') emit('declare', i, { ...port, [end]: null });
  else if (Number.isFinite(number)) emit('declare', i, { ...port, [end]: clamp(number, -1e6, 1e6) });
};
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
        @change="(type) => declare(i, { ...port, type: type as PortType, usual: null, ...ANY })"
      />
      <ChoiceField
        v-if="hasUnit(port)"
        :label="`Unit of ${port.name}`"
        :value="port.unit"
        :options="units"
        @change="(unit) => declare(i, { ...port, unit: unit as UnitName })"
      />
      <output class="now">{{ valueAt(port.name) }}</output>
      <IconButton :aria-label="`Take ${port.name} away`" title="Take it away" @click="declare(i, null)">
        <X :size="13" />
      </IconButton>
    </div>
    <div v-if="ranges" class="ranges">
      <div
        v-for="{ port, i } in numbers"
        :key="i"
        class="port"
        role="group"
        :aria-label="`Range of ${port.name}`"
      >
        <span class="name">{{ port.name }}</span>
        <span class="soft">from</span>
        <TextField
          class="end"
          :label="`Least of ${port.name}`"
          placeholder="any"
          :value="endOf(port, 'low')"
          @change="(typed: string) => setEnd(i, 'low', typed)"
          @done="emit('done')"
        />
        <span class="soft">to</span>
        <TextField
          class="end"
          :label="`Most of ${port.name}`"
          placeholder="any"
          :value="endOf(port, 'high')"
          @change="(typed: string) => setEnd(i, 'high', typed)"
          @done="emit('done')"
        />
        <span class="soft">{{ UNITS[port.unit].mark }}</span>
      </div>
    </div>
    <span class="more">
      <WordButton v-if="ports.length < MOST" @click="add"><Plus :size="12" /> {{ words }}</WordButton>
      <WordButton v-if="numbers.length > 0" :aria-expanded="ranges" @click="ranges = !ranges"
        >Ranges</WordButton
      >
    </span>
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
.ranges {
  display: grid;
  gap: 4px;
  width: 100%;
}
.end {
  width: 64px;
}
.more {
  display: flex;
  gap: 12px;
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
