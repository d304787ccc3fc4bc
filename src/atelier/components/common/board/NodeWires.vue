<script setup lang="ts" generic="N extends GraphNode">
/** The wires of a node as a list: the same as drawing them on the board, by keys. */
import { computed } from 'vue';
import { Minus, Spline } from '@lucide/vue';
import type { BoardPlace, Graph, GraphNode } from '../../../../core/graph/graph';
import IconButton from '../IconButton.vue';
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
const emit = defineEmits<{
  connect: [from: Port, to: Port];
  unwire: [to: Port];
  bend: [to: Port, via: readonly BoardPlace[]];
}>();
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
/** A bend half-way, to be moved from there; a wire that has some runs straight again. */
const bend = (port: string): void => {
  const wire = props.node.inputs[port];
  const source = wire && (props.graph[wire.node as Id] as N | undefined);
  if (!source) return;
  const middle = [
    (source.at[0] + props.node.at[0] + WIDTH) / 2,
    (source.at[1] + props.node.at[1]) / 2 + 48,
  ] as const;
  emit('bend', { node: props.node.id, port }, wire.via ? [] : [middle]);
};
/** Of a node on the board, nearly. */
const WIDTH = 190;
</script>

<template>
  <section class="wires" :aria-label="`Wires of ${kind.name}`">
    <b>{{ kind.name }}</b> <span class="soft">{{ kind.note }}</span>
    <slot name="help" />
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
        <IconButton
          v-if="now(port.name) !== ''"
          :title="node.inputs[port.name]!.via ? 'Straighten the wire' : 'Bend the wire'"
          :aria-label="`${node.inputs[port.name]!.via ? 'Straighten' : 'Bend'} the wire into ${port.label ?? port.name}`"
          @click.prevent="bend(port.name)"
        >
          <Minus v-if="node.inputs[port.name]!.via" :size="14" /><Spline v-else :size="14" />
        </IconButton>
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
  grid-template-columns: 96px 1fr 28px;
  gap: 6px;
  align-items: center;
  font-size: 12px;
}
</style>
