<script setup lang="ts">
/** What a circuit is called, and whom it belongs to. */
import { computed } from 'vue';
import type { Circuit, ObjectId } from '../../../../../core/document/schema';
import ChoiceField from '../../../common/ChoiceField.vue';
import { useChoices } from '../../../common/choices';
import TextField from '../../../common/TextField.vue';
import WordButton from '../../../common/WordButton.vue';

defineProps<{ circuit: Circuit }>();
const emit = defineEmits<{
  set: [change: Partial<Pick<Circuit, 'name' | 'owner'>>, gesture: string | null];
  drop: [];
  done: [];
}>();
const choices = useChoices();
const owners = computed(() => [{ value: '', label: 'the effect' }, ...choices.objects.value]);
</script>

<template>
  <div class="bar" role="group" aria-label="About the circuit">
    <TextField
      class="name"
      label="Name of the circuit"
      :value="circuit.name"
      @change="(name: string) => emit('set', { name }, 'name')"
      @done="emit('done')"
    />
    <span class="soft">belongs to</span>
    <ChoiceField
      label="Whom the circuit belongs to"
      :value="circuit.owner ?? ''"
      :options="owners"
      @change="(owner) => emit('set', { owner: owner === '' ? null : (owner as ObjectId) }, null)"
    />
    <span class="grow" />
    <WordButton @click="emit('drop')">Delete the circuit</WordButton>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.name {
  width: 130px;
}
</style>
