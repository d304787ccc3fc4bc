<script setup lang="ts">
import { computed } from 'vue';
import { useDeskStore } from './stores/desk';
import { reducedMotion } from './styles/reduced-motion';
import { themeFor } from './styles/theme';

const desk = useDeskStore();
const theme = computed(() => themeFor(desk.dark, reducedMotion.value));
</script>

<template>
  <a-config-provider :theme="theme" :wave="{ disabled: true }" :auto-insert-space-in-button="false">
    <router-view />
  </a-config-provider>
</template>
