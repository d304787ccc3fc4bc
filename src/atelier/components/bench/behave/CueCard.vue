<script setup lang="ts">
/** One cue: a sentence, its beats over time, and why it does nothing when it does nothing. */
import { computed, ref } from 'vue';
import { Copy, Ellipsis, Play } from '@lucide/vue';
import { actionLength } from '../../../../core/kinds/actions/actions';
import { moveCue, putCue, removeCue } from '../../../../core/edits/cue-edits';
import { newBeat } from '../../../../core/document/new-cues';
import { newAction } from '../../../../core/kinds/actions/actions';
import { cueOrder } from '../../../../core/document/queries';
import type { Action, ActionKind, Beat, Cue } from '../../../../core/document/schema';
import { newPartId } from '../../../api/ids';
import {
  actionSummary,
  conditionWords,
  targetsWords,
  timingWords,
  triggerWords,
  whenWords,
} from '../../../behave-words';
import { copyBeat, copyCues, duplicateCue, pasteCopiedBeat } from '../../../commands/cue-commands';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import ActionEditor from './action/ActionEditor.vue';
import ActionMenu from './action/ActionMenu.vue';
import BeatBars from './BeatBars.vue';
import ConditionList from './ConditionList.vue';
import CueOptions from './CueOptions.vue';
import CueReasons from './CueReasons.vue';
import TriggerList from './TriggerList.vue';
import IconButton from '../../common/IconButton.vue';
import WordButton from '../../common/WordButton.vue';

const props = defineProps<{ cue: Cue }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();

