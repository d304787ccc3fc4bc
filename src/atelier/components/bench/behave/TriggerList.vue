<script setup lang="ts">
/** Triggers of which any sets it off: chosen, told apart, added, taken away. */
import { Trash2 } from '@lucide/vue';
import { readyTrigger } from '../../../../core/kinds/triggers/ready-triggers';
import type { Trigger } from '../../../../core/document/schema';
import TriggerChoice from './TriggerChoice.vue';
import IconButton from '../../common/IconButton.vue';
import WordButton from '../../common/WordButton.vue';

const props = defineProps<{ label: string; triggers: readonly Trigger[]; gesture: string }>();
const emit = defineEmits<{ change: [triggers: Trigger[], gesture: string | null] }>();

const set = (i: number, trigger: Trigger, gesture: string | null = null): void =>
  emit(
    'change',
    props.triggers.map((t, n) => (n === i ? trigger : t)),
    gesture && `${props.gesture}-${i}-${gesture}`,
  );
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
      <TriggerChoice
        :label="i === 0 ? 'When' : `When, ${i + 1}`"
        :trigger="trigger"
        @change="(t, gesture) => set(i, t, gesture)"
      />
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
