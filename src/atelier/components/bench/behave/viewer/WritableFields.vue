<script setup lang="ts">
/** What is driven: an object with which of its numbers, an action's time, a variable, an input of a circuit. */
import { computed, ref } from 'vue';
import { bareNumberName, numbersOf, offeredNumbers } from '../../../../../core/kinds/numbers';
import { anchorOf } from '../../../../../core/document/queries';
import type { EffectObject, ObjectId } from '../../../../../core/document/schema';
import type { Writable } from '../../../../../core/kinds/writables/writables';
import { moveWords } from '../../../../words';
import { useEffectStore } from '../../../../stores/effect';
import ChoiceField from '../../../common/ChoiceField.vue';
import { useChoices } from '../../../common/choices';
import SelectField from '../../../common/SelectField.vue';
import WordButton from '../../../common/WordButton.vue';
import { useWritables } from './use-writables';

const props = defineProps<{ to: Writable }>();
const emit = defineEmits<{
  /** `anew` when it is something else now, and not one object more or less. */
  change: [to: Writable, anew: boolean];
}>();
const effectStore = useEffectStore();
const choices = useChoices();
const writables = useWritables();
const choose = (line: string): void => {
  const to = writables.chosen(line);
  if (to) emit('change', to, true);
};
/** Without its unit: the ends show that. Along an axis it says where that leads. */
const inWords = (object: EffectObject, path: string): string => {
  const name = bareNumberName(object, path);
  const way = path.startsWith('move') ? moveWords(anchorOf(effectStore.effect, object), path) : null;
  return way ? `${name}: ${way}` : name;
};
const numbers = computed(() => {
  const { to } = props;
  const objects =
    to.kind === 'number' ? to.objects.flatMap((id) => effectStore.effect.objects[id] ?? []) : [];
  const [first, ...others] = objects;
  return first
    ? offeredNumbers(first)
        .filter((path) => others.every((o) => Object.hasOwn(numbersOf(o), path)))
        .map((value) => ({ value, label: inWords(first, value) }))
    : [];
});
/** Others that are driven too. */
const severalOpen = ref(false);
const several = computed(() =>
  props.to.kind === 'number' && (severalOpen.value || props.to.objects.length > 1) ? props.to.objects : null,
);
const driveObjects = (objects: readonly ObjectId[]): void => {
  if (props.to.kind === 'number') emit('change', { ...props.to, objects: [...objects] }, false);
};
</script>

<template>
  <SelectField
    v-if="several"
    class="several"
    name="Objects that are driven"
    mode="multiple"
    :show-search="true"
    option-filter-prop="label"
    :value="several"
    :options="choices.objects.value"
    @change="(v: unknown) => driveObjects(v as ObjectId[])"
  />
  <ChoiceField
    v-else
    label="What is driven"
    ask="Choose what"
    :value="writables.lineOf(to)"
    :options="writables.groups.value"
    @change="choose"
  />
  <WordButton
    v-if="to.kind === 'number' && to.objects.length > 0 && !several"
    title="It drives the same number of other objects too"
    @click="severalOpen = true"
    >and others</WordButton
  >
  <ChoiceField
    v-if="to.kind === 'number'"
    label="Which number is driven"
    :value="to.property"
    :options="numbers"
    @change="(property) => emit('change', { ...to, property } as Writable, true)"
  />
</template>

<style scoped>
.several {
  min-width: 160px;
  max-width: 100%;
}
</style>
