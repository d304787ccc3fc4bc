<script setup lang="ts">
/** One action: what happens to which object, how much, and in what time. */
import { computed, ref } from 'vue';
import { ChevronDown, Trash2 } from '@lucide/vue';
import { newAction } from '../../../../core/document/defaults';
import {
  ACTION_KINDS,
  type Action,
  type ActionKind,
  type ObjectId,
  type SceneId,
} from '../../../../core/document/schema';
import { EASING_NAMES } from '../../../../core/maths/easing';
import { sceneOrder, stackOrder } from '../../../../core/document/queries';
import { useEffectStore } from '../../../stores/effect';
import { ACTION_WORDS, EASING_WORDS } from '../../../words';
import NumberField from '../../common/NumberField.vue';

const props = defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [action: Action, gesture: string | null]; remove: [] }>();
const document = useEffectStore();
const open = ref(false);

const targets = computed(() =>
  stackOrder(document.effect)
    .filter((o) => o.kind !== 'occluder')
    .map((o) => ({ value: o.id, label: o.name })),
);
const scenes = computed(() => sceneOrder(document.effect).map((s) => ({ value: s.id, label: s.name })));
const kinds = ACTION_KINDS.map((value) => ({ value, label: ACTION_WORDS[value] }));
const easings = EASING_NAMES.map((value) => ({ value, label: EASING_WORDS[value] }));
const modes = [
  { value: 'to', label: 'to' },
  { value: 'by', label: 'by' },
];
const AXES = ['x', 'y', 'z'] as const;
const timed = computed(() => !['show', 'hide', 'toggle', 'scene'].includes(props.action.kind));

const set = (change: Record<string, unknown>, gesture: string | null = null): void =>
  emit('change', { ...props.action, ...change } as Action, gesture && `${gesture}-${props.action.id}`);
const setKind = (kind: ActionKind): void => {
  const { id, target, delay, easing, repeat, thereAndBack } = props.action;
  emit('change', { ...newAction(id, kind, target), delay, easing, repeat, thereAndBack } as Action, null);
};
const isVector = (a: Action): a is Extract<Action, { kind: 'move' | 'turn' }> =>
  a.kind === 'move' || a.kind === 'turn';
const unit = computed(() => (props.action.kind === 'move' ? 100 : 1));
const setAxis = (axis: number, value: number): void => {
  if (!isVector(props.action)) return;
  const by = [...props.action.by] as [number, number, number];
  by[axis] = value / unit.value;
  set({ by }, `axis-${axis}`);
};
const clampTime = (v: number): number => Math.min(600, Math.max(0, v));
const howLong = computed(() => {
  const { action } = props;
  if (!timed.value && !action.thereAndBack) return 'at once';
  const back = action.thereAndBack ? ', there and back' : '';
  const times = action.repeat === 0 ? ', without end' : action.repeat > 1 ? `, ${action.repeat} times` : '';
  const wait = action.delay > 0 ? ` after ${action.delay} s` : '';
  return `${action.duration} s${wait}${back}${times}`;
});
</script>

