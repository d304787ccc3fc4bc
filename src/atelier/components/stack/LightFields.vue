<script setup lang="ts">
/** A light: colour, strength, shadows, the picture of its surroundings. */
import { reshape } from '../../../core/document/edits';
import type { Light } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import { LIGHT_WORDS } from '../../words';
import NumberField from '../common/NumberField.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';

const props = defineProps<{ object: Light }>();
const document = useEffectStore();
const made = useMadeOf(() => props.object);
const set = (change: Parameters<typeof reshape<'light'>>[3], gesture: string | null = null): void => {
  document.edit(reshape(document.effect, props.object.id, 'light', change), gesture);
};
const done = (): void => document.endGesture();
</script>

<template>
  <div class="line">
    <span>Light</span>
    <span class="two">{{ LIGHT_WORDS[object.light] }}</span>
    <input
      v-if="object.light !== 'surroundings'"
      type="color"
      aria-label="Colour of the light"
      :value="object.colour"
      @input="set({ colour: ($event.target as HTMLInputElement).value }, 'colour')"
      @change="done"
    />
  </div>
  <div class="line">
    <span>Strength</span>
    <NumberField
      :value="object.strength * 100"
      label="Strength of the light, per cent"
      unit="%"
      :digits="0"
      :step="5"
      :min="0"
      :max="2000"
      @change="(v) => set({ strength: v / 100 }, 'strength')"
      @done="done"
    />
    <button
      v-if="object.light === 'directional'"
      class="chip two"
      type="button"
      :aria-pressed="object.shadows"
      @click="set({ shadows: !object.shadows })"
    >
      Casts shadows
    </button>
    <SelectField
      v-if="object.light === 'surroundings'"
      name="Surroundings"
      class="two"
      :value="object.asset ?? ''"
      :options="[{ value: '', label: 'A plain bright room' }, ...made]"
      @change="(v: unknown) => set({ asset: (v || null) as never })"
    />
  </div>
</template>

<style scoped src="./fields.css"></style>
