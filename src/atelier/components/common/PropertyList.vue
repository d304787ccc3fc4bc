<script setup lang="ts">
/** What a kind describes of a value, one field after the other. */
import type { Property } from '../../../core/schema/properties';
import { valueAt } from '../../../core/schema/properties';
import PropertyInput from './PropertyInput.vue';

defineProps<{
  /** By their paths in the value. */
  properties: Readonly<Record<string, Property>>;
  value: object;
}>();
const emit = defineEmits<{
  /** While it is `felt` more may follow before `done`. */
  change: [path: string, to: unknown, felt: boolean];
  done: [];
}>();
/** The word before a field: of a number its name, where no letter stands in it. */
const before = (property: Property): string =>
  property.type !== 'number'
    ? (property.mark ?? '')
    : property.mark === undefined
      ? (property.short ?? property.name).toLowerCase()
      : '';
/** How wide a number is: a word before it takes room of its own. */
const widthOf = (property: Property): string | undefined =>
  property.type !== 'number' ? undefined : property.unit === 'count' && !property.mark ? 'tiny' : 'small';
</script>

<template>
  <template v-for="(property, path) in properties" :key="path">
    <span v-if="before(property)" class="soft" :title="property.help">{{ before(property) }}</span>
    <PropertyInput
      :class="widthOf(property)"
      :property="property"
      :value="valueAt(value, path)"
      @change="(to, felt) => emit('change', path, to, felt)"
      @done="emit('done')"
    />
  </template>
</template>

<style scoped>
.small {
  width: 80px;
}
.tiny {
  width: 44px;
}
</style>
