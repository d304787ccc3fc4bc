import { choice, number } from '../../schema/properties';
import { STEP, type Seconds } from '../../units';
import { framesOf, mediaAt } from '../media';
import { defineAction } from './action-kind';

/** Halfway into a frame, so that rounding cannot show its neighbour. */
const intoFrame = (frame: number, rate: number): Seconds => (frame + 0.5) / rate;

/** Another picture of a sequence, standing still; beyond the last comes the first. */
export const picture = defineAction({
  kind: 'picture',
  name: 'next picture',
  group: 'Play',
  summary: ({ go, number }) => (go === 'to' ? `picture ${number}` : `${go} picture`),
  fields: {
    go: choice('Which picture', { next: 'the next', previous: 'the one before', to: 'number' }),
    number: number({
      name: 'Number of the picture',
      low: 1,
      high: 4096,
      unit: 'count',
      whole: true,
      mark: '',
    }),
  },
  fresh: { go: 'next', number: 1, duration: 0 },
  pace: 'atOnce',
  actsOn: 'objects',
  changes: ['media'],
  unused: ({ go }) => (go === 'to' ? [] : ['number']),
  unsuited: (_, object, assets) =>
    framesOf({ assets }, object).frames > 0 ? null : 'shows no sequence of pictures: give it one',
  once: ({ action, object, values, assets, step }) => {
    const { frames, rate } = framesOf({ assets }, object);
    if (frames === 0) return;
    const { media } = values;
    const shown = Math.floor(mediaAt({ assets }, object, media, step * STEP) * rate + 1e-6);
    // A sequence that ran by itself stands at its first picture when it is first turned.
    const now = media ? Math.min(frames - 1, shown) : 0;
    const wanted = action.go === 'to' ? action.number - 1 : action.go === 'next' ? now + 1 : now - 1;
    const frame = ((wanted % frames) + frames) % frames;
    values.media = {
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
  },
});
