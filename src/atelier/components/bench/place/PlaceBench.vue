<script setup lang="ts">
import SpacePane from './SpacePane.vue';
import AssetDrawer from './AssetDrawer.vue';
</script>

<template>
  <div class="place">
    <SpacePane />
    <AssetDrawer />
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-rows: 1fr auto;
  height: 100%;
  min-height: 0;
}
</style>
