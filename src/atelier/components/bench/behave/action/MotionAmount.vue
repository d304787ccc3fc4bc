<script setup lang="ts">
/** How far and which way something moves, turns, grows, circles, follows, sways. */
import { computed } from 'vue';
import { LocateFixed } from '@lucide/vue';
import { AXES, AXES_OF, MODES, type Action } from '../../../../../core/document/schema';
import { useEffectStore } from '../../../../stores/effect';
import GestureField from '../../../common/GestureField.vue';
import ChoiceField from '../../../common/ChoiceField.vue';
import SelectField from '../../../common/SelectField.vue';
import { useChoices } from '../../../common/choices';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
const choices = useChoices();
const set = (change: object, gesture: string | null = null): void => emit('change', change, gesture);
const modes = (list: readonly string[]) => list.map((value) => ({ value, label: value }));
const axesOf = AXES_OF.map((value) => ({
  value,
  label: { parent: 'along its parent', own: 'along itself', viewer: 'as the viewer sees it' }[value],
}));
const ways = [
  { value: 'typed', label: 'by the angles as typed' },
  { value: 'short', label: 'the short way' },
];
const first = computed(() => {
  const [id] = props.action.targets;
  return id === undefined ? undefined : effectStore.effect.objects[id];
});
const axisIn = (change: 'by', axis: number, value: number): void => {
  const { action } = props;
  if (action.kind !== 'move' && action.kind !== 'turn') return;
  const by = action[change].map((old, i) => (i === axis ? value : old));
  set({ by }, `axis-${axis}`);
};
/** The pose in which the object stands now, in the document. */
const capture = (): void => {
  const object = first.value;
  if (object) set({ move: object.move, turn: object.turn, scale: object.scale });
};
const captured = computed(() => {
  const { action } = props;
  if (action.kind !== 'pose') return '';
  const list = (v: readonly number[], k: number): string =>
    v.map((n) => Math.round(n * k * 10) / 10).join(', ');
  return `${list(action.move, 100)} cm · ${list(action.turn, 1)}° · ${list(action.scale, 100)} %`;
});
</script>

<template>
  <div v-if="action.kind === 'move' || action.kind === 'turn'" class="line">
    <SelectField
      name="To, by or from"
      class="mode"
      :value="action.mode"
      :options="modes(MODES)"
      @change="(v: unknown) => set({ mode: v })"
    />
    <GestureField
      v-for="(axis, i) in AXES"
      :key="axis"
      class="small"
      :value="action.by[i]! * (action.kind === 'move' ? 100 : 1)"
      :label="`${axis}, ${action.kind === 'move' ? 'cm' : 'degrees'}`"
      :mark="axis"
      :unit="action.kind === 'turn' ? '°' : ''"
      :digits="2"
      @change="(v) => axisIn('by', i, action.kind === 'move' ? v / 100 : v)"
    />
    <SelectField
      v-if="action.kind === 'move' || action.mode === 'by'"
      name="Whose axes"
      :value="action.axes"
      :options="axesOf"
      @change="(v: unknown) => set({ axes: v })"
    />
    <SelectField
      v-if="action.kind === 'turn' && action.mode !== 'by'"
      name="Which way round"
      :value="action.way"
      :options="ways"
      @change="(v: unknown) => set({ way: v })"
    />
  </div>
  <div v-else-if="action.kind === 'size'" class="line">
    <SelectField
      name="To, by or from"
      class="mode"
      :value="action.mode"
      :options="modes(MODES)"
      @change="(v: unknown) => set({ mode: v })"
    />
    <GestureField
      class="small"
      :value="action.factor * 100"
      label="Size, per cent"
      unit="%"
      :min="0"
      :max="10000"
      :step="10"
      :digits="0"
      @change="(v) => set({ factor: v / 100 }, 'factor')"
    />
  </div>
  <div v-else-if="action.kind === 'pose'" class="line">
    <a-button size="small" :disabled="!first" @click="capture">
      <span class="row"><LocateFixed :size="13" /> Capture where it stands now</span>
    </a-button>
    <span class="num soft">{{ captured }}</span>
    <SelectField
      name="Which way round"
      :value="action.way"
      :options="ways"
      @change="(v: unknown) => set({ way: v })"
    />
    <p class="soft whole">
      Place {{ first?.name ?? 'the object' }} by hand, press Capture, then undo the placing or place it where
      it begins.
    </p>
  </div>
  <div v-else-if="action.kind === 'circle'" class="line">
    <span class="soft">around</span>
    <SelectField
      name="Around what"
      class="wide"
      :value="action.around"
      :options="[
        { value: 'middle', label: 'its middle' },
        { value: 'object', label: 'an object' },
        { value: 'viewer', label: 'the viewer' },
      ]"
      @change="(v: unknown) => set({ around: v })"
    />
    <ChoiceField
      v-if="action.around === 'object'"
      label="Which object"
      :value="action.object"
      :options="choices.objects.value"
      @change="(object) => set({ object })"
    />
    <span class="soft">about</span>
    <SelectField
      name="About which axis"
      :value="action.axis"
      :options="modes(AXES)"
      @change="(v: unknown) => set({ axis: v })"
    />
    <ChipButton
      :aria-pressed="action.radius !== null"
      @click="set({ radius: action.radius === null ? 0.15 : null })"
    >
      Own radius
    </ChipButton>
    <GestureField
      v-if="action.radius !== null"
      class="small"
      :value="action.radius * 100"
      label="Radius, cm"
      unit=" cm"
      :min="0"
      :max="100000"
      :digits="1"
      @change="(v) => set({ radius: v / 100 }, 'radius')"
    />
    <ChipButton :aria-pressed="action.clockwise" @click="set({ clockwise: !action.clockwise })">
      Clockwise
    </ChipButton>
    <ChipButton :aria-pressed="action.turns" @click="set({ turns: !action.turns })"> Turns along </ChipButton>
  </div>
  <div v-else-if="action.kind === 'follow'" class="line">
    <ChoiceField
      label="Follow what"
      :needed="false"
      :value="action.object ?? ''"
      :options="[{ value: '', label: 'the viewer' }, ...choices.objects.value]"
      @change="(v) => set({ object: v === '' ? null : v })"
    />
    <span class="soft">behind by</span>
    <GestureField
      class="small"
      :value="action.lag"
      label="Lag, seconds"
      unit=" s"
      :step="0.1"
      :digits="2"
      :min="0"
      :max="60"
      @change="(lag) => set({ lag }, 'lag')"
    />
    <span class="soft">spring, swings a second</span>
    <GestureField
      class="small"
      :value="action.swings"
      label="Swings a second; 0 is no spring"
      :step="0.5"
      :min="0"
      :max="20"
      @change="(swings) => set({ swings }, 'swings')"
    />
  </div>
</template>

<style scoped src="./amount.css"></style>
