<script setup lang="ts">
/** A part of a model that is an object of its own: whose it is, and the way back. */
import { computed } from 'vue';
import { modelAssetBehind, modelOf } from '../../../core/document/part-queries';
import { reshape } from '../../../core/edits/object-edits';
import type { Part } from '../../../core/document/schema';
import { putPartsBack } from '../../commands/part-commands';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import ChipButton from '../common/ChipButton.vue';
import SelectField from '../common/SelectField.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: Part }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const model = computed(() => modelOf(effectStore.effect, props.object));
const tree = computed(() => modelAssetBehind(effectStore.effect, props.object)?.tree ?? []);
const isLost = computed(() => props.object.part === null || !tree.value[props.object.part]);
const choices = computed(() =>
  tree.value.flatMap(({ name }, value) => (name ? [{ value, label: name }] : [])),
);
const choose = (part: number): void => {
  effectStore.edit(reshape(effectStore.effect, props.object.id, 'part', { part }, 'Choose the part of'));
};
</script>

<template>
  <p v-if="model" class="whose">
    A part of
    <WordButton @click="desk.selected = model.id">{{ model.name }}</WordButton>
    <ChipButton @click="putPartsBack([object.id])">Put it back</ChipButton>
  </p>
  <div v-if="model && isLost" class="line">
    <span class="bad">Its part</span>
    <SelectField
      name="Part of the model"
      class="wide"
      placeholder="The model has no such part: choose one"
      :options="choices"
      @change="(v: unknown) => choose(Number(v))"
    />
  </div>
  <p v-if="!model" class="soft note">Its model is gone, so there is nothing to be seen of it.</p>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.whose {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 6px;
  margin: 0;
}
.whose .chip {
  margin-left: auto;
}
.bad {
  color: var(--madder);
}
</style>
