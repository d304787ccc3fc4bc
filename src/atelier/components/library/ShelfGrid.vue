<script setup lang="ts">
/** The creator's own shelf. */
import { computed, onMounted } from 'vue';
import { Plus, Trash2 } from '@lucide/vue';
import { assetBytes } from '../../../core/document/queries';
import { isPlaceable } from '../../intake/placing';
import { useImportsStore } from '../../stores/imports';
import { useShelfStore } from '../../stores/shelf';
import { sizeWords } from '../../words';
import InlineNotice from '../common/InlineNotice.vue';
import AssetThumb from './AssetThumb.vue';

const props = defineProps<{ search: string }>();
const shelf = useShelfStore();
const imports = useImportsStore();
onMounted(() => void shelf.load());
const items = computed(() =>
  shelf.items.filter((i) => i.asset.name.toLowerCase().includes(props.search.toLowerCase())),
);
</script>

<template>
  <div class="shelf">
    <InlineNotice v-if="shelf.error" closable @close="shelf.error = null">{{ shelf.error }}</InlineNotice>
    <p v-if="shelf.items.length === 0" class="soft">
      Your shelf is empty. Choose an asset under <b>This effect</b> and put it on your shelf: it is then at
      hand in all your effects.
    </p>
    <p v-else-if="items.length === 0" class="soft">Nothing on your shelf is called that.</p>
    <ul>
      <li v-for="item in items" :key="item.id">
        <span class="picture">
          <AssetThumb :asset="item.asset" />
          <span class="acts">
            <button
              class="icon-button"
              type="button"
              :aria-label="`Add ${item.asset.name} to the effect`"
              title="Add to the effect"
              @click="imports.adopt(item.asset, false)"
            >
              <Plus :size="14" />
            </button>
            <button
              class="icon-button"
              type="button"
              :aria-label="`Take ${item.asset.name} off the shelf`"
              title="Take off the shelf"
              @click="shelf.take(item.id)"
            >
              <Trash2 :size="13" />
            </button>
          </span>
        </span>
        <span class="name cut">{{ item.asset.name }}</span>
        <span class="facts">
          {{ sizeWords(assetBytes(item.asset)) }}
          <button
            v-if="isPlaceable(item.asset)"
            class="word"
            type="button"
            @click="imports.adopt(item.asset, true)"
          >
            Place it
          </button>
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  gap: 10px;
  align-content: start;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: 10px;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  min-width: 0;
}
.picture {
  position: relative;
  height: 88px;
  border: 1px solid var(--line2);
  border-radius: 7px;
  overflow: hidden;
}
.acts {
  position: absolute;
  right: 4px;
  bottom: 4px;
  display: flex;
  gap: 2px;
  border-radius: 6px;
  background: color-mix(in srgb, var(--sheet) 90%, transparent);
}
.name {
  margin-top: 4px;
  font-size: 12px;
  font-weight: 550;
}
.facts {
  display: flex;
  justify-content: space-between;
  font-size: 11px;
  color: var(--soft);
}
.word {
  margin: 0;
  padding: 0 2px;
  font-size: 11px;
}
</style>
