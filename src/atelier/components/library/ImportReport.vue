<script setup lang="ts">
/** What came of the last drop: what came in, what is odd, what can be mended, what was refused and why. */
import { computed } from 'vue';
import { CircleCheck, CircleSlash, CircleX, Clock, X } from '@lucide/vue';
import { assetBytes } from '../../../core/document/queries';
import type { Asset, PictureAsset } from '../../../core/document/schema';
import { asOneSequence, showInstead } from '../../../core/edits/asset-edits';
import { KIND_LABELS, shortFacts } from '../../asset-words';
import { placeAssets } from '../../commands/place-commands';
import { isPlaceable } from '../../intake/placing';
import { skinChoice, type SkinChoice } from '../../intake/skin-choice';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { isUnder, type ImportItem } from '../../stores/import-lines';
import { useImportsStore } from '../../stores/imports';
import { sizeWords } from '../../words';
import AssetNotes from './AssetNotes.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const imports = useImportsStore();
const effectStore = useEffectStore();
const desk = useDeskStore();
const ICONS = {
  waiting: Clock,
  reading: Clock,
  keeping: Clock,
  done: CircleCheck,
  refused: CircleX,
  cancelled: CircleSlash,
};
const assetOf = (item: ImportItem): Asset | undefined => {
  const [id] = item.assets;
  return id ? effectStore.effect.assets[id] : undefined;
};
const isPlaced = (asset: Asset): boolean =>
  Object.values(effectStore.effect.objects).some((o) => 'asset' in o && o.asset === asset.id);
/** What came in and stands nowhere yet. */
const unplaced = computed(() =>
  imports.items.flatMap((item) => {
    const asset = item.state === 'done' && item.assets.length === 1 ? assetOf(item) : undefined;
    return asset && isPlaceable(asset) && !isPlaced(asset) ? [asset] : [];
  }),
);
const pairOf = (item: ImportItem): readonly PictureAsset[] | null => {
  const both = (item.pair ?? []).map((id) => effectStore.effect.assets[id]);
  return both.length === 2 && both.every((a): a is PictureAsset => a?.kind === 'picture') ? both : null;
};
const join = async (item: ImportItem): Promise<void> => {
  const pair = pairOf(item);
  if (!pair) return;
  imports.change(item.key, { pair: null });
  await imports.makeSequence(pair, (effect, made) => [
    asOneSequence(
      effect,
      pair.map((p) => p.id),
      made,
    ),
  ]);
};
const onSkin = (item: ImportItem): SkinChoice | null => {
  const [asset] = item.state === 'done' ? item.assets : [];
  return asset ? skinChoice(asset) : null;
};
const takeOver = (item: ImportItem): void => {
  const [asset, old] = [assetOf(item), item.namesake ? effectStore.effect.assets[item.namesake] : undefined];
  if (asset && old) effectStore.edit(showInstead(effectStore.effect, old.id, asset));
  imports.change(item.key, { namesake: null });
};
</script>

