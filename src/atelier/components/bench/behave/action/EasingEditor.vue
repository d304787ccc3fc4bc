<script setup lang="ts">
/** The curve of an action: named ones, or one drawn by two handles, a spring, steps. */
import { computed, ref } from 'vue';
import { drag, line, scaleLinear, select } from 'd3';
import { onMounted, watch } from 'vue';
import { EASING_NAMES } from '../../../../../core/maths/easing';
import { eased } from '../../../../../core/maths/curve';
import { CSS_EASINGS, type Handles } from '../../../../../core/maths/timing';
import { clamp } from '../../../../../core/maths/scalar';
import type { EasingChoice } from '../../../../../core/document/schema';
import { EASING_WORDS } from '../../../../behave-words';
import NumberField from '../../../common/NumberField.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{
  easing: EasingChoice;
  /** No other curve can be kept there: one drawn by two handles. */
  onlyDrawn?: boolean;
}>();
const emit = defineEmits<{ change: [easing: EasingChoice, gesture: string | null]; done: [] }>();

const W = 220;
const H = 150;
const x = scaleLinear([0, 1], [14, W - 14]);
const y = scaleLinear([-0.4, 1.4], [H - 6, 6]);
const path = computed(() => {
  const n = 80;
  return line()(
    Array.from({ length: n + 1 }, (_, i): [number, number] => [x(i / n), y(eased(props.easing, i / n))]),
  )!;
});
const sort = computed(() => (typeof props.easing === 'string' ? 'named' : props.easing.kind));
const bezier = computed(() =>
  typeof props.easing === 'object' && props.easing.kind === 'bezier' ? props.easing.handles : null,
);
const named = EASING_NAMES.map((value) => ({
  value: value as EasingChoice & string,
  label: EASING_WORDS[value],
}));
const css = Object.entries(CSS_EASINGS).map(([name, handles]) => ({ name, handles }));

const tenth = (v: number): number => Math.round(v * 100) / 100;
const setHandle = (which: 0 | 1, px: number, py: number, gesture: string | null): void => {
  const handles = [...(bezier.value ?? [0.25, 0.1, 0.25, 1])] as [number, number, number, number];
  handles[2 * which] = clamp(tenth(px), 0, 1);
  handles[2 * which + 1] = clamp(tenth(py), -4, 5);
  emit('change', { kind: 'bezier', handles }, gesture);
};
const key = (event: KeyboardEvent, which: 0 | 1): void => {
  const by = event.shiftKey ? 0.1 : 0.02;
  const [dx, dy] = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[
    event.key
  ] ?? [0, 0];
  if (dx === 0 && dy === 0) return;
  event.preventDefault();
  event.stopPropagation();
  const h = bezier.value!;
  setHandle(which, h[2 * which]! + dx!, h[2 * which + 1]! + dy!, 'curve');
};
const svg = ref<SVGSVGElement | null>(null);
const grips = ref<SVGCircleElement[]>([]);
const attach = (): void => {
  grips.value.forEach((grip, i) => {
    select(grip).call(
      drag<SVGCircleElement, unknown>()
        .container(() => svg.value!)
        .on('drag', (event: { x: number; y: number }) =>
          setHandle(i as 0 | 1, x.invert(event.x), y.invert(event.y), 'curve'),
        )
        .on('end', () => emit('done')) as never,
    );
  });
};
onMounted(attach);
watch(() => bezier.value !== null, attach, { flush: 'post' });
const choose = (kind: string): void => {
  if (kind === 'named') emit('change', 'out', null);
  else if (kind === 'bezier') emit('change', { kind: 'bezier', handles: [0.25, 0.1, 0.25, 1] }, null);
  else if (kind === 'spring') emit('change', { kind: 'spring', swings: 2, damping: 0.3 }, null);
  else emit('change', { kind: 'steps', count: 4, jump: 'end' }, null);
};
const isThis = (handles: Handles): boolean =>
  bezier.value !== null && handles.every((h, i) => h === bezier.value![i]);
</script>

