<script setup lang="ts">
/** One trigger: which, and what of it can be set. */
import {
  READY,
  READY_BY_GROUP,
  readyNameOf,
  readyTrigger,
  type ReadyTrigger,
} from '../../../../core/kinds/triggers/ready-triggers';
import type { ObjectId, Trigger } from '../../../../core/document/schema';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import ChoiceField from '../../common/ChoiceField.vue';
import TriggerFields from './TriggerFields.vue';

defineProps<{ trigger: Trigger; label: string }>();
const emit = defineEmits<{ change: [trigger: Trigger, gesture: string | null] }>();
const desk = useDeskStore();
const effectStore = useEffectStore();

const options = READY_BY_GROUP.map(([label, names]) => ({
  label,
  options: names.map((value) => ({ value: value as string, label: READY[value].words })),
}));
/** What is selected in the Stack is meant, where an object is meant at all. */
const aimed = (trigger: Trigger, object: ObjectId | null): Trigger => {
  if (trigger.kind === 'touch') return { ...trigger, object };
  if (trigger.kind === 'level' && trigger.signal.kind === 'apart')
    return { ...trigger, signal: { ...trigger.signal, object } };
  if (trigger.kind === 'picture')
    return { ...trigger, target: Object.values(effectStore.effect.targets)[0]?.id ?? null };
  return trigger;
};
const nameOf = (trigger: Trigger): ReadyTrigger =>
  readyNameOf(trigger) ??
  (trigger.kind === 'level' && trigger.signal.kind === 'expression' ? 'expression' : 'signalCrosses');
</script>

<template>
  <ChoiceField
    :label="label"
    :value="nameOf(trigger)"
    :options="options"
    @change="(name) => emit('change', aimed(readyTrigger(name as ReadyTrigger), desk.selected), null)"
  />
  <TriggerFields :trigger="trigger" @change="(t, gesture) => emit('change', t, gesture)" />
</template>
