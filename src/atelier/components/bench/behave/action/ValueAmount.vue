<script setup lang="ts">
/** Any number and a variable: to what, or by how much; which prompt, scene or cue. */
import { computed } from 'vue';
import { numberName, numbersOf, readNumber } from '../../../../../core/kinds/numbers';
import { firstValues } from '../../../../../core/program/first-values';
import type { Action } from '../../../../../core/document/schema';
import { useEffectStore } from '../../../../stores/effect';
import GestureField from '../../../common/GestureField.vue';
import ChoiceField from '../ChoiceField.vue';
import SelectField from '../../../common/SelectField.vue';
import { useChoices } from '../choices';

const props = defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
const choices = useChoices();
const set = (change: object, gesture: string | null = null): void => emit('change', change, gesture);
const modes = (list: readonly string[]) => list.map((value) => ({ value, label: value }));
const first = computed(() => {
  const [id] = props.action.targets;
  return id === undefined ? undefined : effectStore.effect.objects[id];
});
const numbers = computed(() =>
  first.value
    ? Object.keys(numbersOf(first.value)).map((value) => ({ value, label: numberName(first.value, value) }))
    : [],
);
const bounds = computed(() =>
  first.value && props.action.kind === 'number' ? numbersOf(first.value)[props.action.property] : undefined,
);
const chooseNumber = (property: string): void => {
  const object = first.value!;
  set({ property, value: readNumber(object, firstValues(effectStore.effect, object), property) ?? 0 });
};
</script>

<template>
  <div v-if="action.kind === 'number'" class="line">
    <ChoiceField
      label="Which number"
      none="Choose what it acts on first"
      :value="action.property || null"
      :options="numbers"
      @change="chooseNumber"
    />
    <SelectField
      name="To or by"
      class="mode"
      :value="action.mode"
      :options="modes(['to', 'by'])"
      @change="(v: unknown) => set({ mode: v })"
    />
    <GestureField
      class="small"
      :value="action.value"
      label="Value"
      :step="0.1"
      :digits="3"
      :min="action.mode === 'to' ? bounds?.[0] : undefined"
      :max="action.mode === 'to' ? bounds?.[1] : undefined"
      @change="(value) => set({ value }, 'value')"
    />
  </div>
  <div v-else-if="action.kind === 'variable'" class="line">
    <ChoiceField
      label="Which variable"
      none="No variables yet: add one under Controls and prompts"
      :value="action.variable"
      :options="choices.variables.value"
      @change="(variable) => set({ variable })"
    />
    <SelectField
      name="To or by"
      class="mode"
      :value="action.mode"
      :options="modes(['to', 'by'])"
      @change="(v: unknown) => set({ mode: v })"
    />
    <GestureField
      class="small"
      :value="action.value"
      label="Value"
      :digits="2"
      @change="(value) => set({ value }, 'value')"
    />
  </div>
  <div v-else-if="action.kind === 'prompt'" class="line">
    <SelectField
      name="Show or hide the prompt"
      :value="action.show ? 'show' : 'hide'"
      :options="modes(['show', 'hide'])"
      @change="(v: unknown) => set({ show: v === 'show' })"
    />
    <ChoiceField
      label="Which prompt"
      none="No prompts yet: add one under Controls and prompts"
      :value="action.prompt"
      :options="choices.prompts.value"
      @change="(prompt) => set({ prompt })"
    />
  </div>
  <ChoiceField
    v-else-if="action.kind === 'scene'"
    label="Scene"
    ask="Choose the scene"
    none="No scenes yet: add one in the Stack"
    :value="action.scene"
    :options="choices.scenes.value"
    @change="(scene) => set({ scene })"
  />
  <div v-else-if="action.kind === 'cue'" class="line">
    <SelectField
      name="Start or stop"
      :value="action.do"
      :options="modes(['start', 'stop'])"
      @change="(v: unknown) => set({ do: v })"
    />
    <ChoiceField
      label="Which cue"
      :value="action.cue"
      :options="choices.cues.value"
      @change="(cue) => set({ cue })"
    />
  </div>
</template>

<style scoped src="./amount.css"></style>
