/** The creator's own shelf: assets for all their effects. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { ShelfItem } from '../../core/contract/contract';
import { api } from '../api/client';
import { sentence } from '../../core/errors';
import type { Asset } from '../../core/document/schema';

export const useShelfStore = defineStore('shelf', () => {
  const items = ref<ShelfItem[]>([]);
  const error = ref<string | null>(null);
  const attempt = async (work: () => Promise<unknown>): Promise<void> => {
    error.value = null;
    try {
      await work();
      items.value = await api.shelf();
    } catch (cause) {
      error.value = sentence(cause);
    }
  };
  const load = (): Promise<void> => attempt(() => Promise.resolve());
  const put = (assets: readonly Asset[]): Promise<void> =>
    attempt(async () => {
      for (const asset of assets) await api.putOnShelf(asset);
    });
  const take = (id: string): Promise<void> => attempt(() => api.takeOffShelf(id));
  const has = (asset: Asset): boolean =>
    items.value.some(
      (i) => i.asset.kind === asset.kind && i.asset.files[0]!.sha256 === asset.files[0]!.sha256,
    );
  return { items, error, load, put, take, has };
});
