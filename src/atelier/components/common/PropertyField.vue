<script setup lang="ts">
/** One property of an object, by its path in the document: `rate`, `wind.0`. One visit to it is one step to undo. */
import { computed } from 'vue';
import type { EffectObject } from '../../../core/document/schema';
import { setProperty } from '../../../core/edits/object-edits';
import { formulaPlace } from '../../../core/edits/formula-edits';
import { propertiesOf } from '../../../core/kinds/objects/objects';
import { valueAt } from '../../../core/schema/properties';
import { useEffectStore } from '../../stores/effect';
import PropertyInput from './PropertyInput.vue';

const props = defineProps<{
  object: EffectObject;
  path: string;
  as?: 'row' | 'switch';
  word?: string;
  label?: string;
  /** What is done, for the list of what can be undone. */
  does?: string;
}>();
const effectStore = useEffectStore();
const property = computed(() => propertiesOf(props.object)[props.path]!);
/** Where a formula can be written instead. */
const place = computed(() => formulaPlace(props.object, props.path));
const set = (to: unknown, felt: boolean): void => {
  effectStore.edit(
    setProperty(effectStore.effect, props.object.id, props.path, to, props.does),
    felt ? `${props.path}-${props.object.id}` : null,
  );
};
</script>

<template>
  <PropertyInput
    :property="property"
    :value="valueAt(object, path)"
    :as="as"
    :word="word"
    :label="label"
    :place="place"
    @change="set"
    @done="effectStore.endGesture()"
  />
</template>
