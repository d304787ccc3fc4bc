<script setup lang="ts">
/** Several objects are selected: what can be done to all of them. */
import { Copy, Group, Trash2 } from '@lucide/vue';
import {
  duplicateSelected,
  groupSelected,
  removeSelected,
  toggleSelectedVisible,
} from '../../commands/object-commands';
import { useDeskStore } from '../../stores/desk';
import ObjectMenu from './ObjectMenu.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const desk = useDeskStore();
</script>

<template>
  <div class="many" role="group" aria-label="What is selected">
    <b>{{ desk.selection.length }} selected</b>
    <WordButton @click="groupSelected"><Group :size="12" /> Group</WordButton>
    <WordButton @click="duplicateSelected()"><Copy :size="12" /> Duplicate</WordButton>
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
  gap: 10px;
  padding: 6px 12px 6px 16px;
  border-top: 1px solid var(--line);
  font-size: 12px;
}
.many b {
  flex: 1;
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
