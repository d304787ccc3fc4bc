<script setup lang="ts">
/** A formula as it is written: names are offered, what is wrong is said, and what it reads is told. */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { boundFormula, formulaNames } from '../../../../core/document/formula-names';
import { FUNCTION_WORDS } from '../../../../core/formula/function-words';
import { CONSTANTS, FUNCTIONS, type FunctionName } from '../../../../core/formula/functions';
import { FormulaProblem } from '../../../../core/formula/problem';
import { problemOf, type Formula } from '../../../../core/kinds/signals/formula';
import { signalKind } from '../../../../core/kinds/signals/signals';
import type { UnitName } from '../../../../core/schema/properties';
import type { FormulaEditor, Word } from '../../../code/formula-editor';
import { useEffectStore } from '../../../stores/effect';
import { namesIn } from '../../../when-words';

const props = defineProps<{
  formula: Formula;
  label: string;
  unit: UnitName;
  /** Names of its own, beside signals. */
  own?: readonly string[];
  /** It is written at once. */
  asked?: boolean;
}>();
const emit = defineEmits<{
  change: [formula: Formula];
  /** Whether what stands there cannot be worked out. */
  wrong: [is: boolean];
  done: [];
  leave: [];
}>();
const effectStore = useEffectStore();
const own = computed(() => props.own ?? []);
const known = computed(() => formulaNames(effectStore.effect, namesIn(effectStore.effect)));
const words = computed<readonly Word[]>(() => [
  ...own.value.map((word) => ({ word, means: 'what runs in', seek: 'port input' })),
  ...known.value.map(({ name, words: means, seek }) => ({ word: name, means, seek })),
  ...Object.entries(FUNCTIONS).map(([word, { takes }]) => ({
    word,
    means: `(${takes})`,
    note: FUNCTION_WORDS[word as FunctionName],
    seek: FUNCTION_WORDS[word as FunctionName],
    isFunction: true,
  })),
  ...Object.keys(CONSTANTS).map((word) => ({ word, means: 'half a turn, in radians', seek: '' })),
]);
const problem = shallowRef<FormulaProblem | null>(null);
const reads = computed(() =>
  Object.entries(props.formula.inputs).map(([name, signal]) => ({
    name,
    words: signalKind(signal.kind).words(signal, namesIn(effectStore.effect)),
  })),
);

/** What is typed is kept as soon as it can be worked out. */
const take = (text: string): void => {
  problem.value = null;
  try {
    const bound = boundFormula(text, props.formula.inputs, known.value, own.value);
    problem.value = problemOf(bound, props.unit, own.value);
    // Looking at one changes nothing.
    if (!problem.value && JSON.stringify(bound) !== kept()) emit('change', bound);
  } catch (error) {
    if (!(error instanceof FormulaProblem)) throw error;
    problem.value = error;
  }
  editor.value?.show(problem.value);
  emit('wrong', problem.value !== null);
};
const kept = (): string => JSON.stringify({ text: props.formula.text, inputs: props.formula.inputs });
const place = ref<HTMLElement | null>(null);
const editor = shallowRef<FormulaEditor | null>(null);
let isGone = false;
onMounted(async () => {
  const { formulaEditor } = await import('../../../code/formula-editor');
  if (isGone || !place.value) return;
  editor.value = formulaEditor(place.value, props.formula.text, {
    label: props.label,
    words: () => words.value,
    changed: take,
    done: () => problem.value ?? emit('done'),
    left: () => emit('leave'),
  });
  if (props.asked) editor.value.focus();
  if (props.formula.text !== '') take(props.formula.text);
});
onBeforeUnmount(() => {
  isGone = true;
  editor.value?.destroy();
});
/** Undone, or changed elsewhere. */
watch(
  () => props.formula.text,
  (text) => {
    const line = editor.value;
    if (!line) return;
    // Of what is written there just now only its sense comes back.
    const isSame = line.hasFocus ? problem.value !== null || sameText(line.text, text) : line.text === text;
    if (!isSame) line.setText(text);
  },
);
const sameText = (typed: string, kept: string): boolean => typed.trim().replace(/^=\s*/, '') === kept;
</script>

<template>
  <div class="formula nodrag">
    <div ref="place" class="line" />
    <p v-if="problem" class="bad" role="alert">{{ problem.message }}</p>
    <dl v-else-if="reads.length > 0" class="reads">
      <template v-for="{ name, words: means } in reads" :key="name">
        <dt>{{ name }}</dt>
        <dd>{{ means }}</dd>
      </template>
    </dl>
  </div>
</template>

<style scoped>
.formula {
  display: grid;
  gap: 4px;
  width: 100%;
  min-width: 0;
}
.line {
  min-height: 26px;
}
p {
  margin: 0;
  font-size: 12px;
  line-height: 1.35;
}
.reads {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 8px;
  margin: 0;
  font-size: 11.5px;
  color: var(--soft);
}
dt {
  overflow: hidden;
  font-family: var(--mono);
  text-overflow: ellipsis;
}
dd {
  margin: 0;
}
</style>
