<script setup lang="ts">
/** Makes a creator's own take: who, what, where, in which light, through which camera. */
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { useEventListener } from '@vueuse/core';
import { Redo2, Undo2 } from '@lucide/vue';
import { sentence } from '../../core/errors';
import { CAMERAS, FIRST_TAKE, PICTURE_PATHS, ROOMS } from '../../core/takes/library';
import { LIGHTS } from '../../core/takes/lights';
import type { TakeSpec } from '../../core/takes/take';
import { useTakesStore } from '../stores/takes';
import { useTakeDraft, type TakeDraft } from '../takes/use-take-draft';
import HomeBar from '../components/HomeBar.vue';
import InlineNotice from '../components/common/InlineNotice.vue';
import CastFields from '../components/takes/CastFields.vue';
import TakePreview from '../components/takes/TakePreview.vue';
import SelectField from '../components/common/SelectField.vue';
import { cutText } from '../../core/text';
import ChipButton from '../components/common/ChipButton.vue';
import IconButton from '../components/common/IconButton.vue';
import WordButton from '../components/common/WordButton.vue';
import { isTyping } from '../commands/keys';

const props = defineProps<{ id: string | null; from: string }>();
const takes = useTakesStore();
const router = useRouter();
const draft = shallowRef<TakeDraft | null>(null);
const failure = ref<string | null>(null);
const saving = ref(false);
const recording = ref(false);
const note = ref<string | null>(null);

const begin = async (): Promise<void> => {
  if (!takes.loaded || takes.error) await takes.load();
  const source = takes.byId(props.id ?? props.from) ?? (props.id || props.from ? null : FIRST_TAKE);
  if (!source || (props.id && !takes.isOwn(source))) {
    failure.value = takes.error ?? 'There is no such take. It may have been deleted.';
    return;
  }
  failure.value = null;
  const name = props.id ? source.name : props.from ? `${source.name}, varied` : 'New take';
  draft.value = useTakeDraft(props.id ?? `new.${props.from}`, { ...source.spec, name: cutText(name, 80) });
};
onMounted(begin);

const spec = computed(() => draft.value!.spec.value);
const list = (all: readonly { id: string; name: string }[]) =>
  all.map(({ id, name }) => ({ value: id, label: name }));
const pictureChoices = [{ value: '', label: 'None' }, ...list(PICTURE_PATHS)];
const set = (label: string, next: Partial<TakeSpec>, gesture?: string): void =>
  draft.value?.change(label, next, gesture);
const text = (event: Event): string => (event.target as HTMLInputElement).value;

