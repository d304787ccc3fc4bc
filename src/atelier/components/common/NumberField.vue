<script setup lang="ts">
/**
 * A number with its axis letter and unit. It takes sums (`12/2`), steps with the arrow keys, and is scrubbed by dragging its letter. Enter
 * ends it, Escape takes back what was done. What is typed, stepped or scrubbed within one visit is one undo step.
 */
import { computed, onBeforeUnmount, ref } from 'vue';
import { clamp } from '../../../core/maths/scalar';
import { readSum } from '../../../core/maths/sums';

const props = withDefaults(
  defineProps<{
    value: number;
    label: string;
    mark?: string;
    unit?: string;
    step?: number;
    digits?: number;
    min?: number;
    max?: number;
    disabled?: boolean;
    /** Several have it, and not the same: it says so, and takes one for all. */
    mixed?: boolean;
    /** A text that begins with = is a formula. */
    formulas?: boolean;
  }>(),
  {
    mark: '',
    unit: '',
    step: 1,
    digits: 1,
    min: undefined,
    max: undefined,
    disabled: false,
    mixed: false,
    formulas: false,
  },
);
const emit = defineEmits<{ change: [value: number]; done: []; formula: [text: string, isDone: boolean] }>();

const rounded = (value: number): number => Number(value.toFixed(props.digits));
const shown = computed(() => (props.mixed ? '' : `${rounded(props.value)}${props.unit}`));
/** What is being typed; null shows the value. */
const draft = ref<string | null>(null);
/** Why what was typed could not be taken. */
const problem = ref<string | null>(null);

const bounded = (value: number): number => {
  const { min, max, unit } = props;
  const inside = clamp(value, min ?? -Infinity, max ?? Infinity);
  if (inside !== value)
    problem.value =
      inside === max
        ? `The most is ${rounded(max!)}${unit}: that is what it is now.`
        : `The least is ${rounded(min!)}${unit}: that is what it is now.`;
  return inside;
};
const set = (value: number): void => {
  const next = bounded(value);
  if (props.mixed || next !== rounded(props.value)) emit('change', next);
};

const isFormula = (text: string | null): boolean =>
  props.formulas && text?.trimStart().startsWith('=') === true;
const type = (event: Event): void => {
  draft.value = (event.target as HTMLInputElement).value;
  problem.value = null;
  // It is written elsewhere; until that is there, what is typed on is kept here.
  if (isFormula(draft.value)) return emit('formula', draft.value, false);
  // Where several differ, what was is lost: not before it is finished.
  if (props.mixed) return;
  // A plain number is seen at once; a sum when it is finished.
  const number = Number(draft.value.replace(props.unit, '').replace(',', '.'));
  if (draft.value.trim() !== '' && Number.isFinite(number)) {
    const { min = -Infinity, max = Infinity } = props;
    if (number >= min && number <= max && number !== rounded(props.value)) emit('change', number);
  }
};
const WHY = {
  'not-a-sum': (text: string) => `“${text}” is no number: type one, or a sum like 12/2.`,
  'by-zero': (text: string) => `“${text}” divides by zero.`,
  'too-long': () => 'That is too long for a number.',
} as const;
const take = (): void => {
  // Where no formula can be, a sum may begin so all the same.
  const text = isFormula(draft.value) ? null : (draft.value?.replace(/^\s*=/, '') ?? null);
  draft.value = null;
  if (text === null) return;
  const sum = readSum(text, props.unit);
  if (sum.ok) set(sum.value);
  else if (sum.why !== 'empty') problem.value = `${WHY[sum.why](text.slice(0, 30))} It stays ${shown.value}.`;
};
const leave = (): void => {
  take();
  emit('done');
};
/** The value when the field was entered. */
let before = props.value;
const press = (event: KeyboardEvent): void => {
  const input = event.target as HTMLInputElement;
  if (event.key === 'Enter') {
    // The line for it is not there yet: it ends there.
    if (isFormula(draft.value)) return emit('formula', draft.value!, true);
    take();
    // The keys are the screen's again, unless there is something to put right.
    if (problem.value === null) input.blur();
    else {
      emit('done');
      input.select();
    }
  } else if (event.key === 'Escape') {
    // It is the field that is left, not the panel around it.
    event.stopPropagation();
    draft.value = null;
    problem.value = null;
    if (!props.mixed && props.value !== before) emit('change', before);
    input.blur();
  } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
    event.preventDefault();
    take();
    problem.value = null;
    const way = event.key === 'ArrowUp' ? 1 : -1;
    set(rounded(props.value + way * props.step * (event.shiftKey ? 10 : 1)));
  }
};
const onFocus = (event: FocusEvent): void => {
  before = props.value;
  (event.target as HTMLInputElement).select();
};

