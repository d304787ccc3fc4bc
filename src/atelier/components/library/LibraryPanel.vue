<script setup lang="ts">
/** The library: all assets of the effect, the creator's shelf and the stock, over the width of Stack and bench. */
import { computed, ref, watch } from 'vue';
import { ArrowLeft, X } from '@lucide/vue';
import { assetBytes, isPreparable, usedAssets } from '../../../core/document/queries';
import type { Asset, AssetId, AssetKind, PictureAsset } from '../../../core/document/schema';
import { KIND_LABELS } from '../../asset-words';
import { filesOfInput } from '../../intake/dropped';
import { useDeskStore, type LibraryTab } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { useImportsStore } from '../../stores/imports';
import { useShelfStore } from '../../stores/shelf';
import AssetDetail from './AssetDetail.vue';
import AssetTile from './AssetTile.vue';
import CostBar from './CostBar.vue';
import CostMap from './CostMap.vue';
import DeleteAssets from './DeleteAssets.vue';
import ImportReport from './ImportReport.vue';
import RenamePanel from './RenamePanel.vue';
import ShelfGrid from './ShelfGrid.vue';
import StockGrid from './StockGrid.vue';
import PreparePanel from './prepare/PreparePanel.vue';
import SheetCutter from './prepare/SheetCutter.vue';
import SelectField from '../common/SelectField.vue';
import SectionTabs from '../common/SectionTabs.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const imports = useImportsStore();
const shelf = useShelfStore();
const library = desk.library;

const TABS: readonly { readonly id: LibraryTab; readonly label: string }[] = [
  { id: 'here', label: 'This effect' },
  { id: 'shelf', label: 'My shelf' },
  { id: 'stock', label: 'Stock' },
];
const search = ref('');
const kind = ref<AssetKind | 'all' | 'unused'>('all');
const order = ref<'newest' | 'name' | 'weight' | 'kind'>('newest');
const all = computed(() => Object.values(effectStore.effect.assets));
const kinds = computed(() => [
  { value: 'all', label: 'All kinds' },
  ...[...new Set(all.value.map((a) => a.kind))].map((value) => ({ value, label: KIND_LABELS[value] })),
  { value: 'unused', label: 'Not used' },
]);
const ORDERS = [
  { value: 'newest', label: 'Newest first' },
  { value: 'name', label: 'By name' },
  { value: 'weight', label: 'Heaviest first' },
  { value: 'kind', label: 'By kind' },
];
const shown = computed((): Asset[] => {
  const used = new Set(usedAssets(effectStore.effect));
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean);
  const found = all.value.filter(
    (a) =>
      (kind.value === 'all' || (kind.value === 'unused' ? !used.has(a.id) : a.kind === kind.value)) &&
      words.every((w) => a.name.toLowerCase().includes(w)),
  );
  const by: Record<typeof order.value, (a: Asset, b: Asset) => number> = {
    newest: () => 0,
    name: (a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }),
    weight: (a, b) => assetBytes(b) - assetBytes(a),
    kind: (a, b) => a.kind.localeCompare(b.kind) || a.name.localeCompare(b.name),
  };
  return order.value === 'newest' ? found.reverse() : [...found].sort(by[order.value]);
});
const chosen = computed(() =>
  library.selected.map((id) => effectStore.effect.assets[id]).filter((a): a is Asset => a !== undefined),
);
const only = computed(() => (chosen.value.length === 1 ? chosen.value[0]! : null));
/** What is chosen as frames of one sequence; null where it is no pictures. */
const frames = computed(() =>
  chosen.value.every((a): a is PictureAsset => a.kind === 'picture') ? chosen.value : null,
);
const makeSequence = async (): Promise<void> => {
  const made = frames.value ? await imports.makeSequence(frames.value) : null;
  if (made) library.selected = [made];
};
const deleting = ref(false);

let anchor: AssetId | null = null;
const pick = (asset: Asset, event: MouseEvent | KeyboardEvent): void => {
  deleting.value = false;
  if (event.shiftKey && anchor) {
    const ids = shown.value.map((a) => a.id);
    const [a, b] = [ids.indexOf(anchor), ids.indexOf(asset.id)].sort((x, y) => x - y) as [number, number];
    library.selected = ids.slice(Math.max(0, a), b + 1);
    return;
  }
  anchor = asset.id;
  if (event.ctrlKey || event.metaKey)
    library.selected = library.selected.includes(asset.id)
      ? library.selected.filter((id) => id !== asset.id)
      : [...library.selected, asset.id];
  else library.selected = library.selected.length === 1 && library.selected[0] === asset.id ? [] : [asset.id];
};
const prepare = (asset: Asset): void => {
  library.selected = [asset.id];
  if (isPreparable(asset)) library.task = 'prepare';
};
// A task ends with its asset, as when bringing it in is undone.
watch(only, (now) => {
  if (!now && library.task !== 'rename') library.task = null;
});
const from = computed(() => (library.from ? effectStore.effect.objects[library.from] : undefined));
const back = (): void => {
  if (from.value) desk.selected = from.value.id;
  desk.closeLibrary();
};

const bring = async (event: Event): Promise<void> => {
  const input = event.target as HTMLInputElement;
  const files = filesOfInput(input);
  input.value = '';
  if (files.length > 0) await imports.bringInFiles(files, { place: false });
};
const escape = (): void => {
  if (library.task) library.task = null;
  else desk.closeLibrary();
};
</script>

