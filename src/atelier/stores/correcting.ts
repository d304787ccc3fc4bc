/** What a creator is saying about a picture of their clip: where a face or a printed picture is. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { clipPicture } from '../../core/takes/clip';
import { faceToCorrect, pictureToCorrect, type Corners } from '../../core/takes/correct-clip';
import { clamp } from '../../core/maths/scalar';
import { regionAround, type PicturePlace, type Region } from '../../core/tracking/region';
import { pictureKeys } from '../../tracker/camera-needs';
import { targetOrder } from '../../core/document/queries';
import { useClipsStore } from './clips';
import { useEffectStore } from './effect';
import { usePlaybackStore } from './playback';

export type Corrected =
  | { readonly kind: 'face' }
  | { readonly kind: 'picture'; readonly key: string; readonly name: string };

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
  /** Where it is said to be: the corners from the top left, clockwise. */
  const corners = ref<Corners>(cornersOfRegion({ x: 0, y: 0, width: 1, height: 1 }));

  const clip = computed(() => (playback.source === 'take' ? (playback.take.clip ?? null) : null));
  /** The effect's printed pictures that were looked for in this clip. */
  const pictures = computed(() => {
    const keys = pictureKeys(effectStore.effect);
    return targetOrder(effectStore.effect).flatMap(({ name }, i) =>
      keys[i] && clip.value?.sought.includes(keys[i])
        ? [{ kind: 'picture' as const, key: keys[i], name }]
        : [],
    );
  });

  const cancel = (): void => {
    on.value = null;
  };
  watch([() => playback.take, () => playback.source, () => playback.time], cancel);

  const begin = (what: Corrected): void => {
    if (!clip.value) return;
    playback.playing = false;
    const frame = clip.value.frames[clipPicture(clip.value, playback.time)]!;
    if (what.kind === 'face') corners.value = cornersOfRegion(faceToCorrect(frame));
    else {
      const target = targetOrder(effectStore.effect).find(({ name }) => name === what.name);
      const asset = target?.asset ? effectStore.effect.assets[target.asset] : undefined;
      const aspect = asset?.kind === 'picture' ? asset.height / asset.width : 1;
      corners.value = pictureToCorrect(frame, clip.value.sought.indexOf(what.key) + 1, aspect);
    }
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

  const apply = async (): Promise<void> => {
    const what = on.value;
    if (!what || !clip.value) return;
    const from = clipPicture(clip.value, playback.time);
    const { time } = playback;
    const said = corners.value;
    cancel();
    const take = await clips.correct(
      clip.value,
      from,
      what.kind === 'face'
        ? { kind: 'face', region: regionAround(said, 0) }
        : { kind: 'picture', id: clip.value.sought.indexOf(what.key) + 1, corners: said },
    );
    if (!take) return;
    playback.chooseTake(take);
    playback.seek(time);
  };
  return { on, corners, clip, pictures, begin, move, cancel, apply };
});
