/** How well the printed pictures of the effect can be found; found out once for each picture beside the others that it must be told from. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { targetOrder } from '../../core/document/queries';
import type { Asset, Target, TargetId } from '../../core/document/schema';
import { IconiaError, sentence } from '../../core/errors';
import type { PictureStrength } from '../../core/vision/picture-strength';
import { judgePicture } from '../../tracker/judge-picture';
import { useAssetsStore } from './assets';
import { useEffectStore } from './effect';

export interface Judged {
  readonly strength: PictureStrength;
  /** The other targets that it was compared with, in order. */
  readonly others: readonly string[];
}

export const useStrengthStore = defineStore('strength', () => {
  const effectStore = useEffectStore();
  const assets = useAssetsStore();
  /** By `keyOf`. */
  const judged = shallowRef<ReadonlyMap<string, Judged>>(new Map());
  /** Which picture is being looked at, how far that is, and how it is ended. */
  const working = ref<{ readonly key: string; readonly share: number } | null>(null);
  const trouble = ref<{ readonly key: string; readonly message: string } | null>(null);
  let abort: AbortController | null = null;

  const pictureOf = (target: Target): Extract<Asset, { kind: 'picture' }> | null => {
    const asset = target.asset ? effectStore.effect.assets[target.asset] : undefined;
    return asset?.kind === 'picture' ? asset : null;
  };
  const othersOf = (id: TargetId): Target[] =>
    targetOrder(effectStore.effect).filter((t) => t.id !== id && pictureOf(t) !== null);
  /** The same for the same pictures; null where there is nothing to judge. */
  const keyOf = (target: Target): string | null => {
    const picture = pictureOf(target);
    if (!picture) return null;
    const others = othersOf(target.id).map((t) => pictureOf(t)!.files[0]!.sha256);
    return [picture.files[0]!.sha256, ...others].join(' ');
  };

  const imageOf = async (target: Target): Promise<ImageBitmap> => {
    const [file] = pictureOf(target)!.files;
    const { bytes, mime } = await assets.bytesOf(file!);
    return createImageBitmap(new Blob([bytes as BlobPart], { type: mime }));
  };
  const cancel = (): void => {
    abort?.abort();
    abort = null;
    working.value = null;
  };
  const judge = async (target: Target): Promise<void> => {
    const key = keyOf(target);
    if (key === null || judged.value.has(key) || working.value?.key === key) return;
    cancel();
    const mine = new AbortController();
    abort = mine;
    trouble.value = null;
    working.value = { key, share: 0 };
    const others = othersOf(target.id);
    try {
      const [picture, ...theirs] = await Promise.all([target, ...others].map(imageOf));
      const strength = await judgePicture(picture!, theirs, {
        signal: mine.signal,
        onProgress: (share) => {
          if (abort === mine) working.value = { key, share };
        },
      });
      judged.value = new Map([...judged.value, [key, { strength, others: others.map((t) => t.name) }]]);
    } catch (cause) {
      if (abort === mine && !(cause instanceof IconiaError && cause.code === 'strength.cancelled'))
        trouble.value = { key, message: sentence(cause) };
    } finally {
      if (abort === mine) {
        abort = null;
        working.value = null;
      }
    }
  };
  return { judged, working, trouble, keyOf, judge, cancel };
});
