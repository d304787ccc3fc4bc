<script setup lang="ts">
/**
 * How well the picture can be found when it is printed: what of it helps, how small and how far it may be, why it is weak, and how a camera
 * sees it from there. Found out by itself as soon as there is a picture.
 */
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue';
import type { Target } from '../../../core/document/schema';
import { api } from '../../api/client';
import { useEffectStore } from '../../stores/effect';
import { useStrengthStore } from '../../stores/strength';
import { farthest, GRADE_WORDS, weaknessWords } from '../../strength-words';
import InlineNotice from '../common/InlineNotice.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ target: Target }>();
const effectStore = useEffectStore();
const store = useStrengthStore();

const key = computed(() => store.keyOf(props.target));
const judged = computed(() => (key.value ? store.judged.get(key.value) : undefined));
const working = computed(() => (store.working?.key === key.value ? store.working : null));
const trouble = computed(() => (store.trouble?.key === key.value ? store.trouble.message : null));
watch(key, () => void store.judge(props.target), { immediate: true });
onBeforeUnmount(() => {
  if (working.value) store.cancel();
});

const asset = computed(() =>
  props.target.asset ? effectStore.effect.assets[props.target.asset] : undefined,
);
const url = computed(() =>
  asset.value?.kind === 'picture' ? api.fileUrl(asset.value.files[0]!.sha256) : undefined,
);
const aspect = computed(() =>
  asset.value?.kind === 'picture' ? `${asset.value.width} / ${asset.value.height}` : undefined,
);
const away = computed(() => (judged.value ? farthest(judged.value.strength, props.target.width) : null));

const heat = ref<HTMLCanvasElement | null>(null);
const small = ref<HTMLCanvasElement | null>(null);
/** A veil over what does not help: what shines through finds it. */
const drawHeat = (): void => {
  const canvas = heat.value;
  const of = judged.value?.strength;
  if (!canvas || !of) return;
  Object.assign(canvas, { width: of.columns, height: of.rows });
  const g = canvas.getContext('2d')!;
  const veil = g.createImageData(of.columns, of.rows);
  // A little warmth already helps: the root shows it.
  of.heat.forEach((h, i) => veil.data.set([18, 28, 32, 225 * (1 - Math.sqrt(h))], 4 * i));
  g.putImageData(veil, 0, 0);
};
/** The picture in so many pixels as a camera gives it from farthest away. */
const drawSmall = async (): Promise<void> => {
  const share = judged.value?.strength.smallest;
  if (!share || !url.value) return;
  const image = new Image();
  image.src = url.value;
  await image.decode().catch(() => undefined);
  const canvas = small.value;
  if (!canvas || !image.naturalWidth) return;
  const width = Math.round(640 * share);
  const height = Math.max(1, Math.round((width * image.naturalHeight) / image.naturalWidth));
  Object.assign(canvas, { width, height });
  const g = canvas.getContext('2d')!;
  g.imageSmoothingQuality = 'high';
  g.drawImage(image, 0, 0, width, height);
};
watch(
  judged,
  async () => {
    await nextTick();
    drawHeat();
    await drawSmall();
  },
  { immediate: true },
);
</script>

<template>
  <div v-if="key" class="strength" role="group" aria-label="How well it can be found">
    <div v-if="working" class="row" role="status">
      <span class="soft grow">Finding out how well it can be found</span>
      <a-progress :percent="Math.round(100 * working.share)" size="small" :show-info="false" class="bar" />
      <WordButton @click="store.cancel()">Cancel</WordButton>
    </div>
    <InlineNotice v-else-if="trouble">
      {{ trouble }} <WordButton @click="store.judge(target)">Try again</WordButton>
    </InlineNotice>
    <template v-else-if="judged">
      <div class="seen">
        <figure>
          <div class="picture" :style="{ aspectRatio: aspect }">
            <img :src="url" alt="" />
            <canvas ref="heat" aria-hidden="true" />
          </div>
          <figcaption>what finds it</figcaption>
        </figure>
        <figure v-if="judged.strength.smallest">
          <canvas ref="small" class="small" :style="{ aspectRatio: aspect }" aria-hidden="true" />
          <figcaption>from farthest</figcaption>
        </figure>
      </div>
      <div class="words">
        <b :class="judged.strength.grade" :data-grade="judged.strength.grade">{{
          GRADE_WORDS[judged.strength.grade]
        }}</b>
        <p v-if="away !== null">
          Found up to {{ away < 1 ? `${Math.round(away * 100)} cm` : `${away.toFixed(1)} m` }} away, from
          {{ Math.round(100 * judged.strength.smallest!) }} % of the camera picture’s width on.
        </p>
        <p v-else>Found only when it nearly fills the camera picture, if at all.</p>
        <p v-for="weakness in judged.strength.weaknesses" :key="weakness.kind" class="why">
          {{ weaknessWords(weakness, judged.others) }}
        </p>
      </div>
    </template>
    <WordButton v-else @click="store.judge(target)">Find out how well it can be found</WordButton>
  </div>
</template>

<style scoped>
.strength {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  padding: 6px 0;
  font-size: 12px;
}
.bar {
  width: 70px;
}
.seen {
  display: flex;
  gap: 10px;
}
figure {
  display: grid;
  gap: 2px;
  width: 84px;
  margin: 0;
}
figcaption {
  color: var(--faint);
  font-size: 11px;
}
.picture {
  position: relative;
  overflow: hidden;
  border-radius: 4px;
  background: #fff;
}
.picture img,
.picture canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.small {
  width: 100%;
  border-radius: 4px;
  image-rendering: pixelated;
}
.words {
  display: grid;
  gap: 3px;
}
p {
  margin: 0;
  color: var(--soft);
}
.good {
  color: var(--accent);
}
.fair,
.why {
  color: var(--ochre);
}
.poor {
  color: var(--madder);
}
</style>
