<script setup lang="ts">
/** What only this kind of object has in Place: words, shape, size, light, shadow, parts, when it starts. */
import { computed } from 'vue';
import type { EffectObject } from '../../../core/document/schema';
import { ownPropertiesOf } from '../../../core/kinds/objects/objects';
import { shownAs } from '../../kinds/object-kinds';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import { playsByItself } from './plays-by-itself';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const fields = computed(() => shownAs(props.object.kind).place);
/** Of a kind without fields of its own: what it describes, but for what Style shows of everything. */
const described = computed(() => {
  const { place, style, note } = shownAs(props.object.kind);
  if (place || style || note) return [];
  const {
    opacity: _opacity,
    tint: _tint,
    startDelay: _delay,
    runs: _runs,
    ...rest
  } = ownPropertiesOf(props.object);
  return Object.entries(rest);
});
</script>

<template>
  <component :is="fields" v-if="fields" :object="object" />
  <div v-for="[path, property] in described" :key="path" class="line">
    <span>{{ property.short ?? property.name }}</span>
    <PropertyField class="two" :object="object" :path="path" />
  </div>
  <div v-if="'startDelay' in object && playsByItself(effectStore.effect, object)" class="line">
    <span>Starts</span>
    <PropertyField v-if="!('runs' in object) || object.runs" class="two" :object="object" path="startDelay" />
    <PropertyField v-if="'runs' in object" :object="object" path="runs" as="switch" word="by itself" />
  </div>
</template>

<style scoped src="./fields.css"></style>
