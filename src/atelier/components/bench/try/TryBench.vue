<script setup lang="ts">
/** Try: the effect on one take or the camera, on several takes at once, on other screens, rehearsed, on phones. */
import { TRY_SECTIONS, useDeskStore } from '../../../stores/desk';
import SectionTabs from '../../common/SectionTabs.vue';
import DevicesBench from './devices/DevicesBench.vue';
import OneTake from './OneTake.vue';
import PhonesBench from './phones/PhonesBench.vue';
import RehearsalBench from './rehearse/RehearsalBench.vue';
import TakeWall from './wall/TakeWall.vue';

const desk = useDeskStore();
</script>

<template>
  <section class="bench" aria-label="Try bench">
    <SectionTabs
      label="What it is tried on"
      :sections="TRY_SECTIONS"
      :open="desk.trySection"
      @open="(section) => (desk.trySection = section)"
    />
    <TakeWall v-if="desk.trySection === 'wall'" />
    <DevicesBench v-else-if="desk.trySection === 'devices'" />
    <RehearsalBench v-else-if="desk.trySection === 'rehearsals'" />
    <PhonesBench v-else-if="desk.trySection === 'phones'" />
    <OneTake v-else />
  </section>
</template>

<style scoped>
.bench {
  padding: 14px 16px 32px;
  overflow: auto;
  height: 100%;
  display: grid;
  gap: 12px;
  align-content: start;
}
</style>
