<script setup lang="ts">
/** One cue: a sentence, its beats over time, and why it does nothing when it does nothing. */
import { computed, ref } from 'vue';
import { Copy, Ellipsis, Play } from '@lucide/vue';
import { moveCue, putCue, removeCue } from '../../../../core/edits/cue-edits';
import { newBeat, newCondition } from '../../../../core/document/new-cues';
import { actsOnObjects, newAction } from '../../../../core/kinds/actions/actions';
import { cueOrder } from '../../../../core/document/queries';
import { openAsCircuit } from '../../../../core/edits/cue-circuit-edits';
import type { Action, ActionKind, Beat, Cue, NodeId, ObjectId } from '../../../../core/document/schema';
import { newCircuitId, newId, newPartId } from '../../../api/ids';
import { whenWords } from '../../../behave-words';
import { copyCues, duplicateCue } from '../../../commands/cue-commands';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import ActionMenu from './action/ActionMenu.vue';
import BeatBars from './BeatBars.vue';
import BeatRow from './BeatRow.vue';
import ConditionList from './ConditionList.vue';
import CueOptions from './CueOptions.vue';
import CueReasons from './CueReasons.vue';
import CueSentence, { type CuePart } from './CueSentence.vue';
import TriggerList from './TriggerList.vue';
import IconButton from '../../common/IconButton.vue';
import WordButton from '../../common/WordButton.vue';

const props = defineProps<{ cue: Cue }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();

/** Which part of the sentence is being changed. */
const part = ref<CuePart | null>(desk.behave.fresh === props.cue.id ? 'when' : null);
if (part.value) desk.behave.fresh = null;
const toggle = (which: CuePart): void => {
  part.value = part.value === which ? null : which;
};
const put = (change: Partial<Cue>, gesture: string | null = null): void => {
  effectStore.edit(putCue({ ...props.cue, ...change }), gesture && `${gesture}-${props.cue.id}`);
};
const putBeat = (id: string, change: Partial<Beat>, gesture: string | null = null): void =>
  put({ beats: props.cue.beats.map((b) => (b.id === id ? { ...b, ...change } : b)) }, gesture);
const changeAction = (action: Action, gesture: string | null): void =>
  put(
    {
      beats: props.cue.beats.map((b) => ({
        ...b,
        actions: b.actions.map((a) => (a.id === action.id ? action : a)),
      })),
    },
    gesture,
  );
const removeAction = (id: string): void =>
  put({
    beats: props.cue.beats
      .map((b) => ({ ...b, actions: b.actions.filter((a) => a.id !== id) }))
      .filter((b) => b.actions.length > 0),
  });
/** What the actions before it act on. */
const actedOn = (beats: readonly Beat[]): readonly ObjectId[] =>
  beats.flatMap((b) => b.actions).findLast((a) => a.targets.length > 0)?.targets ?? [];
/** Beside others an action is for what they act on; in a beat of its own for what is selected, if anything is. */
const forNext = computed(() => (desk.selection.length > 0 ? desk.selection : actedOn(props.cue.beats)));
const fresh = (kind: ActionKind, targets: readonly ObjectId[]): Action => {
  const action = newAction(newPartId('act'), kind, null);
  desk.behave.action = action.id;
  return actsOnObjects(kind) ? { ...action, targets: [...targets] } : action;
};
const addBeside = (beat: Beat, kind: ActionKind, targets: readonly ObjectId[]): void =>
  putBeat(beat.id, { actions: [...beat.actions, fresh(kind, targets)] });
const addBeat = (kind: ActionKind, targets: readonly ObjectId[]): void =>
  put({ beats: [...props.cue.beats, newBeat(newPartId('beat'), [fresh(kind, targets)])] });
const isOpen = computed(() => desk.behave.cue === props.cue.id);
const openAction = (id: string): void => {
  desk.behave.cue = props.cue.id;
  desk.behave.action = desk.behave.action === id ? null : id;
};

const others = computed(() => cueOrder(effectStore.effect));
const place = computed(() => others.value.findIndex((c) => c.id === props.cue.id));
const openCircuit = (): void => {
  const id = newCircuitId();
  const name = props.cue.name || `When ${whenWords(effectStore.effect, props.cue)}`.slice(0, 60);
  const node = (): NodeId => newId('node') as NodeId;
  effectStore.edit(openAsCircuit(effectStore.effect, props.cue.id, id, name, node));
  Object.assign(desk.behave, { section: 'circuits', circuit: id });
};
const menu = (key: string): void => {
  const { cue } = props;
  if (key === 'copy') copyCues([cue]);
  else if (key === 'duplicate') desk.behave.cue = duplicateCue(cue);
  else if (key === 'delete') effectStore.edit(removeCue(effectStore.effect, cue.id));
  else if (key === 'options') toggle('options');
  else if (key === 'circuit') openCircuit();
  else if (key === 'up')
    effectStore.edit(moveCue(effectStore.effect, cue.id, others.value[place.value - 1]?.id ?? null));
  else if (key === 'down')
    effectStore.edit(moveCue(effectStore.effect, cue.id, others.value[place.value + 2]?.id ?? null));
};
</script>

