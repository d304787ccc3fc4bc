<script setup lang="ts">
/** The shape of an occluder: the head, or a model of the effect. */
import { computed } from 'vue';
import type { AssetId, Occluder } from '../../../core/document/schema';
import { isHandOccluder, isPeopleOccluder } from '../../../core/kinds/objects/occluder';
import { reshape } from '../../../core/edits/object-edits';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';

const props = defineProps<{ object: Occluder }>();
const effectStore = useEffectStore();
const made = useMadeOf(() => props.object);
const shapeWords = computed(() =>
  isHandOccluder({ ...props.object, asset: null })
    ? 'The hand'
    : isPeopleOccluder({ ...props.object, asset: null })
      ? 'The people'
      : 'The head',
);
const setShape = (asset: string): void => {
  const change = { asset: (asset || null) as AssetId | null };
  effectStore.edit(reshape(effectStore.effect, props.object.id, 'occluder', change));
};
</script>

<template>
  <div v-if="made.length > 0" class="line">
    <span>Shape</span>
    <SelectField
      name="Shape of the occluder"
      class="wide"
      :value="object.asset ?? ''"
      :options="[{ value: '', label: shapeWords }, ...made]"
      @change="(v: unknown) => setShape(v as string)"
    />
  </div>
  <div v-if="object.asset === null && shapeWords === 'The head'" class="line">
    <span>Hides</span>
    <span class="wide switches">
      <PropertyField :object="object" path="hair" as="switch" word="with its hair" />
      <PropertyField :object="object" path="neck" as="switch" word="with its neck" />
    </span>
  </div>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
</style>