<template>
  <section class="library" aria-label="Library" data-keeps @keydown.escape="escape">
    <header class="row">
      <WordButton v-if="from" @click="back"> <ArrowLeft :size="13" /> Back to {{ from.name }} </WordButton>
      <h2 v-else>Library</h2>
      <SectionTabs
        label="Library"
        :sections="TABS"
        :open="library.tab"
        @open="(tab) => ((library.tab = tab), (library.task = null))"
      />
      <CostBar class="grow" />
      <label class="word"
        >+ Bring in files<input
          class="hidden-text"
          type="file"
          multiple
          aria-label="Bring files into the library"
          @change="bring"
      /></label>
      <label class="word"
        >Folder<input
          class="hidden-text"
          type="file"
          webkitdirectory
          multiple
          aria-label="Bring a folder into the library"
          @change="bring"
      /></label>
      <IconButton aria-label="Close the library" title="Close  Esc" @click="desk.closeLibrary()">
        <X :size="16" />
      </IconButton>
    </header>

    <PreparePanel
      v-if="library.task === 'prepare' && only"
      :key="only.id"
      :asset="only"
      @done="library.task = null"
    />
    <SheetCutter
      v-else-if="library.task === 'cut' && only?.kind === 'picture'"
      :key="only.id"
      :asset="only"
      :guess="library.guess"
      @done="library.task = null"
    />
    <RenamePanel
      v-else-if="library.task === 'rename' && chosen.length > 0"
      :assets="chosen"
      @done="library.task = null"
    />
    <div v-else class="body">
      <div class="main">
        <div class="row tools">
          <a-input
            v-model:value="search"
            size="small"
            allow-clear
            placeholder="Find"
            aria-label="Find in the library"
            class="find"
          />
          <template v-if="library.tab === 'here'">
            <SelectField v-model:value="kind" name="Kind of asset" :options="kinds" class="choice" />
            <SelectField v-model:value="order" name="Order of assets" :options="ORDERS" class="choice" />
            <span class="grow" />
            <span class="soft">{{ shown.length }} of {{ all.length }}</span>
            <WordButton :disabled="shown.length === 0" @click="library.selected = shown.map((a) => a.id)">
              Choose all
            </WordButton>
          </template>
        </div>
        <ImportReport class="report" />
        <template v-if="library.tab === 'here'">
          <div v-if="all.length === 0" class="empty soft">
            <p><b>Bring in anything.</b></p>
            <p>
              Drop files, folders or zips here: pictures, layered artwork, numbered frames, models, sounds,
              videos, colour tables, light surroundings, fonts. Each is looked at as it comes in, and what is
              odd about it can be mended here.
            </p>
            <p>
              Or begin with something from the
              <WordButton @click="library.tab = 'stock'">stock</WordButton>.
            </p>
          </div>
          <p v-else-if="shown.length === 0" class="soft">Nothing here is called that, or of that kind.</p>
          <div class="grid" role="group" aria-label="Assets">
            <AssetTile
              v-for="asset in shown"
              :key="asset.id"
              :asset="asset"
              :selected="library.selected.includes(asset.id)"
              @pick="(event) => pick(asset, event)"
              @open="prepare(asset)"
            />
          </div>
        </template>
        <ShelfGrid v-else-if="library.tab === 'shelf'" :search="search" />
        <StockGrid v-else :search="search" can-add />
      </div>
      <aside v-if="library.tab === 'here'">
        <AssetDetail v-if="only" :key="only.id" :asset="only" />
        <section v-else-if="chosen.length > 1" class="several">
          <h3>{{ chosen.length }} assets</h3>
          <p class="soft">Hold Shift or Ctrl to choose more, or fewer.</p>
          <div class="row wrap">
            <a-button size="small" type="primary" @click="library.task = 'rename'">Rename</a-button>
            <a-button v-if="frames" size="small" :disabled="imports.busy" @click="makeSequence">
              Make a sequence
            </a-button>
            <a-button size="small" @click="shelf.put(chosen)">Put on my shelf</a-button>
            <a-button size="small" danger @click="deleting = true">Delete</a-button>
          </div>
          <DeleteAssets v-if="deleting" :assets="chosen" @done="deleting = false" />
        </section>
        <CostMap v-else />
      </aside>
    </div>
  </section>
</template>

<style scoped>
.library {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  height: 100%;
  background: var(--paper);
}
header {
  padding: 10px 14px;
  gap: 14px;
  border-bottom: 1px solid var(--line);
}
header .word {
  margin: 0;
  cursor: pointer;
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  min-height: 0;
}
.main {
  overflow: auto;
  padding: 10px 14px 24px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.main > * {
  flex: none;
}
.tools {
  min-height: 26px;
}
.find {
  width: 150px;
}
.choice {
  width: 132px;
}
.report {
  max-height: 300px;
  overflow: auto;
  padding: 8px 10px;
  border-radius: 8px;
  background: var(--sheet);
  box-shadow: 0 0 0 1px var(--line2);
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(108px, 1fr));
  gap: 4px;
}
.empty {
  display: grid;
  gap: 6px;
  padding: 26px 22px;
  border: 1px dashed var(--line);
  border-radius: 8px;
  max-width: 520px;
}
aside {
  width: 292px;
  overflow: auto;
  padding: 12px 14px 24px;
  border-left: 1px solid var(--line);
  background: var(--sheet);
}
.several {
  display: grid;
  gap: 8px;
}
.wrap {
  flex-wrap: wrap;
}
</style>
