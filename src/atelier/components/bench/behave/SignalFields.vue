<script setup lang="ts">
/** Which signal: its kind, and of whom or what. */
import { computed } from 'vue';
import type { Signal, SignalKind } from '../../../../core/document/schema';
import {
  newSignal,
  SIGNAL_KINDS,
  signalKind,
  signalProperties,
} from '../../../../core/kinds/signals/signals';
import { withValueAt } from '../../../../core/schema/properties';
import ChoiceField from '../../common/ChoiceField.vue';
import PropertyList from '../../common/PropertyList.vue';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';

const props = defineProps<{ signal: Signal; label?: string }>();
const emit = defineEmits<{ change: [signal: Signal, gesture: string | null] }>();
const desk = useDeskStore();
const effectStore = useEffectStore();
const kinds = SIGNAL_KINDS.map((value) => ({ value, label: signalKind(value).name }));
const properties = computed(() => signalProperties(props.signal));
</script>

<template>
  <span class="fields">
    <ChoiceField
      :label="label ?? 'Signal'"
      :value="signal.kind"
      :options="kinds"
      @change="(kind) => emit('change', newSignal(kind as SignalKind, desk.selected), null)"
    />
    <PropertyList
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
