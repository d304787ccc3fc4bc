/** Bringing files in, and their textures for all views. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { api } from '../api/client';
import { newAssetId, newObjectId } from '../api/ids';
import { IconiaError, sentence } from '../../core/errors';
import { inspectPicture } from '../../core/assets/picture';
import { addAsset, addPictureCard } from '../../core/document/edits';
import { newCard } from '../../core/document/defaults';
import { orderOnTop } from '../../core/document/queries';
import type { Asset, ObjectId } from '../../core/document/schema';
import { TextureStore } from '../../stage/effect/texture-store';
import { useEffectStore } from './effect';

export interface Import {
  readonly key: number;
  readonly name: string;
  readonly abort: AbortController;
}
export interface Refusal {
  readonly key: number;
  readonly message: string;
}

export const useAssetsStore = defineStore('assets', () => {
  const document = useEffectStore();
  const under = ref<Import[]>([]);
  const refusals = ref<Refusal[]>([]);
  /** Counts up when a texture has arrived, so that views draw again. */
  const arrived = ref(0);
  let keys = 0;

  const source = async (asset: Asset): Promise<Blob> => {
    const response = await fetch(api.assetUrl(asset.sha256));
    if (!response.ok)
      throw new IconiaError('asset.missing', `The picture ${asset.name} could not be loaded.`);
    return response.blob();
  };
  const textures = shallowRef(new TextureStore(source, () => arrived.value++));

  /** Reads, checks and uploads a file. Null when it was refused or cancelled. */
  const bringIn = async (file: File): Promise<Asset | null> => {
    const entry: Import = { key: ++keys, name: file.name, abort: new AbortController() };
    under.value = [...under.value, entry];
    try {
      inspectPicture(new Uint8Array(await file.arrayBuffer()), file.name);
      const uploaded = await api.upload(file, entry.abort.signal);
      return { id: newAssetId(), name: file.name.slice(0, 200), kind: 'picture', ...uploaded };
    } catch (error) {
      if (!entry.abort.signal.aborted)
        refusals.value = [...refusals.value, { key: entry.key, message: sentence(error) }];
      return null;
    } finally {
      under.value = under.value.filter((i) => i.key !== entry.key);
    }
  };

  /** Brings in files and puts each on the head as a card. Returns the last card's id. */
  const bringInAsCards = async (files: Iterable<File>): Promise<ObjectId | null> => {
    let last: ObjectId | null = null;
    for (const file of files) {
      const asset = await bringIn(file);
      if (!asset) continue;
      const card = newCard(newObjectId(), asset, orderOnTop(document.effect));
      document.edit(addPictureCard(asset, card));
      last = card.id;
    }
    return last;
  };

  const bringInOnly = async (file: File): Promise<Asset | null> => {
    const asset = await bringIn(file);
    if (asset) document.edit(addAsset(asset));
    return asset;
  };

  const dismiss = (key: number): void => {
    refusals.value = refusals.value.filter((r) => r.key !== key);
  };

  return { under, refusals, arrived, textures, bringInAsCards, bringInOnly, dismiss, source };
});
