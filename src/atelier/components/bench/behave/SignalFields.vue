<script setup lang="ts">
/** Which signal: its kind, and of whom or what. */
import { computed } from 'vue';
import { EXPRESSION_NAMES } from '../../../../core/tracking/expression-names';
import {
  FACE_MEASURES,
  HAND_SHAPES,
  HEAD_SIGNALS,
  OBJECT_SIGNALS,
  signalSchema,
  type Signal,
  type SignalKind,
} from '../../../../core/document/schema';
import { expressionWords, HEAD_WORDS, OBJECT_WORDS, SIGNAL_KIND_WORDS } from '../../../behave-words';
import NumberField from '../../common/NumberField.vue';
import ChoiceField from './ChoiceField.vue';
import { useChoices } from './choices';
import { newSignal } from './new-signal';
import { useDeskStore } from '../../../stores/desk';

const props = defineProps<{ signal: Signal; label?: string }>();
const emit = defineEmits<{ change: [signal: Signal] }>();
const desk = useDeskStore();
const choices = useChoices();
const kinds = signalSchema.options.map((o) => {
  const value = o.shape.kind.value as SignalKind;
  return { value, label: SIGNAL_KIND_WORDS[value] };
});
const expressions = [...FACE_MEASURES, ...EXPRESSION_NAMES].map((value) => ({
  value: value as string,
  label: expressionWords(value),
}));
const heads = HEAD_SIGNALS.map((value) => ({ value: value as string, label: HEAD_WORDS[value] }));
const ofObjects = OBJECT_SIGNALS.map((value) => ({ value: value as string, label: OBJECT_WORDS[value] }));
const hands = HAND_SHAPES.map((value) => ({ value: value as string, label: value }));
const from = computed(() => [{ value: '', label: 'the viewer' }, ...choices.objects.value]);
const set = (change: object): void => emit('change', { ...props.signal, ...change } as Signal);
const orNull = (v: string): string | null => (v === '' ? null : v);
</script>

<template>
  <span class="fields">
    <ChoiceField
      :label="label ?? 'Signal'"
      :value="signal.kind"
      :options="kinds"
      @change="(v) => emit('change', newSignal(v as SignalKind, desk.selected))"
    />
    <ChoiceField
      v-if="signal.kind === 'expression'"
      label="Expression"
      :value="signal.name"
      :options="expressions"
      @change="(name) => set({ name })"
    />
    <ChoiceField
      v-if="signal.kind === 'head'"
      label="What of the head"
      :value="signal.of"
      :options="heads"
      @change="(of) => set({ of })"
    />
    <ChoiceField
      v-if="signal.kind === 'object' || signal.kind === 'apart' || signal.kind === 'angle'"
      label="Object of the signal"
      ask="Choose what"
      :value="signal.object"
      :options="choices.objects.value"
      @change="(object) => set({ object })"
    />
    <ChoiceField
      v-if="signal.kind === 'object'"
      label="What of the object"
      :value="signal.of"
      :options="ofObjects"
      @change="(of) => set({ of })"
    />
    <template v-if="signal.kind === 'apart' || signal.kind === 'angle'">
      <span class="soft">to</span>
      <ChoiceField
        label="To what"
        :needed="false"
        :value="signal.from ?? ''"
        :options="from"
        @change="(v) => set({ from: orNull(v) })"
      />
    </template>
    <ChoiceField
      v-if="signal.kind === 'progress' || signal.kind === 'times'"
      label="Which cue"
      :value="signal.cue"
      :options="choices.cues.value"
      @change="(cue) => set({ cue })"
    />
    <ChoiceField
      v-if="signal.kind === 'control'"
      label="Which control"
      none="No controls yet: add one under Controls and prompts"
      :value="signal.control"
      :options="choices.controls.value"
      @change="(control) => set({ control })"
    />
    <ChoiceField
      v-if="signal.kind === 'variable'"
      label="Which variable"
      none="No variables yet: add one under Controls and prompts"
      :value="signal.variable"
      :options="choices.variables.value"
      @change="(variable) => set({ variable })"
    />
    <ChoiceField
      v-if="signal.kind === 'scene'"
      label="Which scene"
      none="No scenes yet: add one in the Stack"
      :value="signal.scene"
      :options="choices.scenes.value"
      @change="(scene) => set({ scene })"
    />
    <ChoiceField
      v-if="signal.kind === 'picture'"
      label="Which printed picture"
      none="No printed picture yet: add one in the Stack"
      :value="signal.target"
      :options="choices.targets.value"
      @change="(target) => set({ target })"
    />
    <ChoiceField
      v-if="signal.kind === 'hand'"
      label="Shape of the hand"
      :value="signal.shape"
      :options="hands"
      @change="(shape) => set({ shape })"
    />
    <NumberField
      v-if="signal.kind === 'random' || signal.kind === 'noise'"
      class="small"
      label="New values a second"
      unit=" /s"
      :value="signal.rate"
      :min="0"
      :max="60"
      @change="(rate) => set({ rate })"
    />
    <template v-if="'face' in signal">
      <span class="soft">face</span>
      <NumberField
        class="tiny"
        label="Number of the face"
        :value="signal.face"
        :digits="0"
        :min="1"
        :max="4"
        @change="(face) => set({ face })"
      />
    </template>
    <template v-if="signal.kind === 'facesApart'">
      <span class="soft">and</span>
      <NumberField
        class="tiny"
        label="Number of the other face"
        :value="signal.other"
        :digits="0"
        :min="1"
        :max="4"
        @change="(other) => set({ other })"
      />
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
  width: 78px;
}
.tiny {
  width: 44px;
}
</style>
