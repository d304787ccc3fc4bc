<script setup lang="ts">
/** Where a picture of a material comes from: one that was brought in, or a part of the camera picture. */
import { computed } from 'vue';
import { X } from '@lucide/vue';
import {
  CAMERA_PARTS,
  type AssetId,
  type CameraPart,
  type PictureSource,
} from '../../../../../core/document/schema';
import { api } from '../../../../api/client';
import type { DropSpot } from '../../../../intake/drop-spots';
import { useEffectStore } from '../../../../stores/effect';
import { CAMERA_WORDS } from '../../../../words';
import { z } from 'zod';
import { cameraView } from '../../../../../core/schema/values-schema';
import { propertiesIn } from '../../../../../core/schema/properties';
import NumberField from '../../../common/NumberField.vue';
import PropertyInput from '../../../common/PropertyInput.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';
import IconButton from '../../../common/IconButton.vue';

const props = withDefaults(
  defineProps<{ label: string; value: PictureSource | null; camera?: boolean; removable?: boolean }>(),
  { camera: true, removable: true },
);
/** Numbers are dragged: one gesture is one undo step, until it is done. */
const emit = defineEmits<{ change: [value: PictureSource | null, gesture?: string]; done: [] }>();
const effectStore = useEffectStore();
const pictures = computed(() => Object.values(effectStore.effect.assets).filter((a) => a.kind === 'picture'));
const key = computed(() => {
  if (!props.value) return '';
  return props.value.from === 'asset' ? props.value.asset : `camera ${props.value.part}`;
});
const options = computed(() => [
  ...(props.removable ? [{ value: '', label: 'None' }] : []),
  ...(props.value?.from === 'asset' && !effectStore.effect.assets[props.value.asset]
    ? [{ value: props.value.asset, label: 'A picture that was deleted' }]
    : []),
  ...pictures.value.map((a) => ({ value: a.id as string, label: a.name })),
  ...(props.camera
    ? CAMERA_PARTS.map((part) => ({ value: `camera ${part}`, label: CAMERA_WORDS[part] }))
    : []),
]);
const choose = (to: string): void => {
  if (to === '') emit('change', null);
  else if (to.startsWith('camera '))
    emit('change', {
      from: 'camera',
      part: to.slice(7) as CameraPart,
      crop: [0, 0, 1, 1],
      flip: false,
      blur: 0,
    });
  else emit('change', { from: 'asset', asset: to as AssetId });
};
const thumb = computed(() => {
  const asset = props.value?.from === 'asset' ? effectStore.effect.assets[props.value.asset] : undefined;
  return asset?.kind === 'picture' ? api.fileUrl(asset.preview ?? asset.files[0]!.sha256) : null;
});
const spot = computed<DropSpot>(() => ({
  kinds: ['picture'],
  says: `It becomes the picture: ${props.label.toLowerCase()}.`,
  put: ([picture]) => emit('change', { from: 'asset', asset: picture!.id }),
}));
const DESCRIBED = propertiesIn(z.object(cameraView), {});
const CROP = ['left', 'top', 'width', 'height'] as const;
const setCrop = (i: number, percent: number): void => {
  if (props.value?.from !== 'camera') return;
  const crop = [...props.value.crop] as [number, number, number, number];
  crop[i] = percent / 100;
  // The part that is shown ends within the picture.
  for (const k of [0, 1] as const) {
    crop[k] = Math.min(crop[k], 0.99);
    crop[k + 2] = Math.max(0.01, Math.min(crop[k + 2]!, 1 - crop[k]));
  }
  emit('change', { ...props.value, crop }, `crop${i}`);
};
</script>

<template>
  <div v-takes="spot" class="picture">
    <span class="name">{{ label }}</span>
    <span class="thumb"><img v-if="thumb" :src="thumb" alt="" /></span>
    <SelectField
      :name="label"
      :value="key"
      :options="options"
      show-search
      option-filter-prop="label"
      @change="(v: unknown) => choose(String(v))"
    />
    <IconButton v-if="value && removable" :aria-label="`Take off: ${label}`" @click="emit('change', null)">
      <X :size="14" />
    </IconButton>
  </div>
  <div v-if="value?.from === 'camera'" class="camera">
    <NumberField
      v-for="(part, i) in CROP"
      :key="part"
      :value="value.crop[i]! * 100"
      :label="`${label}, ${part}`"
      :mark="part[0]"
      unit="%"
      :min="0"
      :max="100"
      :digits="0"
      @change="(v) => setCrop(i, v)"
      @done="emit('done')"
    />
    <PropertyInput
      :property="{ ...DESCRIBED['blur']!, mark: 'blur' }"
      :label="`${label}, blur`"
      :value="value.blur"
      @change="
        (blur) => value?.from === 'camera' && emit('change', { ...value, blur: blur as number }, 'blur')
      "
      @done="emit('done')"
    />
    <ChipButton :aria-pressed="value.flip" @click="emit('change', { ...value, flip: !value.flip })">
      Mirror
    </ChipButton>
  </div>
</template>

<style scoped>
.picture {
  display: grid;
  grid-template-columns: 112px 24px 1fr 28px;
  align-items: center;
  gap: 8px;
  min-height: 30px;
}
.name {
  color: var(--soft);
}
.thumb {
  width: 24px;
  height: 24px;
  border: 1px solid var(--line);
  border-radius: 4px;
  overflow: hidden;
  background: repeating-conic-gradient(var(--line) 0 25%, transparent 0 50%) 0 0 / 8px 8px;
}
.thumb img {
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
}
.camera {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0 0 6px 152px;
}
.camera > :deep(*) {
  max-width: 92px;
}
</style>
