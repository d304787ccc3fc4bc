<script setup lang="ts">
/**
 * One or several of a list: the component library's select, with a name, and with what assistive technology is told of it put right. The
 * library leaves out whether the list is open, and points to a list that is not there while it is shut. Whatever else it takes is
 * handed on to it.
 */
import {
  computed,
  nextTick,
  onMounted,
  onUpdated,
  ref,
  useAttrs,
  useTemplateRef,
  watch,
  type ComponentPublicInstance,
} from 'vue';
import { areSameOptions, type SelectOption } from './select-options';

const props = defineProps<{
  /** As it is read out. */
  name: string;
  options: readonly SelectOption[];
}>();

/** Of its own: the library takes one listener for this, and not that of whoever uses it beside ours. */
const emit = defineEmits<{ dropdownVisibleChange: [isOpen: boolean] }>();
const attrs = useAttrs();
const select = useTemplateRef<ComponentPublicInstance & { blur(): void }>('select');
/** What was sought has been found: the next key is a command again, not a letter of the search. */
const chosen = (): void => {
  if (attrs.mode === undefined) void nextTick(() => select.value?.blur());
};
const open = ref(false);
const opened = (is: boolean): void => {
  open.value = is;
  emit('dropdownVisibleChange', is);
};
/** The same list as long as it offers the same. */
const offered = computed<readonly SelectOption[]>((before) =>
  before && areSameOptions(before, props.options) ? before : props.options,
);

/** They point into the list. */
const POINTERS = ['aria-owns', 'aria-controls', 'aria-activedescendant'] as const;
const pointed = new Map<string, string>();
const putRight = (): void => {
  const input = (select.value?.$el as HTMLElement | undefined)?.querySelector('input');
  if (!input) return;
  input.setAttribute('aria-label', props.name);
  input.setAttribute('aria-expanded', String(open.value));
  for (const pointer of POINTERS) {
    const to = input.getAttribute(pointer);
    if (to !== null) pointed.set(pointer, to);
    if (!open.value) input.removeAttribute(pointer);
    else if (to === null && pointed.has(pointer)) input.setAttribute(pointer, pointed.get(pointer)!);
  }
};
onMounted(putRight);
onUpdated(putRight);
watch(open, putRight, { flush: 'post' });
</script>

<template>
  <a-select
    ref="select"
    size="small"
    :options="offered as never"
    @dropdown-visible-change="opened"
    @select="chosen"
  >
    <template v-if="$slots.option" #option="option"><slot name="option" v-bind="option" /></template>
  </a-select>
</template>
