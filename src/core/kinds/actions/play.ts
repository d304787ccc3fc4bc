import type { z } from 'zod';
import { choice, maybe, number } from '../../schema/properties';
import { text } from '../../schema/values-schema';
import { STEP, type Seconds } from '../../units';
import { mediaAt, mediaLength } from '../media';
import type { Assets } from '../objects/object-kind';
import type { EffectObject } from '../objects/objects';
import type { Media } from '../values';
import { defineAction, seconds, type Stroke } from './action-kind';

const fields = {
  do: choice('Play, pause or stop', { play: 'play', pause: 'pause', stop: 'stop' }),
  /** Which part; null is its end. */
  from: seconds('From', { mark: 'from' }),
  to: maybe(
    { name: 'To', low: 0, high: 3600, unit: 'seconds' },
    { start: 1, name: 'to', none: 'to its end' },
  ),
  speed: number({ name: 'Speed', low: -10, high: 10, unit: 'percent', step: 10, mark: 'at' }),
  /** Of a model; null is the one it has. */
  clip: text(200).nullable(),
  /** How often; 0 goes on without end. */
  times: number({
    name: 'How often; 0 without end',
    low: 0,
    high: 1000,
    unit: 'rounds',
    whole: true,
    mark: '',
  }),
  /** How long a clip of a model takes to come in over the one before. */
  blend: number({ name: 'Comes in over', low: 0, high: 60, unit: 'seconds', mark: 'in' }),
};
type Play = z.infer<z.ZodObject<typeof fields>>;

const partOf = (action: Play, object: EffectObject, assets: Assets): { from: Seconds; to: Seconds } => {
  const length = mediaLength({ assets }, object, action.clip);
  const to = Math.min(length, action.to ?? length);
  return { from: Math.min(action.from, to), to };
};

/** What it makes of what is under way. */
const played = ({ action, object, values: { media }, assets, step }: Stroke<Play>): Media => {
  const { from, to } = partOf(action, object, assets);
  const at = mediaAt({ assets }, object, media, step * STEP);
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

/** Sequences, videos, clips of models and sounds. */
export const play = defineAction({
  kind: 'play',
  name: 'play or stop',
  group: 'Play',
  summary: (action) => action.do,
  fields,
  fresh: { do: 'play', from: 0, to: null, speed: 1, clip: null, times: 1, blend: 0.2, duration: 0 },
  pace: 'atOnce',
  actsOn: 'objects',
  changes: ['media'],
  unused: ({ do: what }) => (what === 'play' ? [] : ['from', 'to', 'speed', 'times', 'blend']),
  unsuited: ({ clip }, object, assets) => {
    if (mediaLength({ assets }, object, clip) > 0) return null;
    const asset = 'asset' in object && object.asset ? assets[object.asset] : undefined;
    if (object.kind === 'sound') return 'has no file yet: choose one';
    if (asset?.kind === 'model') return asset.clips.length > 0 ? 'has no such clip' : 'has no clip to play';
    return asset?.kind === 'picture' ? 'shows one picture, that does not play' : 'is nothing that plays';
  },
  /** All rounds of its part; 0 where it does not end or plays nothing. */
  length: (action, object, assets) => {
    if (action.do !== 'play' || action.times === 0 || action.speed === 0) return 0;
    const { from, to } = partOf(action, object, assets);
    return (action.times * (to - from)) / Math.abs(action.speed);
  },
  once: (stroke) => {
    stroke.values.media = played(stroke);
  },
});
