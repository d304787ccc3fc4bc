/** Brings in the creator's own clips: opened, tracked once, kept in this browser. */
import { defineStore } from 'pinia';
import { ref, toRaw } from 'vue';
import { IconiaError, sentence } from '../../core/errors';
import { MOST_FACES, MOST_HANDS } from '../../core/schema/anchor-schema';
import type { Take } from '../../core/takes/take';
import { cutText } from '../../core/text';
import { cameraNeeds } from '../../tracker/camera-needs';
import { loudnessOf } from '../../tracker/microphone';
import { trackClip } from '../../tracker/track-clip';
import { fetchFile } from '../api/client';
import { useEffectStore } from './effect';
import { useTakesStore } from './takes';

export const useClipsStore = defineStore('clips', () => {
  const takes = useTakesStore();
  const effectStore = useEffectStore();
  /** What is on its way, and how far it is. */
  const coming = ref<{ readonly name: string; readonly share: number } | null>(null);
  const trouble = ref<string | null>(null);
  let abort: AbortController | null = null;

  const cancel = (): void => abort?.abort();

  /** Gives the take; null when it was cancelled, or cannot be had: then `trouble` says why. */
  const add = async (file: Blob, called: string): Promise<Take | null> => {
    cancel();
    const mine = new AbortController();
    abort = mine;
    trouble.value = null;
    const name = cutText(called.replace(/\.[^.]+$/, ''), 80) || 'Clip';
    coming.value = { name, share: 0 };
    try {
      // Whoever brings in no clip need not load what opens them.
      const { openClip } = await import('../takes/clip-source');
      const source = await openClip(file, called);
      try {
        const { pictures: sought } = cameraNeeds(toRaw(effectStore.effect), fetchFile);
        const { frames, pictures } = await trackClip(
          source,
          { faces: MOST_FACES, hands: MOST_HANDS, pictures: sought },
          {
            signal: mine.signal,
            onProgress: (share) => {
              if (abort === mine) coming.value = { name, share };
            },
          },
        );
        const loudness = await source.loudness(loudnessOf).catch(() => null);
        if (mine.signal.aborted) return null;
        const keys: string[] = [];
        for (const { id, key } of sought) keys[id - 1] = key;
        return await takes.keep(
          {
            id: `clip-${crypto.randomUUID()}`,
            name,
            width: source.width,
            height: source.height,
            frames: loudness ? frames.map((frame, i) => ({ ...frame, loudness: loudness[i] ?? 0 })) : frames,
            sought: Array.from(keys, (key) => key ?? ''),
          },
          pictures,
        );
      } finally {
        source.close();
      }
    } catch (cause) {
      if (!(cause instanceof IconiaError && cause.code === 'clip.cancelled') && abort === mine)
        trouble.value = sentence(cause);
      return null;
    } finally {
      if (abort === mine) {
        abort = null;
        coming.value = null;
      }
    }
  };
  return { coming, trouble, add, cancel };
});
