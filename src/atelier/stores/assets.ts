/** Files of assets: fetched once for all views, as textures, models and bytes. */
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { fetchFile } from '../api/client';
import type { Asset, FileRef } from '../../core/document/schema';
import { createStores, keepOnly } from '../../stage/effect/stores';
import type { KeptBytes } from '../../intake/drafts';
import { useEffectStore } from './effect';

export const useAssetsStore = defineStore('assets', () => {
  /** Counts up when a texture or model has arrived, so that views draw again. */
  const arrived = ref(0);

  const onLoaded = (): void => {
    arrived.value++;
  };
  /** For the Viewfinder, Space and previews. */
  const stores = shallowRef(createStores(fetchFile, onLoaded));

  // What belongs to the effect that was open before is let go with it.
  const effectStore = useEffectStore();
  watch(
    () => effectStore.id,
    () => {
      const files = Object.values(effectStore.effect.assets).flatMap((asset) => asset.files);
      keepOnly(stores.value, new Set(files.map((file) => file.sha256)));
    },
    { flush: 'post' },
  );

  const bytesOf = async (file: FileRef): Promise<KeptBytes> => ({
    bytes: new Uint8Array(await (await fetchFile(file)).arrayBuffer()),
    mime: file.mime,
  });
  /** The files an asset came as: what every preparation is made from. */
  const originalsOf = (asset: Asset): Promise<KeptBytes[]> =>
    Promise.all((asset.original ?? asset.files).map(bytesOf));

  return { arrived, stores, source: fetchFile, bytesOf, originalsOf };
});
