<script setup lang="ts">
/** In the place of a number that a formula drives: the formula itself, and where it is written. */
import { computed, nextTick, ref, watch } from 'vue';
import type { Drive } from '../../../../core/document/schema';
import { formulaAt, putFormula, unitOfPlace, type FormulaPlace } from '../../../../core/edits/formula-edits';
import { putDrive, removeDrive } from '../../../../core/edits/viewer-edits';
import { compiledFormula, type Formula } from '../../../../core/kinds/signals/formula';
import { newDriveId } from '../../../api/ids';
import { useEffectStore } from '../../../stores/effect';
import WordButton from '../WordButton.vue';
import FormulaInput from './FormulaInput.vue';

const props = defineProps<{ place: FormulaPlace; label: string }>();
/** A sum that reads nothing is no formula, but a number. */
const emit = defineEmits<{ number: [value: number] }>();
const effectStore = useEffectStore();
const drive = computed(() => formulaAt(effectStore.effect, props.place));
const unit = computed(() => unitOfPlace(effectStore.effect, props.place));
const open = ref(false);
/** What is written before it is kept. */
const draft = ref<Formula | null>(null);
const formula = computed<Formula>(() => draft.value ?? drive.value?.signal ?? { text: '', inputs: {} });

/** What stands there cannot be worked out, or it is not known yet whether it can. */
const isWrong = ref(false);
/** Why a sum cannot be taken as a number. */
const refused = ref(false);
const chip = ref<HTMLElement | null>(null);
/** What it was when it was opened. */
let before: Drive | null = null;
watch(open, (now) => {
  if (now) before = drive.value;
});
/** It is known of what stands there whether it can be worked out. */
let isTold = false;
/** Enter was pressed before that. */
let isEntered = false;
const begin = (typed: string, isDone: boolean): void => {
  // What is typed on before the line is there belongs to it, blanks at the end too.
  const text = typed.trimStart().replace(/^=/, '');
  if (!open.value || draft.value?.text !== text) {
    draft.value = { text, inputs: {} };
    isWrong.value = text.trim() !== '';
    isTold = !isWrong.value;
    open.value = true;
  }
  isEntered = isDone;
  endIfEntered();
};
const told = (is: boolean): void => {
  isWrong.value = is;
  isTold = true;
  endIfEntered();
};
const endIfEntered = (): void => {
  if (!isEntered || !isTold) return;
  isEntered = false;
  done();
};
const change = (to: Formula): void => {
  refused.value = false;
  draft.value = to;
  if (Object.keys(to.inputs).length > 0)
    effectStore.edit(
      putFormula(effectStore.effect, props.place, to, drive.value?.id ?? newDriveId()),
      'formula',
    );
};
const off = (): void => {
  if (drive.value) effectStore.edit(removeDrive(drive.value.id), 'formula');
};
const close = (): void => {
  effectStore.endGesture();
  draft.value = null;
  open.value = isWrong.value = refused.value = false;
};
/** By the keyboard it goes on from where the formula stands. */
const closeByKey = (): void => {
  close();
  void nextTick(() => chip.value?.focus());
};
/** Escape takes back what was done. */
const leave = (): void => {
  if (before) effectStore.edit(putDrive(before), 'formula');
  else off();
  closeByKey();
};
/** False where it stays open, since there is something to put right. */
const finish = (): boolean => {
  if (isWrong.value) return false;
  const written = formula.value;
  if (written.text.trim() === '' || Object.keys(written.inputs).length > 0) return true;
  const value = compiledFormula(written, unit.value).run([]);
  refused.value = !Number.isFinite(value);
  if (refused.value) return false;
  effectStore.asOneStep('formula', () => {
    off();
    emit('number', value);
  });
  return true;
};
const done = (): void => {
  if (finish()) closeByKey();
};
/** Clicked elsewhere: what can be worked out is kept, else it waits for being mended, or for Escape. */
const leftFor = (): void => {
  if (finish()) close();
};
const takeOff = (): void => {
  off();
  close();
};
defineExpose({ begin });
</script>

<template>
  <a-popover
    :open="open"
    trigger="click"
    placement="bottomRight"
    @update:open="(now: boolean) => (now ? (open = true) : leftFor())"
  >
    <template #content>
      <div v-if="open" class="sheet" role="dialog" :aria-label="label" @keydown.stop>
        <b>{{ label }}</b>
        <FormulaInput
          :formula="formula"
          :label="`Formula for ${label}`"
          :unit="unit"
          asked
          @change="change"
          @wrong="told"
          @done="done"
          @leave="leave"
        />
        <p v-if="refused" class="bad" role="alert">That gives no number: something is divided by nothing.</p>
        <p class="soft">
          Signals by their names, + - * / and functions. A number without a unit counts in what the field
          shows; 2 cm, 30 deg, 50% and 1.5 s say it themselves.
        </p>
        <div class="ends">
          <WordButton v-if="drive" @click="takeOff">Take the formula off</WordButton>
          <span class="grow" />
          <a-button size="small" type="primary" @click="done">Done</a-button>
        </div>
      </div>
    </template>
    <button
      v-if="drive"
      ref="chip"
      type="button"
      class="driven"
      :title="`= ${drive.signal.text}`"
      :aria-label="`${label}: formula = ${drive.signal.text}`"
    >
      = {{ drive.signal.text }}
    </button>
    <span v-else class="anchor" />
  </a-popover>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 8px;
  width: 320px;
}
.sheet p {
  margin: 0;
  font-size: 12px;
}
.ends {
  display: flex;
  align-items: center;
}
.driven {
  width: 100%;
  min-width: 0;
  height: 24px;
  padding: 0 6px;
  overflow: hidden;
  border: 1px solid var(--accent);
  border-radius: 5px;
  background: var(--wash);
  color: var(--ink);
  font: 500 11.5px var(--mono);
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}
.driven:focus-visible {
  outline: 2px solid var(--accent);
  outline-offset: 1px;
}
.anchor {
  position: absolute;
}
</style>
