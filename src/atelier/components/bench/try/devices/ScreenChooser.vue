<script setup lang="ts">
/** Which screen the Viewfinder is, how it is held, and whether a camera app lies over it. */
import { isAlwaysSideways, SCREENS, type Screen } from '../../../../../core/devices/screens';
import { useDevicesStore } from '../../../../stores/devices';

const devices = useDevicesStore();
/** All to one scale. */
const UNIT = 0.042;
const sizeOf = (screen: Screen): { width: number; height: number } => {
  const [wide, high] = [screen.width * UNIT, screen.height * UNIT];
  return isAlwaysSideways(screen) ? { width: high, height: wide } : { width: wide, height: high };
};
const HELD = [
  { value: 'upright', label: 'Upright' },
  { value: 'sideways', label: 'Sideways' },
];
</script>

<template>
  <div class="chooser">
    <div class="screens" role="radiogroup" aria-label="Screen">
      <button
        v-for="screen in SCREENS"
        :key="screen.id"
        type="button"
        role="radio"
        class="screen"
        :aria-checked="screen.id === devices.screenId"
        :aria-label="`${screen.name}, ${screen.about}`"
        @click="devices.screenId = screen.id"
      >
        <span class="room">
          <span
            class="shape"
            :style="{
              width: `${sizeOf(screen).width}px`,
              height: `${sizeOf(screen).height}px`,
              borderRadius: `${Math.max(2, screen.corners * UNIT * 1.6)}px`,
            }"
          >
            <span
              v-for="cut in screen.cut.filter((c) => c.what !== 'bar')"
              :key="cut.what"
              class="cut"
              :style="{
                left: `${cut.left * UNIT}px`,
                top: `${cut.top * UNIT}px`,
                width: `${cut.width * UNIT}px`,
                height: `${Math.max(2, cut.height * UNIT)}px`,
              }"
            />
          </span>
        </span>
        <b>{{ screen.name }}</b>
        <span class="soft">{{ screen.about }}</span>
      </button>
    </div>
    <div class="row">
      <a-segmented
        v-if="!isAlwaysSideways(devices.screen)"
        v-model:value="devices.held"
        size="small"
        :options="HELD"
        aria-label="How it is held"
      />
      <a-checkbox v-model:checked="devices.app">Buttons of a camera app over it</a-checkbox>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.chooser {
  display: grid;
  gap: 10px;
}
.screens {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
.screen {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr);
  gap: 0 8px;
  align-items: center;
  padding: 8px;
  text-align: left;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  font-size: 12px;
  cursor: pointer;
}
.screen[aria-checked='true'] {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 1px var(--accent);
}
.room {
  grid-row: 1 / 3;
  display: grid;
  place-items: center;
  height: 52px;
}
.shape {
  position: relative;
  border: 1.5px solid currentColor;
  overflow: hidden;
}
.cut {
  position: absolute;
  border-radius: 3px;
  background: currentColor;
}
.screen b {
  align-self: end;
}
.screen .soft {
  align-self: start;
  line-height: 1.25;
}
.row {
  flex-wrap: wrap;
  gap: 6px 14px;
}
</style>
