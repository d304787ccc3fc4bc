<script setup lang="ts">
/** Solids and shadow catchers: shape, colour, extent, how dark and soft a shadow is. */
import { reshape } from '../../../core/document/edits';
import {
  SOLID_SHAPES,
  type ObjectKind,
  type ShadowCatcher,
  type Solid,
  type SolidShape,
} from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import { SOLID_WORDS } from '../../words';
import NumberField from '../common/NumberField.vue';
import SelectField from '../common/SelectField.vue';

const props = defineProps<{ object: Solid | ShadowCatcher }>();
const document = useEffectStore();
const set = <K extends ObjectKind>(
  kind: K,
  change: Parameters<typeof reshape<K>>[3],
  gesture: string | null = null,
): void => {
  document.edit(reshape(document.effect, props.object.id, kind, change), gesture);
};
const done = (): void => document.endGesture();
const shapes = SOLID_SHAPES.map((value) => ({ value, label: SOLID_WORDS[value] }));
/** Their tube or ends stay round when their form changes; sizing them would squash those. */
const ROUND: readonly SolidShape[] = ['torus', 'capsule'];
const setForm = (axis: number, cm: number): void => {
  if (props.object.kind !== 'solid') return;
  const extent: [number, number, number] = [...props.object.extent];
  extent[axis] = cm / 100;
  set('solid', { extent }, `extent-${axis}`);
};
</script>

<template>
  <template v-if="object.kind === 'solid'">
    <div class="line">
      <span>Shape</span>
      <SelectField
        name="Shape"
        class="two"
        :value="object.shape"
        :options="shapes"
        @change="(v: unknown) => set('solid', { shape: v as 'box' })"
      />
      <input
        type="color"
        aria-label="Colour of the solid"
        :value="object.colour"
        @input="set('solid', { colour: ($event.target as HTMLInputElement).value }, 'colour')"
        @change="done"
      />
    </div>
  </template>

  <!-- How round these are depends on their form; the others are only sized. -->
  <div v-if="object.kind === 'solid' && ROUND.includes(object.shape)" class="line">
    <span>Form</span>
    <NumberField
      v-for="(size, i) in object.extent"
      :key="i"
      :value="size * 100"
      :label="`${['Width', 'Height', 'Depth'][i]} of the form, cm`"
      :mark="['w', 'h', 'd'][i]!"
      :digits="2"
      :min="0.01"
      :max="10000"
      @change="(v) => setForm(i, v)"
      @done="done"
    />
  </div>
  <div v-if="object.kind === 'shadowCatcher'" class="line">
    <span>Shadow</span>
    <NumberField
      :value="object.density * 100"
      label="Density of the shadow, per cent"
      mark="dark"
      unit="%"
      :digits="0"
      :min="0"
      :max="100"
      @change="(v) => set('shadowCatcher', { density: v / 100 }, 'density')"
      @done="done"
    />
    <NumberField
      :value="object.softness * 100"
      label="Softness of the shadow, per cent"
      mark="soft"
      unit="%"
      :digits="0"
      :min="0"
      :max="100"
      @change="(v) => set('shadowCatcher', { softness: v / 100 }, 'softness')"
      @done="done"
    />
  </div>
</template>

<style scoped src="./fields.css"></style>
