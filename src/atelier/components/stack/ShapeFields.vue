<script setup lang="ts">
/** Solids and shadow catchers: shape, colour, extent, how dark and soft a shadow is. */
import { reshape } from '../../../core/edits/object-edits';
import type { ShadowCatcher, Solid, SolidShape } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import NumberField from '../common/NumberField.vue';
import PropertyField from '../common/PropertyField.vue';

const props = defineProps<{ object: Solid | ShadowCatcher }>();
const effectStore = useEffectStore();
/** Their tube or ends stay round when their form changes; sizing them would squash those. */
const ROUND: readonly SolidShape[] = ['torus', 'capsule'];
const setForm = (axis: number, cm: number): void => {
  if (props.object.kind !== 'solid') return;
  const extent: [number, number, number] = [...props.object.extent];
  extent[axis] = cm / 100;
  effectStore.edit(reshape(effectStore.effect, props.object.id, 'solid', { extent }), `extent-${axis}`);
};
</script>

<template>
  <div v-if="object.kind === 'solid'" class="line">
    <span>Shape</span>
    <PropertyField class="two" :object="object" path="shape" />
    <PropertyField :object="object" path="colour" />
  </div>

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
      @done="effectStore.endGesture()"
    />
  </div>
  <div v-if="object.kind === 'shadowCatcher'" class="line">
    <span>Shadow</span>
    <PropertyField :object="object" path="density" />
    <PropertyField :object="object" path="softness" />
  </div>
</template>

<style scoped src="./fields.css"></style>