<template>
  <section v-if="imports.items.length > 0 || imports.looking" class="report" aria-label="Import report">
    <div class="row head">
      <b role="status">{{ imports.busy ? 'Bringing in' : imports.words }}</b>
      <span class="grow" />
      <WordButton v-if="imports.busy" @click="imports.cancelAll()">Cancel all</WordButton>
      <WordButton v-else @click="imports.clear()">Put away</WordButton>
    </div>
    <div v-if="imports.looking" class="row line">
      <a-spin size="small" /><span class="grow">Looking through what you dropped</span>
    </div>
    <p v-if="unplaced.length > 1 && !imports.busy" class="offer">
      {{ unplaced.length }} of them stand nowhere yet.
      <WordButton @click="placeAssets(unplaced)">Place all</WordButton>
    </p>
    <ul>
      <li v-for="item in imports.items" :key="item.key" :class="item.state" :data-import="item.name">
        <component :is="ICONS[item.state]" :size="15" class="state" :aria-label="item.state" />
        <div class="body">
          <div class="row">
            <b class="cut">{{ item.name }}</b>
            <span v-if="item.state === 'done' && assetOf(item)" class="soft cut">
              {{
                item.assets.length > 1
                  ? `${item.assets.length} layers`
                  : `${KIND_LABELS[assetOf(item)!.kind]}, ${shortFacts(assetOf(item)!)}, ${sizeWords(assetBytes(assetOf(item)!))}`
              }}
            </span>
            <span v-else-if="item.state === 'done'" class="soft">taken out again</span>
            <span v-else-if="item.state === 'cancelled'" class="soft">cancelled</span>
            <span v-else-if="item.state === 'waiting'" class="soft">waits</span>
            <a-progress
              v-else-if="isUnder(item)"
              class="bar"
              :percent="item.state === 'keeping' ? 100 : item.progress * 100"
              :show-info="false"
              size="small"
              stroke-color="var(--accent)"
            />
            <span class="grow" />
            <WordButton
              v-if="item.state === 'done' && assetOf(item)"
              @click="desk.openLibrary({ asset: item.assets[0]! })"
            >
              Show
            </WordButton>
            <WordButton
              v-if="
                item.state === 'done' &&
                assetOf(item) &&
                isPlaceable(assetOf(item)!) &&
                !isPlaced(assetOf(item)!)
              "
              @click="placeAssets([assetOf(item)!])"
            >
              Place it
            </WordButton>
            <IconButton
              v-if="isUnder(item)"
              :aria-label="`Cancel ${item.name}`"
              @click="imports.cancel(item.key)"
            >
              <X :size="14" />
            </IconButton>
            <IconButton v-else aria-label="Dismiss" @click="imports.dismiss(item.key)">
              <X :size="14" />
            </IconButton>
          </div>
          <p
            v-if="item.message"
            :class="{ bad: item.state === 'refused' }"
            :role="item.state === 'refused' ? 'alert' : undefined"
          >
            {{ item.message }}
          </p>
          <p v-for="note in item.notes" :key="note" class="soft">{{ note }}</p>
          <p v-if="onSkin(item)" class="offer">
            {{ onSkin(item)!.is }}
            <WordButton @click="onSkin(item)!.become()">{{ onSkin(item)!.other }}</WordButton>
          </p>
          <p v-if="item.sheet && assetOf(item)?.kind === 'picture'" class="offer">
            It looks like a sheet of {{ item.sheet.grid.columns }} x {{ item.sheet.grid.rows }} frames.
            <WordButton @click="desk.openLibrary({ asset: item.assets[0]!, task: 'cut', guess: item.sheet })">
              Cut into frames
            </WordButton>
          </p>
          <p v-if="pairOf(item)" class="offer">
            It and {{ pairOf(item)![0].name }} are numbered, as frames are.
            <WordButton @click="join(item)">Make a sequence of them</WordButton>
          </p>
          <p v-if="item.namesake && effectStore.effect.assets[item.namesake] && assetOf(item)" class="offer">
            An asset of that name was here already.
            <WordButton @click="takeOver(item)">Show this one instead</WordButton>
          </p>
          <AssetNotes
            v-if="item.state === 'done' && assetOf(item) && item.assets.length === 1"
            :asset="assetOf(item)!"
          />
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.report {
  display: grid;
  gap: 4px;
}
.head {
  min-height: 24px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 18px 1fr;
  gap: 6px;
  padding: 5px 0;
  border-top: 1px solid var(--line2);
}
.state {
  margin-top: 4px;
  color: var(--faint);
}
.done .state {
  color: var(--accent);
}
.refused .state {
  color: var(--madder);
}
.body {
  display: grid;
  gap: 4px;
  min-width: 0;
}
.body .row {
  min-width: 0;
  min-height: 24px;
}
.body b {
  flex: none;
  max-width: 46%;
}
.bar {
  width: 120px;
  margin: 0;
}
.offer {
  font-size: 12.5px;
}
.line {
  min-height: 26px;
}
</style>
