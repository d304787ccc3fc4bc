<script setup lang="ts">
/** Where a face layer lies, how its surface catches light, and what limits it. */
import { computed } from 'vue';
import { Brush } from '@lucide/vue';
import { changeLayer, layersOn } from '../../../core/document/look-edits';
import { anchorOf } from '../../../core/document/queries';
import type { Layer, ObjectId } from '../../../core/document/schema';
import { FACE_REGIONS, type FaceRegion } from '../../../core/face/region-names';
import { FINISHES, type Finish } from '../../../core/makeup/finish';
import { FINISH_WORDS, REGION_WORDS } from '../../face-words';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { usePainterStore } from '../../stores/painter';
import SliderField from '../common/SliderField.vue';
import SelectField from '../common/SelectField.vue';

const props = defineProps<{ object: Layer }>();
const document = useEffectStore();
const set = (change: Parameters<typeof changeLayer>[2], gesture: string | null = null): void => {
  document.edit(changeLayer(document.effect, props.object.id, change), gesture && props.object.id + gesture);
};
const done = (): void => document.endGesture();
const regions = FACE_REGIONS.map((value) => ({ value, label: REGION_WORDS[value] }));
const finishes = FINISHES.map((value) => ({ value, label: FINISH_WORDS[value] }));
/** Layers of the same face that may limit this one. */
const others = computed(() => {
  const anchor = anchorOf(document.effect, props.object);
  return 'face' in anchor
    ? layersOn(document.effect, anchor.face)
        .filter((l) => l.id !== props.object.id)
        .map((l) => ({ value: l.id as string, label: l.name }))
    : [];
});
const desk = useDeskStore();
const painter = usePainterStore();
const paint = (part: 'mask' | 'picture'): void => {
  desk.style.section = 'face';
  void painter.open(props.object.id, part);
};
const mask = computed(() => (props.object.mask ? document.effect.assets[props.object.mask] : undefined));
</script>

<template>
  <div class="line">
    <span>Region</span>
    <SelectField
      name="Region of the face"
      class="wide"
      :value="object.region"
      :options="regions"
      @change="(v: unknown) => set({ region: v as FaceRegion })"
    />
  </div>
  <div v-if="object.mask" class="line">
    <span>Mask</span>
    <span class="wide painted">
      <span class="cut">{{ mask ? mask.name : 'its picture was deleted' }}</span>
      <button class="word" type="button" @click="set({ mask: null })">Region's own</button>
    </span>
  </div>
  <SliderField
    v-else
    name="Soft edge"
    unit="%"
    :value="object.softness * 100"
    :min="0"
    :max="400"
    @change="(v) => set({ softness: v / 100 }, 'softness')"
    @done="done"
  />
  <div class="line">
    <span>Finish</span>
    <SelectField
      name="Finish"
      class="wide"
      :value="object.finish"
      :options="finishes"
      @change="(v: unknown) => set({ finish: v as Finish })"
    />
  </div>
  <SliderField
    v-if="object.finish !== 'painted'"
    name="Strength"
    label="Strength of the finish"
    unit="%"
    :value="object.shine * 100"
    :min="0"
    :max="100"
    @change="(v) => set({ shine: v / 100 }, 'shine')"
    @done="done"
  />
  <div v-if="others.length > 0" class="line">
    <span>Only in</span>
    <SelectField
      name="Limited by the mask of"
      class="wide"
      :value="object.maskedBy ?? ''"
      :options="[{ value: '', label: 'no other layer' }, ...others]"
      @change="(v: unknown) => set({ maskedBy: v === '' ? null : (v as ObjectId) })"
    />
  </div>
  <div class="chips">
    <button class="chip" type="button" @click="paint('mask')"><Brush :size="12" /> Paint its mask</button>
    <button class="chip" type="button" @click="paint('picture')"><Brush :size="12" /> Paint a picture</button>
  </div>
  <div class="chips">
    <button
      v-if="object.maskedBy"
      class="chip"
      type="button"
      :aria-pressed="object.maskedOut"
      @click="set({ maskedOut: !object.maskedOut })"
    >
      Outside of it
    </button>
    <button
      class="chip"
      type="button"
      :aria-pressed="object.coversEyes"
      title="Off, it leaves the eyes out as they open and close"
      @click="set({ coversEyes: !object.coversEyes })"
    >
      Over the eyes
    </button>
    <button
      class="chip"
      type="button"
      :aria-pressed="object.coversMouth"
      title="Off, it leaves the inside of the mouth out"
      @click="set({ coversMouth: !object.coversMouth })"
    >
      Over the mouth
    </button>
    <button
      class="chip"
      type="button"
      :aria-pressed="object.givesWay"
      title="It is left out where a hand, hair or a thing is before the face"
      @click="set({ givesWay: !object.givesWay })"
    >
      Under hands and hair
    </button>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 56px 1fr 72px;
  gap: 5px;
  align-items: center;
  color: var(--soft);
}
.wide {
  grid-column: 2 / -1;
}
.painted {
  display: flex;
  gap: 6px;
  align-items: center;
  min-width: 0;
  color: var(--ink);
}
.chip {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-top: 2px;
}
:deep(.slider-field) {
  --label: 56px;
  gap: 5px;
}
</style>
