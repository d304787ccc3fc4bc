<script setup lang="ts" generic="N extends GraphNode">
/** The wires of a node as a list: the same as drawing them on the board, by keys. */
import { computed } from 'vue';
import type { Graph, GraphNode } from '../../../../core/graph/graph';
import SelectField from '../SelectField.vue';
import type { BoardPort } from './board-port';

type Id = N['id'];
interface Port {
  readonly node: Id;
  readonly port: string;
}
/** What is said of a node of its kind. */
interface Words {
  readonly name: string;
  readonly note: string;
  readonly inputs: readonly BoardPort[];
  readonly outputs: readonly BoardPort[];
}
const props = defineProps<{ node: N; graph: Graph<N>; kindOf: (node: N) => Words }>();
const emit = defineEmits<{ connect: [from: Port, to: Port]; unwire: [to: Port] }>();
const kind = computed(() => props.kindOf(props.node));
const list = computed<readonly N[]>(() => Object.values(props.graph));
/** Nodes of the same name are told apart by a number. */
const nameOf = (node: N): string => {
  const { name } = props.kindOf(node);
  const alike = list.value.filter((n) => props.kindOf(n).name === name);
  return alike.length === 1 ? name : `${name} ${alike.findIndex((n) => n.id === node.id) + 1}`;
};
const sources = computed(() => [
  { value: '', label: 'No wire' },
  ...list.value
    .filter((n) => n.id !== props.node.id)
    .flatMap((n) =>
      props.kindOf(n).outputs.map((o) => ({
        value: `${n.id} ${o.name}`,
        label: `${nameOf(n)}: ${o.label ?? o.name}`,
      })),
    ),
]);
const now = (port: string): string => {
  const wire = props.node.inputs[port];
  return wire && props.graph[wire.node as Id] ? `${wire.node} ${wire.port}` : '';
};
const choose = (port: string, to: string): void => {
  const target: Port = { node: props.node.id, port };
  if (to === '') return emit('unwire', target);
  const [node, output] = to.split(' ');
  emit('connect', { node: node!, port: output! }, target);
};
</script>

<template>
  <section class="wires" :aria-label="`Wires of ${kind.name}`">
    <b>{{ kind.name }}</b> <span class="soft">{{ kind.note }}</span>
    <div v-if="kind.inputs.length > 0" class="list">
      <label v-for="port in kind.inputs" :key="port.name">
        <span><span class="faint">into</span> {{ port.label ?? port.name }}</span>
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
  grid-template-columns: 96px 1fr;
  gap: 6px;
  align-items: center;
  font-size: 12px;
}
</style>
