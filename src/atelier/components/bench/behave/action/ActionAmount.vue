<script setup lang="ts">
/** How much of it: what each kind of action has of its own. */
import { computed } from 'vue';
import { LocateFixed } from '@lucide/vue';
import { numbersOf, readNumber } from '../../../../../core/behave/numbers';
import { firstValues } from '../../../../../core/behave/first-values';
import { AXES, AXES_OF, MODES, type Action } from '../../../../../core/document/schema';
import { numberWords } from '../../../../behave-words';
import { useEffectStore } from '../../../../stores/effect';
import ColourField from '../../../common/ColourField.vue';
import NumberField from '../../../common/NumberField.vue';
import ChoiceField from '../ChoiceField.vue';
import { useChoices } from '../choices';

const props = defineProps<{ action: Action }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const document = useEffectStore();
const choices = useChoices();
const set = (change: object, gesture: string | null = null): void => emit('change', change, gesture);
const done = (): void => document.endGesture();

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
  return id === undefined ? undefined : document.effect.objects[id];
});
const numbers = computed(() =>
  first.value
    ? Object.keys(numbersOf(first.value)).map((value) => ({ value, label: numberWords(value) }))
    : [],
);
const bounds = computed(() =>
  first.value && props.action.kind === 'number' ? numbersOf(first.value)[props.action.property] : undefined,
);
const chooseNumber = (property: string): void => {
  const object = first.value!;
  set({ property, value: readNumber(object, firstValues(document.effect, object), property) ?? 0 });
};
const clips = computed(() => {
  const object = first.value;
  const asset = object?.kind === 'model' ? document.effect.assets[object.asset] : undefined;
  return asset?.kind === 'model' ? asset.clips.map((c) => ({ value: c.name, label: c.name })) : [];
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
  <div v-if="action.kind === 'fade'" class="line">
    <span class="soft">to</span>
    <NumberField
      class="small"
      :value="action.opacity * 100"
      label="Opacity, per cent"
      unit="%"
      :min="0"
      :max="100"
      :digits="0"
      @change="(v) => set({ opacity: v / 100 }, 'opacity')"
      @done="done"
    />
  </div>
  <div v-else-if="action.kind === 'move' || action.kind === 'turn'" class="line">
    <a-select
      v-name="'To, by or from'"
      size="small"
      class="mode"
      :value="action.mode"
      :options="modes(MODES)"
      @change="(v: unknown) => set({ mode: v })"
    />
    <NumberField
      v-for="(axis, i) in AXES"
      :key="axis"
      class="small"
      :value="action.by[i]! * (action.kind === 'move' ? 100 : 1)"
      :label="`${axis}, ${action.kind === 'move' ? 'cm' : 'degrees'}`"
      :mark="axis"
      :unit="action.kind === 'turn' ? '°' : ''"
      :digits="2"
      @change="(v) => axisIn('by', i, action.kind === 'move' ? v / 100 : v)"
      @done="done"
    />
    <a-select
      v-if="action.kind === 'move' || action.mode === 'by'"
      v-name="'Whose axes'"
      size="small"
      :value="action.axes"
      :options="axesOf"
      @change="(v: unknown) => set({ axes: v })"
    />
    <a-select
      v-if="action.kind === 'turn' && action.mode !== 'by'"
      v-name="'Which way round'"
      size="small"
      :value="action.way"
      :options="ways"
      @change="(v: unknown) => set({ way: v })"
    />
  </div>
  <div v-else-if="action.kind === 'size'" class="line">
    <a-select
      v-name="'To, by or from'"
      size="small"
      class="mode"
      :value="action.mode"
      :options="modes(MODES)"
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
      @change="(v) => set({ factor: v / 100 }, 'factor')"
      @done="done"
    />
  </div>
  <div v-else-if="action.kind === 'pose'" class="line">
    <a-button size="small" :disabled="!first" @click="capture">
      <span class="row"><LocateFixed :size="13" /> Capture where it stands now</span>
    </a-button>
    <span class="num soft">{{ captured }}</span>
    <a-select
      v-name="'Which way round'"
      size="small"
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
    <a-select
      v-name="'Around what'"
      size="small"
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
    <a-select
      v-name="'About which axis'"
      size="small"
      :value="action.axis"
      :options="modes(AXES)"
      @change="(v: unknown) => set({ axis: v })"
    />
    <button
      class="chip"
      type="button"
      :aria-pressed="action.radius !== null"
      @click="set({ radius: action.radius === null ? 0.15 : null })"
    >
      Own radius
    </button>
    <NumberField
      v-if="action.radius !== null"
      class="small"
      :value="action.radius * 100"
      label="Radius, cm"
      unit=" cm"
      :min="0"
      :max="100000"
      :digits="1"
      @change="(v) => set({ radius: v / 100 }, 'radius')"
      @done="done"
    />
    <button
      class="chip"
      type="button"
      :aria-pressed="action.clockwise"
      @click="set({ clockwise: !action.clockwise })"
    >
      Clockwise
    </button>
    <button class="chip" type="button" :aria-pressed="action.turns" @click="set({ turns: !action.turns })">
      Turns along
    </button>
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
    <NumberField
      class="small"
      :value="action.lag"
      label="Lag, seconds"
      unit=" s"
      :step="0.1"
      :digits="2"
      :min="0"
      :max="60"
      @change="(lag) => set({ lag }, 'lag')"
      @done="done"
    />
    <span class="soft">spring, swings a second</span>
    <NumberField
      class="small"
      :value="action.swings"
      label="Swings a second; 0 is no spring"
      :step="0.5"
      :min="0"
      :max="20"
      @change="(swings) => set({ swings }, 'swings')"
      @done="done"
    />
  </div>
  <div v-else-if="action.kind === 'shake'" class="line">
    <NumberField
      class="small"
      :value="action.distance * 1000"
      label="How far, mm"
      unit=" mm"
      :min="0"
      :max="10000"
      @change="(v) => set({ distance: v / 1000 }, 'distance')"
      @done="done"
    />
    <NumberField
      class="small"
      :value="action.angle"
      label="How far it turns, degrees"
      unit="°"
      :min="0"
      :max="360"
      @change="(angle) => set({ angle }, 'angle')"
      @done="done"
    />
    <NumberField
      class="small"
      :value="action.rate"
      label="Trembles a second"
      unit=" /s"
      :min="0.1"
      :max="60"
      @change="(rate) => set({ rate }, 'rate')"
      @done="done"
    />
  </div>
  <div v-else-if="action.kind === 'sway'" class="line">
    <NumberField
      class="small"
      :value="action.angle"
      label="How far it sways, degrees"
      unit="°"
      :min="-360"
      :max="360"
      @change="(angle) => set({ angle }, 'angle')"
      @done="done"
    />
    <span class="soft">about</span>
    <a-select
      v-name="'About which axis'"
      size="small"
      :value="action.axis"
      :options="modes(AXES)"
      @change="(v: unknown) => set({ axis: v })"
    />
  </div>
  <div v-else-if="action.kind === 'bounce'" class="line">
    <NumberField
      class="small"
      :value="action.height * 100"
      label="How high, cm"
      unit=" cm"
      :min="-10000"
      :max="10000"
      @change="(v) => set({ height: v / 100 }, 'height')"
      @done="done"
    />
  </div>
  <ColourField
    v-else-if="action.kind === 'colour'"
    name="to"
    label="Colour"
    :value="action.colour"
    @change="(colour) => set({ colour }, 'colour')"
    @done="done"
  />
  <div v-else-if="action.kind === 'number'" class="line">
    <ChoiceField
      label="Which number"
      none="Choose what it acts on first"
      :value="action.property || null"
      :options="numbers"
      @change="chooseNumber"
    />
    <a-select
      v-name="'To or by'"
      size="small"
      class="mode"
      :value="action.mode"
      :options="modes(['to', 'by'])"
      @change="(v: unknown) => set({ mode: v })"
    />
    <NumberField
      class="small"
      :value="action.value"
      label="Value"
      :step="0.1"
      :digits="3"
      :min="action.mode === 'to' ? bounds?.[0] : undefined"
      :max="action.mode === 'to' ? bounds?.[1] : undefined"
      @change="(value) => set({ value }, 'value')"
      @done="done"
    />
  </div>
  <div v-else-if="action.kind === 'play'" class="line">
    <a-select
      v-name="'Play, pause or stop'"
      size="small"
      class="wide"
      :value="action.do"
      :options="modes(['play', 'pause', 'stop'])"
      @change="(v: unknown) => set({ do: v })"
    />
    <template v-if="action.do === 'play'">
      <ChoiceField
        v-if="clips.length > 0"
        label="Clip"
        :needed="false"
        ask="Its own clip"
        :value="action.clip"
        :options="clips"
        @change="(clip) => set({ clip })"
      />
      <span class="soft">from</span>
      <NumberField
        class="small"
        :value="action.from"
        label="From, seconds"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="3600"
        @change="(from) => set({ from }, 'from')"
        @done="done"
      />
      <button
        class="chip"
        type="button"
        :aria-pressed="action.to !== null"
        @click="set({ to: action.to === null ? 1 : null })"
      >
        {{ action.to === null ? 'to its end' : 'to' }}
      </button>
      <NumberField
        v-if="action.to !== null"
        class="small"
        :value="action.to"
        label="To, seconds"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="3600"
        @change="(to) => set({ to }, 'to')"
        @done="done"
      />
      <span class="soft">at</span>
      <NumberField
        class="small"
        :value="action.speed * 100"
        label="Speed, per cent"
        unit="%"
        :step="10"
        :digits="0"
        :min="-1000"
        :max="1000"
        @change="(v) => set({ speed: v / 100 }, 'speed')"
        @done="done"
      />
      <NumberField
        class="small"
        :value="action.times"
        label="How often; 0 without end"
        unit=" ×"
        :digits="0"
        :min="0"
        :max="1000"
        @change="(v) => set({ times: Math.round(v) }, 'times')"
        @done="done"
      />
      <NumberField
        v-if="clips.length > 0"
        class="small"
        :value="action.blend"
        label="Comes in over, seconds"
        mark="in"
        unit=" s"
        :step="0.1"
        :digits="2"
        :min="0"
        :max="60"
        @change="(blend) => set({ blend }, 'blend')"
        @done="done"
      />
    </template>
  </div>
  <div v-else-if="action.kind === 'picture'" class="line">
    <a-select
      v-name="'Which picture'"
      size="small"
      class="wide"
      :value="action.go"
      :options="[
        { value: 'next', label: 'the next' },
        { value: 'previous', label: 'the one before' },
        { value: 'to', label: 'number' },
      ]"
      @change="(v: unknown) => set({ go: v })"
    />
    <NumberField
      v-if="action.go === 'to'"
      class="small"
      :value="action.number"
      label="Number of the picture"
      :digits="0"
      :min="1"
      :max="4096"
      @change="(v) => set({ number: Math.round(v) }, 'number')"
      @done="done"
    />
  </div>
  <div v-else-if="action.kind === 'burst'" class="line">
    <NumberField
      class="small"
      :value="action.count"
      label="Particles at once"
      :digits="0"
      :min="1"
      :max="10000"
      @change="(v) => set({ count: Math.round(v) }, 'count')"
      @done="done"
    />
    <span class="soft">particles at once</span>
  </div>
  <div v-else-if="action.kind === 'flow'" class="line">
    <span class="soft">at</span>
    <NumberField
      class="small"
      :value="action.share * 100"
      label="Share of its rate, per cent"
      unit="%"
      :step="10"
      :digits="0"
      :min="0"
      :max="10000"
      @change="(v) => set({ share: v / 100 }, 'share')"
      @done="done"
    />
    <span class="soft">of its rate</span>
  </div>
  <div v-else-if="action.kind === 'variable'" class="line">
    <ChoiceField
      label="Which variable"
      none="No variables yet: add one under Controls and prompts"
      :value="action.variable"
      :options="choices.variables.value"
      @change="(variable) => set({ variable })"
    />
    <a-select
      v-name="'To or by'"
      size="small"
      class="mode"
      :value="action.mode"
      :options="modes(['to', 'by'])"
      @change="(v: unknown) => set({ mode: v })"
    />
    <NumberField
      class="small"
      :value="action.value"
      label="Value"
      :digits="2"
      @change="(value) => set({ value }, 'value')"
      @done="done"
    />
  </div>
  <div v-else-if="action.kind === 'prompt'" class="line">
    <a-select
      v-name="'Show or hide the prompt'"
      size="small"
      :value="action.show ? 'show' : 'hide'"
      :options="modes(['show', 'hide'])"
      @change="(v: unknown) => set({ show: v === 'show' })"
    />
    <ChoiceField
      label="Which prompt"
      none="No prompts yet: add one under Controls and prompts"
      :value="action.prompt"
      :options="choices.prompts.value"
      @change="(prompt) => set({ prompt })"
    />
  </div>
  <ChoiceField
    v-else-if="action.kind === 'scene'"
    label="Scene"
    ask="Choose the scene"
    none="No scenes yet: add one in the Stack"
    :value="action.scene"
    :options="choices.scenes.value"
    @change="(scene) => set({ scene })"
  />
  <div v-else-if="action.kind === 'cue'" class="line">
    <a-select
      v-name="'Start or stop'"
      size="small"
      :value="action.do"
      :options="modes(['start', 'stop'])"
      @change="(v: unknown) => set({ do: v })"
    />
    <ChoiceField
      label="Which cue"
      :value="action.cue"
      :options="choices.cues.value"
      @change="(cue) => set({ cue })"
    />
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  width: 100%;
}
.mode {
  width: 68px;
}
.wide {
  min-width: 104px;
}
.small {
  width: 80px;
}
.whole {
  width: 100%;
  font-size: 12px;
}
</style>
