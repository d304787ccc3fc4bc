<script setup lang="ts">
/** One of a list of names, sought by typing. */
import type { Choice } from './choices';
import SelectField from './SelectField.vue';

withDefaults(
  defineProps<{
    label: string;
    value: string | null;
    options: readonly Choice[] | readonly { label: string; options: readonly Choice[] }[];
    /** Said while nothing is chosen. */
    ask?: string;
    /** Said when there is nothing to choose. */
    none?: string;
    /** Something has to be chosen. */
    needed?: boolean;
  }>(),
  { ask: 'Choose', none: 'Nothing to choose yet', needed: true },
);
const emit = defineEmits<{ change: [value: string] }>();
</script>

<template>
  <SelectField
    :name="label"
    class="choice"
    show-search
    option-filter-prop="label"
    :dropdown-match-select-width="false"
    :value="(value ?? null) as unknown as undefined"
    :options="options as never"
    :placeholder="ask"
    :status="needed && value === null ? 'error' : undefined"
    :not-found-content="none"
    @change="(v: unknown) => emit('change', String(v))"
  >
  </SelectField>
</template>

<style scoped>
.choice {
  min-width: 104px;
  max-width: 240px;
}
</style>
