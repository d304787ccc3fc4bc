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

const desk = useDeskStore();
</script>

<template>
  <div class="many" role="group" aria-label="What is selected">
    <b>{{ desk.selection.length }} selected</b>
    <a-button class="word" type="link" size="small" @click="groupSelected"
      ><Group :size="12" /> Group</a-button
    >
    <a-button class="word" type="link" size="small" @click="duplicateSelected()"
      ><Copy :size="12" /> Duplicate</a-button
    >
    <a-button class="word" type="link" size="small" @click="toggleSelectedVisible">Hide</a-button>
    <ObjectMenu><a-button class="word" type="link" size="small">More</a-button></ObjectMenu>
    <a-button
      class="icon-button bad"
      type="text"
      size="small"
      aria-label="Delete what is selected"
      @click="removeSelected"
    >
      <Trash2 :size="13" />
    </a-button>
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
