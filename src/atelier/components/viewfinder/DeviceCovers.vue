<script setup lang="ts">
/** What lies over the picture on a device: its notch, and the buttons of a camera app. Made up; only where they are matters. */
import { computed } from 'vue';
import { useDevicesStore } from '../../stores/devices';

const props = defineProps<{ width: number }>();
const devices = useDevicesStore();
const scale = computed(() => props.width / devices.shape.width);
const under = computed(() => new Set(devices.findings.flatMap((f) => f.covers.map((c) => c.name))));
const isRound = (name: string): boolean => name === 'the record button' || name.startsWith('the button');
</script>

<template>
  <svg
    class="covers"
    :viewBox="`0 0 ${devices.shape.width} ${devices.shape.height}`"
    :style="{ width: `${width}px` }"
    role="img"
    :aria-label="`${devices.screen.name}: what lies over the picture`"
  >
    <rect
      class="safe"
      :x="devices.shape.safe.left + 1"
      :y="devices.shape.safe.top + 1"
      :width="devices.shape.width - devices.shape.safe.left - devices.shape.safe.right - 2"
      :height="devices.shape.height - devices.shape.safe.top - devices.shape.safe.bottom - 2"
      :stroke-width="1.2 / scale"
      :stroke-dasharray="`${5 / scale} ${5 / scale}`"
    />
    <rect
      v-for="cover in devices.covers"
      :key="cover.name"
      :class="[cover.what, { under: under.has(cover.name) }]"
      :x="cover.left"
      :y="cover.top"
      :width="cover.width"
      :height="cover.height"
      :rx="
        cover.what === 'corner'
          ? 0
          : cover.what === 'notch'
            ? Math.min(16, cover.height / 2)
            : isRound(cover.name) || cover.what !== 'button'
              ? Math.min(cover.width, cover.height) / 2
              : 12
      "
      :stroke-width="2 / scale"
    />
  </svg>
</template>

<style scoped>
.covers {
  position: absolute;
  left: 0;
  top: 0;
  height: 100%;
  pointer-events: none;
}
.safe {
  fill: none;
  stroke: #ffffff8c;
}
.notch,
.hole {
  fill: #0b0d0e;
}
.bar {
  fill: #ffffffd0;
}
.button {
  fill: #1d232780;
  stroke: #ffffffa0;
}
.corner {
  fill: none;
}
.under {
  stroke: #e2574c;
}
.button.under {
  fill: #e2574c80;
}
</style>
