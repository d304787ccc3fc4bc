<script setup lang="ts">
/** A signal that crosses a level: of what, at which level, for how long, and how far it has to come back. */
import { computed } from 'vue';
import type { Property } from '../../../../core/schema/properties';
import type { Trigger, Signal } from '../../../../core/document/schema';
import { readAs } from '../../../../core/behave/fitting-range';
import { isTruth, signalKind, signalProperties } from '../../../../core/kinds/signals/signals';
import { readyNameOf } from '../../../../core/kinds/triggers/ready-triggers';
import { triggerProperties, type TriggerOf } from '../../../../core/kinds/triggers/triggers';
import { withValueAt } from '../../../../core/schema/properties';
import { useEffectStore } from '../../../stores/effect';
import GestureField from '../../common/GestureField.vue';
import PropertyInput from '../../common/PropertyInput.vue';
import PropertyList from '../../common/PropertyList.vue';
import SignalFields from './SignalFields.vue';

const props = defineProps<{ trigger: TriggerOf<'level'> }>();
const emit = defineEmits<{ change: [trigger: Trigger, gesture: string | null] }>();
const effectStore = useEffectStore();
const set = (change: object, gesture: string | null = null): void =>
  emit('change', { ...props.trigger, ...change } as Trigger, gesture);
const described = computed(() => triggerProperties(props.trigger));
/** It is no ready trigger, so its signal and its way are chosen here. */
const isPlain = computed(() => [null, 'signalCrosses'].includes(readyNameOf(props.trigger)));
/** It is so or not: no level is set, and none to come back from. */
const isSoOrNot = computed(() => !isPlain.value && isTruth(props.trigger.signal));
/** Of a ready trigger's signal only whom it is about: what it is makes the trigger ready. */
const whom = computed((): Record<string, Property> => {
  const { object, face } = signalProperties(props.trigger.signal);
  return {
    ...(object ? { object: { ...object, name: 'Near which object' } } : {}),
    ...(face ? { face } : {}),
  };
});
const setSignal = (path: string, to: unknown): void =>
  set({ signal: withValueAt<Signal>(props.trigger.signal, path, to) });
/** A new level brings its way back along. */
const setLevel = (to: number): void => {
  const { level: was, slack } = props.trigger;
  const share = was === 0 ? 0.3 : slack / Math.abs(was);
  set({ level: to, slack: Math.abs(to) * Math.min(1, share) }, 'level');
};
/** How its level is shown: in per cent where the number is shown so, in metres. */
const shown = computed(() => {
  const { factor, mark } = readAs(effectStore.effect, props.trigger.signal);
  const of = signalKind(props.trigger.signal.kind).unit;
  return { factor, mark: of ? ` ${of}` : mark };
});
</script>

<template>
  <SignalFields
    v-if="isPlain"
    :signal="trigger.signal"
    @change="(signal, gesture) => set({ signal }, gesture)"
  />
  <PropertyList v-else :properties="whom" :value="trigger.signal" @change="setSignal" />
  <PropertyInput
    v-if="isPlain"
    :property="described['when']!"
    :value="trigger.when"
    @change="(when) => set({ when })"
  />
  <template v-if="!isSoOrNot">
    <span v-if="!isPlain" class="soft">at</span>
    <GestureField
      class="small"
      label="Threshold"
      :value="trigger.level * shown.factor"
      :unit="shown.mark"
      :step="0.05 * shown.factor"
      :digits="2"
      @change="(v) => setLevel(v / shown.factor)"
    />
  </template>
  <PropertyInput
    class="small"
    :property="described['hold']!"
    :value="trigger.hold"
    @change="(hold) => set({ hold }, 'hold')"
    @done="effectStore.endGesture()"
  />
  <PropertyInput
    v-if="!isSoOrNot"
    class="small"
    :property="described['slack']!"
    :value="trigger.slack"
    @change="(slack) => set({ slack }, 'slack')"
    @done="effectStore.endGesture()"
  />
</template>

<style scoped>
.small {
  width: 84px;
}
</style>
