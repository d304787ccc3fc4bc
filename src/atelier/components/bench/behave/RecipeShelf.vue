<script setup lang="ts">
/** Ready-made cues for the object that is selected: sought, chosen, their halves joined otherwise. */
import { computed, ref } from 'vue';
import { X } from '@lucide/vue';
import { findRecipes, recipeName, RECIPES, type Recipe } from '../../../../core/behave/recipes/recipes';
import {
  RESPONSE_HALF_NAMES,
  RESPONSE_HALVES,
  responseSuits,
  type ResponseHalfName,
} from '../../../../core/behave/recipes/response-halves';
import {
  TRIGGER_HALF_NAMES,
  TRIGGER_HALVES,
  type TriggerHalfName,
} from '../../../../core/behave/recipes/trigger-halves';
import type { ObjectId } from '../../../../core/document/schema';
import { addRecipeFor } from '../../../commands/cue-commands';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import ChoiceField from '../../common/ChoiceField.vue';
import { useChoices } from '../../common/choices';
import IconButton from '../../common/IconButton.vue';

const emit = defineEmits<{ close: [] }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const choices = useChoices();
const sought = ref('');
const object = computed(() => (desk.selected ? effectStore.effect.objects[desk.selected] : undefined));
/** All that are selected and can do it, the one that is asked about among them. */
const targets = computed(() =>
  desk.selection.filter((id) => {
    const one = effectStore.effect.objects[id];
    return one !== undefined && (then.value === null || responseSuits(then.value, one));
  }),
);
const found = computed(() => (object.value ? findRecipes(sought.value, object.value) : []));
const when = ref<TriggerHalfName | null>(null);
const then = ref<ResponseHalfName | null>(null);
const whens = TRIGGER_HALF_NAMES.map((value) => ({
  value: value as string,
  label: TRIGGER_HALVES[value].name,
}));
const thens = computed(() =>
  RESPONSE_HALF_NAMES.filter((name) => !object.value || responseSuits(name, object.value)).map((value) => ({
    value: value as string,
    label: RESPONSE_HALVES[value].name,
  })),
);
const choose = (recipe: Recipe): void => {
  when.value = recipe.when;
  then.value = recipe.then;
};
const isChosen = (recipe: Recipe): boolean => recipe.when === when.value && recipe.then === then.value;
const ready = computed(() => when.value !== null && then.value !== null && object.value !== undefined);
/** Enter adds what is chosen, else what was found first. */
const addFirst = (): void => {
  const [first] = found.value;
  if (first && !found.value.some(isChosen)) choose(first);
  add();
};
const add = (): void => {
  if (!ready.value) return;
  const id = addRecipeFor({ when: when.value!, then: then.value! }, targets.value);
  desk.behave.cue = id;
  emit('close');
};
</script>

<template>
  <section class="shelf" aria-label="Recipes">
    <div class="row">
      <b class="grow">Ready-made cues</b>
      <IconButton aria-label="Close the recipes" @click="emit('close')">
        <X :size="14" />
      </IconButton>
    </div>
    <div class="row wrap">
      <span class="soft">for</span>
      <ChoiceField
        label="For which object"
        ask="Choose what"
        none="Nothing yet: place something first"
        :value="desk.selected"
        :options="choices.objects.value"
        @change="(id) => (desk.selected = id as ObjectId)"
      />
      <a-input
        v-model:value="sought"
        class="seek grow"
        type="search"
        size="small"
        :placeholder="`Seek in ${RECIPES.length}: mouth, circle, pop...`"
        aria-label="Seek a recipe"
        @keydown.enter="addFirst"
      />
    </div>
    <p v-if="!object" class="soft">Select an object first: what shall it do?</p>
    <ul v-else class="found" aria-label="Recipes found">
      <li v-for="recipe in found" :key="recipe.when + recipe.then">
        <button
          type="button"
          class="recipe"
          :aria-pressed="isChosen(recipe)"
          @click="choose(recipe)"
          @dblclick="add"
        >
          {{ recipeName(recipe) }}
        </button>
      </li>
      <li v-if="found.length === 0" class="soft">Nothing of that name. Join two halves below.</li>
    </ul>
    <div v-if="object" class="row wrap halves">
      <ChoiceField
        label="Then half"
        ask="What happens"
        :needed="false"
        :value="then"
        :options="thens"
        @change="(v) => (then = v as ResponseHalfName)"
      />
      <ChoiceField
        label="When half"
        ask="When"
        :needed="false"
        :value="when"
        :options="whens"
        @change="(v) => (when = v as TriggerHalfName)"
      />
      <a-button type="primary" size="small" :disabled="!ready" @click="add">{{
        targets.length > 1 ? `Add it for ${targets.length}` : 'Add it'
      }}</a-button>
    </div>
  </section>
</template>

<style scoped>
.shelf {
  display: grid;
  gap: 8px;
  padding: 10px 12px;
  border: 1px solid var(--accent);
  border-radius: 8px;
  background: var(--sheet);
}
.wrap {
  flex-wrap: wrap;
}
.seek {
  min-width: 150px;
}
.found {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 190px;
  overflow: auto;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 2px 8px;
}
.recipe {
  width: 100%;
  padding: 4px 6px;
  border: 0;
  border-radius: 5px;
  background: none;
  font: inherit;
  font-size: 12.5px;
  text-align: left;
  cursor: pointer;
}
.recipe:hover {
  background: var(--bench);
}
.recipe[aria-pressed='true'] {
  background: var(--accent-wash, var(--bench));
  color: var(--accent);
  font-weight: 600;
}
.halves {
  padding-top: 6px;
  border-top: 1px solid var(--line2);
}
</style>
