<script setup lang="ts">
/** One prompt: what it says, when it is shown and when hidden. */
import { Trash2 } from '@lucide/vue';
import { PROMPT_LANGUAGES } from '../../../../../core/behave/prompt-languages';
import { promptText } from '../../../../../core/behave/prompt-texts';
import { putPrompt, removePrompt } from '../../../../../core/edits/viewer-edits';
import {
  promptSchema,
  READY_PROMPTS,
  type Prompt,
  type ReadyPrompt,
} from '../../../../../core/document/schema';
import { PROMPT_PLACES } from '../../../../../core/document/viewer-schema';
import { promptName, readyPromptWords } from '../../../../behave-words';
import { useEffectStore } from '../../../../stores/effect';
import { propertiesIn } from '../../../../../core/schema/properties';
import PropertyInput from '../../../common/PropertyInput.vue';
import ChoiceField from '../../../common/ChoiceField.vue';
import ConditionList from '../ConditionList.vue';
import TriggerList from '../TriggerList.vue';
import TextField from '../../../common/TextField.vue';
import IconButton from '../../../common/IconButton.vue';

const props = defineProps<{ prompt: Prompt }>();
const effectStore = useEffectStore();
const set = (change: Partial<Prompt>, gesture: string | null = null): void =>
  void effectStore.edit(
    putPrompt({ ...props.prompt, ...change }),
    gesture && `${gesture}-${props.prompt.id}`,
  );
const DESCRIBED = propertiesIn(promptSchema, {});
const ready = [
  { value: 'own', label: 'own words' },
  ...READY_PROMPTS.map((value) => ({ value: value as string, label: readyPromptWords(value) })),
];
const places = Object.entries(PROMPT_PLACES).map(([value, label]) => ({ value, label }));
const choose = (v: string): void =>
  set({
    text:
      v === 'own'
        ? { kind: 'own', text: promptName(effectStore.effect, props.prompt.id) }
        : { kind: 'ready', key: v as ReadyPrompt },
  });
</script>

<template>
  <article class="card" :aria-label="`Prompt ${promptName(effectStore.effect, prompt.id)}`">
    <div class="row">
      <ChoiceField
        label="What it says"
        :value="prompt.text.kind === 'own' ? 'own' : prompt.text.key"
        :options="ready"
        @change="choose"
      />
      <TextField
        v-if="prompt.text.kind === 'own'"
        class="grow"
        label="Own words"
        :value="prompt.text.text"
        :most="120"
        @change="(text) => set({ text: { kind: 'own', text } })"
      />
      <span
        v-else
        class="soft grow cut"
        :title="PROMPT_LANGUAGES.map((l) => promptText(prompt, l)).join(' · ')"
        >{{
          PROMPT_LANGUAGES.slice(1)
            .map((l) => promptText(prompt, l))
            .join(' · ')
        }}</span
      >
      <IconButton
        aria-label="Delete prompt"
        @click="effectStore.edit(removePrompt(effectStore.effect, prompt.id))"
      >
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <p class="soft">Shown when</p>
    <TriggerList
      label="Shown when"
      :triggers="prompt.shownWhen"
      :gesture="`shown-${prompt.id}`"
      @change="(shownWhen, gesture) => set({ shownWhen }, gesture)"
    />
    <ConditionList
      :conditions="prompt.onlyIf"
      @change="(change, gesture) => set({ onlyIf: change.conditions ?? prompt.onlyIf }, gesture)"
    />
    <p class="soft">Hidden when</p>
    <TriggerList
      label="Hidden when"
      :triggers="prompt.hiddenWhen"
      :gesture="`hidden-${prompt.id}`"
      @change="(hiddenWhen, gesture) => set({ hiddenWhen }, gesture)"
    />
    <label class="row soft"
      >or after
      <PropertyInput
        class="small"
        :property="DESCRIBED['seconds']!"
        :value="prompt.seconds"
        @change="(seconds) => set({ seconds: seconds as number }, 'seconds')"
        @done="effectStore.endGesture()"
      />
      (0 stays)</label
    >
    <label class="row soft"
      >stands
      <ChoiceField
        label="Where it stands"
        :value="prompt.place"
        :options="places"
        @change="(place) => set({ place: place as Prompt['place'] })"
      />
    </label>
  </article>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
.small {
  width: 68px;
}
</style>
