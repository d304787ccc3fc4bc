<script setup lang="ts">
/** Before and after, seen through the same window: zoom, and move the pointer to look around. */
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import type { Asset } from '../../../../core/document/schema';
import type { AssetDraft } from '../../../../intake/drafts';
import { api } from '../../../api/client';
import './compare.css';
import ChipButton from '../../common/ChipButton.vue';

const props = defineProps<{ asset: Asset; draft: AssetDraft | null }>();
const zoom = ref(1);
const at = ref<[number, number]>([50, 50]);
const made = ref<string | null>(null);
const before = computed(() => {
  // Light surroundings are no picture a browser shows; their small picture stands for them.
  if (props.asset.kind === 'surroundings')
    return props.asset.preview ? api.fileUrl(props.asset.preview) : null;
  return api.fileUrl((props.asset.original ?? props.asset.files)[0]!.sha256);
});
const release = (): void => {
  if (made.value) URL.revokeObjectURL(made.value);
  made.value = null;
};
watch(
  () => props.draft,
  (draft) => {
    release();
    const file = draft?.facts.kind === 'surroundings' ? draft.preview : draft?.files[0];
    if (file) made.value = URL.createObjectURL(new Blob([file.bytes as BlobPart], { type: file.mime }));
  },
  { immediate: true },
);
onBeforeUnmount(release);
const look = (event: PointerEvent): void => {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  at.value = [(100 * (event.clientX - box.left)) / box.width, (100 * (event.clientY - box.top)) / box.height];
};
const style = computed(() => ({
  transform: `scale(${zoom.value})`,
  transformOrigin: `${at.value[0]}% ${at.value[1]}%`,
}));
const sizeAfter = computed(() => {
  const facts = props.draft?.facts;
  return facts && 'width' in facts ? `${facts.width} x ${facts.height}` : '';
});
</script>

<template>
  <div class="before-after">
    <figure @pointermove="look">
      <div class="window"><img v-if="before" :src="before" alt="Before" :style="style" /></div>
      <figcaption>Before</figcaption>
    </figure>
    <figure @pointermove="look">
      <div class="window"><img v-if="made" :src="made" alt="After" :style="style" /></div>
      <figcaption>After <span class="num soft">{{ sizeAfter }}</span></figcaption>
    </figure>
    <div class="zoom row">
      <ChipButton v-for="z in [1, 2, 4, 8]" :key="z" :aria-pressed="zoom === z" @click="zoom = z">
        {{ z }}x
      </ChipButton>
    </div>
  </div>
</template>

<style scoped>
img {
  width: 100%;
  height: 100%;
  object-fit: contain;
}
figcaption {
  font-weight: 600;
}
.zoom {
  position: absolute;
  left: 14px;
  bottom: 12px;
  gap: 5px;
}
</style>
