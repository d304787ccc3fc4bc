/** Sequences, videos, clips and sounds in their own time: set going, stopped, stepped, repeated. */
import type { ActionOf, Effect, EffectObject } from '../document/schema';
import { STEP, type Seconds } from '../units';
import type { Media, Values } from './values';

/** How long what the object plays takes once; 0 where it plays nothing. */
export const mediaLength = (effect: Effect, object: EffectObject, clip: string | null = null): Seconds => {
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
export const framesOf = (effect: Effect, object: EffectObject): { frames: number; rate: number } => {
  const asset = 'asset' in object && object.asset ? effect.assets[object.asset] : undefined;
  return asset?.kind === 'sequence' ? { frames: asset.frames, rate: asset.rate } : { frames: 0, rate: 1 };
};

const startDelay = (object: EffectObject): Seconds => ('startDelay' in object ? object.startDelay : 0);

/** Where it is now, whether or not behaviour has touched it. `time` is since the effect started. */
export const mediaAt = (
  effect: Effect,
  object: EffectObject,
  media: Media | null,
  time: Seconds,
): Seconds => {
  if (media) return media.at;
  const length = mediaLength(effect, object);
  return length > 0 ? Math.max(0, time - startDelay(object)) % length : 0;
};

/** As a sound is at the start, and whatever else does not simply run. */
export const firstMedia = (effect: Effect, object: EffectObject): Media | null => {
  if (object.kind !== 'sound') return null;
  const length = mediaLength(effect, object);
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

/** How long the action's part takes, all rounds; 0 where it does not end or plays nothing. */
export const playLength = (effect: Effect, object: EffectObject, action: ActionOf<'play'>): Seconds => {
  if (action.do !== 'play' || action.times === 0 || action.speed === 0) return 0;
  const { from, to } = partOf(effect, object, action);
  return (action.times * (to - from)) / Math.abs(action.speed);
};

const partOf = (
  effect: Effect,
  object: EffectObject,
  action: ActionOf<'play'>,
): { from: Seconds; to: Seconds } => {
  const length = mediaLength(effect, object, action.clip);
  const to = Math.min(length, action.to ?? length);
  return { from: Math.min(action.from, to), to };
};

/** What an action of playing makes of it. */
export const played = (
  effect: Effect,
  object: EffectObject,
  media: Media | null,
  action: ActionOf<'play'>,
  step: number,
): Media => {
  const { from, to } = partOf(effect, object, action);
  const at = mediaAt(effect, object, media, step * STEP);
  const still: Media = media ?? {
    clip: null,
    at,
    running: false,
    speed: 1,
    from: 0,
    to,
    left: 0,
    since: step,
    over: null,
  };
  if (action.do === 'pause') return { ...still, at, running: false };
  if (action.do === 'stop') return { ...still, at: from, running: false };
  return {
    clip: action.clip,
    at: action.speed < 0 ? to : from,
    running: to > from,
    speed: action.speed,
    from,
    to,
    left: action.times,
    since: step,
    over:
      object.kind === 'model' && action.blend > 0
        ? { clip: media?.clip ?? object.clip, at, share: 0, blend: action.blend }
        : null,
  };
};

/** Halfway into a frame, so that rounding cannot show its neighbour. */
const intoFrame = (frame: number, rate: number): Seconds => (frame + 0.5) / rate;

/** Another picture of a sequence, standing still; beyond the last comes the first. */
export const turnedTo = (
  effect: Effect,
  object: EffectObject,
  media: Media | null,
  action: ActionOf<'picture'>,
  step: number,
): Media | null => {
  const { frames, rate } = framesOf(effect, object);
  if (frames === 0) return media;
  const shown = Math.min(frames - 1, Math.floor(mediaAt(effect, object, media, step * STEP) * rate + 1e-6));
  // A sequence that ran by itself stands at its first picture when it is first turned.
  const now = media ? shown : 0;
  const wanted = action.go === 'to' ? action.number - 1 : action.go === 'next' ? now + 1 : now - 1;
  const frame = ((wanted % frames) + frames) % frames;
  return {
    clip: null,
    at: intoFrame(frame, rate),
    running: false,
    speed: 1,
    from: 0,
    to: frames / rate,
    left: 0,
    since: step,
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
