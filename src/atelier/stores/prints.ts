/**
 * Which of the effect's pictures are printed on the pictures of a take, and those pictures decoded. The effect's own
 * printed pictures come first; an effect without any can try another picture.
 */
import { until } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { targetOrder, usedAssets } from '../../core/document/queries';
import type { AssetId, PictureAsset } from '../../core/document/schema';
import type { PictureImage } from '../../stage/printed-pictures';
import { closeImages, printedImage } from '../drawing/printed-images';
import { useAssetsStore } from './assets';
import { useEffectStore } from './effect';

const key = (effect: string) => `iconia.prints.${effect}`;

export const usePrintsStore = defineStore('prints', () => {
  const effectStore = useEffectStore();
  const assets = useAssetsStore();
  /** By place in the take; null prints a sheet that asks for a picture. */
  const chosen = ref<(AssetId | null)[]>([null, null]);
  const images = shallowRef<readonly PictureImage[]>([]);
  const error = ref<string | null>(null);
  /** Pictures are on their way to the take. */
  const loading = ref(false);

  watch(
    () => effectStore.id,
    (id) => {
      try {
        chosen.value = id
          ? (JSON.parse(localStorage.getItem(key(id)) ?? '[null,null]') as (AssetId | null)[])
          : [null, null];
      } catch {
        chosen.value = [null, null];
      }
    },
    { immediate: true },
  );
  const choose = (index: number, asset: AssetId | null): void => {
    chosen.value = chosen.value.map((old, i) => (i === index ? asset : old));
    if (effectStore.id) localStorage.setItem(key(effectStore.id), JSON.stringify(chosen.value));
  };
  const choices = computed((): PictureAsset[] => {
    const used = new Set(usedAssets(effectStore.effect));
    return Object.values(effectStore.effect.assets)
      .filter((a): a is PictureAsset => a.kind === 'picture')
      .sort((a, b) => Number(used.has(b.id)) - Number(used.has(a.id)));
  });
  const aspects = computed(() => images.value.map((i) => i.aspect));

  /** The effect's printed pictures, in order. */
  const targets = computed(() => targetOrder(effectStore.effect));
  const printed = computed(() =>
    targets.value.length > 0 ? targets.value.map((t) => t.asset) : chosen.value,
  );

  let round = 0;
  watch(
    () => printed.value.map((id) => (id ? effectStore.effect.assets[id]?.files[0]?.sha256 : null)).join(),
    async () => {
      const mine = ++round;
      error.value = null;
      loading.value = true;
      const made: PictureImage[] = [];
      for (const id of printed.value) {
        const asset = id ? effectStore.effect.assets[id] : undefined;
        // Pictures are printed in order: a missing one ends the row.
        if (asset?.kind !== 'picture') break;
        try {
          made.push(await printedImage(asset, assets.source));
        } catch {
          error.value = `${asset.name} could not be printed: it cannot be read. Choose another picture.`;
          break;
        }
      }
      if (mine !== round) {
        closeImages(made);
        return;
      }
      images.value = made;
      loading.value = false;
    },
    { immediate: true },
  );
  /** What is printed, once it is there: whoever draws the take for others to look at waits for it. */
  const ready = async (): Promise<readonly PictureImage[]> => {
    await until(loading).toBe(false);
    return images.value;
  };
  return { chosen, choices, targets, images, aspects, error, loading, ready, choose };
});
