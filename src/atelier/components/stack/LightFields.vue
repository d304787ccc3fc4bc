<script setup lang="ts">
/** A light: colour, strength, shadows, the picture of its surroundings. */
import { reshape } from '../../../core/edits/object-edits';
import type { Light } from '../../../core/document/schema';
import { LIGHT_WORDS } from '../../../core/kinds/objects/light';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';

const props = defineProps<{ object: Light }>();
const effectStore = useEffectStore();
const made = useMadeOf(() => props.object);
const setAsset = (asset: Light['asset']): void => {
  effectStore.edit(reshape(effectStore.effect, props.object.id, 'light', { asset }));
};
</script>

<template>
  <div class="line">
    <span>Light</span>
    <span class="two">{{ LIGHT_WORDS[object.light] }}</span>
    <PropertyField v-if="object.light !== 'surroundings'" :object="object" path="colour" />
  </div>
  <div class="line">
    <span>Strength</span>
    <PropertyField :object="object" path="strength" />
    <PropertyField v-if="object.light === 'directional'" class="two" :object="object" path="shadows" />
    <SelectField
      v-if="object.light === 'surroundings'"
      name="Surroundings"
      class="two"
      :value="object.asset ?? ''"
      :options="[{ value: '', label: 'A plain bright room' }, ...made]"
      @change="(v: unknown) => setAsset((v || null) as Light['asset'])"
    />
  </div>
  <div class="line">
    <span>Faces</span>
    <PropertyField class="two" :object="object" path="onFaces" />
  </div>
</template>

<style scoped src="./fields.css"></style>
