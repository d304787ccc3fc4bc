<script setup lang="ts">
/** The help of a node: what it does, its ports, and a small example that runs. */
import { computed, ref, watch } from 'vue';
import { CircleQuestionMark } from '@lucide/vue';
import type { InputPort, OutputPort } from '../../../../../core/kinds/nodes/node-kind';
import { livingExample } from '../../../../../core/kinds/nodes/living-example';
import { portsOf, type BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { PORT_TYPES } from '../../../../../core/kinds/nodes/ports';
import { NODE_WORDS } from '../../../../../core/kinds/nodes/words/node-words';
import { UNITS } from '../../../../../core/schema/properties';
import IconButton from '../../../common/IconButton.vue';
import ExampleTraces from './ExampleTraces.vue';

const props = defineProps<{ node: BehaviourNode; note: string }>();
const open = ref(false);
watch(
  () => props.node.id,
  () => (open.value = false),
);
const words = computed(() => NODE_WORDS[props.node.kind]);
const example = computed(() => (open.value ? livingExample(props.node.kind) : null));
const ports = computed(() => {
  const said = (side: string, port: InputPort | OutputPort) => ({
    side,
    name: port.label ?? port.name,
    is: `${PORT_TYPES[port.type].words}${port.unit && port.unit !== 'plain' ? `, in ${UNITS[port.unit].words}` : ''}${
      'needed' in port && port.needed ? '; needs a wire' : ''
    }`,
  });
  const { inputs, outputs } = portsOf(props.node);
  return [...inputs.map((port) => said('into', port)), ...outputs.map((port) => said('out of', port))];
});
</script>

<template>
  <a-popover v-model:open="open" trigger="click" placement="topLeft" overlay-class-name="node-help">
    <template #content>
      <div class="help" role="dialog" :aria-label="`Help: ${words.name}`">
        <p><b>{{ words.name }}</b></p>
        <p>{{ note }}</p>
        <p v-if="words.also" class="soft">Also sought as: {{ words.also }}.</p>
        <dl v-if="ports.length > 0">
          <template v-for="port in ports" :key="`${port.side} ${port.name}`">
            <dt><span class="faint">{{ port.side }}</span> {{ port.name }}</dt>
            <dd>{{ port.is }}</dd>
          </template>
        </dl>
        <ExampleTraces v-if="example" :example="example" />
      </div>
    </template>
    <IconButton
      title="What it does, with an example"
      :aria-label="`Help for ${words.name}`"
      :aria-expanded="open"
      @keydown.esc.stop="open = false"
    >
      <CircleQuestionMark :size="14" />
    </IconButton>
  </a-popover>
</template>

<style scoped>
.help {
  width: 340px;
  max-height: 420px;
  overflow: auto;
  font-size: 12.5px;
}
p {
  margin: 0 0 6px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 1px 12px;
  margin: 0 0 8px;
}
dd {
  margin: 0;
  color: var(--soft);
}
</style>
