<script lang="ts">
/** What of a cue's sentence can be opened. */
export type CuePart = 'when' | 'only' | 'options';
</script>
<script setup lang="ts">
/** A cue as a sentence; each part of it opens what it is about. */
import { computed } from 'vue';
import type { Cue } from '../../../../core/document/schema';
import { conditionWords, triggerWords, whenWords } from '../../../behave-words';
import { useEffectStore } from '../../../stores/effect';

const props = defineProps<{ cue: Cue; part: CuePart | null }>();
const emit = defineEmits<{ toggle: [part: CuePart] }>();
const effectStore = useEffectStore();

const conditions = computed(() =>
  props.cue.conditions
    .map((c) => conditionWords(effectStore.effect, c))
    .join(props.cue.match === 'all' ? ' and ' : ' or '),
);
const options = computed(() => {
  const { cue } = props;
  const said = [
    ...(cue.fires === 'once' ? ['once'] : cue.fires === 'toggle' ? ['forth and back by turns'] : []),
    ...(cue.cooldown > 0 ? [`at most every ${cue.cooldown} s`] : []),
    ...(cue.again === 'ignore' ? ['not while at work'] : []),
    ...(cue.resets.length > 0
      ? [`until ${cue.resets.map((t) => triggerWords(effectStore.effect, t)).join(' or ')}`]
      : []),
  ];
  return said.join(', ');
});
interface Said {
  readonly part: CuePart;
  /** The word before it. */
  readonly lead: string;
  readonly words: string;
}
const said = computed((): readonly Said[] => [
  { part: 'when', lead: 'When', words: whenWords(effectStore.effect, props.cue) },
  ...(props.cue.conditions.length > 0
    ? [{ part: 'only', lead: 'only if', words: conditions.value } as const]
    : []),
  ...(options.value ? [{ part: 'options', lead: '', words: options.value } as const] : []),
]);
</script>

<template>
  <p class="sentence">
    <span v-if="cue.name" class="name">{{ cue.name }}<br /></span>
    <template v-for="{ part: which, lead, words } in said" :key="which">
      <component :is="which === 'when' ? 'b' : 'span'" v-if="lead">{{ lead }}{{ ' ' }}</component>
      <button class="said" type="button" :aria-expanded="part === which" @click="emit('toggle', which)">
        {{ words }}</button
      >{{ ' ' }}
    </template>
    <b>then</b>
  </p>
</template>

<style scoped>
.sentence {
  font-size: 13.5px;
  line-height: 1.5;
}
.name {
  font-weight: 600;
}
.said {
  display: inline;
  padding: 0;
  border: 0;
  border-bottom: 1px dotted var(--accent);
  background: none;
  color: var(--accent);
  font: inherit;
  font-weight: 600;
  text-align: left;
  cursor: pointer;
}
/* A long part fills its line: the comma stays at its end. It is not read out. */
.said::after {
  content: ',' / '';
  color: var(--ink);
  font-weight: 400;
}
</style>
