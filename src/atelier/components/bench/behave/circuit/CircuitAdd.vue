<script setup lang="ts">
/** What is put on the board of a circuit, sought by what it should do; or what is sought on it. */
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import { Search } from '@lucide/vue';
import type { BehaviourNodes } from '../../../../../core/document/schema';
import type { BehaviourNode } from '../../../../../core/kinds/nodes/nodes';
import { NODE_WORDS } from '../../../../../core/kinds/nodes/words/node-words';
import { nodeName } from '../../../../circuit-words';
import { useBoardThingStore } from '../../../../stores/board-thing';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { useKeptCompoundsStore } from '../../../../stores/kept-compounds';
import ChoiceField from '../../../common/ChoiceField.vue';
import IconButton from '../../../common/IconButton.vue';
import type { LooseWire } from './loose-wire';
import { offeredNodes, offeredOfThing, type Offer, type OfferedGroup } from './offered-nodes';

const props = defineProps<{
  nodes: BehaviourNodes;
  /** A wire hangs loose: only what fits is offered. */
  loose: LooseWire | null;
}>();
const emit = defineEmits<{
  add: [offer: Offer];
  find: [id: string];
  /** The loose wire, or what was brought from the Stack, is let be. */
  leave: [];
}>();
const desk = useDeskStore();
const effectStore = useEffectStore();
const keptCompounds = useKeptCompoundsStore();
const things = useBoardThingStore();
onMounted(() => void keptCompounds.load());
const own = computed(() => (desk.selected ? (effectStore.effect.objects[desk.selected] ?? null) : null));
const options = computed(() => offeredNodes(effectStore.effect, own.value, props.loose, keptCompounds.items));
const ofThing = computed(() => (things.thing ? offeredOfThing(effectStore.effect, things.thing) : []));
const add = (groups: readonly OfferedGroup[], value: string): void => {
  const found = groups.flatMap((group) => group.options).find((option) => option.value === value);
  if (found) emit('add', found.offer);
};
/** What is typed now is what is sought. */
const asked = ref<{ $el: HTMLElement } | null>(null);
watch([() => props.loose, () => things.thing], ([loose, thing]) => {
  if (loose || thing) void nextTick(() => asked.value?.$el.querySelector('input')?.focus());
});
/** A node is sought on the board. */
const seeking = ref(false);
const found = computed(() =>
  Object.values(props.nodes as Record<string, BehaviourNode>).map((node) => ({
    value: node.id as string,
    label: nodeName(effectStore.effect, node),
    seek: `${NODE_WORDS[node.kind].name} ${Object.values(node.values).join(' ')}`,
  })),
);
</script>

<template>
  <ChoiceField
    v-if="loose"
    :key="`${loose.from.node} ${loose.from.port}`"
    ref="asked"
    class="add"
    :label="loose.way === 'fromOutput' ? 'What the wire runs to' : 'What the wire comes from'"
    :ask="loose.way === 'fromOutput' ? 'What does the wire run to?' : 'What does the wire come from?'"
    :needed="false"
    :value="null"
    :options="options"
    default-open
    @change="(value) => add(options, value)"
    @dropdown-visible-change="(open: boolean) => open || emit('leave')"
  />
  <ChoiceField
    v-else-if="things.thing"
    :key="`${things.thing.object} ${things.thing.property}`"
    ref="asked"
    class="add"
    label="What becomes of it"
    ask="Is it read, or written?"
    :needed="false"
    :value="null"
    :options="ofThing"
    default-open
    @change="(value) => add(ofThing, value)"
    @dropdown-visible-change="(open: boolean) => open || emit('leave')"
  />
  <ChoiceField
    v-else-if="seeking"
    class="add"
    label="Find a node on the board"
    ask="Find a node on the board"
    :needed="false"
    :value="null"
    :options="found"
    none="There is no node like that"
    @change="(id) => emit('find', id)"
  />
  <ChoiceField
    v-else
    class="add"
    label="Add a node"
    ask="Add a node: what should it do?"
    :needed="false"
    :value="null"
    :options="options"
    @change="(value) => add(options, value)"
  />
  <IconButton
    :aria-pressed="seeking"
    title="Find a node on the board"
    aria-label="Find on the board"
    @click="seeking = !seeking"
  >
    <Search :size="14" />
  </IconButton>
</template>

<style scoped>
.add {
  flex: 1;
  flex-basis: 220px;
  min-width: 200px;
  max-width: none;
}
</style>
