<script setup lang="ts">
/** The creator's own shelf. */
import { computed, onMounted } from 'vue';
import { Plus, Trash2 } from '@lucide/vue';
import { assetBytes } from '../../../core/document/queries';
import { isPlaceable } from '../../intake/placing';
import { useImportsStore } from '../../stores/imports';
import { useKeptCompoundsStore } from '../../stores/kept-compounds';
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
const kept = useKeptCompoundsStore();
onMounted(() => void Promise.all([shelf.load(), kept.load()]));
const compounds = computed(() =>
  kept.items.filter((i) => i.name.toLowerCase().includes(props.search.toLowerCase())),
);
const items = computed(() =>
  shelf.items.filter((i) => i.asset.name.toLowerCase().includes(props.search.toLowerCase())),
);
</script>

<template>
  <div class="shelf take-tiles">
    <InlineNotice v-if="shelf.error" closable @close="shelf.error = null">{{ shelf.error }}</InlineNotice>
    <InlineNotice v-if="kept.error" closable @close="kept.error = null">{{ kept.error }}</InlineNotice>
    <p v-if="shelf.items.length + kept.items.length === 0" class="soft">
      Your shelf is empty. Choose an asset under <b>This effect</b> and put it on your shelf: it is then at
      hand in all your effects.
    </p>
    <p v-else-if="items.length + compounds.length === 0" class="soft">
      Nothing on your shelf is called that.
    </p>
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
    <section v-if="compounds.length > 0" aria-label="Compounds on your shelf">
      <h3>Compounds</h3>
      <p class="soft">Put one on a board under Behave, Circuits: “Add a node” offers them.</p>
      <ul class="compounds">
        <li v-for="{ id, name, note } in compounds" :key="id">
          <b>{{ name }}</b> <span class="soft cut">{{ note }}</span>
          <IconButton
            :aria-label="`Take ${name} off the shelf`"
            title="Take off the shelf"
            @click="kept.drop(id)"
          >
            <Trash2 :size="13" />
          </IconButton>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  gap: 10px;
  align-content: start;
}
h3,
section p {
  margin: 0 0 6px;
}
.shelf .compounds {
  display: grid;
  gap: 2px;
}
.shelf .compounds li {
  display: flex;
  align-items: center;
  gap: 8px;
}
.compounds .soft {
  flex: 1;
}
</style>
