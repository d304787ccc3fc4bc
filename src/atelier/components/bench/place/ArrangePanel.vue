<script setup lang="ts">
/** Aligning and distributing what is selected, in the space it hangs in. */
import { X } from '@lucide/vue';
import { alignSelected, distributeSelected } from '../../../commands/place-commands';
import { mirrorCopySelected, mirrorSelected } from '../../../commands/object-commands';
import { useDeskStore } from '../../../stores/desk';
import ChipButton from '../../common/ChipButton.vue';
import IconButton from '../../common/IconButton.vue';

defineEmits<{ close: [] }>();
const desk = useDeskStore();
const AXES = [
  { axis: 0, name: 'x', low: 'Left', high: 'Right' },
  { axis: 1, name: 'y', low: 'Bottom', high: 'Top' },
  { axis: 2, name: 'z', low: 'Back', high: 'Front' },
] as const;
</script>

<template>
  <section class="arrange" aria-label="Arrange">
    <header>
      <h3>Arrange</h3>
      <IconButton aria-label="Close Arrange" @click="$emit('close')">
        <X :size="14" />
      </IconButton>
    </header>
    <p v-if="desk.selection.length < 2" class="soft">
      Select two or more objects to align them, three or more to distribute them: hold Ctrl or Shift in the
      Stack.
    </p>
    <div v-for="{ axis, name, low, high } in AXES" :key="name" class="line">
      <span class="mono">{{ name }}</span>
      <ChipButton :disabled="desk.selection.length < 2" @click="alignSelected(axis, 'low')">
        {{ low }}
      </ChipButton>
      <ChipButton
        :disabled="desk.selection.length < 2"
        :aria-label="`Middle along ${name}`"
        @click="alignSelected(axis, 'middle')"
      >
        Middle
      </ChipButton>
      <ChipButton :disabled="desk.selection.length < 2" @click="alignSelected(axis, 'high')">
        {{ high }}
      </ChipButton>
      <ChipButton
        :disabled="desk.selection.length < 3"
        :aria-label="`Even gaps along ${name}`"
        @click="distributeSelected(axis)"
      >
        Even gaps
      </ChipButton>
    </div>
    <div class="row">
      <ChipButton :disabled="desk.selection.length === 0" @click="mirrorSelected"> Mirror </ChipButton>
      <ChipButton :disabled="desk.selection.length === 0" @click="mirrorCopySelected">
        Mirrored copy
      </ChipButton>
    </div>
  </section>
</template>

<style scoped>
.arrange {
  display: grid;
  gap: 6px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
header {
  display: flex;
  justify-content: space-between;
}
.line,
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.mono {
  width: 14px;
  font: 500 12px var(--mono);
}
p {
  margin: 0;
}
</style>
