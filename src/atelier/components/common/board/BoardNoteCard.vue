<script setup lang="ts">
/** A note on a board, or a named area behind nodes. */
import { ref } from 'vue';
import { GripHorizontal } from '@lucide/vue';
import { LEAST_NOTE, NOTE_COLOURS, type BoardNote } from '../../../../core/document/board-note-schema';
import { NOTE_COLOUR_NAMES, noteStyle } from './note-colours';

const props = defineProps<{
  note: BoardNote;
  selected: boolean;
  /** How large the board is drawn. */
  zoom: number;
}>();
const emit = defineEmits<{
  change: [change: Partial<Pick<BoardNote, 'text' | 'colour' | 'size'>>, gesture: string | null];
  done: [];
}>();
const name = (): string => (props.note.kind === 'area' ? 'area' : 'note');
const resized = (width: number, height: number): void =>
  emit(
    'change',
    { size: [Math.max(LEAST_NOTE[0], Math.round(width)), Math.max(LEAST_NOTE[1], Math.round(height))] },
    'size',
  );
/** The corner as it is dragged: where it began, and how large it was. */
const corner = ref<{ x: number; y: number; size: readonly [number, number] } | null>(null);
const take = (event: PointerEvent): void => {
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  corner.value = { x: event.clientX, y: event.clientY, size: props.note.size };
};
const pull = (event: PointerEvent): void => {
  if (!corner.value) return;
  const { x, y, size } = corner.value;
  resized(size[0] + (event.clientX - x) / props.zoom, size[1] + (event.clientY - y) / props.zoom);
};
const letGo = (): void => {
  corner.value = null;
  emit('done');
};
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-8, 0],
  ArrowRight: [8, 0],
  ArrowUp: [0, -8],
  ArrowDown: [0, 8],
};
const onKey = (event: KeyboardEvent): void => {
  const step = STEPS[event.key];
  if (!step) return;
  event.preventDefault();
  event.stopPropagation();
  resized(props.note.size[0] + step[0], props.note.size[1] + step[1]);
};
</script>

<template>
  <section
    class="note"
    :class="[note.kind, { selected }]"
    :style="{
      ...noteStyle(note.colour),
      width: `${note.size[0]}px`,
      height: `${note.size[1]}px`,
    }"
    :aria-label="note.kind === 'area' ? `Area ${note.text}` : 'Note'"
  >
    <header class="grip">
      <GripHorizontal :size="14" aria-hidden="true" />
      <a-input
        v-if="note.kind === 'area'"
        class="nodrag"
        size="small"
        :bordered="false"
        :value="note.text"
        aria-label="Name of the area"
        placeholder="What this part does"
        :maxlength="200"
        @update:value="(text: string) => emit('change', { text }, 'text')"
        @blur="emit('done')"
      />
      <span v-if="selected" class="colours nodrag" role="radiogroup" :aria-label="`Colour of the ${name()}`">
        <button
          v-for="colour in NOTE_COLOURS"
          :key="colour"
          type="button"
          role="radio"
          :aria-checked="note.colour === colour"
          :title="NOTE_COLOUR_NAMES[colour]"
          :aria-label="NOTE_COLOUR_NAMES[colour]"
          :style="noteStyle(colour)"
          @click.stop="emit('change', { colour }, null)"
        />
      </span>
    </header>
    <a-textarea
      v-if="note.kind === 'note'"
      class="nodrag nowheel words"
      :bordered="false"
      :value="note.text"
      aria-label="What the note says"
      placeholder="Write what the next one should know"
      :maxlength="1000"
      @update:value="(text: string) => emit('change', { text }, 'text')"
      @blur="emit('done')"
    />
    <button
      type="button"
      class="corner nodrag"
      :title="`Size of the ${name()}`"
      :aria-label="`Size of the ${name()}: arrows change it`"
      @pointerdown.stop="take"
      @pointermove="pull"
      @pointerup="letGo"
      @pointercancel="letGo"
      @keydown="onKey"
      @blur="emit('done')"
    />
  </section>
</template>

<style scoped>
.note {
  position: relative;
  display: flex;
  flex-direction: column;
  border-radius: 6px;
  border: 1px solid var(--note);
}
.note.selected {
  outline: 2px solid var(--accent);
  outline-offset: 1px;
}
.note.note {
  background: color-mix(in srgb, var(--note) 16%, var(--sheet));
}
.note.area {
  background: color-mix(in srgb, var(--note) 12%, transparent);
  border-style: dashed;
}
.grip {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 24px;
  padding: 0 6px;
  border-radius: 5px 5px 0 0;
  background: color-mix(in srgb, var(--note) 34%, var(--sheet));
  cursor: move;
  pointer-events: all;
}
.grip > svg {
  flex: none;
}
.grip :deep(.ant-input) {
  flex: 0 1 70%;
  font-weight: 600;
  font-size: 14px;
  padding: 0 2px;
}
.words {
  flex: 1;
  resize: none;
  font-size: 12px;
  min-height: 0;
}
.colours {
  display: flex;
  gap: 3px;
  margin-left: auto;
}
.colours button {
  width: 14px;
  height: 14px;
  padding: 0;
  border-radius: 7px;
  border: 1px solid var(--ink);
  background: var(--note);
  cursor: pointer;
}
.colours button[aria-checked='true'] {
  box-shadow:
    0 0 0 2px var(--sheet),
    0 0 0 3px var(--ink);
}
.corner {
  position: absolute;
  right: 0;
  bottom: 0;
  width: 16px;
  height: 16px;
  padding: 0;
  border: 0;
  background: linear-gradient(135deg, transparent 55%, var(--note) 55%);
  border-radius: 0 0 5px 0;
  cursor: nwse-resize;
  pointer-events: all;
}
</style>
