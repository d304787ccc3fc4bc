<script setup lang="ts">
/** What the creator brought in, what it costs, and what came of the last drop. The library shows it in full. */
import { computed } from 'vue';
import { Library, Plus, Replace } from '@lucide/vue';
import { showOn } from '../../../../core/edits/show-on';
import { usesOf } from '../../../../core/document/asset-uses';
import { isShowing } from '../../../../core/document/queries';
import { canShow } from '../../../../core/kinds/objects/objects';
import type { Asset } from '../../../../core/document/schema';
import { shortFacts } from '../../../asset-words';
import { filesOfInput } from '../../../intake/dropped';
import { placeAssets } from '../../../commands/place-commands';
import { isPlaceable } from '../../../intake/placing';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { useImportsStore } from '../../../stores/imports';
import AssetThumb from '../../library/AssetThumb.vue';
import CostBar from '../../library/CostBar.vue';
import ImportReport from '../../library/ImportReport.vue';
import IconButton from '../../common/IconButton.vue';
import WordButton from '../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const imports = useImportsStore();
const list = computed(() => Object.values(effectStore.effect.assets).reverse());
const selected = computed(() => (desk.selected ? effectStore.effect.objects[desk.selected] : undefined));

const canSwap = (asset: Asset): boolean =>
  selected.value !== undefined &&
  isShowing(selected.value) &&
  selected.value.asset !== asset.id &&
  canShow(selected.value, asset);
/** Shows the asset on the selected object alone. */
const swapIn = (asset: Asset): void => {
  if (selected.value) effectStore.edit(showOn(effectStore.effect, selected.value.id, asset));
};
const uses = (asset: Asset): number => usesOf(effectStore.effect, asset.id).length;
const chosen = async (event: Event): Promise<void> => {
  const input = event.target as HTMLInputElement;
  const files = filesOfInput(input);
  input.value = '';
  if (files.length > 0) await imports.bringInFiles(files, { place: false });
};
</script>

<template>
  <section
    class="drawer"
    :class="{ reporting: imports.items.length > 0 || imports.looking }"
    aria-label="Assets"
    data-keeps
  >
    <div class="row head">
      <h2>Assets</h2>
      <WordButton @click="desk.openLibrary()"><Library :size="13" /> Library</WordButton>
      <WordButton @click="desk.openLibrary({ tab: 'stock' })">Stock</WordButton>
      <label class="word"
        >+ Bring in files<input
          class="hidden-text"
          type="file"
          multiple
          aria-label="Bring in files"
          @change="chosen"
      /></label>
      <CostBar class="grow" />
    </div>
    <ImportReport class="report" />
    <p v-if="list.length === 0 && imports.items.length === 0" class="soft">
      Drop files, folders or zips: here they only come in; on the Stack or the Viewfinder they are placed as
      well. Pictures, layered artwork, frames, models, sounds, videos, colour tables, light surroundings and
      fonts are read.
    </p>
    <ul v-else-if="list.length > 0" class="tiles">
      <li v-for="asset in list" :key="asset.id">
        <div class="tile">
          <button
            class="open"
            type="button"
            :aria-label="`${asset.name} in the library`"
            :title="`${asset.name}: ${shortFacts(asset)}, used ${uses(asset)} times`"
            @click="desk.openLibrary({ asset: asset.id })"
          >
            <AssetThumb :asset="asset" />
          </button>
          <div class="acts">
            <IconButton
              v-if="isPlaceable(asset)"
              :aria-label="`Place ${asset.name}`"
              title="Place it"
              @click="placeAssets([asset])"
            >
              <Plus :size="14" />
            </IconButton>
            <IconButton
              v-if="canSwap(asset)"
              :aria-label="`Show ${asset.name} on the selected object`"
              title="Show on the selected object"
              @click="swapIn(asset)"
            >
              <Replace :size="13" />
            </IconButton>
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
  max-height: 300px;
  overflow: auto;
  padding: 10px 14px;
  background: var(--sheet);
  border-top: 1px solid var(--line);
}
/* A report is read within the drawer: what is placed beside it stays as large as it was. */
.drawer.reporting {
  height: 150px;
}
.drawer.reporting .head {
  position: sticky;
  top: -10px;
  z-index: 1;
  padding: 10px 0 6px;
  margin-top: -10px;
  background: var(--sheet);
}
.head {
  gap: 12px;
}
@media (max-width: 1100px) {
  .head {
    gap: 8px;
  }
}
.head .word {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  margin: 0;
  cursor: pointer;
}
.report {
  margin-top: 8px;
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
}
.open {
  width: 100%;
  height: 100%;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
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
