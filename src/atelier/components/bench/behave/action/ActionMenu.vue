<script setup lang="ts">
/** What can happen, in groups. */
import type { ActionKind } from '../../../../../core/document/schema';
import { ACTIONS_BY_GROUP, actionKind } from '../../../../../core/kinds/actions/actions';
import WordButton from '../../../common/WordButton.vue';

defineProps<{ label: string }>();
const emit = defineEmits<{ choose: [kind: ActionKind] }>();
</script>

<template>
  <a-dropdown :trigger="['click']">
    <WordButton>{{ label }}</WordButton>
    <template #overlay>
      <a-menu class="menu" @click="({ key }: { key: string | number }) => emit('choose', key as ActionKind)">
        <a-menu-item-group v-for="[title, kinds] in ACTIONS_BY_GROUP" :key="title" :title="title">
          <a-menu-item v-for="kind in kinds" :key="kind">{{ actionKind(kind).name }}</a-menu-item>
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
