<script setup lang="ts">
/** One asset in full: what it is, what is odd, who uses it, and what can be done with it. */
import { computed, ref } from 'vue';
import { Download, Pencil, Replace, Scissors, SlidersHorizontal, Trash2 } from '@lucide/vue';
import { renameAssets, setSequenceRate } from '../../../core/edits/asset-edits';
import { showOn } from '../../../core/edits/show-on';
import { isPreparable, isShowing } from '../../../core/document/queries';
import { canShow } from '../../../core/kinds/objects/objects';
import type { Asset } from '../../../core/document/schema';
import { endingOf } from '../../../core/package/effect-package';
import { sentence } from '../../../core/errors';
import { api } from '../../api/client';
import { factLines, KIND_LABELS } from '../../asset-words';
import { filesOfInput } from '../../intake/dropped';
import { placeAssets } from '../../commands/place-commands';
import { isPlaceable } from '../../intake/placing';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { useImportsStore } from '../../stores/imports';
import { useShelfStore } from '../../stores/shelf';
import InlineNotice from '../common/InlineNotice.vue';
import PropertyInput from '../common/PropertyInput.vue';
import { assetSchema } from '../../../core/document/schema';
import { propertiesIn } from '../../../core/schema/properties';
import AssetNotes from './AssetNotes.vue';
import AssetThumb from './AssetThumb.vue';
import AssetUses from './AssetUses.vue';
import DeleteAssets from './DeleteAssets.vue';
import LinkToFile from './LinkToFile.vue';
import SoundPlayer from './SoundPlayer.vue';
import TextField from '../common/TextField.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ asset: Asset }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const imports = useImportsStore();
const shelf = useShelfStore();
const deleting = ref(false);
const naming = ref(false);
const error = ref<string | null>(null);
const busy = ref(false);

const place = (): void => {
  placeAssets([props.asset]);
  desk.closeLibrary();
};
/** The object the library was opened from, when it could show this. */
const asker = computed(() => {
  const object = desk.library.from ? effectStore.effect.objects[desk.library.from] : undefined;
  return object && isShowing(object) && object.asset !== props.asset.id && canShow(object, props.asset)
    ? object
    : null;
});
const showThere = (): void => {
  // Once it shows this asset, it asks no more.
  const id = asker.value?.id;
  if (id === undefined) return;
  effectStore.edit(showOn(effectStore.effect, id, props.asset));
  desk.selected = id;
  desk.closeLibrary();
};
const rename = (text: string): void => {
  const name = text.trim();
  if (name && name !== props.asset.name) effectStore.edit(renameAssets(new Map([[props.asset.id, name]])));
};
const replace = async (event: Event): Promise<void> => {
  const field = event.target as HTMLInputElement;
  const [file] = filesOfInput(field);
  field.value = '';
  if (!file) return;
  error.value = null;
  busy.value = true;
  try {
    await imports.replaceWith(props.asset.id, file);
  } catch (cause) {
    error.value = sentence(cause);
  } finally {
    busy.value = false;
  }
};
const fileName = computed(() => {
  const ending = endingOf(props.asset.files[0]!.mime);
  return props.asset.name.toLowerCase().endsWith(`.${ending}`)
    ? props.asset.name
    : `${props.asset.name.replace(/\.[^.]+$/, '')}.${ending}`;
});
</script>

<template>
  <section class="detail" :aria-label="asset.name">
    <div class="large"><AssetThumb :asset="asset" /></div>
    <SoundPlayer v-if="asset.kind === 'sound'" :asset="asset" />
    <div class="title">
      <TextField
        v-if="naming"
        class="grow"
        label="Name of the asset"
        chosen
        :value="asset.name"
        :most="200"
        @change="rename"
        @done="naming = false"
      />
      <template v-else>
        <h3 class="cut" :title="asset.name">{{ asset.name }}</h3>
        <IconButton aria-label="Rename" title="Rename" @click="naming = true">
          <Pencil :size="13" />
        </IconButton>
      </template>
    </div>
    <p class="soft">{{ KIND_LABELS[asset.kind] }}</p>
    <AssetNotes :asset="asset" />
    <div class="actions">
      <a-button v-if="asker" size="small" type="primary" class="cut" @click="showThere"
        >Show it on {{ asker.name }}</a-button
      >
      <a-button v-if="isPlaceable(asset)" size="small" :type="asker ? 'default' : 'primary'" @click="place"
        >Place it</a-button
      >
      <a-button v-if="isPreparable(asset)" size="small" @click="desk.library.task = 'prepare'"
        ><span class="row"><SlidersHorizontal :size="13" />Prepare</span></a-button
      >
      <a-button v-if="asset.kind === 'picture'" size="small" @click="desk.library.task = 'cut'"
        ><span class="row"><Scissors :size="13" />Cut into frames</span></a-button
      >
    </div>
    <dl>
      <template v-for="[label, value] in factLines(asset)" :key="label">
        <dt>{{ label }}</dt>
        <dd>{{ value }}</dd>
      </template>
      <template v-if="asset.kind === 'sequence'">
        <dt>Speed</dt>
        <dd class="speed">
          <PropertyInput
            :property="propertiesIn(assetSchema, asset)['rate']!"
            :value="asset.rate"
            @change="(rate) => effectStore.edit(setSequenceRate(asset.id, rate as number), 'sequence-rate')"
            @done="effectStore.endGesture()"
          />
          a second
        </dd>
      </template>
    </dl>
    <AssetUses :asset="asset" />
    <LinkToFile :asset="asset" />
    <div class="words">
      <label class="word" :aria-disabled="busy"
        ><Replace :size="13" />{{ busy ? 'Reading' : 'Replace with a file'
        }}<input
          class="hidden-text"
          type="file"
          :disabled="busy"
          aria-label="Replace with a file"
          @change="replace"
      /></label>
      <WordButton :disabled="shelf.has(asset)" @click="shelf.put([asset])">
        {{ shelf.has(asset) ? 'On your shelf' : 'Put on your shelf' }}
      </WordButton>
      <a class="word" :href="api.fileUrl(asset.files[0]!.sha256)" :download="fileName"
        ><Download :size="13" />Download</a
      >
      <WordButton class="bad" @click="deleting = true"><Trash2 :size="13" />Delete</WordButton>
    </div>
    <InlineNotice v-if="error" closable @close="error = null">{{ error }}</InlineNotice>
    <InlineNotice v-if="shelf.error" closable @close="shelf.error = null">{{ shelf.error }}</InlineNotice>
    <DeleteAssets v-if="deleting" :assets="[asset]" @done="deleting = false" />
  </section>
</template>

<style scoped>
.detail {
  display: grid;
  gap: 8px;
  align-content: start;
}
.large {
  height: 132px;
  border: 1px solid var(--line2);
  border-radius: 8px;
  overflow: hidden;
}
.title {
  display: flex;
  gap: 6px;
  align-items: center;
  min-width: 0;
}
h3 {
  font-size: 14px;
  min-width: 0;
}
.title + p {
  margin-top: -8px;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
dl {
  display: grid;
  grid-template-columns: 72px 1fr;
  gap: 3px 8px;
  margin: 2px 0 0;
  font-size: 12px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.speed {
  display: flex;
  align-items: center;
  gap: 6px;
}
.speed :deep(.field) {
  width: 64px;
}
.words {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding-top: 8px;
  border-top: 1px solid var(--line2);
}
.words .word {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  margin: 0 0 0 -4px;
  text-decoration: none;
}
.words label {
  cursor: pointer;
}
.words .bad {
  color: var(--madder);
}
</style>
