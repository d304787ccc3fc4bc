<script setup lang="ts">
/** A line over the Viewfinder: left of it the picture has no grade. Dragged, or moved with the arrow keys. */
import { ref } from 'vue';
import { clamp } from '../../../core/maths/scalar';

const props = defineProps<{ value: number }>();
const emit = defineEmits<{ change: [value: number] }>();
const root = ref<HTMLElement | null>(null);
const onDown = (event: PointerEvent): void => {
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
};
const onMove = (event: PointerEvent): void => {
  if (!(event.buttons & 1)) return;
  const box = root.value!.getBoundingClientRect();
  emit('change', clamp((event.clientX - box.left) / box.width, 0, 1));
};
const onKey = (event: KeyboardEvent): void => {
  const by = { ArrowLeft: -0.02, ArrowRight: 0.02, Home: -1, End: 1 }[event.key];
  if (by === undefined) return;
  event.preventDefault();
  event.stopPropagation();
  emit('change', clamp(props.value + by, 0, 1));
};
</script>

<template>
  <div ref="root" class="compare">
    <div
      class="line"
      role="slider"
      tabindex="0"
      aria-label="Compare line: without grades on its left"
      aria-valuemin="0"
      aria-valuemax="100"
      :aria-valuenow="Math.round(value * 100)"
      :style="{ left: `${value * 100}%` }"
      @pointerdown="onDown"
      @pointermove="onMove"
      @keydown="onKey"
    >
      <span class="before">before</span><span class="after">graded</span>
    </div>
  </div>
</template>

<style scoped>
.compare {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.line {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 20px;
  margin-left: -10px;
  pointer-events: auto;
  cursor: ew-resize;
  touch-action: none;
}
.line::before {
  content: '';
  position: absolute;
  inset: 0 auto 0 9px;
  width: 2px;
  background: #fff;
  box-shadow: 0 0 0 1px #0005;
}
span {
  position: absolute;
  bottom: 12px;
  padding: 1px 7px;
  border-radius: 10px;
  background: #1d2327cc;
  color: #fff;
  font: 550 11px var(--text);
  pointer-events: none;
}
.before {
  right: 16px;
}
.after {
  left: 16px;
}
</style>
