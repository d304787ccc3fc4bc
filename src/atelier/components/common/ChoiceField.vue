<script setup lang="ts">
/** One of a list of names, sought by typing. */
import type { Choice } from './choices';

/** With more words it is sought by. */
type Sought = Choice & { readonly seek?: string };

import SelectField from './SelectField.vue';

withDefaults(
  defineProps<{
    label: string;
    value: string | null;
    options: readonly Sought[] | readonly { label: string; options: readonly Sought[] }[];
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
/** All words that are typed stand in what the option says, or in what else it is sought by. */
const isSought = (typed: string, option: { label?: string; seek?: string } | undefined): boolean => {
  const all = `${option?.label ?? ''} ${option?.seek ?? ''}`.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
};
</script>

<template>
  <SelectField
    :name="label"
    class="choice"
    show-search
    :filter-option="isSought"
    :dropdown-match-select-width="false"
    :value="(value ?? null) as unknown as undefined"
    :options="options as never"
    :placeholder="ask"
    :status="needed && value === null ? 'error' : undefined"
    :not-found-content="none"
    @change="(v: unknown) => emit('change', String(v))"
  >
    <template v-if="$slots.option" #option="option"><slot name="option" v-bind="option" /></template>
  </SelectField>
</template>

<style scoped>
.choice {
  min-width: 104px;
  max-width: 240px;
}
</style>
