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
import './take-tiles.css';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ search: string }>();
const shelf = useShelfStore();
const imports = useImportsStore();
onMounted(() => void shelf.load());
const items = computed(() =>
  shelf.items.filter((i) => i.asset.name.toLowerCase().includes(props.search.toLowerCase())),
);
</script>

<template>
  <div class="shelf take-tiles">
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
            <IconButton
              :aria-label="`Add ${item.asset.name} to the effect`"
              title="Add to the effect"
              @click="imports.adopt(item.asset, false)"
            >
              <Plus :size="14" />
            </IconButton>
            <IconButton
              :aria-label="`Take ${item.asset.name} off the shelf`"
              title="Take off the shelf"
              @click="shelf.take(item.id)"
            >
              <Trash2 :size="13" />
            </IconButton>
          </span>
        </span>
        <span class="name cut">{{ item.asset.name }}</span>
        <span class="facts">
          {{ sizeWords(assetBytes(item.asset)) }}
          <WordButton v-if="isPlaceable(item.asset)" @click="imports.adopt(item.asset, true)">
            Place it
          </WordButton>
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
</style>
