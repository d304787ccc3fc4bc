/** What objects on a face as a whole have in common: they are as large as it is, and no finger touches them. */
import { objectIdSchema } from '../../schema/placed-schema';
import { choice, keysOf, yesNo } from '../../schema/properties';
import type { Box } from '../../maths/box';

const FACE: Box = { low: [-0.08, -0.1, 0], high: [0.08, 0.1, 0.09] };

export const onFace = {
  isSeen: true,
  drawn: 'otherwise',
  /** It looks at the camera picture beneath it. */
  drawnBy: ['faces', 'camera'],
  isTouched: false,
  onFace: true,
  bounds: () => FACE,
  needs: () => ['faces'] as const,
} as const;

export const EYES_WORDS = { both: 'Both', left: 'The left one', right: 'The right one' } as const;
/** Left and right are the wearer's own. */
export type Eyes = keyof typeof EYES_WORDS;
export const EYES = keysOf(EYES_WORDS);
/** The field for which eyes are meant. */
export const eyes = () => choice('Eyes', EYES_WORDS);

/** What leaves a part of it out. */
export const leftOut = {
  /** The layer whose mask limits it; null is none. */
  maskedBy: objectIdSchema.nullable(),
  /** It is seen outside of that mask instead of inside. */
  maskedOut: yesNo('Outside of it'),
  givesWay: yesNo('Under hands and hair', {
    help: 'It is left out where a hand, hair or a thing is before the face',
  }),
};
/** Limited by nothing but what is before the face. */
export const LEFT_OUT_AS_ADDED = { maskedBy: null, maskedOut: false, givesWay: true } as const;
