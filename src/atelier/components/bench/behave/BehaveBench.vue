<script setup lang="ts">
/** What happens: the cue sheet, what the viewer sees and uses, and signals over the take. */
import { BEHAVE_SECTIONS, useDeskStore } from '../../../stores/desk';
import CueSheet from './CueSheet.vue';
import ScopePanel from './scope/ScopePanel.vue';
import ViewerPanel from './viewer/ViewerPanel.vue';

const desk = useDeskStore();
</script>

<template>
  <section class="bench" aria-label="Behave bench">
    <div class="sections" role="tablist" aria-label="What is worked on">
      <button
        v-for="{ id, label } in BEHAVE_SECTIONS"
        :key="id"
        class="chip"
        type="button"
        role="tab"
        :aria-selected="desk.behave.section === id"
        @click="desk.behave.section = id"
      >
        {{ label }}
      </button>
    </div>
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
.sections {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
