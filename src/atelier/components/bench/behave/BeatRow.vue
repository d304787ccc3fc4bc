<script setup lang="ts">
/** One beat of a cue: its actions, each opened by a click, and what can be done with it. */
import { computed } from 'vue';
import { durationDrives } from '../../../../core/document/behaviour-queries';
import { actionLength } from '../../../../core/kinds/actions/actions';
import type { Action, ActionKind, Beat, Cue, ObjectId } from '../../../../core/document/schema';
import { actionSummary, drivenWords, targetsWords, timingWords } from '../../../behave-words';
import { copyBeat, pasteCopiedBeat } from '../../../commands/cue-commands';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import WordButton from '../../common/WordButton.vue';
import ActionEditor from './action/ActionEditor.vue';
import ActionMenu from './action/ActionMenu.vue';

const props = defineProps<{
  cue: Cue;
  beat: Beat;
  /** Its place in the cue, from 0. */
  place: number;
  /** The cue is worked on. */
  open: boolean;
}>();
const emit = defineEmits<{
  put: [change: Partial<Beat>, gesture: string | null];
  /** All beats of the cue, in another order or without this one. */
  beats: [beats: Beat[]];
  action: [action: Action, gesture: string | null];
  remove: [action: string];
  add: [kind: ActionKind, targets: readonly ObjectId[]];
  open: [action: string];
}>();
const effectStore = useEffectStore();
const desk = useDeskStore();
/** What an action beside the others would act on. */
const targets = computed(() => props.beat.actions.findLast((a) => a.targets.length > 0)?.targets ?? []);
const drives = computed(() => durationDrives(effectStore.effect));
const timing = (action: Action): string => {
  const drive = drives.value.get(action.id);
  return timingWords(
    action,
    actionLength(action) === 0 && !drive,
    drive ? drivenWords(effectStore.effect, drive) : null,
  );
};
const moveBy = (by: number): void => {
  const beats = [...props.cue.beats];
  const [beat] = beats.splice(props.place, 1);
  beats.splice(props.place + by, 0, beat!);
  emit('beats', beats);
};
</script>

<template>
  <div class="beat" :class="{ skipped: !beat.enabled }" role="group" :aria-label="`Beat ${place + 1}`">
    <div class="label">
      <a-dropdown :trigger="['click']">
        <WordButton class="faint num" :aria-label="`Beat ${place + 1}: more`">
          beat {{ place + 1 }}
        </WordButton>
        <template #overlay>
          <a-menu>
            <a-menu-item key="up" :disabled="place === 0" @click="moveBy(-1)">Earlier</a-menu-item>
            <a-menu-item key="down" :disabled="place === cue.beats.length - 1" @click="moveBy(1)"
              >Later</a-menu-item
            >
            <a-menu-item key="copy" @click="copyBeat(beat)">Copy</a-menu-item>
            <a-menu-item v-if="desk.copiedBeat" key="paste" @click="pasteCopiedBeat(cue.id, beat.id)"
              >Paste behind it</a-menu-item
            >
            <a-menu-item key="off" @click="emit('put', { enabled: !beat.enabled }, null)">{{
              beat.enabled ? 'Switch off' : 'Switch on'
            }}</a-menu-item>
            <a-menu-item
              key="delete"
              @click="
                emit(
                  'beats',
                  cue.beats.filter((b) => b.id !== beat.id),
                )
              "
              >Delete</a-menu-item
            >
          </a-menu>
        </template>
      </a-dropdown>
      <span v-if="place > 0 && beat.begins < 1" class="faint part-way"
        >from {{ Math.round(beat.begins * 100) }} %</span
      >
    </div>
    <div class="actions">
      <template v-for="action in beat.actions" :key="action.id">
        <button
          class="action"
          type="button"
          :aria-expanded="desk.behave.action === action.id"
          @click="emit('open', action.id)"
        >
          <span class="what cut"
            ><b>{{ targetsWords(effectStore.effect, action) }}</b>
            {{ actionSummary(effectStore.effect, action) }}</span
          >
          <span class="faint cut when">{{ timing(action) }}</span>
        </button>
        <ActionEditor
          v-if="desk.behave.action === action.id"
          :action="action"
          :beat="place > 0 ? beat : null"
          @change="(to, gesture) => emit('action', to, gesture)"
          @begins="(begins) => emit('put', { begins }, `begins-${beat.id}`)"
          @remove="emit('remove', action.id)"
        />
      </template>
      <ActionMenu
        v-if="open"
        label="+ Beside it"
        :targets="targets"
        @choose="(kind, to) => emit('add', kind, to)"
      />
    </div>
  </div>
</template>

<style scoped>
.beat {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr);
  gap: 8px;
}
.skipped {
  opacity: 0.5;
}
.label {
  padding-top: 4px;
  font-size: 11.5px;
}
.part-way {
  display: block;
  font-size: 10.5px;
}
.actions {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  justify-items: start;
}
.action {
  display: flex;
  gap: 8px;
  width: 100%;
  padding: 4px 6px;
  border: 0;
  border-radius: 5px;
  background: none;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.what {
  flex: 1;
  min-width: 0;
}
.what b {
  font-weight: 600;
}
.when {
  flex: none;
  max-width: 46%;
  font-size: 11.5px;
}
.action:hover,
.action[aria-expanded='true'] {
  background: var(--bench);
}
</style>
