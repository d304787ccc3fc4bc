<script setup lang="ts">
/** What ships with Iconia: to look through, listen to and download. In an effect it is added from the library. */
import { ref } from 'vue';
import HomeBar from '../components/HomeBar.vue';
import StockGrid from '../components/library/StockGrid.vue';

const search = ref('');
</script>

<template>
  <div class="stock">
    <HomeBar current="stock" />
    <main>
      <div class="row head">
        <h1 class="grow">Stock</h1>
        <a-input
          v-model:value="search"
          class="search"
          placeholder="Find"
          aria-label="Find in the stock"
          allow-clear
        />
      </div>
      <p class="soft">
        Everything here ships with Iconia and may be used in any effect. Inside an effect, open the
        <b>library</b> and choose <b>Stock</b> to add it with one click.
      </p>
      <StockGrid :search="search" />
    </main>
  </div>
</template>

<style scoped>
.stock {
  min-height: 100%;
}
main {
  display: grid;
  gap: 12px;
  max-width: 1180px;
  margin: 0 auto;
  padding: 22px 24px 60px;
}
h1 {
  font-size: 22px;
}
.search {
  width: 220px;
}
</style>
