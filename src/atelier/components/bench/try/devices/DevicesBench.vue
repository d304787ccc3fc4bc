<script setup lang="ts">
/** Devices: the effect on other screens, with what lies over it there, and how fast it will be on phones. */
import { onBeforeUnmount, onMounted } from 'vue';
import { sideOf, takeSeenFrom, type CameraSide } from '../../../../../core/takes/library/take-for';
import { useDevicesStore } from '../../../../stores/devices';
import { useEffectStore } from '../../../../stores/effect';
import { usePhonesStore } from '../../../../stores/phones';
import { usePlaybackStore } from '../../../../stores/playback';
import CostChart from './CostChart.vue';
import CoveredList from './CoveredList.vue';
import ScreenChooser from './ScreenChooser.vue';
import SpeedTable from './SpeedTable.vue';

const devices = useDevicesStore();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const phones = usePhonesStore();
onMounted(() => {
  devices.isOpen = true;
  // What phones report makes the estimate surer.
  phones.open();
});
onBeforeUnmount(() => {
  devices.isOpen = false;
  phones.close();
});
const SIDES = [
  { value: 'front', label: 'Front camera' },
  { value: 'back', label: 'Back camera' },
];
const choose = (side: CameraSide): void => playback.chooseTake(takeSeenFrom(effectStore.effect, side));
</script>

<template>
  <div class="devices">
    <ScreenChooser>
      <a-segmented
        v-if="playback.source === 'take'"
        size="small"
        :value="sideOf(playback.take)"
        :options="SIDES"
        aria-label="Camera"
        @change="(side) => choose(side as CameraSide)"
      />
    </ScreenChooser>
    <CoveredList />
    <h3>How fast, and how much memory</h3>
    <SpeedTable />
    <CostChart />
  </div>
</template>

<style scoped>
.devices {
  display: grid;
  gap: 14px;
}
h3 {
  margin: 4px 0 -6px;
}
</style>