<template>
  <div class="action">
    <div class="row main">
      <a-select
        v-name="'What happens'"
        size="small"
        class="kind"
        :value="action.kind"
        :options="kinds"
        @change="(v: unknown) => setKind(v as ActionKind)"
      />
      <a-select
        v-if="action.kind === 'scene'"
        v-name="'Scene'"
        size="small"
        class="target grow"
        :value="action.scene ?? undefined"
        :options="scenes"
        placeholder="Choose the scene"
        :status="action.scene ? undefined : 'error'"
        not-found-content="No scenes yet: add one in the Stack"
        @change="(v: unknown) => set({ scene: v as SceneId })"
      />
      <a-select
        v-else
        v-name="'Target'"
        size="small"
        class="target grow"
        :value="action.target ?? undefined"
        :options="targets"
        placeholder="Choose what"
        :status="action.target ? undefined : 'error'"
        not-found-content="Nothing yet: place something first"
        @change="(v: unknown) => set({ target: v as ObjectId })"
      />
      <button
        class="word time"
        type="button"
        :aria-expanded="open"
        :title="'Time, easing, repeat'"
        @click="open = !open"
      >
        {{ howLong }} <ChevronDown :size="12" />
      </button>
      <button class="icon-button" type="button" aria-label="Remove action" @click="emit('remove')">
        <Trash2 :size="13" />
      </button>
    </div>
    <div v-if="action.kind === 'fade'" class="row amount">
      <span class="soft">to</span>
      <NumberField
        class="small"
        :value="action.opacity * 100"
        label="Opacity, per cent"
        unit="%"
        :min="0"
        :max="100"
        :digits="0"
        @change="(v) => set({ opacity: Math.min(1, Math.max(0, v / 100)) }, 'opacity')"
        @done="document.endGesture()"
      />
    </div>
    <div v-else-if="isVector(action)" class="row amount">
      <a-select
        v-name="'To or by'"
        size="small"
        class="mode"
        :value="action.mode"
        :options="modes"
        @change="(v: unknown) => set({ mode: v })"
      />
      <NumberField
        v-for="(axis, i) in AXES"
        :key="axis"
        class="small"
        :value="action.by[i]! * unit"
        :label="`${axis}, ${action.kind === 'move' ? 'cm' : 'degrees'}`"
        :mark="axis"
        :unit="action.kind === 'turn' ? '°' : ''"
        :digits="2"
        @change="(v) => setAxis(i, v)"
        @done="document.endGesture()"
      />
    </div>
    <div v-else-if="action.kind === 'size'" class="row amount">
      <a-select
        v-name="'To or by'"
        size="small"
        class="mode"
        :value="action.mode"
        :options="modes"
        @change="(v: unknown) => set({ mode: v })"
      />
      <NumberField
        class="small"
        :value="action.factor * 100"
        label="Size, per cent"
        unit="%"
        :min="0"
        :max="10000"
        :step="10"
        :digits="0"
        @change="(v) => set({ factor: Math.min(100, Math.max(0, v / 100)) }, 'factor')"
        @done="document.endGesture()"
      />
    </div>
    <div v-if="open" class="timing">
      <label
        >{{ timed ? 'Duration' : 'Stays'
        }}<NumberField
          :value="action.duration"
          label="Duration, seconds"
          unit=" s"
          :step="0.1"
          :digits="2"
          :min="0"
          :max="600"
          @change="(v) => set({ duration: clampTime(v) }, 'duration')"
          @done="document.endGesture()"
      /></label>
      <label
        >Delay<NumberField
          :value="action.delay"
          label="Delay, seconds"
          unit=" s"
          :step="0.1"
          :digits="2"
          :min="0"
          :max="600"
          @change="(v) => set({ delay: clampTime(v) }, 'delay')"
          @done="document.endGesture()"
      /></label>
      <label
        >Times<NumberField
          :value="action.repeat"
          label="Times; 0 runs without end"
          :digits="0"
          :min="0"
          :max="1000"
          @change="(v) => set({ repeat: Math.round(Math.min(1000, Math.max(0, v))) }, 'repeat')"
          @done="document.endGesture()"
      /></label>
      <label v-if="timed"
        >Easing<a-select
          v-name="'Easing'"
          size="small"
          :value="action.easing"
          :options="easings"
          @change="(v: unknown) => set({ easing: v })"
      /></label>
      <button
        class="chip"
        type="button"
        :aria-pressed="action.thereAndBack"
        @click="set({ thereAndBack: !action.thereAndBack })"
      >
        There and back
      </button>
    </div>
  </div>
</template>

<style scoped>
.action {
  width: 100%;
  display: grid;
  gap: 5px;
}
.kind {
  flex: none;
  width: 108px;
}
.target {
  min-width: 110px;
}
.main {
  width: 100%;
  min-width: 0;
}
.time {
  min-width: 56px;
  white-space: normal;
  text-align: left;
  display: inline-flex;
  align-items: center;
  gap: 2px;
}
.mode {
  width: 60px;
}
.small {
  width: 84px;
}
.timing {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px;
  padding: 8px;
  border-radius: 6px;
  background: var(--bench);
}
.timing label {
  display: grid;
  gap: 2px;
  width: 84px;
  font-size: 11.5px;
  color: var(--soft);
}
.timing label:nth-of-type(4) {
  width: 150px;
}
</style>