<template>
  <article
    class="cue"
    :class="{ off: !cue.enabled, open: isOpen }"
    :aria-label="`Cue: ${cue.name ? `${cue.name}, ` : ''}when ${whenWords(effectStore.effect, cue)}`"
    :style="cue.colour ? { borderLeft: `4px solid ${cue.colour}` } : undefined"
    @focusin="desk.behave.cue = cue.id"
  >
    <div class="row top">
      <CueSentence class="grow" :cue="cue" :part="part" @toggle="toggle" />
      <a-switch
        size="small"
        :checked="cue.enabled"
        aria-label="Cue is on"
        @change="(v: unknown) => put({ enabled: Boolean(v) })"
      />
      <IconButton
        aria-label="Play this cue alone"
        title="Play this cue alone"
        :aria-pressed="playback.only === cue.id"
        @click="playback.preview(playback.only === cue.id ? null : cue.id)"
      >
        <Play :size="14" />
      </IconButton>
      <IconButton aria-label="Copy cue" title="Copy cue" @click="menu('copy')">
        <Copy :size="13" />
      </IconButton>
      <a-dropdown :trigger="['click']">
        <IconButton aria-label="More about this cue">
          <Ellipsis :size="14" />
        </IconButton>
        <template #overlay>
          <a-menu @click="({ key }: { key: string | number }) => menu(String(key))">
            <a-menu-item key="options">How often, reset, name, note</a-menu-item>
            <a-menu-item key="duplicate">Duplicate</a-menu-item>
            <a-menu-item key="circuit">Open as a circuit</a-menu-item>
            <a-menu-item key="up" :disabled="place === 0">Move up</a-menu-item>
            <a-menu-item key="down" :disabled="place === others.length - 1">Move down</a-menu-item>
            <a-menu-item key="delete">Delete cue</a-menu-item>
          </a-menu>
        </template>
      </a-dropdown>
    </div>
    <p v-if="cue.note" class="soft note">{{ cue.note }}</p>

    <TriggerList
      v-if="part === 'when'"
      class="part"
      label="What sets it off"
      :triggers="cue.triggers"
      :gesture="`when-${cue.id}`"
      @change="(triggers, gesture) => put({ triggers }, gesture)"
    >
      <WordButton
        v-if="cue.conditions.length === 0"
        @click="
          part = 'only';
          put({ conditions: [newCondition(actedOn(cue.beats)[0] ?? desk.selected)] });
        "
      >
        + Only if
      </WordButton>
    </TriggerList>
    <ConditionList
      v-else-if="part === 'only'"
      class="part"
      :conditions="cue.conditions"
      :match="cue.match"
      @change="(change, gesture) => put(change, gesture)"
    />
    <CueOptions
      v-else-if="part === 'options'"
      class="part"
      :cue="cue"
      @change="(change, gesture) => put(change, gesture)"
    />

    <div v-if="cue.beats.length > 0" class="beats">
      <BeatRow
        v-for="(beat, i) in cue.beats"
        :key="beat.id"
        :cue="cue"
        :beat="beat"
        :place="i"
        :open="isOpen"
        @put="(change, gesture) => putBeat(beat.id, change, gesture)"
        @beats="(beats) => put({ beats })"
        @action="changeAction"
        @remove="removeAction"
        @add="(kind, targets) => addBeside(beat, kind, targets)"
        @open="openAction"
      />
      <BeatBars
        :cue="cue"
        @change="changeAction"
        @begins="(id, begins) => putBeat(id, { begins }, `begins-${id}`)"
        @open="openAction"
      />
    </div>
    <ActionMenu
      v-if="isOpen || cue.beats.length === 0"
      :label="cue.beats.length === 0 ? '+ What happens' : '+ Next beat'"
      :targets="forNext"
      @choose="addBeat"
    />
    <CueReasons :cue="cue" />
  </article>
</template>

<style scoped>
.cue {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  justify-items: start;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
.cue > * {
  max-width: 100%;
}
.cue.open {
  border-color: var(--accent);
}
.off {
  opacity: 0.75;
}
.top {
  width: 100%;
  align-items: start;
}
.note {
  font-size: 12px;
}
.part {
  width: 100%;
  padding: 8px;
  border: 1px solid var(--line2);
  border-radius: 6px;
}
.beats {
  width: 100%;
  display: grid;
  gap: 2px;
  padding-top: 6px;
  border-top: 1px solid var(--line2);
}
</style>
