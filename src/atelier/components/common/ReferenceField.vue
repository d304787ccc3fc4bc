<script setup lang="ts">
/** Something else of the document: an object, a cue, a control, by its name. */
import { computed } from 'vue';
import type { ReferenceProperty } from '../../../core/schema/properties';
import type { Referred } from '../../../core/schema/referred';
import ChoiceField from './ChoiceField.vue';
import { useChoices } from './choices';

const props = defineProps<{ property: ReferenceProperty; value: string | null }>();
const emit = defineEmits<{ change: [id: string | null] }>();
const choices = useChoices();
/** Said where there is nothing of it yet. */
const NONE: Partial<Record<Referred, string>> = {
  controls: 'No controls yet: add one under Controls and prompts',
  variables: 'No variables yet: add one under Controls and prompts',
  prompts: 'No prompts yet: add one under Controls and prompts',
  scenes: 'No scenes yet: add one in the Stack',
  targets: 'No printed picture yet: add one in the Stack',
};
/** Chosen where nothing is named. */
const NOTHING = '';
const options = computed(() => {
  const { to, none } = props.property;
  const named = choices.of(to);
  return none === undefined ? named : [{ value: NOTHING, label: none }, ...named];
});
</script>

<template>
  <ChoiceField
    :label="property.name"
    :ask="property.ask"
    :none="NONE[property.to]"
    :needed="property.none === undefined"
    :value="value ?? (property.none === undefined ? null : NOTHING)"
    :options="options"
    @change="(v) => emit('change', v === NOTHING ? null : v)"
  />
</template>