const save = async (): Promise<void> => {
  if (!draft.value || draft.value.problems.value.length > 0) return;
  saving.value = true;
  note.value = null;
  try {
    const kept = await takes.save(spec.value);
    draft.value.saved(kept.spec);
    note.value = 'Saved. You find it first in the list of takes.';
    if (props.id === null) await router.replace({ name: 'take', params: { id: kept.id } });
  } catch (cause) {
    note.value = sentence(cause);
  } finally {
    saving.value = false;
  }
};
const onKey = (event: KeyboardEvent): void => {
  if (isTyping(event.target) || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
  event.preventDefault();
  if (event.shiftKey) draft.value?.redo();
  else draft.value?.undo();
};
useEventListener('keydown', onKey);
</script>

<template>
  <div class="page">
    <HomeBar current="takes">
      <template v-if="draft">
        <IconButton
          :disabled="!draft.undoLabel.value"
          :aria-label="draft.undoLabel.value ? `Undo: ${draft.undoLabel.value}` : 'Undo'"
          @click="draft.undo()"
        >
          <Undo2 :size="16" />
        </IconButton>
        <IconButton
          :disabled="!draft.redoLabel.value"
          :aria-label="draft.redoLabel.value ? `Redo: ${draft.redoLabel.value}` : 'Redo'"
          @click="draft.redo()"
        >
          <Redo2 :size="16" />
        </IconButton>
        <a-button
          type="primary"
          :loading="saving"
          :disabled="draft.problems.value.length > 0 || (id !== null && !draft.changed.value)"
          @click="save"
          >Save take</a-button
        >
      </template>
    </HomeBar>
    <main v-if="failure" class="failure">
      <h1 class="hidden-text">A take of your own</h1>
      <InlineNotice
        >{{ failure }} <WordButton @click="begin">Try again</WordButton>
        <router-link class="word" :to="{ name: 'takes' }">All takes</router-link></InlineNotice
      >
    </main>
    <p v-else-if="!draft" class="soft failure" role="status">Opening the take</p>
    <main v-else class="editor">
      <h1 class="hidden-text">{{ spec.name || 'A take of your own' }}</h1>
      <TakePreview
        :take="draft.take.value"
        :taps="spec.taps"
        :recording="recording"
        @tap="(tap) => set('record a tap', { taps: [...spec.taps, tap] })"
        @remove-tap="(i) => set('remove a tap', { taps: spec.taps.filter((_, k) => k !== i) })"
      />
      <div class="fields">
        <InlineNotice v-if="note" kind="note" closable @close="note = null">{{ note }}</InlineNotice>
        <p v-for="problem in draft.problems.value" :key="problem" class="bad" role="alert">{{ problem }}</p>
        <p v-for="warning in draft.warnings.value" :key="warning" class="warn" role="status">{{ warning }}</p>
        <label class="wide"
          ><span>Name</span
          ><a-input
            size="small"
            :value="spec.name"
            :maxlength="80"
            aria-label="Name of the take"
            @input="(e: Event) => set('rename the take', { name: text(e) }, 'name')"
            @blur="draft.endGesture()"
        /></label>
        <label class="wide"
          ><span>Good for</span
          ><a-input
            size="small"
            :value="spec.goodFor"
            :maxlength="200"
            aria-label="What the take is good for"
            @input="(e: Event) => set('say what it is good for', { goodFor: text(e) }, 'good')"
            @blur="draft.endGesture()"
        /></label>
        <div class="pair">
          <label
            ><span>Room</span
            ><SelectField
              name="Room"
              :value="spec.room"
              :options="list(ROOMS)"
              @change="(v: unknown) => set('choose a room', { room: String(v) })"
          /></label>
          <label
            ><span>Light</span
            ><SelectField
              name="Light"
              :value="spec.light"
              :options="list(LIGHTS)"
              @change="(v: unknown) => set('choose a light', { light: String(v) })"
          /></label>
          <label
            ><span>Camera</span
            ><SelectField
              name="Camera"
              :value="spec.camera"
              :options="list(CAMERAS)"
              @change="(v: unknown) => set('choose a camera', { camera: String(v) })"
          /></label>
          <label
            ><span>Printed pictures</span
            ><SelectField
              name="Printed pictures"
              :value="spec.pictures ?? ''"
              :options="pictureChoices"
              @change="(v: unknown) => set('choose what pictures do', { pictures: v ? String(v) : null })"
          /></label>
        </div>
        <label class="wide"
          ><span>Length <span class="num">{{ spec.duration.toFixed(0) }} s</span></span
          ><a-slider
            v-name="'Length, seconds'"
            :tooltip-open="false"
            :min="8"
            :max="20"
            :step="1"
            :value="spec.duration"
            @change="(v: unknown) => set('change the length', { duration: Number(v) }, 'length')"
            @after-change="draft.endGesture()"
        /></label>
        <CastFields
          :cast="spec.cast"
          @change="(label, cast, gesture) => set(label, { cast }, gesture)"
          @done="draft.endGesture()"
        />
        <section class="taps">
          <div class="row">
            <h2 class="grow">Taps in the take</h2>
            <ChipButton :aria-pressed="recording" @click="recording = !recording">
              {{ recording ? 'Stop recording' : 'Record taps' }}
            </ChipButton>
          </div>
          <p class="soft">
            {{
              recording
                ? 'Tap the picture while it plays.'
                : spec.taps.length === 0
                  ? 'None. Recorded taps are replayed on every effect that is tried on this take.'
                  : `${spec.taps.length} recorded. Press a dot under the picture to remove one.`
            }}
          </p>
        </section>
      </div>
    </main>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-rows: auto 1fr;
  height: 100%;
  min-height: 0;
}
.editor {
  display: grid;
  grid-template-columns: minmax(320px, 1fr) minmax(420px, 560px);
  min-height: 0;
}
.fields {
  overflow: auto;
  padding: 18px 24px 40px;
  display: grid;
  gap: 14px;
  align-content: start;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
label {
  display: grid;
  gap: 4px;
  color: var(--soft);
  font-size: 12px;
}
.taps {
  display: grid;
  gap: 6px;
}
.failure {
  max-width: 520px;
  margin: 20vh auto;
  text-align: center;
}
</style>
