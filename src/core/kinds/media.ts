/** Sequences, videos, clips and sounds in their own time: set going, stopped, stepped, repeated. */
import type { Assets } from './objects/object-kind';
import type { EffectObject } from './objects/objects';
import { STEP, type Seconds } from '../units';
import type { Media, Values } from './values';

/** A document, as far as it matters here. */
interface WithAssets {
  readonly assets: Assets;
}

/** How long what the object plays takes once; 0 where it plays nothing. */
export const mediaLength = (
  effect: WithAssets,
  object: EffectObject,
  clip: string | null = null,
): Seconds => {
  const asset = 'asset' in object && object.asset ? effect.assets[object.asset] : undefined;
  switch (asset?.kind) {
    case 'sequence':
      return asset.frames / asset.rate;
    case 'video':
    case 'sound':
      return asset.duration;
    case 'model': {
      const name = clip ?? (object.kind === 'model' ? object.clip : null);
      const found = asset.clips.find((c) => c.name === name) ?? (clip === null ? asset.clips[0] : undefined);
      return found?.duration ?? 0;
    }
    default:
      return 0;
  }
};

/** Frames of a sequence; 0 for everything else. */
export const framesOf = (effect: WithAssets, object: EffectObject): { frames: number; rate: number } => {
  const asset = 'asset' in object && object.asset ? effect.assets[object.asset] : undefined;
  return asset?.kind === 'sequence' ? { frames: asset.frames, rate: asset.rate } : { frames: 0, rate: 1 };
};

const startDelay = (object: EffectObject): Seconds => ('startDelay' in object ? object.startDelay : 0);

/** Where it is now, whether or not behaviour has touched it. `time` is since the effect started. */
export const mediaAt = (
  effect: WithAssets,
  object: EffectObject,
  media: Media | null,
  time: Seconds,
): Seconds => {
  if (media) return media.at;
  const length = mediaLength(effect, object);
  return length > 0 ? Math.max(0, time - startDelay(object)) % length : 0;
};

/** Of what stands at its first picture until something is done with it. */
const standing = (length: Seconds): Media => ({
  clip: null,
  at: 0,
  running: false,
  speed: 1,
  from: 0,
  to: length,
  left: 0,
  since: 0,
  over: null,
});

/** As a sound is at the start, and whatever else does not simply run. */
export const firstMedia = (effect: WithAssets, object: EffectObject): Media | null => {
  const length = mediaLength(effect, object);
  if (object.kind === 'card' && !object.runs && length > 0) return standing(length);
  if (object.kind !== 'sound') return null;
  return {
    clip: null,
    at: 0,
    running: object.runs && length > 0,
    speed: 1,
    from: 0,
    to: length,
    left: object.loop ? 0 : 1,
    since: 0,
    over: null,
  };
};

/** The clip before goes on while the new one comes in; then it is forgotten. */
const comingIn = (over: NonNullable<Media['over']>): Media['over'] => {
  const share = over.share + STEP / over.blend;
  return share + 1e-9 >= 1 ? null : { ...over, at: over.at + STEP, share };
};

/** One step on. */
export const nextMedia = (values: Values): void => {
  if (values.media?.over) values.media = { ...values.media, over: comingIn(values.media.over) };
  const { media } = values;
  if (!media?.running) return;
  const { from, to, speed } = media;
  const length = to - from;
  let at = media.at + STEP * speed;
  let { left } = media;
  if (length <= 0) {
    values.media = { ...media, running: false };
    return;
  }
  while (at >= to - 1e-9 || at < from - 1e-9) {
    if (left === 1) {
      // It stays on its last picture.
      values.media = { ...media, at: speed < 0 ? from : Math.max(from, to - 1e-6), running: false };
      return;
    }
    at += at < from ? length : -length;
    if (left > 0) left--;
  }
  values.media = { ...media, at, left };
};
