<script setup lang="ts">
/** What an asset looks like, in small: picture, moving frames, waveform, letters. */
import { computed, onMounted, ref, watch } from 'vue';
import { AudioLines, Box, Film, Image, Palette, Sun, Type } from '@lucide/vue';
import type { Asset } from '../../../core/document/schema';
import { api } from '../../api/client';

const props = defineProps<{ asset: Asset }>();

const url = computed((): string | null => {
  const { asset } = props;
  if (asset.preview) return api.fileUrl(asset.preview);
  return asset.kind === 'picture' ? api.fileUrl(asset.files[0]!.sha256) : null;
});
/** A sequence's preview is a film of up to eight frames. */
const frames = computed(() => (props.asset.kind === 'sequence' ? Math.min(8, props.asset.frames) : 1));
const film = computed(() =>
  url.value && props.asset.kind === 'sequence'
    ? {
        backgroundImage: `url(${url.value})`,
        backgroundSize: `${frames.value * 100}% 100%`,
        aspectRatio: `${props.asset.width} / ${props.asset.height}`,
        '--frames': String(frames.value),
        '--last': `${frames.value > 1 ? 100 : 0}%`,
      }
    : null,
);
const wave = computed(() => {
  if (props.asset.kind !== 'sound') return '';
  const { peaks } = props.asset;
  return peaks
    .map(
      (p, i) =>
        `M${((i + 0.5) / peaks.length) * 100} ${50 - Math.max(1, p * 44)}V${50 + Math.max(1, p * 44)}`,
    )
    .join('');
});
const icon = computed(
  () =>
    ({
      picture: Image,
      sequence: Film,
      model: Box,
      sound: AudioLines,
      video: Film,
      table: Palette,
      surroundings: Sun,
      font: Type,
    })[props.asset.kind],
);

const family = ref<string | null>(null);
const loadFont = async (): Promise<void> => {
  const { asset } = props;
  if (asset.kind !== 'font') return;
  const name = `asset-${asset.files[0]!.sha256.slice(0, 12)}`;
  if (![...document.fonts].some((f) => f.family === name)) {
    const face = new FontFace(name, `url(${api.fileUrl(asset.files[0]!.sha256)})`);
    try {
      document.fonts.add(await face.load());
    } catch {
      return;
    }
  }
  family.value = name;
};
onMounted(loadFont);
watch(() => props.asset, loadFont);
</script>

<template>
  <div class="thumb" :data-kind="asset.kind">
    <span v-if="film" class="film" :style="film" />
    <img v-else-if="url" :src="url" alt="" loading="lazy" />
    <svg v-else-if="wave" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
      <path :d="wave" />
    </svg>
    <span v-else-if="family" class="letters" :style="{ fontFamily: family }" aria-hidden="true">Tide</span>
    <component :is="icon" v-else :size="22" class="sign" />
  </div>
</template>

<style scoped>
.thumb {
  display: grid;
  place-items: center;
  width: 100%;
  height: 100%;
  min-height: 0;
  overflow: hidden;
  background: var(--sheet);
}
.thumb[data-kind='sequence'] {
  background: var(--grey);
}
.thumb[data-kind='picture'] {
  /* White masks and clear bubbles are seen on it as well as dark ink. */
  background: repeating-conic-gradient(var(--check1) 0 25%, var(--check2) 0 50%) 0 0 / 12px 12px;
}
img {
  width: 100%;
  height: 100%;
  min-height: 0;
  object-fit: contain;
}
.thumb[data-kind='surroundings'] img,
.thumb[data-kind='table'] img,
.thumb[data-kind='video'] img {
  object-fit: cover;
}
.film {
  max-width: 100%;
  height: 100%;
  background-position: 0 0;
}
@media (prefers-reduced-motion: no-preference) {
  .thumb:hover .film,
  :focus-visible .film {
    animation: play 0.8s steps(var(--frames), jump-none) infinite;
  }
}
@keyframes play {
  to {
    background-position: var(--last) 0;
  }
}
svg {
  width: 86%;
  height: 70%;
}
path {
  stroke: var(--accent);
  stroke-width: 0.55;
  vector-effect: none;
}
.letters {
  font-size: 26px;
  line-height: 1;
  white-space: nowrap;
}
.sign {
  color: var(--faint);
}
</style>
