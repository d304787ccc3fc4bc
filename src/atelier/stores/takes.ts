/** The takes that ship and the creator's own. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { sentence } from '../../core/errors';
import { SHIPPED_TAKES } from '../../core/takes/library';
import { shippedTake } from '../../core/takes/library/compared-faces';
import { clipTake, mostFaces } from '../../core/takes/clip';
import type { Clip } from '../../core/takes/clip-data';
import { makeTake } from '../../core/takes/make-take';
import type { MarkKind, Take, TakeSpec } from '../../core/takes/take';
import { api } from '../api/client';
import { forgetClip, keepClip, keepFrames, keptClips, type ClipFiles } from '../takes/clip-store';

const ORDER: readonly MarkKind[] = [
  'turned',
  'nodded',
  'tilted',
  'mouthOpen',
  'pucker',
  'smile',
  'browsUp',
  'eyesClosed',
  'wink',
  'handShown',
  'near',
  'far',
  'twoFaces',
  'threeFaces',
  'faceGone',
  'pictureTilted',
  'pictureCovered',
  'pictureGone',
];

/** Sorts of takes by what is before the camera. */
export const TAKE_SORTS = ['face', 'people', 'world', 'picture'] as const;
export type TakeSort = (typeof TAKE_SORTS)[number];
export const sortOf = ({ spec, clip }: Take): TakeSort => {
  if (clip) {
    const faces = mostFaces(clip);
    return faces > 1 ? 'people' : faces === 1 ? 'face' : clip.sought.length > 0 ? 'picture' : 'world';
  }
  if (spec.pictures !== null) return 'picture';
  if (spec.cast.length === 0) return 'world';
  return spec.cast.filter((m) => m.present[0] === 0).length > 1 ? 'people' : 'face';
};
/** What happens in a take, each once, in a fixed order. */
export const kindsOf = (take: Take): readonly MarkKind[] => {
  const kinds = new Set(take.marks.map((m) => m.kind));
  return ORDER.filter((kind) => kinds.has(kind));
};

export const useTakesStore = defineStore('takes', () => {
  const own = shallowRef<readonly Take[]>([]);
  const error = ref<string | null>(null);
  const loaded = ref(false);
  /** The creator's own clips, of this browser. */
  const clips = shallowRef<readonly Take[]>([]);
  const all = computed(() => [...clips.value, ...own.value, ...SHIPPED_TAKES]);
  const isOwn = (take: Take): boolean => own.value.includes(take);

  const load = async (): Promise<void> => {
    // What cannot be had in one place keeps nothing of the other away.
    const [kept, specs] = await Promise.allSettled([keptClips(), api.takes()]);
    if (kept.status === 'fulfilled') clips.value = kept.value.map((clip) => clipTake(clip));
    if (specs.status === 'fulfilled') own.value = specs.value.map((spec) => makeTake(spec));
    const failures = [kept, specs].flatMap((had) => (had.status === 'rejected' ? sentence(had.reason) : []));
    error.value = failures.join(' ') || null;
    loaded.value = true;
  };
  /** Saves a new take, or an own one again. Gives the take as it is kept. */
  const save = async (spec: TakeSpec): Promise<Take> => {
    const kept = own.value.some((t) => t.id === spec.id)
      ? await api.saveTake(spec)
      : await api.createTake(spec);
    const take = makeTake(kept);
    own.value = [take, ...own.value.filter((t) => t.id !== take.id)];
    return take;
  };
  const remove = async (take: Take): Promise<void> => {
    if (take.clip) {
      await forgetClip(take.id);
      clips.value = clips.value.filter((t) => t.id !== take.id);
      return;
    }
    await api.removeTake(take.id);
    own.value = own.value.filter((t) => t.id !== take.id);
  };
  /** Keeps a clip that was tracked, or tracked again. Throws `IconiaError` `clip.not-kept`. */
  const keep = async (clip: Clip, files: ClipFiles): Promise<Take> => {
    await keepClip(clip, files);
    return listed(clip);
  };
  /** Keeps what was found in a clip anew. Throws `IconiaError` `clip.not-kept`. */
  const correct = async (clip: Clip): Promise<Take> => {
    await keepFrames(clip);
    return listed(clip);
  };
  const listed = (clip: Clip): Take => {
    const take = clipTake(clip);
    const at = clips.value.findIndex((t) => t.id === take.id);
    clips.value = at < 0 ? [take, ...clips.value] : clips.value.with(at, take);
    return take;
  };
  const byId = (id: string): Take | null => all.value.find((t) => t.id === id) ?? shippedTake(id);
  return { own, clips, keep, correct, all, error, loaded, isOwn, load, save, remove, byId };
});
