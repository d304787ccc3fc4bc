<script setup lang="ts">
/** What the viewer sees and uses beside the picture, what signals drive, and the numbers behind it. */
import { computed } from 'vue';
import { Trash2 } from '@lucide/vue';
import {
  putControl,
  putDrive,
  putPrompt,
  putVariable,
  removeVariable,
  setAsks,
} from '../../../../../core/edits/viewer-edits';
import { newControl, newDrive, newPrompt, newVariable } from '../../../../../core/document/new-cues';
import type { ControlKind } from '../../../../../core/document/schema';
import { newControlId, newDriveId, newPromptId, newVariableId } from '../../../../api/ids';
import { promptText } from '../../../../../core/behave/prompt-texts';
import { requirementsOf } from '../../../../../core/requirements/requirements';
import { NOTHING_SEEN, seekingPrompt } from '../../../../../core/requirements/seeking';
import { useDeskStore } from '../../../../stores/desk';
import { inOrder } from '../../../../../core/document/queries';
import { useEffectStore } from '../../../../stores/effect';
import GestureField from '../../../common/GestureField.vue';
import ControlCard from './ControlCard.vue';
import DriveRow from './DriveRow.vue';
import PromptCard from './PromptCard.vue';
import TextField from '../../../common/TextField.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const controls = computed(() => inOrder(effectStore.effect.controls));
const prompts = computed(() => inOrder(effectStore.effect.prompts));
const variables = computed(() => inOrder(effectStore.effect.variables));
/** Those of controls stand with their control. */
const drives = computed(() => inOrder(effectStore.effect.drives).filter((d) => d.signal.kind !== 'control'));
/** What the viewer is asked for while nothing of what the effect needs is in sight; null where nothing is, or a prompt does it. */
const asked = computed(() => {
  const key = seekingPrompt(requirementsOf(effectStore.effect), prompts.value, NOTHING_SEEN);
  return key && promptText({ text: { kind: 'ready', key } }, 'en');
});
const next = (list: readonly { readonly order: number }[]): number => (list.at(-1)?.order ?? 0) + 1;

const KINDS: readonly (readonly [ControlKind, string])[] = [
  ['slider', 'Slider'],
  ['choice', 'Choice'],
  ['switch', 'Switch'],
  ['button', 'Button'],
];
const addControl = (kind: ControlKind, name: string): void =>
  void effectStore.edit(
    putControl(newControl(newControlId(), kind, name, next(controls.value)), `Add a ${kind}`),
  );
const addPrompt = (): void =>
  void effectStore.edit(putPrompt(newPrompt(newPromptId(), next(prompts.value)), 'Add a prompt'));
const addVariable = (): void => {
  const n = variables.value.length + 1;
  effectStore.edit(
    putVariable(newVariable(newVariableId(), `Number ${n}`, next(variables.value)), 'Add a variable'),
  );
};
const addDrive = (): void =>
  void effectStore.edit(
    putDrive(
      newDrive(
        newDriveId(),
        next(inOrder(effectStore.effect.drives)),
        { kind: 'expression', face: 1, name: 'jawOpen' },
        { kind: 'number', objects: [...desk.selection], property: 'size' },
      ),
      'Let a signal drive something',
    ),
  );
</script>

<template>
  <div class="panel">
    <section aria-label="Controls">
      <div class="row">
        <h2 class="grow">Controls</h2>
        <WordButton v-for="[kind, name] in KINDS" :key="kind" @click="addControl(kind, name)">
          + {{ name }}
        </WordButton>
      </div>
      <p v-if="controls.length === 0" class="soft">
        A control is what the viewer gets on the screen: a slider that drives a number, a choice, a switch, a
        button that sets off a cue.
      </p>
      <ControlCard v-for="control in controls" :key="control.id" :control="control" />
    </section>
    <section aria-label="Prompts">
      <div class="row">
        <h2 class="grow">Prompts</h2>
        <WordButton @click="addPrompt">+ Prompt</WordButton>
      </div>
      <p v-if="prompts.length === 0" class="soft">
        A prompt is a short line that tells the viewer what to do.
      </p>
      <PromptCard v-for="prompt in prompts" :key="prompt.id" :prompt="prompt" />
      <div v-if="asked" class="row">
        <a-switch
          size="small"
          :checked="effectStore.effect.asks"
          aria-label="Asks by itself for what is missing"
          @change="(on: unknown) => effectStore.edit(setAsks(Boolean(on)))"
        />
        <span class="soft">Asks by itself while nothing is in sight: “{{ asked }}”</span>
      </div>
    </section>
    <section aria-label="Driven by signals">
      <div class="row">
        <h2 class="grow">Driven by signals</h2>
        <WordButton @click="addDrive">+ Drive</WordButton>
      </div>
      <p v-if="drives.length === 0" class="soft">
        A signal can drive a number all the time: the wider the mouth, the larger the crown.
      </p>
      <DriveRow v-for="drive in drives" :key="drive.id" class="card" :drive="drive" />
    </section>
    <section aria-label="Variables">
      <div class="row">
        <h2 class="grow">Variables</h2>
        <WordButton @click="addVariable">+ Variable</WordButton>
      </div>
      <p v-if="variables.length === 0" class="soft">
        A number that cues set and ask about: how often, which step, lit or not.
      </p>
      <div v-for="variable in variables" :key="variable.id" class="card row">
        <TextField
          class="grow"
          label="Name of the variable"
          :value="variable.name"
          :most="80"
          @change="(name) => effectStore.edit(putVariable({ ...variable, name: name.trim() }))"
        />
        <span class="soft">starts at</span>
        <GestureField
          class="small"
          label="Starts at"
          :value="variable.start"
          :digits="2"
          @change="(start) => effectStore.edit(putVariable({ ...variable, start }), `start-${variable.id}`)"
        />
        <IconButton
          aria-label="Delete variable"
          @click="effectStore.edit(removeVariable(effectStore.effect, variable.id))"
        >
          <Trash2 :size="13" />
        </IconButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
.panel,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
.panel {
  gap: 18px;
}
.card {
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
.small {
  width: 76px;
}
</style>
