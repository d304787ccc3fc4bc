<script setup lang="ts">
/** Ready materials, each on a ball. */
import { onMounted, ref } from 'vue';
import { newMaterial } from '../../../../../core/document/new-material';
import type { MaterialId } from '../../../../../core/document/schema';
import { STOCK_MATERIALS, type StockMaterial } from '../../../../../core/surface/stock-materials';
import { BALL_LIGHTS, MaterialBalls } from '../../../../../stage/surface/material-balls';
import { useAssetsStore } from '../../../../stores/assets';
import { useEffectStore } from '../../../../stores/effect';

defineEmits<{ choose: [material: StockMaterial] }>();
const effectStore = useEffectStore();
const assets = useAssetsStore();
const pictures = ref<Readonly<Record<string, string>>>({});
const SIZE = 64;
onMounted(async () => {
  const canvas = document.createElement('canvas');
  let balls: MaterialBalls;
  try {
    balls = new MaterialBalls(canvas, assets.stores);
  } catch {
    return;
  }
  for (const { key, name, look } of STOCK_MATERIALS) {
    balls.draw(effectStore.effect, newMaterial('mat_stock' as MaterialId, name, look), SIZE, [
      BALL_LIGHTS[0]!,
    ]);
    pictures.value = { ...pictures.value, [key]: canvas.toDataURL() };
    // One a frame: the page stays alive meanwhile.
    await new Promise((resolve) => requestAnimationFrame(resolve));
  }
  balls.dispose();
});
</script>

<template>
  <ul class="stock" aria-label="Ready materials">
    <li v-for="material in STOCK_MATERIALS" :key="material.key">
      <button type="button" @click="$emit('choose', material)">
        <span class="ball"><img v-if="pictures[material.key]" :src="pictures[material.key]" alt="" /></span>
        {{ material.name }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
.stock {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(84px, 1fr));
  gap: 8px;
  margin: 10px 0;
  padding: 0;
  list-style: none;
}
button {
  display: grid;
  justify-items: center;
  gap: 4px;
  width: 100%;
  padding: 6px 2px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  font-size: 12px;
  cursor: pointer;
}
button:hover {
  border-color: var(--accent);
}
.ball {
  width: 64px;
  height: 64px;
  border-radius: 4px;
  overflow: hidden;
  background: var(--grey);
}
.ball img {
  display: block;
  width: 100%;
  height: 100%;
}
</style>
