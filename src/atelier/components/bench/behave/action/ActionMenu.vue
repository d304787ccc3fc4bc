<script setup lang="ts">
/** What can happen, in groups. */
import type { ActionKind } from '../../../../../core/document/schema';
import { ACTION_GROUPS, ACTION_WORDS } from '../../../../behave-words';

defineProps<{ label: string }>();
const emit = defineEmits<{ choose: [kind: ActionKind] }>();
</script>

<template>
  <a-dropdown :trigger="['click']">
    <button class="word" type="button">{{ label }}</button>
    <template #overlay>
      <a-menu class="menu" @click="({ key }: { key: string | number }) => emit('choose', key as ActionKind)">
        <a-menu-item-group v-for="[title, kinds] in ACTION_GROUPS" :key="title" :title="title">
          <a-menu-item v-for="kind in kinds" :key="kind">{{ ACTION_WORDS[kind] }}</a-menu-item>
        </a-menu-item-group>
      </a-menu>
    </template>
  </a-dropdown>
</template>

<style scoped>
.menu {
  max-height: 380px;
  overflow: auto;
}
</style>
