/** What objects on a face as a whole have in common: they are as large as it is, and no finger touches them. */
import { choice, keysOf } from '../../schema/properties';
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