/** Which part of the sentence is being changed. */
const part = ref<'when' | 'only' | 'options' | null>(desk.behave.fresh === props.cue.id ? 'when' : null);
if (part.value) desk.behave.fresh = null;
const toggle = (which: 'when' | 'only' | 'options'): void => {
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
const fresh = (kind: ActionKind): Action => {
  const action = newAction(newPartId('act'), kind, desk.selected);
  desk.behave.action = action.id;
  return action;
};
const addBeside = (beat: Beat, kind: ActionKind): void =>
  putBeat(beat.id, { actions: [...beat.actions, fresh(kind)] });
const addBeat = (kind: ActionKind): void =>
  put({ beats: [...props.cue.beats, newBeat(newPartId('beat'), [fresh(kind)])] });
const moveBeatBy = (i: number, by: number): void => {
  const beats = [...props.cue.beats];
  const [beat] = beats.splice(i, 1);
  beats.splice(i + by, 0, beat!);
  put({ beats });
};

const conditions = computed(() =>
  props.cue.conditions
    .map((c) => conditionWords(effectStore.effect, c))
    .join(props.cue.match === 'all' ? ' and ' : ' or '),
);
const options = computed(() => {
  const { cue } = props;
  const said = [
    ...(cue.fires === 'once' ? ['once'] : cue.fires === 'toggle' ? ['forth and back by turns'] : []),
    ...(cue.cooldown > 0 ? [`at most every ${cue.cooldown} s`] : []),
    ...(cue.again === 'ignore' ? ['not while at work'] : []),
    ...(cue.resets.length > 0
      ? [`until ${cue.resets.map((t) => triggerWords(effectStore.effect, t)).join(' or ')}`]
      : []),
  ];
  return said.join(', ');
});
const isOpen = computed(() => desk.behave.cue === props.cue.id);
const openAction = (id: string): void => {
  desk.behave.cue = props.cue.id;
  desk.behave.action = desk.behave.action === id ? null : id;
};

const others = computed(() => cueOrder(effectStore.effect));
const place = computed(() => others.value.findIndex((c) => c.id === props.cue.id));
const menu = (key: string): void => {
  const { cue } = props;
  if (key === 'copy') copyCues([cue]);
  else if (key === 'duplicate') desk.behave.cue = duplicateCue(cue);
  else if (key === 'delete') effectStore.edit(removeCue(effectStore.effect, cue.id));
  else if (key === 'options') toggle('options');
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
      <p class="sentence grow">
        <span v-if="cue.name" class="name">{{ cue.name }}<br /></span>
        <b>When</b>
        {{ ' ' }}
        <button class="said" type="button" :aria-expanded="part === 'when'" @click="toggle('when')">
          {{ whenWords(effectStore.effect, cue) }}</button
        ><template v-if="cue.conditions.length > 0"
          >, only if
          <button class="said" type="button" :aria-expanded="part === 'only'" @click="toggle('only')">
            {{ conditions }}
          </button></template
        >
        <template v-if="options"
          >,
          <button class="said" type="button" :aria-expanded="part === 'options'" @click="toggle('options')">
            {{ options }}
          </button></template
        >, <b>then</b>
      </p>
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
          put({ conditions: [{ signal: { kind: 'times', cue: null }, is: 'above', value: 0 }] });
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
      <template v-for="(beat, i) in cue.beats" :key="beat.id">
        <div class="beat" :class="{ skipped: !beat.enabled }" role="group" :aria-label="`Beat ${i + 1}`">
          <div class="label">
            <a-dropdown :trigger="['click']">
              <WordButton class="faint num" :aria-label="`Beat ${i + 1}: more`">
                beat {{ i + 1 }}
              </WordButton>
              <template #overlay>
                <a-menu>
                  <a-menu-item key="up" :disabled="i === 0" @click="moveBeatBy(i, -1)">Earlier</a-menu-item>
                  <a-menu-item key="down" :disabled="i === cue.beats.length - 1" @click="moveBeatBy(i, 1)"
                    >Later</a-menu-item
                  >
                  <a-menu-item key="copy" @click="copyBeat(beat)">Copy</a-menu-item>
                  <a-menu-item v-if="desk.copiedBeat" key="paste" @click="pasteCopiedBeat(cue.id, beat.id)"
                    >Paste behind it</a-menu-item
                  >
                  <a-menu-item key="off" @click="putBeat(beat.id, { enabled: !beat.enabled })">{{
                    beat.enabled ? 'Switch off' : 'Switch on'
                  }}</a-menu-item>
                  <a-menu-item key="delete" @click="put({ beats: cue.beats.filter((b) => b.id !== beat.id) })"
                    >Delete</a-menu-item
                  >
                </a-menu>
              </template>
            </a-dropdown>
            <span v-if="i > 0 && beat.begins < 1" class="faint part-way"
              >from {{ Math.round(beat.begins * 100) }} %</span
            >
          </div>
          <div class="actions">
            <template v-for="action in beat.actions" :key="action.id">
              <button
                class="action"
                type="button"
                :aria-expanded="desk.behave.action === action.id"
                @click="openAction(action.id)"
              >
                <span class="what cut"
                  ><b>{{ targetsWords(effectStore.effect, action) }}</b>
                  {{ actionSummary(effectStore.effect, action) }}</span
                >
                <span class="faint cut when">{{ timingWords(action, actionLength(action) === 0) }}</span>
              </button>
              <ActionEditor
                v-if="desk.behave.action === action.id"
                :action="action"
                :beat="i > 0 ? beat : null"
                @change="changeAction"
                @begins="(begins) => putBeat(beat.id, { begins }, `begins-${beat.id}`)"
                @remove="removeAction(action.id)"
              />
            </template>
            <ActionMenu v-if="isOpen" label="+ Beside it" @choose="(kind) => addBeside(beat, kind)" />
          </div>
        </div>
      </template>
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
.sentence {
  font-size: 13.5px;
  line-height: 1.5;
}
.name {
  font-weight: 600;
}
.said {
  display: inline;
  padding: 0;
  border: 0;
  border-bottom: 1px dotted var(--accent);
  background: none;
  color: var(--accent);
  font: inherit;
  font-weight: 600;
  text-align: left;
  cursor: pointer;
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
.action:hover,
.action[aria-expanded='true'] {
  background: var(--bench);
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
</style>
