<script setup lang="ts">
/** What is put on the board of a circuit, sought by what it should do; or what is sought on it. */
import { computed, nextTick, ref, watch } from 'vue';
import { Search } from '@lucide/vue';
import { inOrder } from '../../../../../core/document/queries';
import { useOf } from '../../../../../core/edits/compound-edits';
import type { BehaviourNodes, CompoundId, NodeId } from '../../../../../core/document/schema';
import { fittingPort } from '../../../../../core/kinds/nodes/fitting';
import { NODE_KINDS, type BehaviourNode, type NodeKind } from '../../../../../core/kinds/nodes/nodes';
import { NODE_WORDS } from '../../../../../core/kinds/nodes/words/node-words';
import { NODE_GROUPS } from '../../../../../core/kinds/nodes/words/node-words-kind';
import { offeredSignals } from '../../../../../core/kinds/signals/offered';
import {
  READY,
  READY_NAMES,
  readyTrigger,
  type ReadyTrigger,
} from '../../../../../core/kinds/triggers/ready-triggers';
import { nodeName } from '../../../../circuit-words';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import ChoiceField from '../../../common/ChoiceField.vue';
import IconButton from '../../../common/IconButton.vue';
import type { LooseWire } from './loose-wire';

const props = defineProps<{
  nodes: BehaviourNodes;
  /** A wire hangs loose: only what fits is offered. */
  loose: LooseWire | null;
}>();
const emit = defineEmits<{
  /** A kind of node, with what is set of it already. */
  add: [kind: NodeKind, how: object | null];
  find: [id: string];
  /** The loose wire is let be. */
  leave: [];
}>();
const desk = useDeskStore();
const effectStore = useEffectStore();
const own = computed(() => (desk.selected ? (effectStore.effect.objects[desk.selected] ?? null) : null));
const signals = computed(() => offeredSignals(own.value));
const fits = (kind: NodeKind): boolean =>
  !props.loose || fittingPort(kind, props.loose.type, props.loose.way) !== null;
/** Put onto boards in ways of their own. */
const OWN: ReadonlySet<NodeKind> = new Set(['compound', 'enter', 'leave']);
/** All kinds of nodes, then every signal and every trigger by itself. */
const options = computed(() =>
  [
    ...NODE_GROUPS.map((group) => ({
      label: group,
      options: NODE_KINDS.filter(
        (kind) => !OWN.has(kind) && NODE_WORDS[kind].group === group && fits(kind),
      ).map((kind) => {
        const { name, note, also = '' } = NODE_WORDS[kind];
        return { value: kind as string, label: `${name}: ${note}`, seek: `${group} ${also}` };
      }),
    })),
    {
      label: 'Compounds of this effect',
      options: props.loose
        ? []
        : inOrder(effectStore.effect.compounds).map(({ id, name, note }) => ({
            value: `compound:${id}`,
            label: note ? `${name}: ${note}` : name,
            seek: 'compound',
          })),
    },
    {
      label: 'Signals',
      options: (fits('signal') ? signals.value : []).map(({ key, words, group, seek }) => ({
        value: `signal:${key}`,
        label: group === 'Others' ? words : `${group}: ${words}`,
        seek,
      })),
    },
    {
      label: 'Triggers',
      options: (fits('trigger') ? READY_NAMES : []).map((name) => ({
        value: `trigger:${name}`,
        label: `When ${READY[name].words}`,
      })),
    },
  ].filter((group) => group.options.length > 0),
);
/** What is chosen in the menu: a kind of node, or a node that is set already. */
const chosen = (line: string): readonly [kind: NodeKind, set: object | null] => {
  const [first, key] = line.split(':');
  if (first === 'trigger') return ['trigger', { trigger: readyTrigger(key as ReadyTrigger) }];
  if (first === 'signal' && key !== undefined)
    return ['signal', { signal: signals.value.find((o) => o.key === key)!.signal }];
  if (first === 'compound')
    return ['compound', useOf(effectStore.effect, key as CompoundId, 'node_made' as NodeId, [0, 0]).set];
  return [first as NodeKind, null];
};
const add = (line: string): void => emit('add', ...chosen(line));
/** What is typed now is what is sought. */
const asked = ref<{ $el: HTMLElement } | null>(null);
watch(
  () => props.loose,
  (now) => now && void nextTick(() => asked.value?.$el.querySelector('input')?.focus()),
);
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
    @change="add"
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
    @change="add"
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
  min-width: 150px;
  max-width: none;
}
</style>
