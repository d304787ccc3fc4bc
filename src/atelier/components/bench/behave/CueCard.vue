<script setup lang="ts">
/** One cue: its trigger, its beats, and why it does nothing when it does nothing. */
import { computed } from 'vue';
import { Trash2 } from '@lucide/vue';
import { explain, type Reason } from '../../../../core/behave/explain';
import { removeCue, putCue } from '../../../../core/document/edits';
import { newAction, newTrigger } from '../../../../core/document/defaults';
import { SIGNAL_OF } from '../../../../core/behave/triggers';
import {
  ACTION_KINDS,
  TRIGGER_KINDS,
  type Action,
  type ActionKind,
  type Cue,
  type TriggerKind,
} from '../../../../core/document/schema';
import { newPartId } from '../../../api/ids';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import { ACTION_WORDS, TRIGGER_WORDS, reasonWords } from '../../../words';
import NumberField from '../../common/NumberField.vue';
import ActionRow from './ActionRow.vue';

const props = defineProps<{ cue: Cue }>();
const document = useEffectStore();
const desk = useDeskStore();
const playback = usePlaybackStore();

const put = (change: Partial<Cue>, gesture: string | null = null): void => {
  document.edit(putCue({ ...props.cue, ...change }), gesture);
};
const triggers = TRIGGER_KINDS.map((value) => ({ value, label: TRIGGER_WORDS[value] }));
const signal = computed(() => SIGNAL_OF[props.cue.trigger.kind]);
const setTrigger = (kind: TriggerKind): void => put({ trigger: newTrigger(kind) });
const setThreshold = (threshold: number): void =>
  put(
    { trigger: { ...props.cue.trigger, threshold: Math.min(0.95, Math.max(0.05, threshold)) } },
    `threshold-${props.cue.id}`,
  );

const reasons = computed(() => explain(document.effect, props.cue, playback.take, playback.firings));
const times = computed(() => playback.firings.filter((f) => f.cue === props.cue.id).map((f) => f.time));

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
const addBeside = (beat: string, kind: ActionKind): void =>
  put({
    beats: props.cue.beats.map((b) =>
      b.id === beat ? { ...b, actions: [...b.actions, newAction(newPartId('act'), kind, desk.selected)] } : b,
    ),
  });
const addBeat = (kind: ActionKind): void =>
  put({
    beats: [
      ...props.cue.beats,
      { id: newPartId('beat'), actions: [newAction(newPartId('act'), kind, desk.selected)] },
    ],
  });

/** The one thing that mends a reason, where there is one. */
const mend = (reason: Reason): { label: string; run: () => void } | null => {
  if (reason.code === 'off') return { label: 'Switch on', run: () => put({ enabled: true }) };
  if (reason.code === 'below-threshold' && reason.peak > 0.06) {
    const to = Math.max(0.05, Math.floor((reason.peak - 0.01) * 100) / 100);
    return { label: `Lower to ${to.toFixed(2)}`, run: () => setThreshold(to) };
  }
  if (
    reason.code === 'already-shown' ||
    reason.code === 'target-hidden' ||
    reason.code === 'already-hidden'
  ) {
    const hide = reason.code === 'already-shown';
    const object = document.effect.objects[reason.target];
    if (!object) return null;
    return {
      label: hide ? `Hide ${object.name} at the start` : `Show ${object.name} at the start`,
      run: () =>
        document.edit({
          label: `${hide ? 'Hide' : 'Show'} ${object.name}`,
          change: (d) => {
            d.objects[object.id]!.visible = !hide;
          },
        }),
    };
  }
  return null;
};
</script>

<template>
  <article
    class="cue"
    :class="{ off: !cue.enabled }"
    :aria-label="`Cue: when ${TRIGGER_WORDS[cue.trigger.kind]}`"
  >
    <div class="row when">
      <b>When</b>
      <a-select
        v-name="'When'"
        size="small"
        class="trigger"
        :value="cue.trigger.kind"
        :options="triggers"
        @change="(v: unknown) => setTrigger(v as TriggerKind)"
      />
      <template v-if="signal">
        <span class="soft">at</span>
        <NumberField
          class="threshold"
          :value="cue.trigger.threshold"
          label="Threshold"
          :step="0.05"
          :digits="2"
          :min="0.05"
          :max="0.95"
          @change="setThreshold"
          @done="document.endGesture()"
        />
      </template>
      <b>then</b>
      <span class="grow" />
      <a-switch
        size="small"
        :checked="cue.enabled"
        aria-label="Cue is on"
        @change="(v: unknown) => put({ enabled: Boolean(v) })"
      />
      <button
        class="icon-button"
        type="button"
        aria-label="Delete cue"
        @click="document.edit(removeCue(cue.id))"
      >
        <Trash2 :size="14" />
      </button>
    </div>
    <div v-for="(beat, i) in cue.beats" :key="beat.id" class="beat">
      <span class="num faint">beat {{ i + 1 }}</span>
      <div class="actions">
        <ActionRow
          v-for="action in beat.actions"
          :key="action.id"
          :action="action"
          @change="changeAction"
          @remove="removeAction(action.id)"
        />
        <a-dropdown :trigger="['click']">
          <button class="word" type="button">+ Beside it</button>
          <template #overlay>
            <a-menu @click="({ key }: { key: string | number }) => addBeside(beat.id, key as ActionKind)">
              <a-menu-item v-for="kind in ACTION_KINDS" :key="kind">{{ ACTION_WORDS[kind] }}</a-menu-item>
            </a-menu>
          </template>
        </a-dropdown>
      </div>
    </div>
    <a-dropdown :trigger="['click']">
      <button class="word" type="button">
        {{ cue.beats.length === 0 ? '+ What happens' : '+ Next beat' }}
      </button>
      <template #overlay>
        <a-menu @click="({ key }: { key: string | number }) => addBeat(key as ActionKind)">
          <a-menu-item v-for="kind in ACTION_KINDS" :key="kind">{{ ACTION_WORDS[kind] }}</a-menu-item>
        </a-menu>
      </template>
    </a-dropdown>
    <ul v-if="reasons.length > 0" class="reasons">
      <li v-for="(reason, i) in reasons" :key="i" class="warn">
        {{ reasonWords(document.effect, reason) }}
        <button v-if="mend(reason)" class="word" type="button" @click="mend(reason)!.run()">
          {{ mend(reason)!.label }}
        </button>
      </li>
    </ul>
    <p v-else class="soft fired">
      Fires at
      <button
        v-for="time in times.slice(0, 8)"
        :key="time"
        class="word num"
        type="button"
        @click="playback.seek(time)"
      >
        {{ time.toFixed(2) }} s
      </button>
      on this take.
    </p>
  </article>
</template>

<style scoped>
.cue {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
.cue:focus-within {
  border-color: var(--accent);
}
.off {
  opacity: 0.75;
}
.when {
  width: 100%;
  font-size: 13.5px;
}
.trigger {
  min-width: 138px;
}
.threshold {
  width: 60px;
}
.beat {
  display: grid;
  grid-template-columns: 46px 1fr;
  gap: 8px;
  width: 100%;
  padding-top: 8px;
  border-top: 1px solid var(--line2);
}
.beat > .num {
  padding-top: 5px;
}
.actions {
  display: grid;
  gap: 6px;
  justify-items: start;
  min-width: 0;
}
.reasons {
  list-style: none;
  margin: 0;
  padding: 6px 8px;
  border-radius: 6px;
  background: var(--ochre-wash);
  font-size: 12px;
  width: 100%;
}
.fired {
  font-size: 12px;
}
</style>
