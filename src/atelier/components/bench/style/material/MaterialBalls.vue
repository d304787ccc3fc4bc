<script setup lang="ts">
/** The material on three balls: by a window, under the sun, at night beside a lamp. */
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import type { Material } from '../../../../../core/document/schema';
import { MaterialBalls } from '../../../../../stage/surface/material-balls';
import { useAssetsStore } from '../../../../stores/assets';
import { useEffectStore } from '../../../../stores/effect';

const props = defineProps<{ material: Material }>();
const SIZE = 112;
const effectStore = useEffectStore();
const assets = useAssetsStore();
const canvas = ref<HTMLCanvasElement | null>(null);
const failed = ref(false);
let balls: MaterialBalls | null = null;
let asked = 0;
const draw = (): void => {
  asked = 0;
  balls?.draw(effectStore.effect, props.material, SIZE);
};
const ask = (): void => {
  asked ||= requestAnimationFrame(draw);
};
onMounted(() => {
  try {
    balls = new MaterialBalls(canvas.value!, assets.stores);
    ask();
  } catch {
    // The Viewfinder says what is missing; here the balls are simply not there.
    failed.value = true;
  }
});
watch([() => props.material, () => effectStore.effect.assets, () => assets.arrived], ask);
onBeforeUnmount(() => {
  cancelAnimationFrame(asked);
  balls?.dispose();
});
</script>

<template>
  <figure v-show="!failed">
    <canvas
      ref="canvas"
      role="img"
      :aria-label="`${material.name} by a window, under the sun and at night beside a lamp`"
    />
    <figcaption class="faint"><span>window</span><span>sun</span><span>lamp</span></figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  max-width: 336px;
}
canvas {
  display: block;
  width: 100%;
  border-radius: 6px;
}
figcaption {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  text-align: center;
  font-size: 11.5px;
}
</style>
