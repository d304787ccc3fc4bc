<script setup lang="ts">
/** What has to hold besides, so that a cue fires. */
import { Trash2 } from '@lucide/vue';
import { COMPARISONS, type Comparison, type Condition, type Cue } from '../../../../core/document/schema';
import { COMPARISON_WORDS } from '../../../behave-words';
import GestureField from '../../common/GestureField.vue';
import { newCondition } from '../../../../core/document/new-cues';
import SignalFields from './SignalFields.vue';
import SelectField from '../../common/SelectField.vue';
import { readAs } from '../../../../core/behave/fitting-range';
import { useEffectStore } from '../../../stores/effect';
import { useDeskStore } from '../../../stores/desk';
import IconButton from '../../common/IconButton.vue';
import WordButton from '../../common/WordButton.vue';

const props = withDefaults(defineProps<{ conditions: readonly Condition[]; match?: Cue['match'] | null }>(), {
  match: null,
});
const emit = defineEmits<{
  change: [change: { conditions?: Condition[]; match?: Cue['match'] }, gesture: string | null];
}>();
const desk = useDeskStore();
const effectStore = useEffectStore();
const shown = ({ signal }: Condition) => readAs(effectStore.effect, signal);
const comparisons = COMPARISONS.map((value) => ({ value, label: COMPARISON_WORDS[value] }));
const set = (i: number, change: Partial<Condition>, gesture: string | null = null): void =>
  emit(
    'change',
    { conditions: props.conditions.map((c, n) => (n === i ? { ...c, ...change } : c)) },
    gesture && `condition-${i}-${gesture}`,
  );
const add = (): void =>
  emit('change', { conditions: [...props.conditions, newCondition(desk.selected)] }, null);
</script>

<template>
  <div class="list" role="group" aria-label="Only if">
    <div v-for="(condition, i) in conditions" :key="i" class="condition">
      <span class="faint or">{{ i === 0 ? 'only if' : match === 'any' ? 'or' : 'and' }}</span>
      <SignalFields
        :signal="condition.signal"
        :label="i === 0 ? 'Condition' : `Condition ${i + 1}`"
        @change="(signal, gesture) => set(i, { signal }, gesture)"
      />
      <SelectField
        name="Comparison"
        :value="condition.is"
        :options="comparisons"
        @change="(v: unknown) => set(i, { is: v as Comparison })"
      />
      <GestureField
        class="small"
        label="Compared with"
        :value="condition.value * shown(condition).factor"
        :unit="shown(condition).mark"
        :step="0.1 * shown(condition).factor"
        :digits="2"
        @change="(v) => set(i, { value: v / shown(condition).factor }, 'value')"
      />
      <IconButton
        aria-label="Remove this condition"
        @click="emit('change', { conditions: conditions.filter((_, n) => n !== i) }, null)"
      >
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <div class="row">
      <WordButton @click="add">+ Only if</WordButton>
      <SelectField
        v-if="match !== null && conditions.length > 1"
        name="How many have to hold"
        :value="match"
        :options="[
          { value: 'all', label: 'all of them' },
          { value: 'any', label: 'any of them' },
        ]"
        @change="(v: unknown) => emit('change', { match: v as Cue['match'] }, null)"
      />
    </div>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  gap: 6px;
}
.condition {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.or {
  width: 40px;
  font-size: 12px;
}
.small {
  width: 68px;
}
</style>
