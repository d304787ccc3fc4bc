<script setup lang="ts">
/** How fast the effect will be on three classes of phones, how much memory it takes there, and how sure that is. */
import { CLASSES, PHONE_CLASSES } from '../../../../../core/devices/classes';
import { useDevicesStore } from '../../../../stores/devices';
import { sizeWords } from '../../../../words';
import { paceOf, speedWords, sureWords } from '../../../../device-words';

const devices = useDevicesStore();
/** Milliseconds that the bar of time shows at most. */
const MOST = 50;
const share = (drawing: number): string => `${Math.min(100, (100 * drawing) / MOST)}%`;
</script>

<template>
  <div class="classes" role="radiogroup" aria-label="Class of phones">
    <button
      v-for="id in PHONE_CLASSES"
      :key="id"
      type="button"
      role="radio"
      class="class"
      :aria-checked="devices.of === id"
      @click="devices.of = id"
    >
      <span class="row"
        ><b>{{ CLASSES[id].name }}</b>
        <span class="soft grow cut">{{ CLASSES[id].about }}</span>
        <span class="num">{{ speedWords(devices.estimates[id].drawing, devices.estimates[id].rate) }}</span>
      </span>
      <span class="line" aria-hidden="true">
        <span
          class="fill"
          :class="paceOf(devices.estimates[id].drawing)"
          :style="{ width: share(devices.estimates[id].drawing) }"
        />
        <span class="tick" :style="{ left: share(1000 / 60) }" />
        <span class="tick" :style="{ left: share(1000 / 30) }" />
      </span>
      <span class="row soft">
        <span class="grow">{{ sureWords(devices.sureness[id]) }}</span>
        <span class="num" :class="{ over: devices.estimates[id].bytes > CLASSES[id].memory }"
          >{{ sizeWords(devices.estimates[id].bytes) }} of {{ sizeWords(CLASSES[id].memory) }}</span
        >
        <span v-if="devices.estimates[id].tracking > 0" class="num"
          >tracks {{ Math.max(1, Math.round(1000 / devices.estimates[id].tracking)) }} times a second</span
        >
      </span>
    </button>
  </div>
</template>

<style scoped>
.classes {
  display: grid;
  gap: 6px;
}
.class {
  display: grid;
  gap: 4px;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.class[aria-checked='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 1px var(--accent);
}
.line {
  position: relative;
  height: 7px;
  border-radius: 4px;
  background: var(--line2);
  overflow: hidden;
}
.fill {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--accent);
}
.fill.slow {
  background: var(--ochre);
}
.fill.bad {
  background: var(--madder);
}
.tick {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1.5px;
  background: var(--sheet);
}
.row {
  column-gap: 16px;
  font-size: 12px;
}
.over {
  color: var(--madder);
  font-weight: 600;
}
</style>