/** Scrubbing: three pixels a step; with Shift ten steps. */
let scrub: { x: number; from: number } | null = null;
const PIXELS = 3;
const scrubTo = (event: PointerEvent): void => {
  if (!scrub) return;
  const steps = Math.round((event.clientX - scrub.x) / PIXELS) * (event.shiftKey ? 10 : 1);
  problem.value = null;
  set(rounded(scrub.from + steps * props.step));
};
const scrubEnd = (): void => {
  if (!scrub) return;
  scrub = null;
  removeEventListener('pointermove', scrubTo);
  removeEventListener('pointerup', scrubEnd);
  emit('done');
};
const scrubStart = (event: PointerEvent): void => {
  if (props.disabled || props.mixed) return;
  event.preventDefault();
  scrub = { x: event.clientX, from: props.value };
  addEventListener('pointermove', scrubTo);
  addEventListener('pointerup', scrubEnd);
};
onBeforeUnmount(scrubEnd);
</script>

<template>
  <span class="field" :class="{ bad: problem, disabled }">
    <span v-if="mark" class="mark" aria-hidden="true" title="Drag to change" @pointerdown="scrubStart">{{
      mark
    }}</span>
    <a-input
      class="number"
      size="small"
      inputmode="decimal"
      role="spinbutton"
      autocomplete="off"
      spellcheck="false"
      :bordered="false"
      :value="draft ?? shown"
      :disabled="disabled"
      :aria-label="label"
      :aria-valuenow="rounded(value)"
      :title="formulas ? 'Type = for a formula' : undefined"
      :placeholder="mixed ? 'mixed' : ''"
      :aria-valuetext="mixed ? 'mixed' : shown"
      :aria-valuemin="min"
      :aria-valuemax="max"
      :aria-invalid="problem !== null"
      @change="type"
      @keydown="press"
      @blur="leave"
      @focus="onFocus"
    />
    <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
  </span>
</template>

<style scoped>
.field {
  position: relative;
  display: flex;
  align-items: center;
  width: 100%;
  min-width: 0;
  height: 24px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: var(--field);
}
.field:focus-within {
  border-color: var(--accent);
}
.field.bad {
  border-color: var(--madder);
}
.mark {
  flex: none;
  padding: 0 2px 0 6px;
  color: var(--faint);
  font: 11.5px/22px var(--mono);
  cursor: ew-resize;
  touch-action: none;
}
.ant-input.number {
  flex: 1;
  min-width: 0;
  width: 100%;
  height: 22px;
  padding: 0 6px 0 2px;
  color: inherit;
  font: 500 11.5px var(--mono);
  text-align: right;
}
.ant-input.number::placeholder {
  font: 10px var(--text);
}
.ant-input.number:focus-visible {
  outline: 0;
}
@media (max-width: 1100px) {
  .mark {
    padding: 0 0 0 4px;
  }
  .ant-input.number {
    padding: 0 3px 0 1px;
    font-size: 11px;
  }
}
.disabled {
  opacity: 0.5;
}
.problem {
  position: absolute;
  z-index: 30;
  top: calc(100% + 3px);
  right: 0;
  width: max-content;
  max-width: 220px;
  padding: 4px 8px;
  border-radius: 5px;
  background: var(--madder);
  color: #fff;
  font: 500 11.5px/1.35 var(--text);
}
</style>
