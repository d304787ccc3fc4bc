<script setup lang="ts" generic="T extends string">
/** Which section of a bench is open. The arrow keys go from one to the next. */
import { ref } from 'vue';
import ChipButton from './ChipButton.vue';

const props = defineProps<{
  sections: readonly { readonly id: T; readonly label: string }[];
  open: T;
  /** As it is read out. */
  label: string;
}>();
const emit = defineEmits<{ open: [section: T] }>();
const list = ref<HTMLElement | null>(null);

const step = (by: number): void => {
  const { sections, open } = props;
  const at = sections.findIndex((s) => s.id === open);
  const next = (at + by + sections.length) % sections.length;
  emit('open', sections[next]!.id);
  list.value?.querySelectorAll<HTMLElement>('[role="tab"]')[next]?.focus();
};
</script>

<template>
  <div
    ref="list"
    class="sections"
    role="tablist"
    :aria-label="label"
    @keydown.right.prevent="step(1)"
    @keydown.left.prevent="step(-1)"
  >
    <ChipButton
      v-for="section in sections"
      :key="section.id"
      role="tab"
      :tabindex="section.id === open ? 0 : -1"
      :aria-selected="section.id === open"
      @click="emit('open', section.id)"
    >
      {{ section.label }}
    </ChipButton>
  </div>
</template>

<style scoped>
.sections {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
