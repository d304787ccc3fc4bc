<script setup lang="ts">
/** What camera cards and colour fields show, and how flat things fill the screen. */
import { computed } from 'vue';
import { reshape } from '../../../core/edits/object-edits';
import { anchorOf } from '../../../core/document/queries';
import {
  CAMERA_PARTS,
  FITS,
  type CameraPart,
  type Card,
  type Cutout,
  type Fill,
  type Fit,
  type Live,
} from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import { CAMERA_WORDS, FIT_WORDS } from '../../words';
import NumberField from '../common/NumberField.vue';
import PropertyField from '../common/PropertyField.vue';
import SelectField from '../common/SelectField.vue';
import ChipButton from '../common/ChipButton.vue';

const props = defineProps<{ object: Card | Live | Cutout | Fill }>();
const effectStore = useEffectStore();
/** Only on the backdrop and the screen there is something to fill. */
const fills = computed(() =>
  ['backdrop', 'screen'].includes(anchorOf(effectStore.effect, props.object).kind),
);
const fits = FITS.filter((fit) => fit !== 'tile' || props.object.kind !== 'fill').map((value) => ({
  value,
  label: FIT_WORDS[value],
}));
const parts = CAMERA_PARTS.map((value) => ({ value, label: CAMERA_WORDS[value] }));
const set = (change: Parameters<typeof reshape<'live'>>[3], gesture: string | null = null): void => {
  effectStore.edit(
    reshape(effectStore.effect, props.object.id, props.object.kind as 'live', change),
    gesture,
  );
};
const setFill = (change: Parameters<typeof reshape<'fill'>>[3]): void => {
  effectStore.edit(reshape(effectStore.effect, props.object.id, 'fill', change));
};
const done = (): void => effectStore.endGesture();

/** The crop by its edges: what is cut off on each side, in per cent. */
const EDGES = ['left', 'top', 'right', 'bottom'] as const;
type Edge = (typeof EDGES)[number];
const cutOff = computed((): Record<Edge, number> => {
  const [x, y, w, h] = props.object.kind === 'live' ? props.object.crop : [0, 0, 1, 1];
  return { left: x, top: y, right: 1 - x - w, bottom: 1 - y - h };
});
const setCrop = (edge: Edge, percent: number): void => {
  const next = { ...cutOff.value, [edge]: percent / 100 };
  const w = 1 - next.left - next.right;
  const h = 1 - next.top - next.bottom;
  if (w < 0.01 || h < 0.01) return;
  set({ crop: [next.left, next.top, w, h] }, `crop ${edge}`);
};
const most = (edge: Edge): number => {
  const across = edge === 'left' ? 'right' : edge === 'right' ? 'left' : edge === 'top' ? 'bottom' : 'top';
  return 99 - 100 * cutOff.value[across];
};
</script>

<template>
  <div v-if="fills" class="line">
    <span>Fills</span>
    <SelectField
      name="How it fills the screen"
      class="wide"
      :value="object.fit"
      :options="fits"
      @change="(v: unknown) => set({ fit: v as Fit })"
    />
  </div>
  <template v-if="object.kind === 'live'">
    <div class="line">
      <span>Shows</span>
      <SelectField
        name="Part of the camera picture"
        class="wide"
        :value="object.part"
        :options="parts"
        @change="(v: unknown) => set({ part: v as CameraPart })"
      />
    </div>
    <div class="line">
      <span>Blur</span>
      <PropertyField :object="object" path="blur" />
      <PropertyField class="two" :object="object" path="flip" />
    </div>
    <div class="line crop" role="group" aria-label="Crop, in per cent of the picture">
      <span>Crop</span>
      <NumberField
        v-for="edge in EDGES"
        :key="edge"
        :value="cutOff[edge] * 100"
        :label="`Crop ${edge}, per cent`"
        :mark="edge[0]!.toUpperCase()"
        :digits="0"
        :step="1"
        :min="0"
        :max="most(edge)"
        @change="(v) => setCrop(edge, v)"
        @done="done"
      />
    </div>
  </template>
  <template v-if="object.kind === 'fill'">
    <div class="line">
      <span>Colour</span>
      <PropertyField :object="object" path="tint" />
      <ChipButton
        class="two"
        :aria-pressed="object.to !== null"
        @click="setFill({ to: object.to === null ? '#d9e4dc' : null })"
      >
        Gradient
      </ChipButton>
    </div>
    <div v-if="object.to !== null" class="line">
      <span>Runs to</span>
      <PropertyField :object="object" path="to" />
      <ChipButton
        :aria-pressed="object.gradient === 'radial'"
        @click="setFill({ gradient: object.gradient === 'radial' ? 'linear' : 'radial' })"
      >
        Round
      </ChipButton>
      <PropertyField v-if="object.gradient === 'linear'" :object="object" path="angle" />
    </div>
  </template>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.crop {
  grid-template-columns: var(--label, 56px) repeat(4, 1fr);
}
</style>
