<script setup lang="ts">
/** What happens: the cue sheet, what the viewer sees and uses, and signals over the take. */
import { BEHAVE_SECTIONS, useDeskStore } from '../../../stores/desk';
import SectionTabs from '../../common/SectionTabs.vue';
import CircuitPanel from './circuit/CircuitPanel.vue';
import CueSheet from './CueSheet.vue';
import ScopePanel from './scope/ScopePanel.vue';
import ViewerPanel from './viewer/ViewerPanel.vue';

const desk = useDeskStore();
</script>

<template>
  <section class="bench" :class="{ board: desk.behave.section === 'circuits' }" aria-label="Behave bench">
    <SectionTabs
      label="What is worked on"
      :sections="BEHAVE_SECTIONS"
      :open="desk.behave.section"
      @open="(section) => (desk.behave.section = section)"
    />
    <CueSheet v-if="desk.behave.section === 'cues'" />
    <CircuitPanel v-else-if="desk.behave.section === 'circuits'" />
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
/* The board takes what height there is. */
.board {
  grid-template-rows: auto minmax(0, 1fr);
  align-content: stretch;
  padding-bottom: 12px;
}
</style>
