<script setup lang="ts">
/** What only this kind of object has in Place: words, shape, size, light, shadow, parts, when it starts. */
import { computed } from 'vue';
import type { EffectObject } from '../../../core/document/schema';
import { shownAs } from '../../kinds/object-kinds';
import { useEffectStore } from '../../stores/effect';
import PropertyField from '../common/PropertyField.vue';
import { playsByItself } from './plays-by-itself';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const fields = computed(() => shownAs(props.object.kind).place);
</script>

<template>
  <component :is="fields" v-if="fields" :object="object" />
  <div v-if="'startDelay' in object && playsByItself(effectStore.effect, object)" class="line">
    <span>Starts</span>
    <PropertyField class="two" :object="object" path="startDelay" />
  </div>
</template>

<style scoped src="./fields.css"></style>
