/** 1 while a hand of a shape is shown. */
import { choice } from '../../schema/properties';
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

/** `any` is a hand that does whatever it does. */
const WORDS = {
  any: 'a hand',
  palm: 'an open palm',
  fist: 'a fist',
  thumb: 'a thumb up',
  point: 'pointing',
  pinch: 'a pinch',
  victory: 'two fingers held up',
} as const;

export const hand = defineSignal({
  kind: 'hand',
  name: 'Hand is shown',
  fields: { shape: choice('Shape of the hand', WORDS) },
  fresh: { shape: 'any' },
  words: ({ shape }) => WORDS[shape],
  read: ({ shape }, { frame }) =>
    frame.hands.some(({ gesture }) => shape === 'any' || gesture === shape) ? 1 : 0,
  reach: () => ZERO_TO_ONE,
  needs: () => ['hands'],
  parts: { field: 'shape', also: { any: 'shown seen', thumb: 'like', victory: 'peace' } },
  gist: ({ shape }) => shape,
  isTruth: () => true,
  sentence: { yes: 'is shown', no: 'is not shown' },
});
