<script setup lang="ts">
/** A sequence before and after, playing in step. */
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { frameAt, frameIndex } from '../../../../core/assets/frames/sheets';
import type { SequenceAsset } from '../../../../core/document/schema';
import type { AssetDraft } from '../../../../intake/drafts';
import { useAssetsStore } from '../../../stores/assets';
import './compare.css';
import ChipButton from '../../common/ChipButton.vue';

const props = defineProps<{ asset: SequenceAsset; draft: AssetDraft | null }>();
const assets = useAssetsStore();
const canvases = ref<HTMLCanvasElement[]>([]);
const playing = ref(true);

interface Reel {
  readonly sheets: readonly ImageBitmap[];
  readonly facts: Pick<SequenceAsset, 'grid' | 'sheet' | 'frames' | 'rate' | 'width' | 'height'>;
}
const reels = ref<[Reel | null, Reel | null]>([null, null]);
const bitmaps = (files: readonly { bytes: Uint8Array; mime: string }[]): Promise<ImageBitmap[]> =>
  Promise.all(files.map((f) => createImageBitmap(new Blob([f.bytes as BlobPart], { type: f.mime }))));
const close = (reel: Reel | null): void => reel?.sheets.forEach((s) => s.close());

const loadBefore = async (): Promise<void> => {
  const { asset } = props;
  const brought = asset.brought;
  const every = asset.prep?.every ?? 1;
  const facts = brought ? { ...asset, ...brought, rate: asset.rate * every } : asset;
  reels.value = [{ sheets: await bitmaps(await assets.originalsOf(asset)), facts }, reels.value[1]];
};
onMounted(loadBefore);
watch(
  () => props.draft,
  async (draft) => {
    if (draft?.facts.kind !== 'sequence') return;
    const next: Reel = { sheets: await bitmaps(draft.files), facts: draft.facts };
    close(reels.value[1]);
    reels.value = [reels.value[0], next];
  },
  { immediate: true },
);

let loop = 0;
let time = 0;
let last = 0;
const draw = (canvas: HTMLCanvasElement | undefined, reel: Reel | null): void => {
  if (!canvas || !reel) return;
  const { file, rect } = frameAt(reel.facts, frameIndex(reel.facts, time));
  const sheet = reel.sheets[file];
  if (!sheet) return;
  const [w, h] = [Math.round(rect[2] * sheet.width), Math.round(rect[3] * sheet.height)];
  if (canvas.width !== w || canvas.height !== h) [canvas.width, canvas.height] = [w, h];
  const context = canvas.getContext('2d')!;
  context.clearRect(0, 0, w, h);
  context.drawImage(sheet, rect[0] * sheet.width, rect[1] * sheet.height, w, h, 0, 0, w, h);
};
const tick = (now: number): void => {
  loop = requestAnimationFrame(tick);
  if (playing.value) time += Math.min(0.2, (now - last) / 1000);
  last = now;
  canvases.value.forEach((canvas, i) => draw(canvas, reels.value[i] ?? null));
};
onMounted(() => (loop = requestAnimationFrame(tick)));
onBeforeUnmount(() => {
  cancelAnimationFrame(loop);
  reels.value.forEach(close);
});
const words = computed(() => reels.value.map((r) => (r ? `${r.facts.frames} frames` : '')));
</script>

<template>
  <div class="before-after">
    <figure v-for="(label, i) in ['Before', 'After']" :key="label">
      <div class="window"><canvas ref="canvases" role="img" :aria-label="label" /></div>
      <figcaption>{{ label }} <span class="num soft">{{ words[i] }}</span></figcaption>
    </figure>
    <ChipButton class="play" @click="playing = !playing">
      {{ playing ? 'Stop' : 'Play' }}
    </ChipButton>
  </div>
</template>

<style scoped>
.window {
  display: grid;
  place-items: center;
}
canvas {
  width: 100%;
  height: 100%;
  min-height: 0;
  object-fit: contain;
}
figcaption {
  font-weight: 600;
}
.play {
  position: absolute;
  left: 14px;
  bottom: 12px;
}
</style>
