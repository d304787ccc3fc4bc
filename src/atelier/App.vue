<script setup lang="ts">
import { StyleProvider } from 'ant-design-vue';
import { computed } from 'vue';
import { useDeskStore } from './stores/desk';
import { leanRules } from './styles/lean-rules';
import { reducedMotion } from './styles/reduced-motion';
import { themeFor } from './styles/theme';

const desk = useDeskStore();
const theme = computed(() => themeFor(desk.dark, reducedMotion.value));
</script>

<template>
  <StyleProvider :transformers="[leanRules]">
    <a-config-provider :theme="theme" :wave="{ disabled: true }" :auto-insert-space-in-button="false">
      <router-view />
    </a-config-provider>
  </StyleProvider>
</template>
