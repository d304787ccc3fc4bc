<script setup lang="ts">
/** What the creator brought in, and what it costs. */
import { computed } from 'vue';
import { Plus, Trash2, X } from '@lucide/vue';
import { OPEN_WEB_BUDGET, packageBytes } from '../../../../core/checks/checks';
import { addObject, removeAsset, styleCard } from '../../../../core/document/edits';
import { newCard } from '../../../../core/document/defaults';
import { cardsShowing, orderOnTop } from '../../../../core/document/queries';
import type { Asset } from '../../../../core/document/schema';
import { api } from '../../../api/client';
import { newObjectId } from '../../../api/ids';
import { useAssetsStore } from '../../../stores/assets';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { sizeWords } from '../../../words';
import InlineNotice from '../../common/InlineNotice.vue';

defineEmits<{ choose: [] }>();
const document = useEffectStore();
const desk = useDeskStore();
const store = useAssetsStore();
const list = computed(() => Object.values(document.effect.assets));
const bytes = computed(() => packageBytes(document.effect));
const share = computed(() => Math.min(100, (100 * bytes.value) / OPEN_WEB_BUDGET));
const uses = (asset: Asset) => cardsShowing(document.effect, asset.id).length;

const place = (asset: Asset): void => {
  const card = newCard(newObjectId(), asset, orderOnTop(document.effect));
  document.edit(addObject(card));
  desk.selected = card.id;
};
const swapIn = (asset: Asset): void => {
  const object = desk.selected ? document.effect.objects[desk.selected] : undefined;
  if (object?.kind === 'card')
    document.edit(
      styleCard(document.effect, object.id, {
        asset: asset.id,
        extent: [object.extent[0], (object.extent[0] * asset.height) / asset.width],
      }),
    );
};
const canSwap = (asset: Asset): boolean => {
  const object = desk.selected ? document.effect.objects[desk.selected] : undefined;
  return object?.kind === 'card' && object.asset !== asset.id;
};
const drop = async (event: DragEvent): Promise<void> => {
  const files = event.dataTransfer?.files;
  if (!files?.length) return;
  const last = await store.bringInAsCards(files);
  if (last) desk.selected = last;
};
</script>

<template>
  <section class="drawer" aria-label="Assets" @dragover.prevent @drop.prevent="drop">
    <div class="row head">
      <h2>Assets</h2>
      <span class="soft">{{ list.length }} here</span>
      <button class="word" type="button" @click="$emit('choose')">+ Bring in files</button>
      <span class="grow" />
      <span class="soft" :class="{ bad: share >= 100 }"
        >{{ sizeWords(bytes) }} of {{ sizeWords(OPEN_WEB_BUDGET) }}</span
      >
      <a-progress
        class="meter"
        :percent="share"
        :show-info="false"
        size="small"
        stroke-color="var(--accent)"
        :status="share >= 100 ? 'exception' : 'normal'"
        aria-label="Share of the size budget"
      />
    </div>
    <div class="notices">
      <InlineNotice
        v-for="refusal in store.refusals"
        :key="refusal.key"
        closable
        @close="store.dismiss(refusal.key)"
        >{{ refusal.message }}</InlineNotice
      >
      <div v-for="entry in store.under" :key="entry.key" class="row under" role="status">
        <a-spin size="small" /> <span class="grow cut">Bringing in {{ entry.name }}</span>
        <button
          class="icon-button"
          type="button"
          :aria-label="`Cancel ${entry.name}`"
          @click="entry.abort.abort()"
        >
          <X :size="14" />
        </button>
      </div>
    </div>
    <p v-if="list.length === 0" class="soft">
      Drop pictures anywhere: PNG with transparency is best for things on a face.
    </p>
    <ul v-else class="tiles">
      <li
        v-for="asset in list"
        :key="asset.id"
        :title="`${asset.name}: ${asset.width} x ${asset.height}, ${sizeWords(asset.bytes)}, on ${uses(asset)} cards`"
      >
        <div class="tile">
          <img :src="api.assetUrl(asset.sha256)" alt="" />
          <div class="acts">
            <button
              class="icon-button"
              type="button"
              :aria-label="`Place ${asset.name} as a card`"
              title="Place as a card"
              @click="place(asset)"
            >
              <Plus :size="14" />
            </button>
            <button
              v-if="canSwap(asset)"
              class="icon-button"
              type="button"
              :aria-label="`Show ${asset.name} on the selected card`"
              title="Show on the selected card"
              @click="swapIn(asset)"
            >
              ⇄
            </button>
            <button
              class="icon-button"
              type="button"
              :disabled="uses(asset) > 0"
              :aria-label="
                uses(asset) > 0 ? `${asset.name} is in use on ${uses(asset)} cards` : `Remove ${asset.name}`
              "
              :title="uses(asset) > 0 ? `In use on ${uses(asset)} cards` : 'Remove'"
              @click="document.edit(removeAsset(asset.id))"
            >
              <Trash2 :size="13" />
            </button>
          </div>
        </div>
        <span class="cut">{{ asset.name }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.drawer {
  min-height: 150px;
  max-height: 270px;
  overflow: auto;
  padding: 10px 14px;
  background: var(--sheet);
  border-top: 1px solid var(--line);
}
.head {
  gap: 12px;
}
.meter {
  width: 110px;
  margin: 0;
}
.notices {
  display: grid;
  gap: 6px;
  margin: 6px 0;
}
.tiles {
  display: flex;
  flex-wrap: wrap;
  gap: 9px;
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.tiles li {
  width: 78px;
  font-size: 11px;
  color: var(--soft);
}
.tiles .cut {
  display: block;
}
.tile {
  position: relative;
  height: 62px;
  margin-bottom: 3px;
  border: 1px solid var(--line2);
  border-radius: 7px;
  overflow: hidden;
  background: repeating-conic-gradient(var(--line2) 0 25%, var(--sheet) 0 50%) 0 0 / 12px 12px;
}
.tile img {
  width: 100%;
  height: 100%;
  object-fit: contain;
}
.acts {
  position: absolute;
  inset: auto 0 0;
  display: flex;
  justify-content: space-around;
  background: color-mix(in srgb, var(--sheet) 88%, transparent);
  opacity: 0;
}
.tile:hover .acts,
.tile:focus-within .acts {
  opacity: 1;
}
</style>
