<script setup lang="ts">
/** What of a trigger can be set beside its kind. */
import { computed } from 'vue';
import type { Trigger } from '../../../../core/document/schema';
import { readyNameOf } from '../../../../core/kinds/triggers/ready-triggers';
import { triggerKind } from '../../../../core/kinds/triggers/triggers';
import { propertiesIn, valueAt } from '../../../../core/schema/properties';
import { useEffectStore } from '../../../stores/effect';
import GestureField from '../../common/GestureField.vue';
import NumberField from '../../common/NumberField.vue';
import PropertyInput from '../../common/PropertyInput.vue';
import ChoiceField from './ChoiceField.vue';
import { useChoices } from './choices';
import SignalFields from './SignalFields.vue';
import SelectField from '../../common/SelectField.vue';

const props = defineProps<{ trigger: Trigger }>();
const emit = defineEmits<{ change: [trigger: Trigger, gesture: string | null] }>();
const choices = useChoices();
const effectStore = useEffectStore();
const set = (change: object, gesture: string | null = null): void =>
  emit('change', { ...props.trigger, ...change } as Trigger, gesture);
const setSignal = (change: object): void => {
  if (props.trigger.kind === 'level') set({ signal: { ...props.trigger.signal, ...change } });
};
/** What its kind describes: how long, which surface, the number of a face. */
const described = computed(() => {
  const { trigger } = props;
  const all = propertiesIn(triggerKind(trigger.kind).schema, trigger);
  // How far another cue is matters only where that is waited for.
  return trigger.kind === 'cue' && trigger.moment !== 'passes' ? {} : all;
});
/** A new level brings its way back along. */
const setLevel = (level: number): void => {
  if (props.trigger.kind !== 'level') return;
  const { level: was, slack } = props.trigger;
  const share = was === 0 ? 0.3 : slack / Math.abs(was);
  set({ level, slack: Math.abs(level) * Math.min(1, share) }, 'level');
};
const isPlain = (trigger: Trigger): boolean =>
  trigger.kind === 'level' && (readyNameOf(trigger) === null || readyNameOf(trigger) === 'signalCrosses');
</script>

<template>
  <span class="fields">
    <ChoiceField
      v-if="trigger.kind === 'touch'"
      label="Which object is touched"
      ask="Choose what"
      :value="trigger.object"
      :options="choices.objects.value"
      @change="(object) => set({ object })"
    />
    <ChoiceField
      v-if="trigger.kind === 'picture'"
      label="Which printed picture"
      none="No printed picture yet: add one in the Stack"
      :value="trigger.target"
      :options="choices.targets.value"
      @change="(target) => set({ target })"
    />
    <ChoiceField
      v-if="trigger.kind === 'control'"
      label="Which control"
      none="No controls yet: add one under Controls and prompts"
      :value="trigger.control"
      :options="choices.controls.value"
      @change="(control) => set({ control })"
    />
    <ChoiceField
      v-if="trigger.kind === 'variable'"
      label="Which variable"
      none="No variables yet: add one under Controls and prompts"
      :value="trigger.variable"
      :options="choices.variables.value"
      @change="(variable) => set({ variable })"
    />
    <ChoiceField
      v-if="trigger.kind === 'cue'"
      label="Which cue"
      :value="trigger.cue"
      :options="choices.cues.value"
      @change="(cue) => set({ cue })"
    />
    <PropertyInput
      v-for="(property, path) in described"
      :key="path"
      :class="{ small: property.type === 'number' }"
      :property="property"
      :value="valueAt(trigger, path)"
      @change="(to, felt) => set({ [path]: to }, felt ? path : null)"
      @done="effectStore.endGesture()"
    />
    <template v-if="trigger.kind === 'level'">
      <SignalFields v-if="isPlain(trigger)" :signal="trigger.signal" @change="(signal) => set({ signal })" />
      <template v-else-if="trigger.signal.kind === 'apart'">
        <ChoiceField
          label="Near which object"
          ask="Choose what"
          :value="trigger.signal.object"
          :options="choices.objects.value"
          @change="(object) => setSignal({ object })"
        />
      </template>
      <template v-else-if="'face' in trigger.signal">
        <span class="soft">face</span>
        <NumberField
          class="tiny"
          label="Number of the face"
          :value="trigger.signal.face"
          :digits="0"
          :min="1"
          :max="4"
          @change="(face) => setSignal({ face })"
        />
      </template>
      <SelectField
        v-if="isPlain(trigger)"
        name="Which way"
        :value="trigger.when"
        :options="[
          { value: 'rises', label: 'rises to' },
          { value: 'falls', label: 'falls below' },
        ]"
        @change="(v: unknown) => set({ when: v })"
      />
      <template v-if="trigger.signal.kind !== 'hand'">
        <span v-if="!isPlain(trigger)" class="soft">at</span>
        <GestureField
          class="small"
          label="Threshold"
          :value="trigger.level"
          :unit="trigger.signal.kind === 'apart' || trigger.signal.kind === 'facesApart' ? ' m' : ''"
          :step="0.05"
          :digits="2"
          @change="setLevel"
        />
      </template>
      <span class="soft">for</span>
      <GestureField
        class="small"
        label="Held for, seconds"
        unit=" s"
        :value="trigger.hold"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="60"
        @change="(hold) => set({ hold }, 'hold')"
      />
      <template v-if="trigger.signal.kind !== 'hand'">
        <span class="soft" title="How far it has to come back before it can cross again">slack</span>
        <GestureField
          class="small"
          label="Slack"
          :value="trigger.slack"
          :step="0.01"
          :digits="2"
          :min="0"
          @change="(slack) => set({ slack }, 'slack')"
        />
      </template>
    </template>
  </span>
</template>

<style scoped>
.fields {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.small {
  width: 68px;
}
.tiny {
  width: 44px;
}
</style>
