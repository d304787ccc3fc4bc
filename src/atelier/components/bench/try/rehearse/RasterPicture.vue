<script setup lang="ts">
/** A picture that is numbers. */
import { onMounted, useTemplateRef, watch } from 'vue';
import type { Raster } from '../../../../../core/assets/raster';

const props = defineProps<{ raster: Raster; label: string }>();
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const paint = (): void => {
  const { width, height, data } = props.raster;
  if (!canvas.value) return;
  canvas.value.width = width;
  canvas.value.height = height;
  canvas.value
    .getContext('2d')!
    .putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
};
onMounted(paint);
watch(() => props.raster, paint);
</script>

<template>
  <figure>
    <canvas ref="canvas" role="img" :aria-label="label" />
    <figcaption class="soft">{{ label }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
canvas {
  display: block;
  width: 72px;
  border-radius: 4px;
}
figcaption {
  font-size: 10.5px;
}
</style>
