<script setup lang="ts">
/** Which signal, sought in one list by the words people use; and of whom or what. */
import { computed } from 'vue';
import type { Signal } from '../../../../core/document/schema';
import { leftToSet, offeredKey, offeredSignals } from '../../../../core/kinds/signals/offered';
import { signalKind } from '../../../../core/kinds/signals/signals';
import { withValueAt } from '../../../../core/schema/properties';
import ChoiceField from '../../common/ChoiceField.vue';
import FormulaInput from '../../common/formula/FormulaInput.vue';
import PropertyList from '../../common/PropertyList.vue';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';

const props = defineProps<{ signal: Signal; label?: string }>();
const emit = defineEmits<{ change: [signal: Signal, gesture: string | null] }>();
const desk = useDeskStore();
const effectStore = useEffectStore();
const own = computed(() => (desk.selected ? (effectStore.effect.objects[desk.selected] ?? null) : null));
const offered = computed(() => offeredSignals(own.value));
const options = computed(() => {
  const groups = new Map<string, { value: string; label: string; seek: string }[]>();
  for (const { key, words, group, seek } of offered.value)
    groups.set(group, [...(groups.get(group) ?? []), { value: key, label: words, seek }]);
  return [...groups].map(([label, inside]) => ({ label, options: inside }));
});
const properties = computed(() => leftToSet(props.signal));
const choose = (key: string): void => {
  const found = offered.value.find((o) => o.key === key);
  if (!found) return;
  // Of the same object or face, where it has one.
  const kept = found.signal.kind === props.signal.kind ? props.signal : {};
  const { parts } = signalKind(found.signal.kind);
  const part = parts && { [parts.field]: (found.signal as unknown as Record<string, unknown>)[parts.field] };
  emit('change', { ...found.signal, ...kept, ...part } as Signal, null);
};
</script>

<template>
  <span class="fields">
    <ChoiceField :label="label ?? 'Signal'" :value="offeredKey(signal)" :options="options" @change="choose" />
    <FormulaInput
      v-if="signal.kind === 'formula'"
      :formula="signal"
      label="Formula"
      :unit="signal.unit"
      @change="(to) => emit('change', { ...signal, ...to } as Signal, 'formula')"
      @done="effectStore.endGesture()"
    />
    <PropertyList
      v-else
      :properties="properties"
      :value="signal"
      @change="
        (path, to, felt) => emit('change', withValueAt(signal, path, to), felt ? `signal-${path}` : null)
      "
      @done="effectStore.endGesture()"
    />
  </span>
</template>

<style scoped>
.fields {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
</style>
