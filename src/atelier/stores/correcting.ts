/** What a creator is saying about a picture of their clip: where a face or a printed picture is. */
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { clipPicture } from '../../core/takes/clip';
import type { Clip } from '../../core/takes/clip-data';
import { faceToCorrect, pictureToCorrect, type Corners } from '../../core/takes/correct-clip';
import type { Take } from '../../core/takes/take';
import { clamp } from '../../core/maths/scalar';
import { regionAround, type PicturePlace, type Region } from '../../core/tracking/region';
import { pictureKeys } from '../../tracker/camera-needs';
import { targetOrder } from '../../core/document/queries';
import { useClipsStore } from './clips';
import { useEffectStore } from './effect';
import { usePlaybackStore } from './playback';

/** A printed picture of the effect that was looked for in the clip. */
interface KnownPicture {
  readonly kind: 'picture';
  readonly name: string;
  /** Which of the clip's pictures it is, from 1. */
  readonly id: number;
  /** Height over width. */
  readonly aspect: number;
}
export type Corrected = { readonly kind: 'face' } | KnownPicture;

const cornersOfRegion = ({ x, y, width, height }: Region): Corners => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
];
/** A box is no smaller than this. */
const LEAST = 0.02;

export const useCorrectingStore = defineStore('correcting', () => {
  const playback = usePlaybackStore();
  const effectStore = useEffectStore();
  const clips = useClipsStore();
  const on = shallowRef<Corrected | null>(null);
  /** Where it is said to be: the corners from the top left, clockwise. As it is, since it goes to a worker. */
  const corners = shallowRef<Corners>(cornersOfRegion({ x: 0, y: 0, width: 1, height: 1 }));

  const clip = computed(() => (playback.source === 'take' ? (playback.take.clip ?? null) : null));
  const pictures = computed((): KnownPicture[] => {
    const { effect } = effectStore;
    const keys = pictureKeys(effect);
    return targetOrder(effect).flatMap(({ name, asset: printed }, i) => {
      const asset = printed ? effect.assets[printed] : undefined;
      const id = 1 + (clip.value?.sought.indexOf(keys[i]!) ?? -1);
      if (asset?.kind !== 'picture' || id === 0) return [];
      return [{ kind: 'picture' as const, name, id, aspect: asset.height / asset.width }];
    });
  });
  /** The clip as it was before the last correction, as long as it is the take. */
  const before = shallowRef<Clip | null>(null);

  const cancel = (): void => {
    on.value = null;
  };
  watch([() => playback.take, () => playback.source, () => playback.time], cancel);
  watch(
    () => playback.take.id,
    () => (before.value = null),
  );

  const begin = (what: Corrected): void => {
    if (!clip.value) return;
    playback.playing = false;
    const frame = clip.value.frames[clipPicture(clip.value, playback.time)]!;
    corners.value =
      what.kind === 'face'
        ? cornersOfRegion(faceToCorrect(frame))
        : pictureToCorrect(frame, what.id, what.aspect);
    on.value = what;
  };

  /** Moves a corner; a box stays one. */
  const move = (i: number, [px, py]: PicturePlace): void => {
    const [x, y] = [clamp(px, 0, 1), clamp(py, 0, 1)];
    const next = corners.value.map((p) => [...p] as [number, number]);
    next[i] = [x, y];
    if (on.value?.kind === 'face') {
      // Those beside it share one of its numbers.
      const across = i ^ 1;
      const down = 3 - i;
      next[across]![1] = y;
      next[down]![0] = x;
      const { width, height } = regionAround(next as PicturePlace[], 0);
      if (width < LEAST || height < LEAST) return;
    }
    corners.value = next as unknown as Corners;
  };

  /** Shows a clip as it is now, at the moment it was corrected, unless the creator has gone on to something else. */
  const show = (take: Take, time: number): void => {
    if (playback.take.id !== take.id || playback.source !== 'take') return;
    playback.chooseTake(take);
    playback.seek(time);
  };
  const apply = async (): Promise<void> => {
    const what = on.value;
    const was = clip.value;
    if (!what || !was) return;
    const { time } = playback;
    const said = corners.value;
    cancel();
    const take = await clips.correct(
      was,
      clipPicture(was, time),
      what.kind === 'face'
        ? { kind: 'face', region: regionAround(said, 0) }
        : { kind: 'picture', id: what.id, corners: said },
    );
    if (!take) return;
    show(take, time);
    if (playback.take.id === was.id) before.value = was;
  };
  /** The clip is as it was before the last correction. */
  const takeBack = async (): Promise<void> => {
    const was = before.value;
    if (!was) return;
    const { time } = playback;
    const take = await clips.putBack(was);
    if (!take) return;
    before.value = null;
    show(take, time);
  };
  return { on, corners, clip, pictures, before, begin, move, cancel, apply, takeBack };
});
