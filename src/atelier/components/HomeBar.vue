<script setup lang="ts">
/** The bar over the screens that are not the atelier: effects and takes. */
import { Moon, Sun } from '@lucide/vue';
import { useDeskStore } from '../stores/desk';
import BrandMark from './common/BrandMark.vue';
import IconButton from './common/IconButton.vue';

defineProps<{ current: 'effects' | 'takes' | 'stock' }>();
const desk = useDeskStore();
</script>

<template>
  <header class="top">
    <router-link to="/" class="home" aria-label="Iconia, home"
      ><BrandMark /><span class="brand">Iconia</span></router-link
    >
    <nav class="row grow" aria-label="Screens">
      <router-link to="/" :aria-current="current === 'effects' ? 'page' : undefined">Effects</router-link>
      <router-link to="/takes" :aria-current="current === 'takes' ? 'page' : undefined">Takes</router-link>
      <router-link to="/stock" :aria-current="current === 'stock' ? 'page' : undefined">Stock</router-link>
    </nav>
    <slot />
    <IconButton :aria-label="desk.dark ? 'Light theme' : 'Dark theme'" @click="desk.dark = !desk.dark">
      <Sun v-if="desk.dark" :size="16" /><Moon v-else :size="16" />
    </IconButton>
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 12px;
  height: 52px;
  padding: 0 24px;
  border-bottom: 1px solid var(--line);
}
.home {
  display: flex;
  align-items: center;
  gap: 10px;
  color: inherit;
  text-decoration: none;
}
.brand {
  font: 650 17px var(--head);
}
nav {
  gap: 18px;
  padding-left: 14px;
}
nav a {
  color: var(--soft);
  text-decoration: none;
  font-weight: 500;
  padding: 4px 0;
  border-bottom: 2px solid transparent;
}
nav a[aria-current] {
  color: var(--ink);
  font-weight: 650;
  border-color: var(--accent);
}
</style>
