<script setup lang="ts">
/** Where a face layer lies, how its surface catches light, and what limits it. */
import { computed } from 'vue';
import { Brush } from '@lucide/vue';
import { changeLayer } from '../../../core/edits/look-edits';
import type { Layer } from '../../../core/document/schema';
import { FACE_REGIONS, type FaceRegion } from '../../../core/face/region-names';
import { REGION_WORDS } from '../../face-words';
import type { DropSpot } from '../../intake/drop-spots';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { usePainterStore } from '../../stores/painter';
import PropertyField from '../common/PropertyField.vue';
import LimitFields from './LimitFields.vue';
import SelectField from '../common/SelectField.vue';
import ChipButton from '../common/ChipButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: Layer }>();
const effectStore = useEffectStore();
const set = (change: Parameters<typeof changeLayer>[2]): void => {
  effectStore.edit(changeLayer(effectStore.effect, props.object.id, change));
};
const regions = FACE_REGIONS.map((value) => ({ value, label: REGION_WORDS[value] }));
const desk = useDeskStore();
const painter = usePainterStore();
const paint = (part: 'mask' | 'picture'): void => {
  desk.style.section = 'face';
  void painter.open(props.object.id, part);
};
const maskSpot: DropSpot = {
  kinds: ['picture'],
  says: 'It becomes the mask of this layer.',
  put: ([picture]) => set({ mask: picture!.id }),
};
const mask = computed(() => (props.object.mask ? effectStore.effect.assets[props.object.mask] : undefined));
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
  <div v-if="object.mask" v-takes="maskSpot" class="line">
    <span>Mask</span>
    <span class="wide painted">
      <span class="cut">{{ mask ? mask.name : 'its picture was deleted' }}</span>
      <WordButton @click="set({ mask: null })">Region's own</WordButton>
    </span>
  </div>
  <PropertyField v-else :object="object" path="softness" as="row" />
  <div class="line">
    <span>Finish</span>
    <PropertyField class="wide" :object="object" path="finish" />
  </div>
  <PropertyField v-if="object.finish !== 'painted'" :object="object" path="shine" as="row" />
  <LimitFields :object="object">
    <div class="chips">
      <ChipButton @click="paint('mask')"><Brush :size="12" /> Paint its mask</ChipButton>
      <ChipButton @click="paint('picture')"><Brush :size="12" /> Paint a picture</ChipButton>
    </div>
    <template #chips>
      <PropertyField :object="object" path="coversEyes" />
      <PropertyField :object="object" path="coversMouth" />
    </template>
  </LimitFields>
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
