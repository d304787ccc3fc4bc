/** Photos, videos and loops of what the Viewfinder shows, as the creator takes them to show them around. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { IconiaError, sentence } from '../../core/errors';
import type { Seconds } from '../../core/units';
import type { Capturing } from '../../stage/capture/capturing';
import { keptLoop, keptPhoto, keptVideo, type Kept, type KeptChoice } from '../../stage/capture/kept';
import { mayShare, shareFile } from '../../stage/capture/kept-file';
import { saveFile } from '../../stage/save-file';
import { useEffectStore } from './effect';
import { usePlaybackStore } from './playback';

/** The Viewfinder, as far as its pictures are taken. */
export interface CapturedFinder {
  readonly capturing: Capturing;
  /** Draws the next picture in the size of a photo, or as usual again. */
  readonly drawForPhoto: (on: boolean) => void;
}

export const useCaptureStore = defineStore('capture', () => {
  const effectStore = useEffectStore();
  const playback = usePlaybackStore();
  const finder = shallowRef<CapturedFinder | null>(null);
  /** What goes on: a photo is waited for, a video is recorded, pictures of a loop are taken, a file is made of them. */
  const doing = ref<'nothing' | 'photo' | 'video' | 'loop' | 'making'>('nothing');
  /** How much of it is done, 0 to 1. */
  const share = ref(0);
  /** Of a video, so far. */
  const seconds = ref<Seconds>(0);
  const kept = shallowRef<Kept | null>(null);
  const trouble = ref<string | null>(null);
  const isFree = computed(() => doing.value === 'nothing');
  let stopMaking: AbortController | null = null;
  let stoodStill = false;
  let beganAt = 0;

  /** A take goes on while it is taken, and stands again after. */
  const goOn = (): void => {
    stoodStill = playback.source === 'take' && !playback.playing;
    if (stoodStill) playback.playing = true;
  };
  const stand = (): void => {
    if (stoodStill && playback.source === 'take') playback.playing = false;
    stoodStill = false;
  };
  const rest = (): void => {
    doing.value = 'nothing';
    share.value = 0;
    stopMaking = null;
  };
  const attempt = async (work: () => Promise<void>): Promise<void> => {
    trouble.value = null;
    try {
      await work();
    } catch (error) {
      // What was cancelled needs no word.
      if (!(error instanceof IconiaError && error.code === 'capture.cancelled'))
        trouble.value = sentence(error);
    } finally {
      stand();
      rest();
    }
  };
  const name = (): string => effectStore.effect.name;

  const photo = async (): Promise<void> => {
    const from = finder.value;
    if (!from || !isFree.value) return;
    doing.value = 'photo';
    await attempt(async () => {
      from.drawForPhoto(true);
      try {
        kept.value = await keptPhoto(await from.capturing.photo(), name());
      } finally {
        from.drawForPhoto(false);
      }
    });
  };
  const startVideo = (): void => {
    const from = finder.value;
    if (!from || !isFree.value) return;
    trouble.value = null;
    try {
      from.capturing.startVideo();
    } catch (error) {
      trouble.value = sentence(error);
      return;
    }
    goOn();
    beganAt = performance.now();
    seconds.value = 0;
    doing.value = 'video';
  };
  const stopVideo = async (): Promise<void> => {
    const from = finder.value;
    if (!from || doing.value !== 'video') return;
    await attempt(async () => {
      const film = await from.capturing.stopVideo();
      if (film) kept.value = keptVideo(film, name());
    });
  };
  const loop = async (): Promise<void> => {
    const from = finder.value;
    if (!from || !isFree.value) return;
    doing.value = 'loop';
    await attempt(async () => {
      const making = new AbortController();
      stopMaking = making;
      goOn();
      const frames = await from.capturing.takeLoop((done) => (share.value = done), making.signal);
      stand();
      doing.value = 'making';
      share.value = 0;
      kept.value = await keptLoop(frames, name(), (done) => (share.value = done), making.signal);
    });
  };
  /** Gives up what goes on. */
  const cancel = (): void => {
    stopMaking?.abort();
    if (doing.value !== 'video') return;
    void finder.value?.capturing.stopVideo();
    stand();
    rest();
  };
  const discard = (): void => {
    kept.value = null;
    trouble.value = null;
  };
  watch(
    () => effectStore.id,
    () => {
      cancel();
      discard();
    },
  );

  const withFile = async (
    choice: KeptChoice,
    work: (file: File) => void | Promise<unknown>,
  ): Promise<boolean> => {
    trouble.value = null;
    try {
      await work(await choice.file());
      return true;
    } catch (error) {
      trouble.value = sentence(error);
      return false;
    }
  };
  return {
    finder,
    doing,
    share,
    seconds,
    kept,
    trouble,
    isFree,
    photo,
    startVideo,
    stopVideo,
    loop,
    cancel,
    discard,
    /** A picture was drawn. */
    drawn: (now: number): void => {
      finder.value?.capturing.drawn(now);
      if (doing.value === 'video') seconds.value = (now - beganAt) / 1000;
    },
    save: (choice: KeptChoice) => withFile(choice, (file) => saveFile(file, file.name)),
    /** Makes what takes long, to be saved by another press; false when it failed. */
    make: (choice: KeptChoice) => withFile(choice, () => {}),
    shareIt: (choice: KeptChoice) =>
      withFile(choice, (file) => {
        if (!mayShare(file))
          throw new IconiaError(
            'share.refused',
            'This device shares no files of this kind. Save it instead.',
          );
        return shareFile(file);
      }),
  };
});
