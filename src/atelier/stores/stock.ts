/** What ships with Iconia. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { catalogueSchema, type StockItem } from '../../core/stock/catalogue';
import { sentence } from '../../core/errors';
import type { Asset, AssetId } from '../../core/document/schema';
import { newAssetId } from '../api/ids';
import { keepDraft } from '../intake/keep-draft';
import { useEffectStore } from './effect';
import { useImportsStore } from './imports';

export const stockUrl = (path: string): string => `/stock-files/${path}`;

export const useStockStore = defineStore('stock', () => {
  const effectStore = useEffectStore();
  const imports = useImportsStore();
  const items = shallowRef<readonly StockItem[]>([]);
  const error = ref<string | null>(null);
  /** Being added now, by id. */
  const adding = ref<ReadonlySet<string>>(new Set());

  const load = async (): Promise<void> => {
    if (items.value.length > 0) return;
    try {
      const response = await fetch(stockUrl('catalogue.json'));
      if (!response.ok) throw new Error('The stock could not be loaded. Reload the page.');
      items.value = catalogueSchema.parse(await response.json());
    } catch (cause) {
      error.value = sentence(cause);
    }
  };

  const fileOf = async (item: StockItem): Promise<File> => {
    const response = await fetch(stockUrl(item.file));
    if (!response.ok) throw new Error(`${item.name} could not be loaded. Try again.`);
    const name = item.file.replace(/^.*\//, '');
    return new File([await response.blob()], name);
  };

  const assetOf = async (item: StockItem): Promise<Asset> => {
    const file = await fileOf(item);
    if (!item.sheet) {
      const { read } = await imports.readOne({ path: file.name, file, handle: null });
      return keepDraft({ ...read.drafts[0]!, name: item.name }, newAssetId());
    }
    const bytes = new Uint8Array(await file.arrayBuffer());
    const draft = await imports.client.cut(
      { bytes, mime: 'image/webp' },
      file.name,
      item.sheet.grid,
      item.sheet.frames,
    );
    const asset = await keepDraft({ ...draft, name: item.name }, newAssetId());
    return asset.kind === 'sequence' ? { ...asset, rate: item.sheet.rate } : asset;
  };

  /** Brings a stock item in; what is there already is not brought in twice. Null when it could not be had. */
  const bring = async (
    item: StockItem,
    place: boolean,
    step: string | null = null,
  ): Promise<AssetId | null> => {
    error.value = null;
    adding.value = new Set([...adding.value, item.id]);
    try {
      const asset = await assetOf(item);
      const twin = Object.values(effectStore.effect.assets).find(
        (a) => a.kind === asset.kind && a.files[0]!.sha256 === asset.files[0]!.sha256,
      );
      const own = twin ?? ({ ...asset, name: imports.freeAssetName(asset.name) } as Asset);
      imports.enter(own, { isHere: twin !== undefined, place, step });
      return own.id;
    } catch (cause) {
      error.value = sentence(cause);
      effectStore.notice = error.value;
      return null;
    } finally {
      adding.value = new Set([...adding.value].filter((id) => id !== item.id));
    }
  };
  const add = async (item: StockItem, place: boolean): Promise<void> => {
    await bring(item, place);
  };
  /** Brings in what a field names, without placing it; one step with what else bears the name `step`. */
  const bringInOne = async (id: string, step: string): Promise<AssetId | null> => {
    await load();
    const item = items.value.find((i) => i.id === id);
    return item ? bring(item, false, step) : null;
  };

  /** Keeps stock items on the server and gives them as assets, for a new effect. */
  const assetsFor = async (ids: readonly string[]): Promise<ReadonlyMap<string, Asset>> => {
    await load();
    const found = new Map<string, Asset>();
    for (const id of ids) {
      const item = items.value.find((i) => i.id === id);
      if (!item) throw new Error(error.value ?? `The stock has nothing called ${id}.`);
      found.set(id, await assetOf(item));
    }
    return found;
  };

  return { items, error, adding, load, add, bringInOne, assetsFor };
});
