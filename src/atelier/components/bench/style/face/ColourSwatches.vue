<script setup lang="ts">
/** Colours for the piece that was clicked. */
import { computed } from 'vue';
import { coloursFor } from '../../../../../core/makeup/colours';
import { setProperty } from '../../../../../core/edits/object-edits';
import type { EffectObject } from '../../../../../core/document/schema';
import type { Hex } from '../../../../../core/units';
import { useEffectStore } from '../../../../stores/effect';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const colours = computed(() => coloursFor(props.object));
const tint = computed(() => ('tint' in props.object ? props.object.tint : null));
const dye = (colour: Hex): void => {
  effectStore.edit(setProperty(effectStore.effect, props.object.id, 'tint', colour, 'Colour of'));
};
</script>

<template>
  <div v-if="colours.length > 0" class="colours" role="group" :aria-label="`Colours for ${object.name}`">
    <button
      v-for="colour in colours"
      :key="colour"
      type="button"
      class="swatch"
      :class="{ on: colour === tint }"
      :style="{ background: colour }"
      :aria-label="`${object.name} in ${colour}`"
      :aria-pressed="colour === tint"
      @click="dye(colour)"
    />
  </div>
</template>

<style scoped>
.colours {
  display: flex;
  gap: 5px;
}
.swatch {
  width: 20px;
  height: 20px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 50%;
  cursor: pointer;
}
.swatch.on {
  outline: 2px solid var(--accent);
  outline-offset: 1px;
}
</style>
