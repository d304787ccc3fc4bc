<script setup lang="ts">
/** What happens: the cue sheet, what the viewer sees and uses, and signals over the take. */
import { BEHAVE_SECTIONS, useDeskStore } from '../../../stores/desk';
import SectionTabs from '../../common/SectionTabs.vue';
import CueSheet from './CueSheet.vue';
import ScopePanel from './scope/ScopePanel.vue';
import ViewerPanel from './viewer/ViewerPanel.vue';

const desk = useDeskStore();
</script>

<template>
  <section class="bench" aria-label="Behave bench">
    <SectionTabs
      label="What is worked on"
      :sections="BEHAVE_SECTIONS"
      :open="desk.behave.section"
      @open="(section) => (desk.behave.section = section)"
    />
    <CueSheet v-if="desk.behave.section === 'cues'" />
    <ViewerPanel v-else-if="desk.behave.section === 'viewer'" />
    <ScopePanel v-else />
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
