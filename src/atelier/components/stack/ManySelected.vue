<script setup lang="ts">
/** Several objects are selected: what can be done to all of them. */
import { computed, ref } from 'vue';
import { Trash2 } from '@lucide/vue';
import {
  duplicateSelected,
  groupSelected,
  removeSelected,
  selectedObjects,
  toggleSelectedVisible,
} from '../../commands/object-commands';
import { useDeskStore } from '../../stores/desk';
import ObjectMenu from './ObjectMenu.vue';
import SharedFields from './SharedFields.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const desk = useDeskStore();
const objects = computed(() => selectedObjects());
/** Their fields are shown: while things are placed and dressed, unless somebody has said otherwise. */
const chosen = ref<boolean | null>(null);
const shown = computed({
  get: () => chosen.value ?? (desk.stage === 'place' || desk.stage === 'style'),
  set: (to: boolean) => (chosen.value = to),
});
</script>

<template>
  <SharedFields v-if="objects.length > 1 && shown" :objects="objects" />
  <div class="many" role="group" aria-label="What is selected">
    <b>{{ desk.selection.length }} selected</b>
    <WordButton :aria-expanded="shown" @click="shown = !shown">Fields</WordButton>
    <WordButton @click="groupSelected">Group</WordButton>
    <WordButton @click="duplicateSelected()">Duplicate</WordButton>
    <WordButton @click="toggleSelectedVisible">Hide</WordButton>
    <ObjectMenu><WordButton>More</WordButton></ObjectMenu>
    <IconButton class="bad" aria-label="Delete what is selected" @click="removeSelected">
      <Trash2 :size="13" />
    </IconButton>
  </div>
</template>

<style scoped>
.many {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 2px 10px;
  padding: 6px 12px 6px 16px;
  border-top: 1px solid var(--line);
  font-size: 12px;
}
.many b {
  flex: 1;
  white-space: nowrap;
}
.many .word {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.bad {
  color: var(--madder);
}
</style>
