<script setup lang="ts">
/**
 * A line of text: the component library's input. What is typed is taken when the field is left or with Enter; Escape gives it up. One that
 * is `live` is taken as it is typed, and Escape takes it back.
 */
import { computed, onMounted, ref, useTemplateRef } from 'vue';

const props = defineProps<{
  value: string;
  /** As it is read out; without, a label around it says so. */
  label?: string;
  placeholder?: string | undefined;
  /** So many letters at most. */
  most?: number;
  live?: boolean;
  /** It has the focus at once, with all that is in it chosen. */
  chosen?: boolean;
}>();
const emit = defineEmits<{
  change: [text: string];
  /** It was left, with or without a change. */
  done: [];
}>();
const field = useTemplateRef<{ focus(): void; blur(): void; select(): void }>('field');
/** What is being typed; null shows the value. */
const draft = ref<string | null>(null);
const shown = computed(() => draft.value ?? props.value);

const type = (event: Event): void => {
  draft.value = (event.target as HTMLInputElement).value;
  if (props.live) emit('change', draft.value);
};
const take = (): void => {
  const text = draft.value;
  draft.value = null;
  if (text !== null && !props.live && text !== props.value) emit('change', text);
};
const leave = (): void => {
  take();
  emit('done');
};
const press = (event: KeyboardEvent): void => {
  if (event.key === 'Enter') field.value?.blur();
  else if (event.key === 'Escape') {
    // It is the field that is left, not the panel around it.
    event.stopPropagation();
    draft.value = null;
    if (props.live && props.value !== before) emit('change', before);
    field.value?.blur();
  }
};
/** The text when the field was entered. */
let before = props.value;
const enter = (): void => {
  before = props.value;
};
onMounted(() => {
  if (!props.chosen) return;
  field.value?.focus();
  field.value?.select();
});
</script>

<template>
  <a-input
    ref="field"
    class="text-field"
    size="small"
    autocomplete="off"
    :value="shown"
    :aria-label="label"
    :placeholder="placeholder"
    :maxlength="most"
    @change="type"
    @focus="enter"
    @blur="leave"
    @keydown="press"
  />
</template>

<style scoped>
.ant-input.text-field {
  min-width: 0;
  background: var(--field);
  border-color: transparent;
}
.ant-input.text-field:hover {
  border-color: var(--line);
}
.ant-input.text-field:focus {
  border-color: var(--accent);
  box-shadow: none;
}
</style>
