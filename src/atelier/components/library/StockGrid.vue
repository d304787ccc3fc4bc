<script setup lang="ts">
/** What ships with Iconia, by group; to add to the effect that is open, or to download. */
import { computed, onMounted, ref } from 'vue';
import { Box, AudioLines, Download, Plus, Sun, Type } from '@lucide/vue';
import { STOCK_GROUPS, type StockItem } from '../../../core/stock/catalogue';
import { useEffectStore } from '../../stores/effect';
import { stockUrl, useStockStore } from '../../stores/stock';
import { sizeWords } from '../../words';
import InlineNotice from '../common/InlineNotice.vue';
import './take-tiles.css';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ search?: string; canAdd?: boolean }>();
const stock = useStockStore();
const effectStore = useEffectStore();
onMounted(() => void stock.load());

const groups = computed(() => {
  const words = (props.search ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (item: StockItem) =>
    words.every((w) => `${item.name} ${item.group} ${item.about}`.toLowerCase().includes(w));
  return STOCK_GROUPS.map((name) => ({
    name,
    items: stock.items.filter((i) => i.group === name && fits(i)),
  })).filter((g) => g.items.length > 0);
});
const here = computed(() => new Set(Object.values(effectStore.effect.assets).map((a) => a.name)));
const SIGNS: Record<string, typeof Box> = { Sounds: AudioLines, Fonts: Type, 'Light surroundings': Sun };
const placeable = (item: StockItem): boolean =>
  !item.download &&
  !['Sounds', 'Colour tables', 'Fonts', 'Light surroundings', 'Make-up masks'].includes(item.group);

/** The sound that is being heard. */
const heard = ref<string | null>(null);
let audio: HTMLAudioElement | null = null;
const listen = (item: StockItem): void => {
  audio?.pause();
  if (heard.value === item.id) {
    heard.value = null;
    return;
  }
  audio = new Audio(stockUrl(item.file));
  audio.onended = () => (heard.value = null);
  heard.value = item.id;
  void audio.play().catch(() => (heard.value = null));
};
</script>

<template>
  <div class="stock take-tiles">
    <InlineNotice v-if="stock.error" closable @close="stock.error = null">{{ stock.error }}</InlineNotice>
    <p v-if="stock.items.length > 0 && groups.length === 0" class="soft">
      Nothing in the stock is called that.
    </p>
    <section v-for="group in groups" :key="group.name" :aria-label="group.name">
      <component :is="canAdd ? 'h3' : 'h2'" class="heading">{{ group.name }}</component>
      <ul>
        <li v-for="item in group.items" :key="item.id" :title="item.about">
          <span
            class="picture"
            :class="{
              dark: ['Sequences', 'Sprite sheets', 'Textures', 'Icons'].includes(item.group),
              sign: item.group === 'Icons',
            }"
          >
            <img v-if="item.preview" :src="stockUrl(item.preview)" alt="" loading="lazy" />
            <component :is="SIGNS[item.group] ?? Box" v-else :size="22" class="symbol" />
            <span class="acts">
              <IconButton
                v-if="item.group === 'Sounds'"
                :aria-label="`Listen to ${item.name}`"
                :aria-pressed="heard === item.id"
                @click="listen(item)"
              >
                <AudioLines :size="14" />
              </IconButton>
              <IconButton
                v-if="canAdd && !item.download"
                :disabled="stock.adding.has(item.id)"
                :aria-label="`Add ${item.name} to the effect`"
                title="Add to the effect"
                @click="stock.add(item, false)"
              >
                <a-spin v-if="stock.adding.has(item.id)" size="small" /><Plus v-else :size="14" />
              </IconButton>
              <a
                v-if="!canAdd || item.download"
                class="icon-button"
                :href="stockUrl(item.file)"
                :download="item.file.replace(/^.*\//, '')"
                :aria-label="`Download ${item.name}`"
                title="Download"
              >
                <Download :size="14" />
              </a>
            </span>
          </span>
          <span class="name cut">{{ item.name }}</span>
          <span class="facts cut">
            {{ sizeWords(item.bytes) }}<template v-if="canAdd && here.has(item.name)"> · here</template>
            <WordButton
              v-if="canAdd && placeable(item)"
              :disabled="stock.adding.has(item.id)"
              @click="stock.add(item, true)"
            >
              Place it
            </WordButton>
          </span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.stock {
  display: grid;
  gap: 14px;
  align-content: start;
}
h3 {
  font-size: 13px;
  margin-bottom: 4px;
}
.picture {
  display: grid;
  place-items: center;
  background: var(--sheet);
}
img {
  width: 100%;
  height: 100%;
  min-height: 0;
  object-fit: contain;
}
/* Signs are small where they are used. */
.picture.sign img {
  width: 40%;
}
/* What is white or clear is seen on grey. */
.dark {
  background: var(--grey);
}
.symbol {
  color: var(--faint);
}
</style>
