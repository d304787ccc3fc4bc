<script setup lang="ts">
/** The wires of a node as a list: the same as drawing them on the board, by keys. */
import { computed } from 'vue';
import type { Circuit, CircuitNode, NodeId } from '../../../../../core/document/schema';
import { CATALOGUE } from '../../../../../core/surface/catalogue';
import type { Port } from './use-circuit';
import SelectField from '../../../common/SelectField.vue';

const props = defineProps<{ node: CircuitNode; circuit: Circuit }>();
const emit = defineEmits<{ connect: [from: Port, to: Port]; unwire: [to: Port] }>();
const kind = computed(() => CATALOGUE[props.node.type]);
const inputs = computed(() => kind.value.inputs);
/** Nodes of the same kind are told apart by a number. */
const nameOf = (id: NodeId): string => {
  const { type } = props.circuit[id]!;
  const alike = Object.values(props.circuit).filter((n) => n.type === type);
  return alike.length === 1
    ? CATALOGUE[type].name
    : `${CATALOGUE[type].name} ${alike.findIndex((n) => n.id === id) + 1}`;
};
const sources = computed(() => [
  { value: '', label: 'No wire' },
  ...Object.values(props.circuit)
    .filter((n) => n.id !== props.node.id)
    .flatMap((n) =>
      CATALOGUE[n.type].outputs.map((o) => ({
        value: `${n.id} ${o.name}`,
        label: `${nameOf(n.id)}: ${o.name}`,
      })),
    ),
]);
const now = (port: string): string => {
  const wire = props.node.inputs[port];
  return wire && props.circuit[wire.node] ? `${wire.node} ${wire.port}` : '';
};
const choose = (port: string, to: string): void => {
  const target: Port = { node: props.node.id, port };
  if (to === '') return emit('unwire', target);
  const [node, output] = to.split(' ') as [NodeId, string];
  emit('connect', { node, port: output }, target);
};
</script>

<template>
  <section class="wires" :aria-label="`Wires of ${kind.name}`">
    <b>{{ kind.name }}</b> <span class="soft">{{ kind.note }}</span>
    <div v-if="inputs.length > 0" class="list">
      <label v-for="port in inputs" :key="port.name">
        <span class="soft">{{ port.label ?? port.name }} from</span>
        <SelectField
          :name="`${port.label ?? port.name} of ${kind.name} comes from`"
          :value="now(port.name)"
          :options="sources"
          show-search
          option-filter-prop="label"
          :dropdown-match-select-width="false"
          @change="(v: unknown) => choose(port.name, String(v))"
        />
      </label>
    </div>
  </section>
</template>

<style scoped>
.wires {
  padding: 8px 0 0;
}
.list {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 4px 14px;
  margin-top: 4px;
}
label {
  display: grid;
  grid-template-columns: 88px 1fr;
  gap: 6px;
  align-items: center;
  font-size: 12px;
}
</style>
