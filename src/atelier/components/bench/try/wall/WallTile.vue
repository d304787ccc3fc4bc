<script setup lang="ts">
/** One take on the wall: a click shows it large in the Viewfinder. */
import { useTemplateRef } from 'vue';
import { X } from '@lucide/vue';
import type { Take } from '../../../../../core/takes/take';
import IconButton from '../../../common/IconButton.vue';

const props = defineProps<{
  take: Take;
  /** It is the take in the Viewfinder. */
  isLarge: boolean;
  /** It shows the effect; before that it is empty. */
  isDrawn: boolean;
  /** Why it could not be drawn. */
  trouble: string | null;
  canGo: boolean;
}>();
const emit = defineEmits<{ enlarge: []; remove: [] }>();
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
defineExpose({ canvas });
</script>

<template>
  <figure class="tile" :aria-busy="!props.isDrawn">
    <button
      type="button"
      class="picture"
      :aria-pressed="props.isLarge"
      :aria-label="`${props.take.name}: show it large`"
      @click="emit('enlarge')"
    >
      <canvas ref="canvas" />
    </button>
    <figcaption v-name class="name">{{ props.take.name }}</figcaption>
    <p v-if="props.trouble" class="trouble">{{ props.trouble }}</p>
    <IconButton
      v-if="props.canGo"
      class="go"
      :aria-label="`Take ${props.take.name} off the wall`"
      @click="emit('remove')"
    >
      <X :size="13" />
    </IconButton>
  </figure>
</template>

<style scoped>
.tile {
  position: relative;
  margin: 0;
  min-width: 0;
}
.picture {
  display: block;
  width: 100%;
  padding: 0;
  border: 2px solid transparent;
  border-radius: 8px;
  background: none;
  cursor: pointer;
}
.picture:hover,
.picture:focus-visible {
  border-color: var(--faint);
}
.picture[aria-pressed='true'] {
  border-color: var(--accent);
}
canvas {
  display: block;
  width: 100%;
  aspect-ratio: 9 / 16;
  border-radius: 6px;
  background: var(--field);
}
.name {
  padding: 2px 3px 0;
  font-size: 11.5px;
  line-height: 16px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.trouble {
  margin: 2px 3px 0;
  font-size: 11px;
  line-height: 1.3;
}
.go {
  position: absolute;
  top: 6px;
  right: 6px;
  opacity: 0;
  background: var(--sheet);
}
.tile:hover .go,
.go:focus-visible {
  opacity: 1;
}
</style>
