<script setup lang="ts">
/** What leaves a part of something on a face out: the mask of a layer, and what is before the face. */
import { computed } from 'vue';
import { limitBy, layersOn } from '../../../core/edits/look-edits';
import { anchorOf } from '../../../core/document/queries';
import type { Iris, Lashes, Layer, ObjectId } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import SelectField from '../common/SelectField.vue';

const props = defineProps<{ object: Layer | Iris | Lashes }>();
const effectStore = useEffectStore();
/** Layers of the same face that may limit it. */
const others = computed(() => {
  const anchor = anchorOf(effectStore.effect, props.object);
  return 'face' in anchor
    ? layersOn(effectStore.effect, anchor.face)
        .filter((l) => l.id !== props.object.id)
        .map((l) => ({ value: l.id as string, label: l.name }))
    : [];
});
const limit = (by: unknown): void => {
  effectStore.edit(limitBy(effectStore.effect, props.object.id, by === '' ? null : (by as ObjectId)));
};
</script>

<template>
  <div v-if="others.length > 0" class="line">
    <span>Only in</span>
    <SelectField
      name="Limited by the mask of"
      class="wide"
      :value="object.maskedBy ?? ''"
      :options="[{ value: '', label: 'no other layer' }, ...others]"
      @change="limit"
    />
  </div>
  <slot />
  <div class="chips">
    <PropertyField v-if="object.maskedBy" :object="object" path="maskedOut" />
    <slot name="chips" />
    <PropertyField :object="object" path="givesWay" />
  </div>
</template>

<style scoped src="./fields.css"></style>