<template>
  <div class="easing" role="group" aria-label="Curve">
    <svg
      ref="svg"
      :width="W"
      :height="H"
      :viewBox="`0 0 ${W} ${H}`"
      role="img"
      aria-label="How it goes from its beginning to its end"
    >
      <line class="axis" :x1="x(0)" :x2="x(1)" :y1="y(0)" :y2="y(0)" />
      <line class="axis" :x1="x(0)" :x2="x(1)" :y1="y(1)" :y2="y(1)" />
      <path class="curve" :d="path" />
      <template v-if="bezier">
        <line class="arm" :x1="x(0)" :y1="y(0)" :x2="x(bezier[0])" :y2="y(bezier[1])" />
        <line class="arm" :x1="x(1)" :y1="y(1)" :x2="x(bezier[2])" :y2="y(bezier[3])" />
        <circle
          v-for="i in [0, 1] as const"
          :key="i"
          ref="grips"
          class="grip"
          tabindex="0"
          role="slider"
          :aria-label="i === 0 ? 'First handle' : 'Second handle'"
          :aria-valuenow="bezier[2 * i + 1]"
          :aria-valuetext="`${bezier[2 * i]}, ${bezier[2 * i + 1]}`"
          r="6"
          :cx="x(bezier[2 * i]!)"
          :cy="y(bezier[2 * i + 1]!)"
          @keydown="(e) => key(e, i)"
          @blur="emit('done')"
        />
      </template>
    </svg>
    <div class="side">
      <div v-if="!onlyDrawn" class="row wrap">
        <ChipButton
          v-for="[kind, words] in [
            ['named', 'By name'],
            ['bezier', 'Drawn'],
            ['spring', 'Spring'],
            ['steps', 'Steps'],
          ] as const"
          :key="kind"
          :aria-pressed="sort === kind"
          @click="choose(kind)"
        >
          {{ words }}
        </ChipButton>
      </div>
      <div v-if="sort === 'named'" class="row wrap">
        <ChipButton
          v-for="{ value, label } in named"
          :key="value"
          class="small"
          :aria-pressed="easing === value"
          @click="emit('change', value, null)"
        >
          {{ label }}
        </ChipButton>
      </div>
      <template v-else-if="bezier">
        <div class="row wrap">
          <ChipButton
            v-for="{ name, handles } in css"
            :key="name"
            class="small num"
            :aria-pressed="isThis(handles)"
            @click="emit('change', { kind: 'bezier', handles: [...handles] }, null)"
          >
            {{ name }}
          </ChipButton>
        </div>
        <p class="num soft">cubic-bezier({{ bezier.join(', ') }})</p>
        <p class="soft">Drag the handles, or move them with the arrow keys.</p>
      </template>
      <div v-else-if="typeof easing === 'object' && easing.kind === 'spring'" class="row wrap">
        <label
          >Swings<NumberField
            label="Swings of the spring"
            :value="easing.swings"
            :step="0.5"
            :min="0.5"
            :max="20"
            @change="
              (swings) =>
                emit(
                  'change',
                  { kind: 'spring', swings, damping: (easing as { damping: number }).damping },
                  'spring',
                )
            "
            @done="emit('done')"
        /></label>
        <label
          >Damping<NumberField
            label="Damping of the spring"
            :value="easing.damping"
            :step="0.05"
            :digits="2"
            :min="0.02"
            :max="1"
            @change="
              (damping) =>
                emit(
                  'change',
                  { kind: 'spring', swings: (easing as { swings: number }).swings, damping },
                  'spring',
                )
            "
            @done="emit('done')"
        /></label>
      </div>
      <div v-else-if="typeof easing === 'object' && easing.kind === 'steps'" class="row wrap">
        <label
          >Steps<NumberField
            label="Number of steps"
            :value="easing.count"
            :digits="0"
            :min="1"
            :max="100"
            @change="
              (v) =>
                emit(
                  'change',
                  { ...(easing as { kind: 'steps'; jump: 'end' }), count: Math.round(v) },
                  'steps',
                )
            "
            @done="emit('done')"
        /></label>
        <SelectField
          name="Where it jumps"
          :value="easing.jump"
          :options="
            [
              ['start', 'jumps at the start'],
              ['end', 'jumps at the end'],
              ['both', 'at both'],
              ['none', 'at neither'],
            ].map(([value, label]) => ({ value, label }))
          "
          @change="
            (jump: unknown) =>
              emit('change', { ...(easing as { kind: 'steps'; count: number }), jump: jump as 'end' }, null)
          "
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.easing {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  width: 100%;
}
svg {
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 6px;
  touch-action: none;
}
.axis {
  stroke: var(--line);
}
.curve {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.arm {
  stroke: var(--soft);
}
.grip {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 2;
  cursor: grab;
}
.grip:focus-visible {
  outline: none;
  fill: var(--accent);
}
.side {
  flex: 1;
  min-width: 180px;
  display: grid;
  gap: 8px;
  align-content: start;
  font-size: 12px;
}
.wrap {
  flex-wrap: wrap;
}
.small {
  font-size: 11.5px;
}
.side label {
  display: grid;
  gap: 2px;
  width: 84px;
  font-size: 11.5px;
  color: var(--soft);
}
</style>
