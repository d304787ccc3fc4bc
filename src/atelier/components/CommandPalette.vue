<script setup lang="ts">
/** Find and run anything by name. */
import { computed, ref, watch } from 'vue';
import { useCommands } from '../commands/commands';
import { useDeskStore } from '../stores/desk';

const emit = defineEmits<{ choose: [] }>();
const desk = useDeskStore();
const commands = useCommands(() => emit('choose'));
const text = ref('');
const at = ref(0);
const input = ref<{ focus(): void } | null>(null);

const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean);
  return commands.value.filter((c) => words.every((w) => c.label.toLowerCase().includes(w))).slice(0, 12);
});
watch(text, () => (at.value = 0));
/** What had the keys before; not a dialog that is still closing. */
let before: Element | null = null;
const isInside = (element: Element | null): boolean => element?.closest('.palette') != null;
watch(
  () => desk.paletteOpen,
  (open) => {
    text.value = '';
    at.value = 0;
    if (open && !isInside(document.activeElement)) before = document.activeElement;
  },
  { immediate: true, flush: 'sync' },
);
// The dialog comes in its own time, and may have been asked for before this was there, or while it was closing: the keys go to
// the field once that is there.
watch([input, () => desk.paletteOpen], ([field, open]) => open && field?.focus(), { flush: 'post' });
/** The keys go back, unless what was run has taken them. The browser may take them from a field that is gone only a frame later. */
const giveBack = (): void => {
  if (desk.paletteOpen) return;
  const at = document.activeElement;
  if ((!at || at === document.body || isInside(at)) && before instanceof HTMLElement)
    before.focus({ preventScroll: true });
  before = null;
};
const run = (index: number): void => {
  const command = found.value[index];
  if (!command) return;
  desk.paletteOpen = false;
  command.run();
};
const move = (by: number): void => {
  at.value = (at.value + by + found.value.length) % Math.max(1, found.value.length);
};
</script>

<template>
  <a-modal
    v-model:open="desk.paletteOpen"
    :footer="null"
    :closable="false"
    :width="520"
    title="Find"
    :body-style="{ padding: 0 }"
    wrap-class-name="palette"
    destroy-on-close
    :after-close="giveBack"
  >
    <a-input
      ref="input"
      v-model:value="text"
      size="large"
      placeholder="Type what you want to do"
      aria-label="Find a command"
      role="combobox"
      aria-expanded="true"
      aria-controls="palette-list"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="run(at)"
    />
    <ul id="palette-list" class="list" role="listbox">
      <li
        v-for="(command, i) in found"
        :key="command.label"
        role="option"
        :aria-selected="i === at"
        :class="{ at: i === at }"
        @mousemove="at = i"
        @click="run(i)"
      >
        <span class="grow">{{ command.label }}</span
        ><span v-if="command.keys" class="num faint">{{ command.keys }}</span>
      </li>
      <li v-if="found.length === 0" class="soft">Nothing is called that.</li>
    </ul>
  </a-modal>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  max-height: 320px;
  overflow: auto;
}
.list li {
  display: flex;
  padding: 6px 10px;
  border-radius: 5px;
  cursor: pointer;
}
.list .at {
  background: var(--wash);
}
</style>
