/** Compounds that the creator keeps for all their effects. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { KeptCompound } from '../../core/contract/contract';
import type { CompoundId, Effect } from '../../core/document/schema';
import { textOfCompound } from '../../core/edits/kept-compound';
import { sentence } from '../../core/errors';
import { api } from '../api/client';

export const useKeptCompoundsStore = defineStore('kept-compounds', () => {
  const items = ref<KeptCompound[]>([]);
  const error = ref<string | null>(null);
  const attempt = async <T>(work: () => Promise<T>): Promise<T | null> => {
    error.value = null;
    try {
      const done = await work();
      items.value = await api.compounds();
      return done;
    } catch (cause) {
      error.value = sentence(cause);
      return null;
    }
  };
  const load = async (): Promise<void> => void (await attempt(() => Promise.resolve()));
  /** As it is now, with all that it uses. */
  const keep = async (effect: Effect, id: CompoundId): Promise<void> =>
    void (await attempt(() => api.keepCompound(textOfCompound(effect, id))));
  const drop = async (id: string): Promise<void> => void (await attempt(() => api.dropCompound(id)));
  /** Null where it could not be had: then `error` says why. */
  const textOf = (id: string): Promise<string | null> => attempt(() => api.compoundText(id));
  const ofCompound = (id: CompoundId): KeptCompound | null =>
    items.value.find(({ compound }) => compound === id) ?? null;
  return { items, error, load, keep, drop, textOf, ofCompound };
});
