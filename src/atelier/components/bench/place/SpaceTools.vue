<script setup lang="ts">
/** The row below Space: axes, snapping, panels, and aids to see by. */
import { Ghost, Maximize2, PersonStanding, Ruler } from '@lucide/vue';
import { useDeskStore, type PlaceTool } from '../../../stores/desk';
import NumberField from '../../common/NumberField.vue';
import SelectField from '../../common/SelectField.vue';

defineEmits<{ approach: [] }>();
const desk = useDeskStore();
const AXES = [
  { value: 'own', label: 'Own axes' },
  { value: 'parent', label: 'Its anchor’s axes' },
  { value: 'world', label: 'World axes' },
];
const toggleTool = (tool: PlaceTool): void => {
  desk.place.tool = desk.place.tool === tool ? null : tool;
};
/** Switches of the views, each with its sign. */
const AIDS = [
  { name: 'ghosts', sign: Ghost, label: 'Show hidden objects as ghosts' },
  { name: 'figures', sign: PersonStanding, label: 'Show a person and a hand for scale' },
  { name: 'measure', sign: Ruler, label: 'Measure what is selected' },
] as const;
</script>

<template>
  <div class="tools">
    <SelectField v-model:value="desk.place.axes" name="Axes of the handles" class="axes" :options="AXES" />
    <button
      type="button"
      :aria-pressed="desk.place.snap"
      title="Moves fall on steps, turns on 15 degrees; Shift turns it round"
      @click="desk.place.snap = !desk.place.snap"
    >
      Snap
    </button>
    <NumberField
      v-if="desk.place.snap"
      class="step"
      :value="desk.place.snapStep"
      label="Step of moves that snap, cm"
      unit=" cm"
      :digits="2"
      :step="0.5"
      :min="0.01"
      :max="100"
      @change="(v) => (desk.place.snapStep = v)"
    />
    <button
      type="button"
      :aria-pressed="desk.place.even"
      title="Sizes grow evenly along all axes"
      @click="desk.place.even = !desk.place.even"
    >
      Even
    </button>
    <span class="grow" />
    <button type="button" :aria-pressed="desk.place.tool === 'spread'" @click="toggleTool('spread')">
      Spread
    </button>
    <button type="button" :aria-pressed="desk.place.tool === 'arrange'" @click="toggleTool('arrange')">
      Arrange
    </button>
    <button
      type="button"
      class="icon"
      aria-label="Go near what is selected"
      title="Go near what is selected"
      :disabled="desk.selection.length === 0"
      @click="$emit('approach')"
    >
      <Maximize2 :size="14" />
    </button>
    <button
      v-for="aid in AIDS"
      :key="aid.name"
      type="button"
      class="icon"
      :aria-label="aid.label"
      :title="aid.label"
      :aria-pressed="desk.place[aid.name]"
      @click="desk.place[aid.name] = !desk.place[aid.name]"
    >
      <component :is="aid.sign" :size="14" />
    </button>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.tools > button {
  padding: 3px 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: var(--ink);
  font: 500 12px var(--text);
  cursor: pointer;
}
.tools > button.icon {
  display: grid;
  place-items: center;
  width: 27px;
  height: 26px;
  padding: 0;
}
.tools > button[aria-pressed='true'] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--paper);
}
.tools > button:disabled {
  opacity: 0.4;
}
.axes {
  width: 118px;
}
.step {
  width: 66px;
  background: var(--sheet);
  border-color: var(--line);
}
</style>
