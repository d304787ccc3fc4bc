<script setup lang="ts">
/** Triggers of which any sets it off: chosen, told apart, added, taken away. */
import { Trash2 } from '@lucide/vue';
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
import IconButton from '../../common/IconButton.vue';
import WordButton from '../../common/WordButton.vue';

const props = defineProps<{ label: string; triggers: readonly Trigger[]; gesture: string }>();
const emit = defineEmits<{ change: [triggers: Trigger[], gesture: string | null] }>();
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
const set = (i: number, trigger: Trigger, gesture: string | null = null): void =>
  emit(
    'change',
    props.triggers.map((t, n) => (n === i ? trigger : t)),
    gesture && `${props.gesture}-${i}-${gesture}`,
  );
const choose = (i: number, name: string): void =>
  set(i, aimed(readyTrigger(name as ReadyTrigger), desk.selected));
const add = (): void => emit('change', [...props.triggers, readyTrigger('screenTapped')], null);
const remove = (i: number): void =>
  emit(
    'change',
    props.triggers.filter((_, n) => n !== i),
    null,
  );
</script>

<template>
  <div class="list" role="group" :aria-label="label">
    <div v-for="(trigger, i) in triggers" :key="i" class="trigger">
      <span class="faint or">{{ i === 0 ? 'when' : 'or' }}</span>
      <ChoiceField
        :label="i === 0 ? 'When' : `When, ${i + 1}`"
        :value="nameOf(trigger)"
        :options="options"
        @change="(name) => choose(i, name)"
      />
      <TriggerFields :trigger="trigger" @change="(t, gesture) => set(i, t, gesture)" />
      <IconButton aria-label="Remove this trigger" @click="remove(i)">
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <div class="row">
      <WordButton @click="add">
        {{ triggers.length === 0 ? '+ When' : '+ Or when' }}
      </WordButton>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  gap: 6px;
}
.trigger {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.or {
  width: 34px;
  font-size: 12px;
}
</style>
