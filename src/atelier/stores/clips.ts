/** Brings in the creator's own clips: opened, tracked once, kept in this browser; and tracked again for what an effect needs since. */
import { defineStore } from 'pinia';
import { ref, shallowRef, toRaw } from 'vue';
import { IconiaError, sentence } from '../../core/errors';
import { MOST_FACES, MOST_HANDS } from '../../core/schema/anchor-schema';
import type { Clip } from '../../core/takes/clip-data';
import type { Correction } from '../../core/takes/correct-clip';
import type { Take } from '../../core/takes/take';
import { cutText } from '../../core/text';
import { cameraNeeds } from '../../tracker/camera-needs';
import { loudnessOf } from '../../tracker/microphone';
import { correctClip } from '../../tracker/correct-clip';
import { trackClip, type ClipSource } from '../../tracker/track-clip';
import { fetchFile } from '../api/client';
import { keptClipSource, soundOfClip } from '../takes/clip-store';
import { useEffectStore } from './effect';
import { useTakesStore } from './takes';

type Sound = { readonly wav: Blob; readonly loudness: readonly number[] };

export const useClipsStore = defineStore('clips', () => {
  const takes = useTakesStore();
  const effectStore = useEffectStore();
  /** What is on its way, and how far it is. */
  const coming = ref<{ readonly name: string; readonly share: number } | null>(null);
  /** What went wrong; `of` is the clip that was there before, null for one that was to be brought in. */
  const trouble = shallowRef<{ readonly of: string | null; readonly words: string } | null>(null);
  let abort: AbortController | null = null;

  const cancel = (): void => abort?.abort();

  /** Tracks what a source gives, for what the effect needs now, and keeps it. Null when it was cancelled. */
  const track = async (
    { id, name }: Pick<Clip, 'id' | 'name'>,
    source: ClipSource,
    soundOf: () => Promise<Sound | null>,
    mine: AbortController,
  ): Promise<Take | null> => {
    const { pictures: wanted, people: hasPeople } = cameraNeeds(toRaw(effectStore.effect), fetchFile);
    const { frames, pictures, people } = await trackClip(
      source,
      { faces: MOST_FACES, hands: MOST_HANDS, pictures: wanted, people: hasPeople },
      {
        signal: mine.signal,
        onProgress: (share) => {
          if (abort === mine) coming.value = { name, share };
        },
      },
    );
    // A sound that cannot be read is none.
    const sound = await soundOf().catch(() => null);
    if (mine.signal.aborted) return null;
    const keys: string[] = [];
    for (const picture of wanted) keys[picture.id - 1] = picture.key;
    return takes.keep(
      {
        id,
        name,
        width: source.width,
        height: source.height,
        frames: sound ? frames.map((frame, i) => ({ ...frame, loudness: sound.loudness[i] ?? 0 })) : frames,
        sought: Array.from(keys, (key) => key ?? ''),
        hasPeople,
        hasSound: sound !== null,
      },
      { pictures, people, sound: sound?.wav ?? null },
    );
  };

  /** One at a time: whatever was on its way is given up. What goes wrong is in `trouble`. */
  const alone = async (
    { id, name }: { readonly id: string | null; readonly name: string },
    work: (mine: AbortController) => Promise<Take | null>,
  ): Promise<Take | null> => {
    cancel();
    const mine = new AbortController();
    abort = mine;
    trouble.value = null;
    coming.value = { name, share: 0 };
    try {
      return await work(mine);
    } catch (cause) {
      if (!(cause instanceof IconiaError && cause.code === 'clip.cancelled') && abort === mine)
        trouble.value = { of: id, words: sentence(cause) };
      return null;
    } finally {
      if (abort === mine) {
        abort = null;
        coming.value = null;
      }
    }
  };

  /** Gives the take; null when it was cancelled, or cannot be had: then `trouble` says why. */
  const add = (file: Blob, called: string): Promise<Take | null> => {
    const name = cutText(called.replace(/\.[^.]+$/, ''), 80) || 'Clip';
    return alone({ id: null, name }, async (mine) => {
      // Whoever brings in no clip need not load what opens them.
      const { openClip } = await import('../takes/clip-source');
      const source = await openClip(file, called);
      try {
        return await track(
          { id: `clip-${crypto.randomUUID()}`, name },
          source,
          () => source.sound(loudnessOf),
          mine,
        );
      } finally {
        source.close();
      }
    });
  };

  /** Looks at a clip's own pictures again, for what the effect needs now. As `add`. */
  const again = (clip: Clip): Promise<Take | null> =>
    alone(clip, async (mine) => {
      const wav = clip.hasSound ? await soundOfClip(clip.id) : null;
      const loudness = clip.frames.map((frame) => frame.loudness ?? 0);
      return track(clip, keptClipSource(clip), () => Promise.resolve(wav && { wav, loudness }), mine);
    });

  /** Tracks a clip again from a picture in which the creator has said where something is. As `add`. */
  const correct = (clip: Clip, from: number, correction: Correction): Promise<Take | null> =>
    alone(clip, async (mine) => {
      const { pictures } = cameraNeeds(toRaw(effectStore.effect), fetchFile);
      // The clip counts pictures as the effect did that it was tracked for.
      const sought = pictures.flatMap((picture) => {
        const at = clip.sought.indexOf(picture.key);
        return at < 0 ? [] : [{ ...picture, id: at + 1 }];
      });
      const frames = await correctClip(keptClipSource(clip), clip.frames, from, correction, sought, {
        signal: mine.signal,
        onProgress: (share) => {
          if (abort === mine) coming.value = { name: clip.name, share };
        },
      });
      return takes.correct({ ...toRaw(clip), frames });
    });

  /** Keeps what was found in a clip as it was before. As `add`. */
  const putBack = (clip: Clip): Promise<Take | null> => alone(clip, () => takes.correct(toRaw(clip)));

  return { coming, trouble, add, again, correct, putBack, cancel };
});
